import { exact } from '@/core/base/exact';
import type { Boundaries } from '@/core/results/policy';
import { passOf } from '@/core/results/pass';
import { decidedPercent, stepAt, stepBelow } from '@/core/results/decided';

import type { Results, ResultRow } from '@/server/results/results';

/** Whether a student passes with these boundaries, sections, topics and criteria included. */
export function passes(
  row: ResultRow,
  results: Results,
  passPercent: string,
  boundaries: Boundaries = results.boundaries,
): boolean {
  // What was not on the student's paper asks nothing of them.
  const asked = [
    ...results.sections,
    ...(boundaries.parts ?? []).map(({ id, passPercent: own }) => ({ id, passPercent: own })),
  ];
  const parts = asked.flatMap(({ id, passPercent: own }) => {
    const earned = row.parts[id];
    return earned ? [{ id, percent: exact(earned.percent), of: exact(earned.of), passPercent: own }] : [];
  });
  return passOf({ ...boundaries, passPercent }, results.rounding, exact(row.percent), parts).passed;
}

/** Which range or grade a student is in with these boundaries. */
function stepOf(row: ResultRow, results: Results, boundaries: Boundaries, steps: readonly { from: string }[]): number {
  const decided = decidedPercent(exact(row.percent), results.rounding);
  return passes(row, results, boundaries.passPercent, boundaries)
    ? stepAt(steps, decided)
    : stepBelow(steps, decided, exact(boundaries.passPercent));
}

/** Which range a student is in. */
export const rangeOf = (row: ResultRow, results: Results, boundaries: Boundaries): number =>
  stepOf(row, results, boundaries, boundaries.ranges);

export function gradeOf(row: ResultRow, results: Results, boundaries: Boundaries): string {
  return boundaries.grades[stepOf(row, results, boundaries, boundaries.grades)]?.grade ?? '';
}

/** How many students are in each range. */
export function countByRange(results: Results, boundaries: Boundaries): number[] {
  const counts = boundaries.ranges.map(() => 0);
  for (const row of results.rows) {
    const at = rangeOf(row, results, boundaries);
    counts[at] = (counts[at] ?? 0) + 1;
  }
  return counts;
}
