import { describe, expect, it } from 'vitest';
import { type Comparison, compareMaths } from './compare';

/**
 * Ways of writing that were kept back when the comparison was built. By construction: each answer is the key written
 * otherwise, or is not of the form asked for (conventions: tests/reference/fixtures/README.md).
 */
type Row = [verdict: 'right' | 'wrong', key: string, answer: string];

function holds(comparison: Comparison, rows: Row[]): void {
  it.each(rows)('%s: %s | %s', (verdict, key, answer) => {
    expect(compareMaths(key, answer, comparison).verdict).toBe(verdict);
  });
}

describe('the completed square has one square of a lone name and one constant, also behind y =', () => {
  holds({ mode: 'form', form: 'completedSquare' }, [
    ['right', '(x+3)^2-4', '(x+3)^2-4'],
    ['right', '(x-1/2)^2+3/4', '(x-\\frac{1}{2})^2+\\frac{3}{4}'],
    ['right', '(x+3)^2/2-4', '\\frac{(x+3)^2}{2}-4'],
    ['right', '2(x+3)^2', '2(x+3)^2'],
    ['right', 'y=(x+3)^2-4', 'y=(x+3)^2-4'],
    ['right', '(x+a)^2-4', '(x+a)^2-4'],
    ['wrong', '(x+3)^2-4', '(x+3)^2-5+1'],
    ['wrong', '(x+3)^2-4', '(x+2+1)^2-4'],
    ['wrong', '2(x+3)^2-4', '\\frac{(2x+6)^2}{2}-4'],
    ['wrong', '(x+3)^2-4', '\\frac{2(x+3)^2}{2}-4'],
    ['wrong', 'y=(x+3)^2-4', 'y=x^2+6x+5'],
  ]);
});

describe('a simplified radical has no fraction under the root', () => {
  holds({ mode: 'form', form: 'simplifiedRadical' }, [
    ['right', 'sqrt(2)/2', '\\frac{\\sqrt{2}}{2}'],
    ['right', '2sqrt(3)', '2\\sqrt{3}'],
    ['wrong', 'sqrt(3)/2', '\\sqrt{\\frac{3}{4}}'],
    ['wrong', 'sqrt(2)/2', '\\sqrt{\\frac{1}{2}}'],
    ['wrong', '2sqrt(3)', '\\sqrt{12}'],
  ]);
});

describe('expanded has products of one name and of numbers collected', () => {
  holds({ mode: 'form', form: 'expanded' }, [
    ['right', 'a^2+2ab+b^2', 'a^2+2ab+b^2'],
    ['right', 'x^2y^3', 'x^2y^3'],
    ['right', '3/2 x', '\\frac{3}{2}x'],
    ['wrong', 'a^2+2ab+b^2', 'a*a+2ab+b*b'],
    ['wrong', 'a^3', 'a^2*a'],
    ['wrong', '6x', '2*3x'],
  ]);
});

describe('with the decimal comma, a semicolon or a bar separates; where neither stands the comma does', () => {
  for (const [mode, open, close] of [
    ['set', '{', '}'],
    ['list', '', ''],
    ['tuple', '(', ')'],
  ] as const) {
    holds({ mode, decimalComma: true }, [
      ['right', `${open}1.5, 2.5${close}`, `${open}1,5; 2,5${close}`],
      ['right', `${open}1.5, 2.5${close}`, `${open}1,5 | 2,5${close}`],
      ['right', `${open}1, 2${close}`, `${open}1, 2${close}`],
      ['wrong', `${open}1.5, 2.5${close}`, `${open}1; 5; 2; 5${close}`],
    ]);
  }
  holds({ mode: 'interval', decimalComma: true }, [['right', '[1.5, 2.5]', '[1,5; 2,5]']]);
});

describe('unions and infinities as they are typed', () => {
  holds({ mode: 'interval' }, [
    ['right', '(-∞,2] ∪ [5,∞)', '(-inf,2] U [5,inf)'],
    ['right', '(-inf,2] U [5,inf)', '(-∞,2] ∪ [5,∞)'],
    ['right', '(-∞,2] ∪ [5,∞)', '(-infinity,2]U[5,infinity)'],
    ['wrong', '(-∞,2] ∪ [5,∞)', '(-inf,2] U (5,inf)'],
  ]);
  holds({ mode: 'equivalent' }, [['right', 'R I', 'R I']]);
});

describe('units in LaTeX: fraction bars, thin spaces, a prefix set apart', () => {
  holds({ mode: 'numeric', units: true, tolerance: { rel: '0.01' } }, [
    ['right', '5 kΩ', '5\\,\\mathrm{k}\\Omega'],
    ['right', '5 m/s', '5\\,\\frac{\\mathrm{m}}{\\mathrm{s}}'],
    ['right', '5 m/s', '5\\ \\mathrm{m\\,s^{-1}}'],
    ['right', '5 m/s^2', '5\\,\\mathrm{\\frac{m}{s^2}}'],
    ['right', '5 kg m/s', '5\\,\\mathrm{kg\\,m/s}'],
    ['right', '5 µF', '5\\,\\mu\\mathrm{F}'],
    ['right', '0.5 m', '\\frac{1}{2}\\,\\mathrm{m}'],
    ['right', '30 °', '\\frac{\\pi}{6}\\,\\mathrm{rad}'],
    ['wrong', '5 kΩ', '5\\,\\mathrm{M}\\Omega'],
    ['wrong', '5 m/s', '5\\,\\frac{\\mathrm{s}}{\\mathrm{m}}'],
  ]);
});

describe('degrees and radians, a plus-minus alone, a number times a fraction', () => {
  holds({ mode: 'equivalent' }, [
    ['right', '30°', '\\frac{\\pi}{6}'],
    ['right', '\\frac{\\pi}{6}', '30°'],
    ['wrong', '30°', '30'],
    ['right', '3/2', '3\\cdot\\frac{1}{2}'],
    ['right', '5/2', '2\\frac{1}{2}'],
  ]);
  holds({ mode: 'set' }, [
    ['right', '{-2,2}', '\\pm 2'],
    ['right', '{-2,2}', 'x=±2'],
    ['wrong', '{-2,2}', '2'],
  ]);
  holds({ mode: 'equation' }, [
    ['right', 'x^2=4', '±2'],
    ['wrong', 'x^2=4', '±3'],
  ]);
});

describe('a long number is not the constant that it comes near to', () => {
  holds({ mode: 'equivalent' }, [
    ['wrong', 'pi', '3.14159265358979323846264338327950'],
    ['wrong', 'sqrt(2)', '1.4142135623730950488016887242096980785696718753769'],
    ['wrong', '\\frac{1}{3}', '0.333333333333333333333333333333333'],
    ['wrong', '2 pi r', '6.283185307179586476925286766559005768394338798750211641949889184615632812572417997 r'],
    ['wrong', 'pi', '\\frac{31415926535897932384626433832795}{10^{31}}'],
    ['right', '1/2', '\\sin(30°)'],
    ['right', '0.25', '0.250'],
  ]);
});
