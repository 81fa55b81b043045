import { readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { measureWork } from '../../../../tests/drivers/work';
import { type Comparison, compareMaths, type Mode } from './compare';
import { understood } from './understood';
import { MOST_WORK, workOf } from './work';

/** What an answer may hold so that others wait. Each hung the comparison for seconds to minutes, or is of that make. */
const HOSTILE: [name: string, mode: Mode, key: string, answer: string][] = [
  ['a chain of constants', 'equation', 'x>2', '0<1<2<3'],
  ['a long chain of constants', 'equation', 'x>2', Array.from({ length: 300 }, (_, i) => i).join('<')],
  ['a long chain through the unknown', 'equation', 'x>2', Array.from({ length: 150 }, (_, i) => `x<${i}`).join('<')],
  ['a flat power', 'equation', 'x>2', 'x^{200}=2'],
  ['a flat power beside its own', 'equation', 'x^{200}=2', 'x^{200}+0*x^{198}=2'],
  ['waves', 'equation', 'x>2', '\\sin(1000x)>0'],
  ['a tower of roots', 'equation', 'x>2', `${'\\sqrt{'.repeat(40)}x${'}'.repeat(40)}>1`],
  ['factorials in a sum', 'equivalent', 'x+1', 'x+1+0*\\sum_{n=1}^{2000}{n!}'],
  ['sums in sums', 'equivalent', 'x', '\\sum_{a=1}^{200}{\\sum_{b=1}^{200}{\\sum_{c=1}^{200}{abcx}}}'],
  ['a tower of powers', 'equivalent', 'x', `x${'^{x'.repeat(30)}${'}'.repeat(30)}`],
  ['nested sines', 'equivalent', '\\sin(x)', `${'\\sin('.repeat(60)}x${')'.repeat(60)}`],
  ['a long sum of powers', 'equivalent', 'x', Array.from({ length: 200 }, (_, i) => `x^{${i}.5}`).join('+')],
  ['a product of sums', 'form', '(x+1)^2', Array.from({ length: 40 }, (_, i) => `(x+${i}+a+b+c)`).join('')],
  ['many elements', 'set', '{1,2}', `{${Array.from({ length: 150 }, (_, i) => `\\sin(${i})`).join(',')}}`],
  ['many unions', 'interval', '[0,1]', Array.from({ length: 100 }, (_, i) => `[${i},\\sqrt{${i + 1}}]`).join('\\cup ')],
  ['a slow antiderivative', 'antiderivative', 'x^2', `${'\\sin('.repeat(25)}x${')'.repeat(25)}+\\ln(\\ln(x))`],
  ['brackets without end', 'equivalent', 'x', `${'('.repeat(480)}x${')'.repeat(480)}`],
  ['fractions without end', 'equivalent', 'x', `${'\\frac{1}{'.repeat(80)}x${'}'.repeat(80)}`],
];

describe('what an answer holds cannot hold up the others', () => {
  it.each(HOSTILE)('%s', (_, mode, key, answer) => {
    const work = measureWork();
    const comparison: Comparison = mode === 'form' ? { mode, form: 'expanded' } : { mode };
    const first = compareMaths(key, answer, comparison);
    // Counted steps are the bound; this is the net under the test, generous on a busy machine.
    expect(work()).toBeLessThan(1500);
    expect(workOf(() => compareMaths(key, answer, comparison))).toBeLessThanOrEqual(MOST_WORK + 5000);
    expect(compareMaths(key, answer, comparison)).toEqual(first);
  });
});

it('ordinary comparisons take a small part of the budget', () => {
  const rows = readFileSync(
    path.resolve(import.meta.dirname, '../../../../tests/reference/fixtures/maths-pairs.jsonl'),
    'utf8',
  )
    .split('\n')
    .filter((line) => line !== '')
    .map((line) => JSON.parse(line) as { mode: Mode; key: string; answer: string });
  const works = rows
    .filter(({ mode }) => ['equivalent', 'equation', 'set', 'interval', 'tuple', 'list'].includes(mode))
    .map(({ mode, key, answer }) => workOf(() => compareMaths(key, answer, { mode })))
    .sort((a, b) => a - b);
  expect(works.length).toBeGreaterThan(150);
  expect((works[Math.floor(works.length * 0.95)] ?? 0) * 20).toBeLessThan(MOST_WORK);
  expect((works.at(-1) ?? 0) * 8).toBeLessThan(MOST_WORK);
});

it('a formula is printed in time and length that grow with it, however deeply it is nested', () => {
  const nested = (n: number): string => `${'\\sin('.repeat(n)}x${')'.repeat(n)}`;
  for (const n of [4, 10, 20, 60]) {
    const work = measureWork();
    const reading = understood(nested(n), {});
    expect(work()).toBeLessThan(500);
    // Deeper than anybody writes is not read at all.
    expect(reading.ok).toBe(n <= 20);
    if (reading.ok) expect(reading.latex.length).toBeLessThan(30 * n);
  }
});
