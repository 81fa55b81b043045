import { type Features, WIDTH } from './features';

/**
 * How far two sounds are from each other when time may run faster or slower in either: the mean distance of frames along
 * the best way through both (dynamic time warping, Sakoe and Chiba, IEEE Trans. ASSP 26, 1978, symmetric steps without
 * slope, divided by the length of both). `band` is how far the way may leave the diagonal, as a share of the longer one.
 * Infinite when one of them is empty, or more than two and a half times as long as the other.
 */
export function distance(a: Features, b: Features, band = 0.2): number {
  const [n, m] = [a.frames, b.frames];
  if (n === 0 || m === 0 || n > 2.5 * m || m > 2.5 * n) return Infinity;
  const wide = Math.max(Math.abs(n - m) / 2, band * Math.max(n, m), 4);
  let before = new Float64Array(m + 1).fill(Infinity);
  before[0] = 0;
  for (let i = 1; i <= n; i++) {
    const now = new Float64Array(m + 1).fill(Infinity);
    const middle = (i * m) / n;
    const [from, to] = [Math.max(1, Math.floor(middle - wide)), Math.min(m, Math.ceil(middle + wide))];
    for (let j = from; j <= to; j++) {
      const d = apart(a, i - 1, b, j - 1);
      now[j] = Math.min((before[j - 1] ?? Infinity) + 2 * d, (before[j] ?? Infinity) + d, (now[j - 1] ?? Infinity) + d);
    }
    before = now;
  }
  return (before[m] ?? Infinity) / (n + m);
}

/** The distance of two frames: the root of the mean squared difference of their numbers. */
function apart(a: Features, i: number, b: Features, j: number): number {
  let sum = 0;
  // Read once: nothing is run more often.
  const width = WIDTH;
  for (let k = 0; k < width; k++) {
    const d = (a.values[i * width + k] ?? 0) - (b.values[j * width + k] ?? 0);
    sum += d * d;
  }
  return Math.sqrt(sum / width);
}
