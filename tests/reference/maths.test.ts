import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { agreed, mathsFigures, mathsRows } from './maths';

/** Source: fixtures/maths-pairs.jsonl, verdicts by construction and SymPy 1.11; see fixtures/README.md. */
describe('pairs of key and answer in mathematics', () => {
  const rows = mathsRows(path.join(import.meta.dirname, 'fixtures/maths-pairs.jsonl'));

  it('are many, and all are marked as they should be', () => {
    expect(rows.length).toBeGreaterThan(330);
    expect(
      rows.filter((row) => !agreed(row)).map((row) => `${row.name}: expected ${row.expected}, got ${row.got}`),
    ).toEqual([]);
  });

  it('accept nothing wrong, throw nothing and are answered within a second each', () => {
    expect(mathsFigures(rows)).toMatchObject({ falseAccept: 0, threw: 0 });
    expect(Math.max(...rows.map((row) => row.ms))).toBeLessThan(1000);
  });
});
