import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { measureWork } from '../../../../tests/drivers/work';
import { compareMaths } from './compare';
import { parseMaths } from './parse';
import { printMaths } from './print';

/** Formulas as one would type them, from small parts; always readable. */
const formula = fc.letrec<{ tree: string }>((tie) => ({
  tree: fc.oneof(
    { depthSize: 'small', withCrossShrink: true },
    fc.constantFrom('x', 'y', '2', '7', '0.5', 'pi', '3'),
    fc.tuple(tie('tree'), fc.constantFrom('+', '-', '*'), tie('tree')).map(([a, sign, b]) => `(${a} ${sign} ${b})`),
    tie('tree').map((a) => `\\frac{${a}}{x^2+1}`),
    tie('tree').map((a) => `(${a})^2`),
    tie('tree').map((a) => `sin(${a})`),
    tie('tree').map((a) => `\\sqrt{(${a})^2+1}`),
    tie('tree').map((a) => `-${a}`),
  ),
})).tree;

const RUNS = { numRuns: 150, seed: 7 };

describe('whatever is typed', () => {
  it('never throws, and is decided', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string({ maxLength: 60 }), fc.string({ unit: 'grapheme', maxLength: 40 })), (text) => {
        const { verdict } = compareMaths('x^2+1', text, { mode: 'equivalent' });
        expect(['right', 'wrong', 'unreadable', 'undecided']).toContain(verdict);
      }),
      RUNS,
    );
  });

  it('never throws on pieces of formulas put together at random', () => {
    const piece = fc.constantFrom(
      '\\frac{',
      '}',
      '{',
      '(',
      ')',
      '[',
      ']',
      '|',
      '\\sqrt',
      '^',
      '_',
      'x',
      '2',
      '+',
      '\\sin',
      '\\left(',
      '\\begin{pmatrix}',
      '&',
      '\\\\',
      '\\pm',
      '=',
      '<',
      ',',
      '\\sum_',
      '%',
      '°',
      '!',
      'e',
      'i',
      '\\infty',
      '\\cup',
      '\\to',
    );
    fc.assert(
      fc.property(
        fc.array(piece, { maxLength: 14 }),
        fc.constantFrom('equivalent', 'set', 'interval', 'equation', 'tuple', 'numeric'),
        (pieces, mode) => {
          const { verdict } = compareMaths('x+1', pieces.join(''), { mode });
          expect(verdict).toBeTypeOf('string');
        },
      ),
      { numRuns: 600, seed: 7 },
    );
  });
});

describe('equivalence', () => {
  it('is reflexive', () => {
    fc.assert(
      fc.property(formula, (text) => {
        expect(compareMaths(text, text, { mode: 'equivalent' }).verdict).toBe('right');
      }),
      RUNS,
    );
  });

  it('is symmetric for functions that are defined everywhere', () => {
    fc.assert(
      fc.property(formula, formula, (a, b) => {
        const [there, back] = [compareMaths(a, b, { mode: 'equivalent' }), compareMaths(b, a, { mode: 'equivalent' })];
        expect(there.verdict).toBe(back.verdict);
      }),
      RUNS,
    );
  });

  it('tells a function from the same with a thousandth more', () => {
    fc.assert(
      fc.property(formula, (text) => {
        expect(compareMaths(text, `${text} + 0.001`, { mode: 'equivalent' }).verdict).toBe('wrong');
      }),
      RUNS,
    );
  });

  it('of sets does not mind the order', () => {
    fc.assert(
      fc.property(fc.uniqueArray(fc.integer({ min: -50, max: 50 }), { minLength: 1, maxLength: 6 }), (numbers) => {
        const [there, back] = [numbers.join(', '), [...numbers].reverse().join('; ')];
        expect(compareMaths(there, back, { mode: 'set' }).verdict).toBe('right');
      }),
      RUNS,
    );
  });
});

describe('reading and writing', () => {
  it('come back to the same: what was understood is read as what was meant', () => {
    fc.assert(
      fc.property(formula, (text) => {
        const first = parseMaths(text);
        if (!first.ok) throw new Error(`${text} is readable`);
        const written = printMaths(first.tree);
        const second = parseMaths(written);
        if (!second.ok) throw new Error(`${written} is readable`);
        expect(printMaths(second.tree)).toBe(written);
        expect(compareMaths(text, written, { mode: 'equivalent' }).verdict).toBe('right');
      }),
      RUNS,
    );
  });

  it.each([
    ['1/2x', '\\frac{1}{2}x'],
    ['x^10', 'x^{10}'],
    ['sin 2x', '\\sin\\left(2x\\right)'],
    ['3 1/4', '3\\frac{1}{4}'],
    ['sqrt 3/2', '\\frac{\\sqrt{3}}{2}'],
    ['v_0 t', 'v_{0}t'],
    ['alpha*beta', '\\alpha\\cdot\\beta'],
    ['{1;-2}', '\\left\\{1,-2\\right\\}'],
    ['x>=2 or x<-1', 'x\\ge 2\\;\\text{or}\\;x<-1'],
  ])('%s is shown as %s', (typed, shown) => {
    const parsed = parseMaths(typed, { commaSeparates: true });
    expect(parsed.ok && printMaths(parsed.tree)).toBe(shown);
  });
});

describe('bounds', () => {
  it.each([
    ['a power tower', '9^9^9^9^9^9'],
    ['a huge factorial', '99999!'],
    ['factorials of factorials', '(((3!)!)!)!'],
    ['a sum over sums', '\\sum_{a=1}^{2000}\\sum_{b=1}^{2000}\\sum_{c=1}^{2000}a b c x'],
    ['a large power of a sum', '(x+y+z+1)^{4000}-(x+y)^{4001}'],
    ['a megabyte', 'x+'.repeat(500_000)],
    ['deep brackets', '('.repeat(5000)],
    ['deep fractions', '\\frac{1}{'.repeat(300)],
    ['nested trigonometry', `${'sin('.repeat(60)}x${')'.repeat(60)}`],
    ['towers of e', `${'e^{'.repeat(30)}x${'}'.repeat(30)}`],
    ['hidden marks and mixed scripts', '\u202ex\u200b+\u2066١\u2069'],
  ])('%s is answered within a second', (_, answer) => {
    const work = measureWork();
    const { verdict } = compareMaths('x+1', answer, { mode: 'equivalent' });
    expect(work()).toBeLessThan(1000);
    expect(['wrong', 'unreadable', 'undecided', 'right']).toContain(verdict);
  });
});
