import { mean, median, sum } from './numbers';

/** A line of marks over ratings. */
export interface Line {
  intercept: number;
  slope: number;
  /** Share of the marks' variance that the line explains. */
  rSquared: number;
  /** Standard deviation of what the line leaves (n − 2). */
  residual: number;
  /** The mark at the rating, and the standard error of that mean. */
  at: number;
  error: number;
}

/**
 * Marks as a straight line of a global rating, read off at a rating: the
 * borderline regression (ordinary least squares). Null of fewer than three
 * students or where the ratings are all one.
 */
export function borderlineRegression(ratings: readonly number[], marks: readonly number[], at: number): Line | null {
  const n = ratings.length;
  const [meanX, meanY] = [mean(ratings), mean(marks)];
  const sxx = sum(ratings.map((x) => (x - meanX) ** 2));
  if (n < 3 || !(sxx > 0)) return null;
  const sxy = sum(ratings.map((x, i) => (x - meanX) * ((marks[i] ?? NaN) - meanY)));
  const syy = sum(marks.map((y) => (y - meanY) ** 2));
  const slope = sxy / sxx;
  const left = Math.max(0, syy - slope * sxy);
  const residual = Math.sqrt(left / (n - 2));
  return {
    intercept: meanY - slope * meanX,
    slope,
    rSquared: syy > 0 ? 1 - left / syy : 0,
    residual,
    at: meanY + slope * (at - meanX),
    error: residual * Math.sqrt(1 / n + (at - meanX) ** 2 / sxx),
  };
}

/** The marks of those who were rated at the border; null where nobody was. */
export function borderlineGroup(
  ratings: readonly number[],
  marks: readonly number[],
  at: number,
): { n: number; mean: number; median: number } | null {
  const own = marks.filter((_, i) => ratings[i] === at);
  return own.length === 0 ? null : { n: own.length, mean: mean(own), median: median(own) };
}

export interface Contrast {
  midpointOfMeans: number;
  midpointOfMedians: number;
  /** Where a student is as likely in the one group as in the other, by logistic regression; null where a mark parts the groups wholly, or marks tell nothing. */
  logistic: { intercept: number; slope: number; cut: number } | null;
  /** The fewest students that any cut puts in the wrong group (pass at the cut and above), and the marks met that do so, rising. */
  misplaced: number;
  cuts: number[];
}

/** Contrasting groups: marks of those held for not competent, and of those held for competent. Null where one group is empty. */
export function contrastingGroups(below: readonly number[], above: readonly number[]): Contrast | null {
  if (below.length === 0 || above.length === 0) return null;
  const met = [...new Set([...below, ...above])].toSorted((a, b) => a - b);
  const wrong = met.map(
    (cut) => below.filter((mark) => mark >= cut).length + above.filter((mark) => mark < cut).length,
  );
  const misplaced = Math.min(...wrong);
  return {
    midpointOfMeans: (mean(below) + mean(above)) / 2,
    midpointOfMedians: (median(below) + median(above)) / 2,
    logistic: logistic(below, above),
    misplaced,
    cuts: met.filter((_, i) => wrong[i] === misplaced),
  };
}

/** The chance of the upper group by ln(p/(1 − p)) = intercept + slope·mark, by maximum likelihood (Newton's steps). */
function logistic(below: readonly number[], above: readonly number[]): Contrast['logistic'] {
  const parted = Math.max(...below) < Math.min(...above) || Math.max(...above) < Math.min(...below);
  if (parted) return null;
  const middle = mean([...below, ...above]);
  const cases = [
    ...below.map((mark) => [mark - middle, 0] as const),
    ...above.map((mark) => [mark - middle, 1] as const),
  ];
  let [intercept, slope] = [0, 0];
  for (let step = 0; step < 100; step += 1) {
    let [a, b, aa, ab, bb] = [0, 0, 0, 0, 0];
    for (const [x, y] of cases) {
      const p = 1 / (1 + Math.exp(-intercept - slope * x));
      const weight = p * (1 - p);
      a += y - p;
      b += (y - p) * x;
      aa += weight;
      ab += weight * x;
      bb += weight * x * x;
    }
    const determinant = aa * bb - ab * ab;
    if (!(determinant > 1e-12)) return null;
    const [moveA, moveB] = [(bb * a - ab * b) / determinant, (aa * b - ab * a) / determinant];
    intercept += moveA;
    slope += moveB;
    if (Math.abs(moveA) + Math.abs(moveB) < 1e-12) break;
  }
  if (!Number.isFinite(slope) || Math.abs(slope) < 1e-9) return null;
  return { intercept: intercept - slope * middle, slope, cut: middle - intercept / slope };
}
