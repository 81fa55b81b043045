import { exact } from '@/core/base/exact';
import type { Boundaries } from '@/core/results/policy';
import { decidedPercent, stepAt, stepBelow } from '@/core/results/score';
import type { Results, ResultRow } from '@/server/results/results';

/** Whether a student passes with these boundaries, sections included. */
export function passes(row: ResultRow, results: Results, passPercent: string): boolean {
  const sectionsPass = results.sections.every(({ id, passPercent: asked }) => {
    const percent = row.sections[id];
    // A section that was not on the student's paper asks nothing of them.
    if (asked === null || percent === undefined) return true;
    return decidedPercent(exact(percent), results.rounding).compare(exact(asked)) >= 0;
  });
  return sectionsPass && decidedPercent(exact(row.percent), results.rounding).compare(exact(passPercent)) >= 0;
}

/** Which range or grade a student is in with these boundaries. */
function stepOf(row: ResultRow, results: Results, boundaries: Boundaries, steps: readonly { from: string }[]): number {
  const decided = decidedPercent(exact(row.percent), results.rounding);
  return passes(row, results, boundaries.passPercent)
    ? stepAt(steps, decided)
    : stepBelow(steps, decided, exact(boundaries.passPercent));
}

export function gradeOf(row: ResultRow, results: Results, boundaries: Boundaries): string {
  return boundaries.grades[stepOf(row, results, boundaries, boundaries.grades)]?.grade ?? '';
}

/** How many students are in each range. */
export function countByRange(results: Results, boundaries: Boundaries): number[] {
  const counts = boundaries.ranges.map(() => 0);
  for (const row of results.rows) {
    const at = stepOf(row, results, boundaries, boundaries.ranges);
    counts[at] = (counts[at] ?? 0) + 1;
  }
  return counts;
}
