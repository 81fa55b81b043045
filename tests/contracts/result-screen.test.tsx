import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { contentFromText } from '@/core/content/written';
import type { OwnResult, OwnScore } from '@/server/results/own-result';
import { LinkedScales } from '@/ui/results/LinkedScales';
import { ResultSheet } from '@/ui/results/ResultSheet';

/** What a student reads over their answers. */
const score: OwnScore = {
  marks: '14',
  of: '20',
  percent: '70.0',
  passed: true,
  passPercent: '50',
  grade: 'B',
  rangeText: contentFromText('Good work.'),
  late: null,
  hints: null,
  parts: [
    { is: 'section', title: 'Rotor', marks: '10', of: '12', share: 5 / 6, passed: true, madeUp: false, passPercent: null, text: null },
    {
      is: 'topic',
      title: 'Rescue',
      marks: '4',
      of: '8',
      share: 0.5,
      passed: false,
      madeUp: false,
      passPercent: '60',
      text: contentFromText('Climb again with Jonas.'),
    },
  ],
};
const result: OwnResult = {
  sitting: 's',
  title: 'Certificate',
  name: 'Ada Vale',
  score,
  together: null,
  soFar: null,
  revisedAt: null,
  lookAgain: [],
      waitsUntil: null,
  ownChange: null,
  group: null,
  words: {},
  items: [],
};
const words = (part: Partial<OwnResult>): string =>
  renderToStaticMarkup(<ResultSheet result={{ ...result, ...part }} />)
    .replace(/<[^>]*>/g, ' ')
    .replace(/\s+/g, ' ');

describe('a result', () => {
  it.each<[string, Partial<OwnResult>, string]>([
    ['score and pass', {}, '14 of 20 70.0 % grade B ✓ passed pass mark 50 %'],
    ['a topic that is missed', {}, 'Rescue · topic 4 of 8 not the 60 % it needs'],
    ['what is said of a section', {}, 'Climb again with Jonas.'],
    [
      'a section that the whole makes up for',
      { score: { ...score, parts: score.parts.map((one) => ({ ...one, madeUp: true })) } },
      'not the 60 % it needs, made up for by the whole',
    ],
    ['what its range reads', {}, 'Good work.'],
    ['lateness and what it cost', { score: { ...score, late: { cost: '2', by: 61 * 60_000 } } }, 'Handed in 1 h 1 min late: − 2 marks.'],
    ['lateness that costs nothing', { score: { ...score, late: { cost: '0', by: 1 } } }, 'Handed in 1 min late, which costs nothing.'],
    [
      'what several attempts come to',
      { together: { attempts: 3, counts: 'mean', percent: '48.0', passed: false } },
      'Of 3 attempts their mean counts: 48.0 %, not passed .',
    ],
    ['that nothing is released', { score: null }, 'Handed in Your result comes when your teacher releases it.'],
    [
      'what is known so far',
      { score: null, soFar: { marks: '3', of: '9', waiting: 2 } },
      '3 of 9 marks so far 2 answers wait for a person. Your result comes',
    ],
    ['that it was revised', { revisedAt: 1 }, 'These results were revised on'],
  ])('tells %s', (_, part, expected) => {
    expect(words(part)).toContain(expected);
  });

  it('says nothing of attempts and lateness where there is nothing to say', () => {
    expect(words({})).not.toMatch(/attempt|late/);
  });
});

describe('earlier students on the same scale', () => {
  const drifted = { item: 'i', question: 'q', number: '3', label: 'Salt spray', harder: -0.9 };
  const linked = { sitting: 's', title: 'Check', opensAt: 0, common: 6, abler: 0.8, error: 0.1, drifting: [drifted] };
  const text = (part: Partial<typeof linked>): string =>
    renderToStaticMarkup(<LinkedScales linked={[{ ...linked, ...part }]} />).replace(/<[^>]*>/g, '');

  it('are said to be abler or not as far as the link is sure of it, and what moved is named', () => {
    expect(text({})).toContain('by 6 questions that both had: students now are abler (0.80 logits ± 0.10)');
    expect(text({})).toContain('3. Salt spray (easier now)');
    expect(text({ abler: -0.8 })).toContain('students now are less able');
    expect(text({ abler: 0.15 })).toContain('about as able');
    expect(text({ drifting: [] })).not.toContain('Moved');
    expect(renderToStaticMarkup(<LinkedScales linked={[]} />)).toBe('');
  });
});
