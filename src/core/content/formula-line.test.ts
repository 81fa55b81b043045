import fc from 'fast-check';
import { expect, it } from 'vitest';
import { formulaLine } from './formula-line';

it.each([
  [String.raw`\frac{1}{2}\rho A v^3`, '1/2ρ A v³'],
  [String.raw`\frac{a+b}{2c}`, '(a+b)/(2c)'],
  [String.raw`x^{-1} + x_{12}`, 'x⁻¹ + x₁₂'],
  [String.raw`v_{\max}`, 'v_max'],
  [String.raw`e^{x+1}`, 'e^(x+1)'],
  [String.raw`\sqrt{2}\,\text{m/s}`, '√2 m/s'],
  [String.raw`\sqrt[3]{a+1}`, '³√(a+1)'],
  [String.raw`\left(\alpha \le 90^{\circ}\right)`, '(α ≤ 90°)'],
  [String.raw`\ce{CO2}`, 'CO2'],
  [String.raw`30\,\%`, '30 %'],
  [String.raw`\sin x`, 'sin x'],
  [String.raw`\begin{pmatrix} 1 & 2 \\ 3 & 4 \end{pmatrix}`, '1 2 3 4'],
  // Unfinished, as while it is being typed.
  [String.raw`\frac{1}{`, '1/'],
  [String.raw`\sqrt[3`, '√'],
  ['}}}x', 'x'],
  ['', ''],
])('%s is told as %s', (latex, line) => {
  expect(formulaLine(latex)).toBe(line);
});

it('is told in bounded time and without a stack that overflows, whatever is written', () => {
  for (const hostile of ['{', '\\frac', '^', '_{', '\\sqrt[', '\\sqrt{', '\\begin{']) {
    expect(formulaLine(hostile.repeat(100_000)).length).toBeLessThan(2000);
  }
  fc.assert(
    fc.property(
      fc.string({
        unit: fc.constantFrom(
          '\\frac',
          '{',
          '}',
          '^',
          '_',
          '\\sqrt',
          '[',
          ']',
          'x',
          '2',
          ' ',
          '\\',
          '\\constructor ',
          '𝑥',
        ),
      }),
      (latex) => {
        expect(formulaLine(latex)).not.toContain('undefined');
      },
    ),
  );
});
