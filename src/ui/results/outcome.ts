import { exact, shown, stored } from '@/core/base/exact';
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

/** Who would be in another range, or get another grade, if one lower edge moved. */
export interface EdgeMove {
  from: string;
  to: string;
  names: string[];
}

/** What would change if each lower edge of the ranges or grades moved by so many percent, as far as its neighbours let it. */
export function edgeMoves(
  results: Results,
  boundaries: Boundaries,
  list: 'ranges' | 'grades',
  by: readonly number[],
): EdgeMove[] {
  const steps: readonly { from: string }[] = boundaries[list];
  const before = results.rows.map((row) => stepOf(row, results, boundaries, steps));
  return steps.flatMap(({ from }, i) =>
    by.flatMap((move): EdgeMove[] => {
      const to = exact(from).add(move);
      const [below, above] = [steps[i - 1], steps[i + 1]];
      const fits = below && to.compare(exact(below.from)) > 0 && to.compare(above ? exact(above.from) : 100) < 0;
      if (!fits) return [];
      const moved = steps.map((step, n) => (n === i ? { from: stored(to) } : step));
      const names = results.rows.flatMap((row, r) =>
        stepOf(row, results, boundaries, moved) === before[r] ? [] : [row.name],
      );
      return [{ from, to: shown(to, 3), names }];
    }),
  );
}
