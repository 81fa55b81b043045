/**
 * Whether an item is right as often in two groups of persons who have the same
 * total (Mantel and Haenszel, J. Natl. Cancer Inst. 22, 1959; Holland and
 * Thayer 1988).
 */
export interface DifferentlyFigures {
  /** How many times the odds of being right are in the first group those of the second, over all totals; infinite where nobody of it was wrong while others were. */
  oddsRatio: number;
  /** −2.35·ln(odds ratio): below zero where the item is harder for the second group, in the measure of difficulty that test makers use. */
  delta: number;
  /** χ² with continuity correction, one degree of freedom. */
  chiSquare: number;
  /** How probable so much or more is by chance. */
  chance: number;
}

/**
 * The totals in so many bands with about as many persons in each, by the band's
 * number from 0: for groups so small that few of one total are in both (thick
 * matching; Donoghue and Allen, Journal of Educational Statistics 18, 1993).
 */
export function inBands(all: readonly number[], bands: number): number[] {
  const sorted = all.toSorted((a, b) => a - b);
  const edges = Array.from(
    { length: bands - 1 },
    (_, i) => sorted[Math.floor(((i + 1) * sorted.length) / bands)] ?? NaN,
  );
  return all.map((total) => edges.filter((edge) => total >= edge).length);
}

/** `right` is 1 or 0 for each person, `first` whether they are of the first group, `all` their totals (or bands of them), in which the item is. Null where nothing can be said. */
export function differently(
  right: readonly number[],
  first: readonly boolean[],
  all: readonly number[],
): DifferentlyFigures | null {
  // Of each total: right and wrong in the first group and in the second.
  const strata = new Map<number, [number, number, number, number]>();
  all.forEach((total, p) => {
    const table = strata.get(total) ?? [0, 0, 0, 0];
    const cell = (first[p] ? 0 : 2) + (right[p] === 1 ? 0 : 1);
    table[cell] = (table[cell] ?? 0) + 1;
    strata.set(total, table);
  });
  let [over, under, observed, expected, varied] = [0, 0, 0, 0, 0];
  for (const [a, b, c, d] of strata.values()) {
    const n = a + b + c + d;
    // Where one group is missing, nothing is compared.
    if (a + b === 0 || c + d === 0) continue;
    over += (a * d) / n;
    under += (b * c) / n;
    observed += a;
    expected += ((a + b) * (a + c)) / n;
    if (n > 1) varied += ((a + b) * (c + d) * (a + c) * (b + d)) / (n * n * (n - 1));
  }
  if (varied === 0) return null;
  const oddsRatio = over / under;
  // No more is taken off than there is (as in R's mantelhaen.test).
  const apart = Math.abs(observed - expected);
  const chiSquare = (apart - Math.min(0.5, apart)) ** 2 / varied;
  return {
    oddsRatio,
    delta: -2.35 * Math.log(oddsRatio),
    chiSquare,
    chance: complementOfError(Math.sqrt(chiSquare / 2)),
  };
}

/** A, B or C, as they are usually called: hardly, somewhat, or much different (Zieky 1993: |Δ| below 1, from 1.5 on; by chance below 5 %). */
export function sizeOf({ delta, chance }: DifferentlyFigures): 'A' | 'B' | 'C' {
  const size = Math.abs(delta);
  if (size < 1 || chance >= 0.05) return 'A';
  return size >= 1.5 ? 'C' : 'B';
}

/** erfc(x) for x ≥ 0, by its series for small and its continued fraction for large x (Abramowitz and Stegun 7.1.5, 7.1.14). */
export function complementOfError(x: number): number {
  if (x < 2) {
    let [term, all] = [x, x];
    for (let n = 1; Math.abs(term) > 1e-17 * Math.abs(all) && n < 200; n++) {
      term *= (-x * x) / n;
      all += term / (2 * n + 1);
    }
    return 1 - (2 / Math.sqrt(Math.PI)) * all;
  }
  let fraction = 0;
  for (let n = 60; n > 0; n--) fraction = n / 2 / (x + fraction);
  return Math.exp(-x * x) / Math.sqrt(Math.PI) / (x + fraction);
}
