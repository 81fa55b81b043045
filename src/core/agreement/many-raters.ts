/**
 * How far several people agree. Sources: Fleiss (1971), Psychol. Bull. 76;
 * Krippendorff (2011), "Computing Krippendorff's alpha-reliability"; Shrout
 * and Fleiss (1979), Psychol. Bull. 86.
 */

const sum = (numbers: readonly number[]): number => numbers.reduce((a, b) => a + b, 0);

/** Fleiss' kappa. `counts[subject][category]`: how many raters said so; as many raters for each subject. Null where chance alone agrees always. */
export function fleissKappa(counts: readonly (readonly number[])[]): number | null {
  const raters = sum(counts[0] ?? []);
  if (counts.length === 0 || raters < 2) return null;
  const observed = sum(counts.map((row) => (sum(row.map((c) => c * c)) - raters) / (raters * (raters - 1))));
  const categories = counts[0]?.map((_, j) => sum(counts.map((row) => row[j] ?? 0)) / (counts.length * raters)) ?? [];
  const chance = sum(categories.map((p) => p * p));
  return chance >= 1 ? null : (observed / counts.length - chance) / (1 - chance);
}

/** How values are measured: names, an order, distances, or distances from a true zero. */
export type Level = 'nominal' | 'ordinal' | 'interval' | 'ratio';

/**
 * Krippendorff's alpha, which lets values be missing. `ratings[rater][unit]`,
 * null where a rater has not seen a unit. Null where fewer than two values can
 * be held against each other, or all are one.
 */
export function krippendorffAlpha(ratings: readonly (readonly (number | null)[])[], level: Level): number | null {
  const units = (ratings[0] ?? [])
    .map((_, u) => ratings.map((row) => row[u] ?? null).filter((v) => v !== null))
    .filter((values) => values.length > 1);
  const values = [...new Set(units.flat())].sort((a, b) => a - b);
  const place = new Map(values.map((value, i) => [value, i]));
  const pairs = values.map(() => values.map(() => 0));
  for (const unit of units) {
    const counts = new Map<number, number>();
    for (const value of unit) counts.set(place.get(value) ?? 0, (counts.get(place.get(value) ?? 0) ?? 0) + 1);
    for (const [c, of] of counts) {
      for (const [k, other] of counts) {
        const row = pairs[c];
        if (row) row[k] = (row[k] ?? 0) + (of * (other - (c === k ? 1 : 0))) / (unit.length - 1);
      }
    }
  }
  const totals = pairs.map(sum);
  const n = sum(totals);
  const far = distances(values, totals, level);
  let observed = 0;
  let chance = 0;
  for (let c = 0; c < values.length; c++) {
    for (let k = 0; k < values.length; k++) {
      observed += (pairs[c]?.[k] ?? 0) * far(c, k);
      chance += (totals[c] ?? 0) * (totals[k] ?? 0) * far(c, k);
    }
  }
  return chance === 0 ? null : 1 - ((n - 1) * observed) / chance;
}

/** Squared distances of the values with these places. */
function distances(
  values: readonly number[],
  totals: readonly number[],
  level: Level,
): (c: number, k: number) => number {
  const upTo: number[] = [0];
  for (const total of totals) upTo.push((upTo.at(-1) ?? 0) + total);
  const value = (i: number): number => values[i] ?? 0;
  return (c, k) => {
    if (c === k) return 0;
    if (level === 'nominal') return 1;
    if (level === 'interval') return (value(c) - value(k)) ** 2;
    if (level === 'ratio') return ((value(c) - value(k)) / (value(c) + value(k))) ** 2;
    const [low, high] = [Math.min(c, k), Math.max(c, k)];
    const between = (upTo[high + 1] ?? 0) - (upTo[low] ?? 0);
    return (between - ((totals[low] ?? 0) + (totals[high] ?? 0)) / 2) ** 2;
  };
}

/** The six intraclass correlations of Shrout and Fleiss: of one rater, and of the mean of all. */
export interface Intraclass {
  /** Each subject by raters of its own; the same raters drawn from many; these raters and no others. */
  single: [number, number, number];
  mean: [number, number, number];
}

/** `ratings[subject][rater]`, every subject rated by every rater; at least two of both. Null otherwise, or where nothing varies. */
export function intraclass(ratings: readonly (readonly number[])[]): Intraclass | null {
  const n = ratings.length;
  const k = ratings[0]?.length ?? 0;
  if (n < 2 || k < 2 || ratings.some((row) => row.length !== k)) return null;
  const grand = sum(ratings.map(sum)) / (n * k);
  const bySubject = k * sum(ratings.map((row) => (sum(row) / k - grand) ** 2));
  const byRater =
    n * sum(Array.from({ length: k }, (_, j) => (sum(ratings.map((row) => row[j] ?? 0)) / n - grand) ** 2));
  const total = sum(ratings.map((row) => sum(row.map((x) => (x - grand) ** 2))));
  const rest = total - bySubject - byRater;
  if (total === 0) return null;
  const between = bySubject / (n - 1);
  const raters = byRater / (k - 1);
  const error = rest / ((n - 1) * (k - 1));
  const within = (byRater + rest) / (n * (k - 1));
  return {
    single: [
      (between - within) / (between + (k - 1) * within),
      (between - error) / (between + (k - 1) * error + (k * (raters - error)) / n),
      (between - error) / (between + (k - 1) * error),
    ],
    mean: [
      (between - within) / between,
      (between - error) / (between + (raters - error) / n),
      (between - error) / between,
    ],
  };
}
