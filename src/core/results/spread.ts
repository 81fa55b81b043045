/** Describes how scores spread, in the unit of the values. Null for no values. */
export interface Spread {
  mean: number;
  median: number;
  /** Standard deviation of the sample (n − 1); 0 for one value. */
  deviation: number;
}

export function spread(values: readonly number[]): Spread | null {
  const n = values.length;
  if (n === 0) return null;
  const sorted = [...values].sort((a, b) => a - b);
  const mean = values.reduce((a, b) => a + b, 0) / n;
  const median = ((sorted[Math.floor((n - 1) / 2)] ?? 0) + (sorted[Math.floor(n / 2)] ?? 0)) / 2;
  const squares = values.reduce((a, b) => a + (b - mean) ** 2, 0);
  return { mean, median, deviation: n > 1 ? Math.sqrt(squares / (n - 1)) : 0 };
}
