import { column, type Scores, totals } from './matrix';
import { mean, sum, variance } from './numbers';

/** A variance below this is what rounding leaves of none. */
const NOTHING = 1e-12;

/** How an item stands beside the others. Correlations and alphas are null where nothing varies. */
export interface ItemFigures {
  /** Mean score. */
  mean: number;
  /** Standard deviation (n − 1). */
  deviation: number;
  /** Correlation with what a person has in the other items. */
  withRest: number | null;
  /** Correlation with the total, in which the item itself is. */
  withTotal: number | null;
  /** Alpha of the others without it. */
  alphaWithout: number | null;
}

/** By variances and covariances with the total alone, so that it takes one look at each score. */
export function itemFigures(scores: Scores): ItemFigures[] {
  const all = totals(scores);
  const [persons, items] = [scores.length, scores[0]?.length ?? 0];
  const middle = mean(all);
  const whole = variance(all);
  const own = Array.from({ length: items }, (_, i) => {
    const values = column(scores, i);
    const center = mean(values);
    const shared = sum(values.map((x, p) => (x - center) * ((all[p] ?? NaN) - middle))) / (persons - 1);
    return { mean: center, variance: variance(values), shared };
  });
  const variances = sum(own.map((item) => item.variance));
  return own.map(({ mean: center, variance: v, shared }) => {
    const rest = whole + v - 2 * shared;
    const others = items - 1;
    return {
      mean: center,
      deviation: Math.sqrt(v),
      withRest: v > NOTHING && rest > NOTHING ? (shared - v) / Math.sqrt(v * rest) : null,
      withTotal: v > NOTHING && whole > NOTHING ? shared / Math.sqrt(v * whole) : null,
      alphaWithout: others >= 2 && rest > NOTHING ? (others / (others - 1)) * (1 - (variances - v) / rest) : null,
    };
  });
}

/**
 * How much each person belongs to the best and to the weakest so many, from 0
 * to 1: those with one total at the cut share the places that are left, so that
 * the order in a list counts for nothing.
 */
export function thirds(all: readonly number[], size: number): { upper: number[]; lower: number[] } {
  const belonging = (order: (a: number, b: number) => number): number[] => {
    const cut = all.toSorted(order)[size - 1];
    if (cut === undefined) return all.map(() => 0);
    const before = all.filter((total) => order(total, cut) < 0).length;
    const at = all.filter((total) => total === cut).length;
    return all.map((total) => (total === cut ? (size - before) / at : order(total, cut) < 0 ? 1 : 0));
  };
  return { upper: belonging((a, b) => b - a), lower: belonging((a, b) => a - b) };
}

/** The size of a group of this share of so many persons, at least one: ⌊share·n + ½⌋. Common shares are 27 % (Kelley, J. Educ. Psychol. 30, 1939) and a third. */
export const groupSize = (persons: number, share: number): number => Math.max(1, Math.floor(share * persons + 0.5));

/** The mean of values, weighed. */
export const weighedMean = (values: readonly number[], weights: readonly number[]): number =>
  sum(values.map((value, i) => value * (weights[i] ?? 0))) / sum(weights);

/** The mean of each item, persons weighed. */
function weighedMeans(scores: Scores, weights: readonly number[]): number[] {
  const all = new Array<number>(scores[0]?.length ?? 0).fill(0);
  scores.forEach((row, p) => {
    const weight = weights[p] ?? 0;
    if (weight > 0) row.forEach((x, i) => (all[i] = (all[i] ?? 0) + weight * x));
  });
  return all.map((x) => x / sum(weights));
}

/** Upper–lower discrimination of each item: the mean score of the best minus that of the weakest, of this share of all. */
export function discrimination(scores: Scores, share: number): number[] {
  const { upper, lower } = thirds(totals(scores), groupSize(scores.length, share));
  const [best, weakest] = [weighedMeans(scores, upper), weighedMeans(scores, lower)];
  return best.map((x, i) => x - (weakest[i] ?? NaN));
}
