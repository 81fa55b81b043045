import { sum } from './numbers';

/** Scores: a row for each person, a column for each item; all rows are equally long. */
export type Scores = readonly (readonly number[])[];

export const column = (scores: Scores, item: number): number[] => scores.map((row) => row[item] ?? NaN);

/** What each person has in all. */
export const totals = (scores: Scores): number[] => scores.map(sum);

/** The covariances of the items (n − 1). */
export function covariances(scores: Scores): number[][] {
  const items = scores[0]?.length ?? 0;
  const means = Array.from({ length: items }, (_, i) => sum(column(scores, i)) / scores.length);
  const all = Array.from({ length: items }, () => new Array<number>(items).fill(0));
  for (const row of scores)
    for (let i = 0; i < items; i++) {
      const own = all[i] ?? [];
      const d = (row[i] ?? NaN) - (means[i] ?? 0);
      for (let j = 0; j <= i; j++) own[j] = (own[j] ?? 0) + d * ((row[j] ?? NaN) - (means[j] ?? 0));
    }
  return all.map((_, i) => all.map((_row, j) => (all[Math.max(i, j)]?.[Math.min(i, j)] ?? 0) / (scores.length - 1)));
}

/** The inverse of a square matrix by elimination with the largest pivot (Gauss and Jordan); null where there is none. */
export function inverse(matrix: readonly (readonly number[])[]): number[][] | null {
  const n = matrix.length;
  const rows = matrix.map((row, i) => [...row, ...Array.from({ length: n }, (_, j) => (i === j ? 1 : 0))]);
  const largest = Math.max(...rows.flat().map(Math.abs));
  for (let at = 0; at < n; at++) {
    const from = rows.slice(at).map((row) => Math.abs(row[at] ?? 0));
    const best = at + from.indexOf(Math.max(...from));
    const pivot = rows[best];
    const here = rows[at];
    const value = pivot?.[at] ?? 0;
    if (!pivot || !here || Math.abs(value) < 1e-13 * largest) return null;
    rows[best] = here;
    const unit = pivot.map((x) => x / value);
    rows[at] = unit;
    rows.forEach((row, i) => {
      const factor = row[at] ?? 0;
      if (i !== at && factor !== 0) rows[i] = row.map((x, j) => x - factor * (unit[j] ?? 0));
    });
  }
  return rows.map((row) => row.slice(n));
}
