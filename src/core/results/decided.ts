import { type Exact, exact, round } from '../base/exact';
import type { Rounding } from '../exams/plan';

/** The percent by which pass, range and grade are decided: exact, or rounded first when the policy says so. */
export function decidedPercent(percent: Exact, rounding: Rounding): Exact {
  return rounding.first ? exact(round(percent, rounding.places, rounding.mode)) : percent;
}

/** The last step whose lower boundary the percent reaches; steps rise from 0. */
export function stepAt<T extends { from: string }>(steps: readonly T[], percent: Exact): number {
  let found = 0;
  steps.forEach((step, i) => {
    if (percent.compare(exact(step.from)) >= 0) found = i;
  });
  return found;
}

/** As `stepAt`, but below the pass mark: who reaches it and still does not pass, by a section, is not told the contrary. */
export function stepBelow<T extends { from: string }>(steps: readonly T[], percent: Exact, pass: Exact): number {
  const below = steps.filter((step, i) => i === 0 || exact(step.from).compare(pass) < 0);
  return stepAt(below, percent);
}
