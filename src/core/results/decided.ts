import { type Exact, exact, round } from '../base/exact';
import type { Rounding } from '../exams/plan';

/** The percent by which pass, range and grade are decided: exact, or rounded first when the policy says so. */
export function decidedPercent(percent: Exact, rounding: Rounding): Exact {
  return rounding.first ? exact(round(percent, rounding.places, rounding.mode)) : percent;
}
