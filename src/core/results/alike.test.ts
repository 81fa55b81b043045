import { describe, expect, it } from 'vitest';
import { choice } from '../kinds/choice/choice';
import { shortText } from '../kinds/short-text/short-text';
import { alikeTo } from './alike';
import { measureWork } from '../../../tests/drivers/work';

const slot = { kind: 'shortText', marks: '1', setup: shortText.fresh() } as const;
const text = (words: string) => ({ version: 1, text: words });

describe('answers alike', () => {
  it('come to the same, or have much the same words, the most alike first', () => {
    const { alike, whole } = alikeTo(slot, text('The wind turns the blades'), [
      { of: 'far', response: text('It rains') },
      { of: 'near', response: text('the wind turns blades') },
      { of: 'same', response: text('the  wind turns the blades.') },
      { of: 'blank', response: text('  ') },
      { of: 'odd', response: { version: 99 } },
      { of: 'none', response: undefined },
    ]);
    expect([whole, alike.map(({ of, likeness }) => [of, likeness === 1])]).toEqual([
      true,
      [
        ['same', true],
        ['near', false],
      ],
    ]);
    expect(alikeTo(slot, text(''), [{ of: 'a', response: text('') }]).alike).toEqual([]);
  });

  it('are never half alike where they are chosen', () => {
    const setup = choice.fresh();
    const chosen = (id: string) => ({ version: 1, chosen: [id] });
    const options = setup.options.map(({ id }) => id);
    const found = alikeTo({ kind: 'choice', marks: '1', setup }, chosen(options[0] ?? ''), [
      { of: 'same', response: chosen(options[0] ?? '') },
    ]);
    expect(found.alike.map(({ of }) => of)).toEqual(['same']);
  });

  it('are compared in bounded steps, whatever was written', () => {
    const long = (seed: number): string => Array.from({ length: 900 }, (_, i) => `w${(i * seed) % 97}`).join(' ');
    const many = Array.from({ length: 3000 }, (_, i) => ({
      of: String(i),
      response: text(long(i + 2).slice(0, 4900)),
    }));
    const work = measureWork();
    const { whole } = alikeTo(slot, text(long(1).slice(0, 4900)), many);
    expect(work()).toBeLessThan(4000);
    expect(whole).toBe(false);
    // What comes to the same is found all the same.
    const last = [...many, { of: 'same', response: text(long(1).slice(0, 4900)) }];
    expect(alikeTo(slot, text(long(1).slice(0, 4900)), last).alike.map(({ of }) => of)).toContain('same');
  });
});
