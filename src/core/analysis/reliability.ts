import { column, covariances, inverse, type Scores, totals } from './matrix';
import { correlation, deviation, mean, sum, variance } from './numbers';

/**
 * Cronbach's alpha (Psychometrika 16, 1951); of items that are right or wrong
 * it is KR-20 (Kuder and Richardson, Psychometrika 2, 1937). Null of fewer than
 * two items or persons, and where all have the same total.
 */
export function alpha(scores: Scores): number | null {
  const items = scores[0]?.length ?? 0;
  const all = variance(totals(scores));
  if (items < 2 || !(all > 0)) return null;
  const own = sum(Array.from({ length: items }, (_, i) => variance(column(scores, i))));
  return (items / (items - 1)) * (1 - own / all);
}

/** KR-21 of so many items that are right or wrong and taken for equally hard, by the mean and the variance (of a population, n) of the totals. Null where nothing varies. */
export function kr21(items: number, middle: number, variancePopulation: number): number | null {
  if (items < 2 || !(variancePopulation > 0)) return null;
  return (items / (items - 1)) * (1 - (middle * (items - middle)) / (items * variancePopulation));
}

/** What a measure of a test of this reliability would be for one so many times as long (Spearman and Brown 1910). */
export const lengthened = (reliability: number, times: number): number =>
  (times * reliability) / (1 + (times - 1) * reliability);

/** The standard error of a score, in marks: deviation·√(1 − reliability). */
export const errorOfScore = (scores: Scores, reliability: number): number =>
  deviation(totals(scores)) * Math.sqrt(1 - reliability);

/**
 * The error variance of each person's total by itself: k/(k − 1) times the sum of the squares of what is left of their item
 * scores when their own mean and the items' means are taken away (the analysis of variance of one person, in Feldt, Steffen
 * and Gupta, Applied Psychological Measurement 9, 1985). Of items that are right or wrong and equally hard it is Lord's
 * x(k − x)/(k − 1); all of them over n − 1 are the square of `errorOfScore` with alpha. Empty of fewer than two items.
 */
export function errorVariances(scores: Scores): number[] {
  const items = scores[0]?.length ?? 0;
  if (items < 2) return [];
  const means = Array.from({ length: items }, (_, i) => mean(column(scores, i)));
  const all = mean(means);
  return scores.map((row) => {
    const own = mean(row);
    return (items / (items - 1)) * sum(row.map((x, i) => (x - own - (means[i] ?? 0) + all) ** 2));
  });
}

/**
 * The standard error of the scores around a cut, in marks: the root of the mean error variance of the persons whose total
 * is no farther from it than `within`. Null of fewer than `least` persons there.
 */
export function errorAround(scores: Scores, cut: number, within: number, least: number): number | null {
  const near = errorVariances(scores).filter((_, p) => Math.abs(sum(scores[p] ?? []) - cut) <= within);
  return near.length < Math.max(1, least) ? null : Math.sqrt(mean(near));
}

export interface SplitHalf {
  /** Correlation of the items in odd places with those in even ones. */
  halves: number;
  /** The same for the whole length. */
  whole: number;
  /** Guttman's λ₄ of this split. */
  lambda4: number;
}

/** The items in odd places against those in even ones; null where one half does not vary. */
export function splitHalf(scores: Scores): SplitHalf | null {
  const half = (rest: number): number[] => scores.map((row) => sum(row.filter((_, i) => i % 2 === rest)));
  const [odd, even] = [half(0), half(1)];
  const halves = correlation(odd, even);
  if (halves === null) return null;
  const lambda4 = 2 * (1 - (variance(odd) + variance(even)) / variance(totals(scores)));
  return { halves, whole: lengthened(halves, 2), lambda4 };
}

/** Guttman's λ₂ and λ₆ (Psychometrika 10, 1945), λ₆ from covariances and from correlations; null where nothing varies or items hang together wholly. */
export function lambdas(scores: Scores): { two: number; six: number | null; sixOfCorrelations: number | null } | null {
  const c = covariances(scores);
  const k = c.length;
  const all = sum(c.flat());
  if (k < 2 || !(all > 0)) return null;
  const own = sum(c.map((row, i) => row[i] ?? 0));
  const beside = sum(c.flatMap((row, i) => row.filter((_, j) => j !== i)).map((x) => x * x));
  const six = (matrix: readonly (readonly number[])[]): number | null => {
    const back = inverse(matrix);
    if (!back) return null;
    return 1 - sum(back.map((row, i) => 1 / (row[i] ?? NaN))) / sum(matrix.flat());
  };
  const spreads = c.map((row, i) => Math.sqrt(row[i] ?? NaN));
  const correlations = c.map((row, i) => row.map((x, j) => x / ((spreads[i] ?? NaN) * (spreads[j] ?? NaN))));
  return {
    two: 1 - (own - Math.sqrt((k / (k - 1)) * beside)) / all,
    six: six(c),
    sixOfCorrelations: spreads.every((spread) => spread > 0) ? six(correlations) : null,
  };
}

/** The mean correlation of any two items, and alpha as if all varied alike; null where an item does not vary. */
export function betweenItems(scores: Scores): { meanCorrelation: number; standardisedAlpha: number } | null {
  const k = scores[0]?.length ?? 0;
  const pairs: number[] = [];
  for (let i = 0; i < k; i++)
    for (let j = 0; j < i; j++) {
      const r = correlation(column(scores, i), column(scores, j));
      if (r === null) return null;
      pairs.push(r);
    }
  if (pairs.length === 0) return null;
  const meanCorrelation = mean(pairs);
  return { meanCorrelation, standardisedAlpha: lengthened(meanCorrelation, k) };
}
