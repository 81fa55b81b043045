import { exact } from '@/core/base/exact';
import type { Boundaries } from '@/core/results/policy';
import { decidedPercent, stepAt } from '@/core/results/score';
import type { Results, ResultRow } from '@/server/results/results';

/** Whether a student passes with these boundaries, sections included. */
export function passes(row: ResultRow, results: Results, passPercent: string): boolean {
  const sectionsPass = results.sections.every(
    (s, i) =>
      s.passPercent === null ||
      decidedPercent(exact(row.sections[i] ?? '0'), results.rounding).compare(exact(s.passPercent)) >= 0,
  );
  return sectionsPass && decidedPercent(exact(row.percent), results.rounding).compare(exact(passPercent)) >= 0;
}

/** How many students are in each range. */
export function countByRange(results: Results, boundaries: Boundaries): number[] {
  const counts = boundaries.ranges.map(() => 0);
  for (const row of results.rows) {
    const at = stepAt(boundaries.ranges, decidedPercent(exact(row.percent), results.rounding));
    counts[at] = (counts[at] ?? 0) + 1;
  }
  return counts;
}
