import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { measureWork } from '../../../tests/drivers/work';
import { exact, stored } from '../base/exact';
import { contentFromLines } from '../content/lines';
import { plainText } from '../content/plain';
import { choice } from '../kinds/choice/choice';
import { maths } from '../kinds/maths/maths';
import { number } from '../kinds/number/number';
import { rulesFromKey as mathsKey } from '../rules/maths/rules';
import { rulesFromKey as numberKey } from '../rules/number/rules';
import { checkQuestion } from './checks';
import { markQuestion } from './mark';
import { emptyQuestion, type QuestionBody, type Slot } from './question';
import { keyedSlots, variantOf, varyReadiness } from './variant';
import { drawValues, putting, roundedText, type Variation } from './variation';

const range = (name: string, least: string, most: string, step = '1') =>
  ({ name, from: { by: 'range', least, most, step } }) as const;
const formula = (name: string, text: string, round: { to: 'places' | 'figures'; n: number } | null = null) =>
  ({ name, from: { by: 'formula', formula: text, round } }) as const;
const vary = (values: Variation['values'], conditions: string[] = []): Variation => ({
  values,
  conditions,
  each: 'attempt',
});
const amount = (key: string, more: Partial<Slot> = {}): Slot => ({
  kind: 'number',
  marks: '2',
  setup: { ...number.fresh(), rules: numberKey(key) },
  ...more,
});
const slotted = (text: string, slots: Record<string, Slot>, more: Partial<QuestionBody>): QuestionBody => {
  const { content } = contentFromLines(text);
  const places = Object.keys(slots).map((id) => ({ type: 'inlineSlot' as const, attrs: { id } }));
  return {
    ...emptyQuestion,
    content: { type: 'doc', content: [...content, { type: 'paragraph', content: places }] },
    slots,
    ...more,
  };
};

describe('values', () => {
  it('are the same for the same seed, within their bounds, and fulfil the conditions', () => {
    const made = vary([range('a', '-3', '3'), range('b', '1/2', '5', '1/2'), formula('c', 'a b')], ['a ≠ 0', 'c < 10']);
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 2 ** 31 }), (seed) => {
        const values = drawValues(made, seed);
        expect(values).toEqual(drawValues(made, seed));
        const [a, b, c] = ['a', 'b', 'c'].map((name) => Number(values?.get(name)));
        expect(a).not.toBe(0);
        expect(b).toBeGreaterThanOrEqual(0.5);
        expect(b).toBeLessThanOrEqual(5);
        expect(c).toBe((a ?? 0) * (b ?? 0));
        expect(c).toBeLessThan(10);
      }),
    );
    const seen = new Set(
      Array.from({ length: 200 }, (_, seed) => drawValues(vary([range('a', '1', '4')]), seed)?.get('a')),
    );
    expect([...seen].sort()).toEqual(['1', '2', '3', '4']);
  });

  it('of which none fit are said to be none', () => {
    expect(drawValues(vary([range('a', '1', '3')], ['a > 5']), 1)).toBeNull();
    expect(drawValues(vary([range('a', '0', '0'), formula('b', '1/a')]), 1)).toBeNull();
  });

  it('are rounded to places and to figures, written without powers of ten', () => {
    expect([roundedText(exact('123456'), 'figures', 3), roundedText(exact('1/3'), 'figures', 3)]).toEqual([
      '123000',
      '0.333',
    ]);
    expect([roundedText(exact('5/2'), 'places', 0), roundedText(exact('0'), 'figures', 2)]).toEqual(['3', '0']);
  });

  it('stand in brackets in a formula where that keeps its meaning, and names without a value stay', () => {
    const put = putting(new Map([['a', '-2']]));
    expect(put('3 + <a>x, <b>', 'formula')).toBe('3 + (-2)x, <b>');
    expect([put('<a>', 'formula'), put('<a> °C', 'words'), put('1 <a', 'words')]).toEqual(['-2', '-2 °C', '1 <a']);
  });
});

/** Energy of a moving mass, E = m v² / 2 (handbook formula), then the mean power over t. */
const energy = slotted(
  'A part of <m> kg moves at <v> m/s and is stopped in <t> s. Energy? Power?',
  { a: amount('<E> J'), b: amount('<P> W', { follow: '3/4' }) },
  {
    vary: vary([
      range('m', '2', '8'),
      range('v', '3', '9'),
      range('t', '2', '5'),
      formula('E', 'm v^2 / 2'),
      { name: 'W', from: { by: 'answer', slot: 'a' } },
      formula('P', 'W / t'),
    ]),
    trials: [{ id: 't1', slot: 'a', response: { number: '<E> J', unit: '' }, expected: '2' }],
  },
);

describe('a variant', () => {
  it('is a question with numbers in its text and keys', () => {
    const one = variantOf(energy, 7);
    const [m, v, t] =
      /(\d) kg moves at (\d) m\/s and is stopped in (\d) s/.exec(plainText(one.content))?.slice(1).map(Number) ?? [];
    const joule = ((m ?? 0) * (v ?? 0) ** 2) / 2;
    const right = { a: { number: `${joule}`, unit: 'J' }, b: { number: `${joule / (t ?? 1)}`, unit: 'W' } };
    expect([...markQuestion(one, right).values()].map(({ marks }) => marks && stored(marks))).toEqual(['2', '2']);
    expect(variantOf(energy, 7)).toBe(one);
    expect(plainText(variantOf(energy, 8).content)).not.toBe(plainText(one.content));
  });

  it('marks with the student’s own earlier answer, says so, and sets those marks apart', () => {
    const one = variantOf(energy, 7);
    const t = Number(/stopped in (\d) s/.exec(plainText(one.content))?.[1]);
    const wrong = { a: { number: '1', unit: 'kJ' }, b: { number: `${1000 / t}`, unit: 'W' } };
    const marked = markQuestion(one, wrong);
    expect(stored(marked.get('a')?.marks ?? exact('9'))).toBe('0');
    // Three quarters of two marks; the kilojoule was turned into the joule of the key.
    expect(stored(marked.get('b')?.marks ?? exact('9'))).toBe('3/2');
    expect(marked.get('b')?.marking.trace[0]).toEqual({ code: 'follow-through', values: { used: '1000' } });
    const neither = markQuestion(one, { ...wrong, b: { number: '123456', unit: 'W' } });
    expect(stored(neither.get('b')?.marks ?? exact('9'))).toBe('0');
    const without = markQuestion(one, { b: wrong.b });
    expect(without.get('b')?.marking.trace.some(({ code }) => code === 'follow-through')).toBe(false);
  });

  it('is passed over where something breaks, while there are others', () => {
    const options = ['<a>', '<b>'].map((text, i) => ({ id: `o${i}`, text, key: i === 0, feedback: '' }));
    const pick: Slot = { kind: 'choice', marks: '1', setup: { ...choice.fresh(), options } };
    const question = slotted('Which?', { a: pick }, { vary: vary([range('a', '1', '3'), range('b', '1', '3')]) });
    for (let seed = 0; seed < 60; seed++) {
      const texts = (variantOf(question, seed).slots.a?.setup as { options: { text: string }[] }).options.map(
        (o) => o.text,
      );
      expect(new Set(texts).size).toBe(2);
    }
  });

  it('of a formula keeps its sign', () => {
    const line: Slot = { kind: 'maths', marks: '1', setup: { ...maths.fresh(), rules: mathsKey('<a>x + <b>') } };
    expect((line.setup as { rules: { mode: string } }).rules.mode).toBe('equivalent');
    const question = slotted(
      'The line?',
      { a: line },
      { vary: vary([range('a', '-4', '-2'), range('b', '-5', '-1')]) },
    );
    const key = (keyedSlots(variantOf(question, 3)).get('a')?.setup as { rules: { rules: { key: string }[] } }).rules
      .rules[0]?.key;
    expect(key).toMatch(/^\(-[234]\)x \+ \(-[1-5]\)$/);
  });
});

describe('readiness of values', () => {
  const codes = (question: QuestionBody): string[] => varyReadiness(question).map(({ code }) => code);
  const withVary = (values: Variation['values'], conditions: string[] = []): QuestionBody => ({
    ...energy,
    vary: vary(values, conditions),
  });

  it('names what is wrong with each', () => {
    expect(codes(energy)).toEqual([]);
    expect(codes(withVary([range('2x', '1', '3'), range('b', '3', '1'), range('b', '1', '2')]))).toEqual([
      'value-name',
      'value-range-empty',
      'value-name-twice',
    ]);
    expect(codes(withVary([formula('c', 'a + 1'), range('a', '1', '2')], ['z > 1', '((']))).toEqual([
      'value-unknown',
      'value-unknown',
      'condition-unreadable',
    ]);
    expect(codes(withVary([range('a', '1', '3')], ['a > 5']))).toEqual(['values-impossible']);
    expect(codes(withVary([{ name: 'q', from: { by: 'answer', slot: 'gone' } }]))).toEqual(['value-slot-gone']);
    const shown = slotted('It was <W>.', energy.slots, { vary: energy.vary });
    expect(codes(shown)).toEqual(['value-gives-key-away']);
    const early = { ...energy, slots: { a: amount('<P> J'), b: amount('<W> W') } };
    expect(codes(early)).toContain('value-answer-later');
  });

  it('trial answers run over many variants', () => {
    expect(checkQuestion(energy).trials).toMatchObject([{ id: 't1', marks: '2', agrees: true }]);
    const fixed = {
      ...energy,
      trials: [{ id: 't1', slot: 'a', response: { number: '36 J', unit: '' }, expected: '0' as const }],
    };
    // Thirty-six joules is right for some students and not for others.
    expect(checkQuestion(fixed).trials[0]?.agrees).toBe(false);
    expect(checkQuestion(fixed).findings.map(({ code }) => code)).toContain('trial-not-as-expected');
  });
});

describe('values that cannot be met', () => {
  it.each([
    ['a condition that never holds', vary([range('R', '10', '90')], ['R > 1000'])],
    ['a worked-out value without a formula', vary([range('R', '10', '90'), formula('x', '')])],
    [
      'a formula that takes for ever',
      vary([range('R', '10', '90'), formula('x', '\\sum_{n=1}^{2000}{n!}')], ['x < R']),
    ],
    [
      'sums and sines in every draw',
      vary([range('R', '10', '90'), formula('x', '2^R*\\sum_{n=1}^{1900}{\\sin(n)}')], ['x < -R']),
    ],
  ])('%s: said after a bounded search, and everything goes on without them', (_, impossible) => {
    const question = slotted('Work it out.', { a: amount('<R> kW') }, { vary: impossible });
    const work = measureWork();
    expect(checkQuestion(question).findings.some((f) => f.at[0] === 'vary' && f.weight === 'stops')).toBe(true);
    expect(variantOf(question, 5)).toBe(question);
    expect(markQuestion(question, { a: { number: '1', unit: 'kW' } }).size).toBe(1);
    // The bound is counted in steps; this only sees that they are few (it was 85 s).
    expect(work()).toBeLessThan(4000);
  });
});
