import { type Exact, exact, round } from '@/core/base/exact';
import type { Boundaries } from '@/core/results/policy';
import { stepAt } from '@/core/results/score';
import type { Results, ResultRow } from '@/server/results/results';

/** The percent by which pass, range and grade are decided: exact, or rounded first when the policy says so. */
export function decidedPercent(row: ResultRow, { rounding }: Pick<Results, 'rounding'>): Exact {
  return rounding.first ? exact(round(exact(row.percent), rounding.places, rounding.mode)) : exact(row.percent);
}

/** Whether a student passes with these boundaries, sections included. */
export function passes(row: ResultRow, results: Results, passPercent: string): boolean {
  const sectionsPass = results.sections.every((s, i) => s.passPercent === null || exact(row.sections[i] ?? '0').compare(exact(s.passPercent)) >= 0);
  return sectionsPass && decidedPercent(row, results).compare(exact(passPercent)) >= 0;
}

/** How many students are in each range. */
export function countByRange(results: Results, boundaries: Boundaries): number[] {
  const counts = boundaries.ranges.map(() => 0);
  for (const row of results.rows) {
    const at = stepAt(boundaries.ranges, decidedPercent(row, results));
    counts[at] = (counts[at] ?? 0) + 1;
  }
  return counts;
}
