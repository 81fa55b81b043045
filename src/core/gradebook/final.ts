import { type Exact, percentOf, sum, ZERO } from '../base/exact';

/** What one column gave: exact marks of a maximum; null marks are excused and count nowhere. */
export interface Entry {
  marks: Exact | null;
  of: Exact;
}

/**
 * A category of columns. `points`: sum of marks over sum of maxima. `percents`:
 * the mean of the columns' percents. `dropLowest` leaves out the entries with the
 * lowest share, keeping at least one.
 */
export interface Category {
  weight: Exact;
  entries: readonly Entry[];
  average: 'points' | 'percents';
  dropLowest: number;
}

/** A category's exact percent, or null while nothing in it counts. */
export function categoryPercent(category: Category): Exact | null {
  const counted = category.entries.flatMap(({ marks, of }) => (marks === null ? [] : [{ marks, of }]));
  if (counted.length === 0) return null;
  const byShare = [...counted].sort((a, b) => percentOf(a.marks, a.of).compare(percentOf(b.marks, b.of)));
  const kept = byShare.slice(Math.min(category.dropLowest, byShare.length - 1));
  if (category.average === 'percents') return sum(kept.map((e) => percentOf(e.marks, e.of))).div(kept.length);
  return percentOf(sum(kept.map((e) => e.marks)), sum(kept.map((e) => e.of)));
}

/** The final percent, exact: the weight of a category with nothing in it is shared among the others. Null when nothing counts. */
export function finalPercent(categories: readonly Category[]): Exact | null {
  const counted = categories.flatMap((category) => {
    const percent = categoryPercent(category);
    return percent === null ? [] : [{ percent, weight: category.weight }];
  });
  const weights = sum(counted.map((c) => c.weight));
  if (weights.equals(ZERO)) return null;
  return sum(counted.map((c) => c.percent.mul(c.weight))).div(weights);
}
