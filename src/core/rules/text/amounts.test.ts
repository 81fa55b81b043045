import { describe, expect, it } from 'vitest';
import { stored } from '../../base/exact';
import { pointsFrom } from '../../../../tests/drivers/text-points';
import { DOUBTS_NONE } from './doubts';
import { markText, rulesFromKey, type TextRules } from './rules';

const rules = (...words: string[]): TextRules => ({
  ...rulesFromKey(''),
  otherwise: 'zero',
  doubts: DOUBTS_NONE,
  rules: [pointsFrom([{ need: 'all', words, share: '1' }])],
});
const share = (wanted: string[], text: string): string => {
  const marking = markText(rules(...wanted), text);
  return marking.state === 'waits' ? 'waits' : stored(marking.share);
};

describe('numbers inside a text', () => {
  it('are found by their value, in any unit of the same measure', () => {
    expect([
      share(['5.2 MW'], 'The wind carries 5200 kW through it.'),
      share(['5.2 MW'], 'It carries 5.2MW.'),
      share(['5.2 MW'], 'It carries 5.3 MW.'),
      share(['5.2 MW'], 'It carries 5.2 m of cable.'),
      share(['59 %'], 'At most 0.59 of it (Betz).'),
      share(['1500'], 'The shaft turns 1 500 times, or 1500, a minute.'),
      share(['1500'], 'It makes 1500 rpm.'),
    ]).toEqual(['1', '1', '0', '0', '1', '1', '1']);
  });

  it('stand beside words in one group, and are the evidence', () => {
    const marking = markText(rules('gearbox', '83 °C'), 'The gearbox oil was at 83 °C then.');
    expect(marking.trace.find(({ code }) => code === 'point-met')?.evidence).toEqual(['gearbox', '83 °C']);
  });
});
