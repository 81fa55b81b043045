/** Sums and moments of numbers. Variances are those of a sample (n − 1) unless it is said otherwise. */

export const sum = (numbers: Iterable<number>): number => {
  let all = 0;
  for (const one of numbers) all += one;
  return all;
};

export const mean = (numbers: readonly number[]): number => sum(numbers) / numbers.length;

/** NaN of fewer than two numbers. */
export function variance(numbers: readonly number[]): number {
  const middle = mean(numbers);
  let squares = 0;
  for (const x of numbers) squares += (x - middle) ** 2;
  return squares / (numbers.length - 1);
}

export const deviation = (numbers: readonly number[]): number => Math.sqrt(variance(numbers));

/** The quantile at a share from 0 to 1, by straight lines between the numbers in order (Hyndman and Fan 1996, type 7). NaN of none. */
export function quantile(numbers: readonly number[], share: number): number {
  const sorted = numbers.toSorted((a, b) => a - b);
  const at = (sorted.length - 1) * share;
  const [below, above] = [sorted[Math.floor(at)] ?? NaN, sorted[Math.ceil(at)] ?? NaN];
  return below + (above - below) * (at - Math.floor(at));
}

export const median = (numbers: readonly number[]): number => quantile(numbers, 0.5);

/** Σ(x − mean)ᵏ/n over the k-th power of the deviation (n − 1): the form "b" of Joanes and Gill, The Statistician 47, 1998. */
function standardised(numbers: readonly number[], power: number): number {
  const [middle, spread] = [mean(numbers), deviation(numbers)];
  return sum(numbers.map((x) => (x - middle) ** power)) / numbers.length / spread ** power;
}

/** Skew, b₁: below zero with a long tail to the left. NaN where all are equal. */
export const skew = (numbers: readonly number[]): number => standardised(numbers, 3);

/** Excess kurtosis, b₂ − 3. NaN where all are equal. */
export const kurtosis = (numbers: readonly number[]): number => standardised(numbers, 4) - 3;

/** Pearson's correlation of two lists of one length; null where one of them does not vary, or has fewer than two numbers. */
export function correlation(a: readonly number[], b: readonly number[]): number | null {
  const [meanA, meanB] = [mean(a), mean(b)];
  let [both, ownA, ownB] = [0, 0, 0];
  a.forEach((x, i) => {
    const [dx, dy] = [x - meanA, (b[i] ?? NaN) - meanB];
    both += dx * dy;
    ownA += dx * dx;
    ownB += dy * dy;
  });
  const scale = Math.sqrt(ownA * ownB);
  return scale > 1e-12 ? both / scale : null;
}
