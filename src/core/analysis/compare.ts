import { mean, variance } from './numbers';

/** How far two groups are apart. */
export interface Apart {
  /** Mean of the first minus mean of the second, in the unit of the values. */
  difference: number;
  /** The same in standard deviations, both groups pooled, with the correction for small groups (Hedges' g). */
  effect: number;
  /** Where the effect lies with 95 %. */
  interval: [number, number];
}

/** The 97.5 % point of the normal distribution. */
const NORMAL = 1.959963984540054;

/**
 * Hedges' g with its large-sample interval: g = J·d, J = 1 − 3/(4m − 1),
 * m = n₁ + n₂ − 2; variance (n₁ + n₂)/(n₁n₂) + g²/(2(n₁ + n₂)) (Hedges and
 * Olkin, Statistical Methods for Meta-Analysis, 1985, ch. 5). Null with fewer
 * than two in a group, or where nobody differs.
 */
export function apart(first: readonly number[], second: readonly number[]): Apart | null {
  const [a, b] = [first.length, second.length];
  if (a < 2 || b < 2) return null;
  const freedom = a + b - 2;
  const pooled = Math.sqrt(((a - 1) * variance(first) + (b - 1) * variance(second)) / freedom);
  if (!(pooled > 1e-12)) return null;
  const difference = mean(first) - mean(second);
  const effect = (1 - 3 / (4 * freedom - 1)) * (difference / pooled);
  const error = Math.sqrt((a + b) / (a * b) + effect ** 2 / (2 * (a + b)));
  return { difference, effect, interval: [effect - NORMAL * error, effect + NORMAL * error] };
}

/** An effect in words: the usual steps are 0.2, 0.5 and 0.8 (Cohen 1988). */
export function sizeOfEffect(effect: number): 'none' | 'small' | 'middling' | 'large' {
  const size = Math.abs(effect);
  return size < 0.2 ? 'none' : size < 0.5 ? 'small' : size < 0.8 ? 'middling' : 'large';
}
