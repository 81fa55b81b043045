import Decimal from 'decimal.js';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { calculate, MOST_SIGNS, resultText } from './calculator';

const degrees = { degrees: true, ans: 7 };
const value = (typed: string, setting: { degrees: boolean; ans: number | null } = degrees) => {
  const result = calculate(typed, setting);
  return result.ok ? result.value : result.refusal.code;
};

describe('the calculator', () => {
  it.each<[string, number]>([
    ['0.1+0.2', 0.3],
    ['1,5 × 2', 3],
    ['2+3×4', 14],
    ['(2+3)×4', 20],
    ['10 ÷ 4 ÷ 5', 0.5],
    ['−2²', -4],
    ['(−2)²', 4],
    ['2^3^2', 512],
    ['2^−2', 0.25],
    ['3√16', 12],
    ['√2²', 2],
    ['2π', 6.28318530718],
    ['2(3+4)', 14],
    ['50% × 8', 4],
    ['5!', 120],
    ['ans × 2', 14],
    ['--3', 3],
    ['2 sin 30', 1],
    ['sin 180', 0],
    ['cos 90', 0],
    ['tan 45', 1],
    ['arcsin 1', 90],
    ['arctan(1)', 45],
    ['log 1000', 3],
    ['ln e', 1],
    ['abs(−3)', 3],
    ['.5 + 5.', 5.5],
  ])('%s', (typed, expected) => {
    expect(value(typed)).toBeCloseTo(expected, 10);
  });

  it('in radians', () => {
    const radians = { degrees: false, ans: null };
    expect([value('sin π', radians), value('cos(π)', radians)]).toEqual([0, -1]);
    expect(value('arctan 1', radians)).toBeCloseTo(Math.PI / 4, 12);
  });

  it('agrees with decimal.js where both can', () => {
    const digit = fc.integer({ min: 1, max: 999 });
    fc.assert(
      fc.property(
        digit,
        digit,
        digit,
        fc.constantFrom('+', '-', '*', '/'),
        fc.constantFrom('+', '-', '*', '/'),
        (a, b, c, p, q) => {
          const of = (x: Decimal, sign: string, y: Decimal): Decimal =>
            sign === '+' ? x.add(y) : sign === '-' ? x.sub(y) : sign === '*' ? x.mul(y) : x.div(y);
          const expected = of(of(new Decimal(a), p, new Decimal(b)), q, new Decimal(c));
          expect(value(`(${a}${p}${b})${q}${c}`)).toBeCloseTo(expected.toNumber(), 6);
        },
      ),
    );
  });

  it.each(['', '2+', '(2', '2)', '2..3', 'sin', 'sinn 3', 'alert(1)', '2 3', '2π3', '√', '1'.repeat(MOST_SIGNS + 1)])(
    'cannot read “%s”',
    (typed) => {
      expect(value(typed)).toBe('sum-unreadable');
    },
  );

  it.each(['1/0', '√(−1)', 'ln 0', 'ln(−1)', 'tan 90', '171!', '1.5!', '9^9^9^9', 'arcsin 2'])(
    '%s has no value',
    (typed) => {
      expect(value(typed)).toBe('sum-no-value');
    },
  );

  it('knows no result before the first', () => {
    expect(value('ans', { degrees: true, ans: null })).toBe('sum-unreadable');
  });

  it('reads anything of bounded length in no time, and never throws', () => {
    const signs = fc.constantFrom(...'0123456789.,+-*/^()√%²!πe ', 'sin', 'ans');
    fc.assert(
      fc.property(fc.array(signs, { maxLength: 60 }), (parts) => {
        const result = calculate(parts.join(''), degrees);
        expect(!result.ok || Number.isFinite(result.value)).toBe(true);
      }),
    );
    for (const hostile of ['('.repeat(200), '√'.repeat(200), '-'.repeat(200), '2^'.repeat(100), '9!'.repeat(100)])
      expect(calculate(hostile, degrees).ok).toBe(false);
  });

  it.each([
    [0.3, '0.3'],
    [-12, '−12'],
    [1.5e-7, '1.5 × 10^−7'],
    [6.02e23, '6.02 × 10^23'],
    [0, '0'],
  ])('writes %s as %s', (number, text) => {
    expect(resultText(number)).toBe(text);
  });
});
