/** ln Γ(x) for x > 0, to about 1e-14: Stirling's series with seven terms from 10 on (Abramowitz and Stegun 6.1.41), reached by Γ(x + 1) = xΓ(x). */
export function logGamma(x: number): number {
  let [at, below] = [x, 0];
  while (at < 10) {
    below += Math.log(at);
    at += 1;
  }
  const terms = [1 / 12, -1 / 360, 1 / 1260, -1 / 1680, 1 / 1188, -691 / 360360, 1 / 156];
  const series = terms.reduce((all, term, k) => all + term / at ** (2 * k + 1), 0);
  return (at - 0.5) * Math.log(at) - at + Math.log(2 * Math.PI) / 2 + series - below;
}

/** ln B(a, b) for a and b above 0. */
export const logBeta = (a: number, b: number): number => logGamma(a) + logGamma(b) - logGamma(a + b);

/** ln of n over k. */
export const logChoose = (n: number, k: number): number => -Math.log(n + 1) - logBeta(n - k + 1, k + 1);

const TINY = 1e-300;

/** The regularised incomplete beta function, by its continued fraction (Abramowitz and Stegun 26.5.8, summed as Lentz does). */
function incompleteBeta(x: number, a: number, b: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  if (x > (a + 1) / (a + b + 2)) return 1 - incompleteBeta(1 - x, b, a);
  const away = (value: number): number => (Math.abs(value) < TINY ? TINY : value);
  let [c, d] = [1, 1 / away(1 - ((a + b) * x) / (a + 1))];
  let fraction = d;
  for (let m = 1; m <= 300; m += 1) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    const before = fraction;
    for (const term of [even, odd]) {
      d = 1 / away(1 + term * d);
      c = away(1 + term / c);
      fraction *= c * d;
    }
    if (Math.abs(fraction - before) <= 1e-15 * fraction) break;
  }
  return (Math.exp(a * Math.log(x) + b * Math.log1p(-x) - logBeta(a, b)) * fraction) / a;
}

/** The share of Student's t with so many degrees of freedom that lies below. */
export function studentBelow(t: number, freedom: number): number {
  const tail = incompleteBeta(freedom / (freedom + t * t), freedom / 2, 0.5) / 2;
  return t > 0 ? 1 - tail : tail;
}

/** The t below which a share of Student's distribution lies, of so many degrees of freedom; share above 0 and below 1. */
export function studentQuantile(share: number, freedom: number): number {
  if (share < 0.5) return -studentQuantile(1 - share, freedom);
  let [low, high] = [0, 1];
  while (studentBelow(high, freedom) < share) high *= 2;
  for (let step = 0; step < 200 && high - low > 1e-13 * high; step += 1) {
    const middle = (low + high) / 2;
    if (studentBelow(middle, freedom) < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
