/**
 * How far two people agree who have sorted the same things into the same
 * ordered categories. Sources: Cohen (1960), Educ. Psychol. Meas. 20; Cohen
 * (1968), Psychol. Bull. 70 (weights); Fleiss, Cohen, Everitt (1969), Psychol.
 * Bull. 72 (standard error); Scott (1955), Public Opin. Q. 19; Gwet (2008),
 * Br. J. Math. Stat. Psychol. 61; Wilson (1927), J. Am. Stat. Assoc. 22.
 */

/** Counts of pairs: a row for each category of the first, a column for each of the second; square. */
export type PairTable = readonly (readonly number[])[];

/** What a disagreement costs, from 0; `weights[i][j]` where the first says i and the second j. */
export type Costs = (i: number, j: number, categories: number) => number;

export const LINEAR: Costs = (i, j, categories) => Math.abs(i - j) / Math.max(1, categories - 1);
export const QUADRATIC: Costs = (i, j, categories) => LINEAR(i, j, categories) ** 2;
const ALL_OR_NOTHING: Costs = (i, j) => (i === j ? 0 : 1);

export interface Agreement {
  /** Pairs. */
  n: number;
  /** Share of pairs in one category, 0 to 1. */
  exact: number;
  /** Share in one category or in two that follow each other. */
  adjacent: number;
  /** Share that would agree by chance, as Cohen reckons it. */
  expected: number;
  /** From −1 to 1; null where chance alone would agree always, so that nothing can be said. */
  kappa: number | null;
  kappaLinear: number | null;
  kappaQuadratic: number | null;
  scottPi: number | null;
  gwetAc1: number | null;
  /** Large-sample standard error of `kappa`. */
  kappaError: number | null;
}

const sum = (numbers: readonly number[]): number => numbers.reduce((a, b) => a + b, 0);

interface Shares {
  n: number;
  size: number;
  /** Of each cell. */
  at: (i: number, j: number) => number;
  first: readonly number[];
  second: readonly number[];
}

function sharesOf(table: PairTable): Shares {
  const n = sum(table.map(sum));
  const share = (count: number): number => (n === 0 ? 0 : count / n);
  return {
    n,
    size: table.length,
    at: (i, j) => share(table[i]?.[j] ?? 0),
    first: table.map((row) => share(sum(row))),
    second: table.map((_, j) => share(sum(table.map((row) => row[j] ?? 0)))),
  };
}

/** The sum of something over all cells. */
function over(size: number, value: (i: number, j: number) => number): number {
  let total = 0;
  for (let i = 0; i < size; i++) for (let j = 0; j < size; j++) total += value(i, j);
  return total;
}

/**
 * Weighted kappa: 1 − what the disagreements cost ÷ what they would cost by
 * chance. Null where chance would cost nothing.
 */
export function weightedKappa(table: PairTable, costs: Costs): number | null {
  const { size, at, first, second } = sharesOf(table);
  const cost = over(size, (i, j) => costs(i, j, size) * at(i, j));
  const byChance = over(size, (i, j) => costs(i, j, size) * (first[i] ?? 0) * (second[j] ?? 0));
  return byChance === 0 ? null : 1 - cost / byChance;
}

/** Agreement beyond chance, where chance agrees in this share. */
const beyond = (exact: number, chance: number): number | null => (chance >= 1 ? null : (exact - chance) / (1 - chance));

function kappaErrorOf({ n, size, at, first, second }: Shares, kappa: number, expected: number): number {
  const spread = over(size, (i, j) => {
    const term = (i === j ? 1 : 0) - ((second[i] ?? 0) + (first[j] ?? 0)) * (1 - kappa);
    return at(i, j) * term ** 2;
  });
  return Math.sqrt(Math.max(0, spread - (kappa - expected * (1 - kappa)) ** 2) / (1 - expected) ** 2 / n);
}

/** All measures for two raters over categories in their order. */
export function agreementOf(table: PairTable): Agreement {
  const shares = sharesOf(table);
  const { n, size, at, first, second } = shares;
  const exact = over(size, (i, j) => (i === j ? at(i, j) : 0));
  const mean = first.map((p, i) => (p + (second[i] ?? 0)) / 2);
  const expected = sum(first.map((p, i) => p * (second[i] ?? 0)));
  const kappa = n === 0 ? null : weightedKappa(table, ALL_OR_NOTHING);
  return {
    n,
    exact,
    adjacent: over(size, (i, j) => (Math.abs(i - j) <= 1 ? at(i, j) : 0)),
    expected,
    kappa,
    kappaLinear: n === 0 ? null : weightedKappa(table, LINEAR),
    kappaQuadratic: n === 0 ? null : weightedKappa(table, QUADRATIC),
    scottPi: n === 0 ? null : beyond(exact, sum(mean.map((p) => p * p))),
    gwetAc1: n === 0 || size < 2 ? null : beyond(exact, sum(mean.map((p) => p * (1 - p))) / (size - 1)),
    kappaError: kappa === null ? null : kappaErrorOf(shares, kappa, expected),
  };
}

/** Pairs of values as a table over the values that occur, in the order of `order`. */
export function pairTable<T>(pairs: readonly (readonly [T, T])[], order: (a: T, b: T) => number): PairTable {
  const values = [...new Set(pairs.flat())].sort(order);
  const place = new Map(values.map((value, i) => [value, i]));
  const table = values.map(() => values.map(() => 0));
  for (const [a, b] of pairs) {
    const row = table[place.get(a) ?? 0];
    const j = place.get(b) ?? 0;
    if (row) row[j] = (row[j] ?? 0) + 1;
  }
  return table;
}

/** Between which shares the true one lies with 95 % confidence (Wilson's interval), of `hits` in `n`; 0 to 1 of none. */
export function shareInterval(hits: number, n: number): [number, number] {
  if (n === 0) return [0, 1];
  const z = 1.959963984540054;
  const p = hits / n;
  const middle = (p + z ** 2 / (2 * n)) / (1 + z ** 2 / n);
  const half = (z * Math.sqrt((p * (1 - p)) / n + z ** 2 / (4 * n ** 2))) / (1 + z ** 2 / n);
  return [Math.max(0, middle - half), Math.min(1, middle + half)];
}
