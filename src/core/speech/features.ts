import { atRate, RATE, type Sound } from './wav';

/** Samples of a frame (25 ms) and from one frame to the next (10 ms). */
const FRAME = 400;
const STEP = 160;
const POINTS = 512;
const BANDS = 26;
/** Cepstral coefficients, without the first, which is loudness. */
const CEPSTRA = 12;
/** Numbers that describe a frame: the coefficients, the loudness, and how all of them change. */
export const WIDTH = 2 * (CEPSTRA + 1);

/** The frames of a sound, one behind the other, `WIDTH` numbers each. */
export interface Features {
  frames: number;
  values: Float32Array;
}

const WINDOW = Float64Array.from({ length: FRAME }, (_, i) => 0.54 - 0.46 * Math.cos((2 * Math.PI * i) / (FRAME - 1)));

/** Hertz in mels, 2595·log₁₀(1 + f/700) (O'Shaughnessy, Speech Communication, 1987). */
export const mel = (hertz: number): number => 2595 * Math.log10(1 + hertz / 700);
const hertzOf = (mels: number): number => 700 * (10 ** (mels / 2595) - 1);

/** What a transform of so many points needs that is the same for every signal: the turned order of the points, and the points of the unit circle. */
interface Plan {
  turned: Uint16Array;
  cos: Float64Array;
  sin: Float64Array;
}
const plans = new Map<number, Plan>();
function planOf(n: number): Plan {
  const there = plans.get(n);
  if (there) return there;
  const plan: Plan = { turned: new Uint16Array(n), cos: new Float64Array(n / 2), sin: new Float64Array(n / 2) };
  for (let i = 1; i < n; i++) plan.turned[i] = ((plan.turned[i >> 1] ?? 0) >> 1) | (i & 1 ? n / 2 : 0);
  for (let k = 0; k < n / 2; k++) {
    plan.cos[k] = Math.cos((-2 * Math.PI * k) / n);
    plan.sin[k] = Math.sin((-2 * Math.PI * k) / n);
  }
  plans.set(n, plan);
  return plan;
}

/**
 * The power at each whole frequency from 0 to half the length, of a signal whose length is a power of two up to 65 536: the
 * squared size of its discrete Fourier transform (radix 2, Cooley and Tukey 1965).
 */
export function powerSpectrum(signal: Float64Array): Float64Array {
  const n = signal.length;
  const { turned, cos, sin } = planOf(n);
  const re = new Float64Array(n);
  const im = new Float64Array(n);
  for (let i = 0; i < n; i++) re[turned[i] ?? 0] = signal[i] ?? 0;
  for (let half = 1; half < n; half *= 2) {
    const every = n / (2 * half);
    for (let k = 0; k < half; k++) {
      const c = cos[k * every] ?? 0;
      const s = sin[k * every] ?? 0;
      for (let at = k; at < n; at += 2 * half) {
        const other = at + half;
        const a = re[at] ?? 0;
        const b = im[at] ?? 0;
        const x = re[other] ?? 0;
        const y = im[other] ?? 0;
        const tx = x * c - y * s;
        const ty = x * s + y * c;
        re[at] = a + tx;
        im[at] = b + ty;
        re[other] = a - tx;
        im[other] = b - ty;
      }
    }
  }
  const powers = new Float64Array(n / 2 + 1);
  for (let i = 0; i <= n / 2; i++) powers[i] = (re[i] ?? 0) ** 2 + (im[i] ?? 0) ** 2;
  return powers;
}

/** Triangles that overlap by half, evenly spaced in mels from 60 Hz to 7 kHz; `warp` stretches their frequencies for a longer or shorter vocal tract. */
function filters(warp: number): { from: number; weights: Float64Array }[] {
  const [low, high] = [mel(60), mel(7000)];
  const edges = Array.from({ length: BANDS + 2 }, (_, i) => {
    const hertz = hertzOf(low + ((high - low) * i) / (BANDS + 1)) * warp;
    return (Math.min(hertz, RATE / 2) * POINTS) / RATE;
  });
  return Array.from({ length: BANDS }, (_, b) => {
    const [left = 0, middle = 0, right = 0] = edges.slice(b, b + 3);
    const from = Math.ceil(left);
    const weights = Float64Array.from({ length: Math.max(0, Math.floor(right) - from + 1) }, (_v, i) => {
      const at = from + i;
      return at <= middle ? (at - left) / (middle - left || 1) : (right - at) / (right - middle || 1);
    });
    return { from, weights };
  });
}

const banks = new Map<number, ReturnType<typeof filters>>();
function bank(warp: number): ReturnType<typeof filters> {
  let there = banks.get(warp);
  if (!there) banks.set(warp, (there = filters(warp)));
  return there;
}

/** cos(πk(b + ½)/bands): the cosine transform of the second kind. */
const COSINES = Array.from({ length: CEPSTRA + 1 }, (_, k) =>
  Float64Array.from({ length: BANDS }, (_v, b) => Math.cos((Math.PI * k * (b + 0.5)) / BANDS)),
);

/** The powers of each frame of a sound, after the high frequencies were raised (y = x − 0.97·x before). */
export function spectra(sound: Sound): Float64Array[] {
  const { samples } = atRate(sound, RATE);
  const frames = Math.max(0, Math.floor((samples.length - FRAME) / STEP) + 1);
  return Array.from({ length: frames }, (_, f) => {
    const signal = new Float64Array(POINTS);
    let before = f === 0 ? 0 : (samples[f * STEP - 1] ?? 0);
    for (let i = 0; i < FRAME; i++) {
      const now = samples[f * STEP + i] ?? 0;
      signal[i] = (now - 0.97 * before) * (WINDOW[i] ?? 0);
      before = now;
    }
    return powerSpectrum(signal);
  });
}

const sumOf = (values: Float64Array): number => values.reduce((sum, v) => sum + v, 0);

/** Decibels below the loudest frame at which a word ends. */
const QUIET = 30;
/** Frames that are kept on both sides of what was spoken. */
const AROUND = 4;

/**
 * The stretch of frames in which something is spoken: from the first to the last that is well above the quietest tenth
 * and not too far below the loudest. Null when nothing stands out.
 */
export function spoken(powers: readonly Float64Array[]): { from: number; to: number } | null {
  const levels = powers.map((power) => 10 * Math.log10(sumOf(power) + 1e-10));
  const sorted = levels.toSorted((a, b) => a - b);
  const [floor = 0, top = 0] = [sorted[Math.floor(sorted.length * 0.1)], sorted.at(-1)];
  if (powers.length < 12 || top < -20) return null;
  const least = Math.max(top - QUIET, Math.min(floor + 6, top - 6));
  const loud = levels.flatMap((level, i) => (level >= least ? [i] : []));
  const [first, last] = [loud[0], loud.at(-1)];
  if (first === undefined || last === undefined || loud.length < 6) return null;
  return { from: Math.max(0, first - AROUND), to: Math.min(powers.length, last + 1 + AROUND) };
}

/**
 * Mel-frequency cepstra (Davis and Mermelstein, IEEE Trans. ASSP 28, 1980) of what is spoken, with their changes over
 * two frames to both sides; each number has the mean 0 and the spread 1 over the stretch, so that neither a microphone
 * nor loudness counts.
 */
export function features(powers: readonly Float64Array[], warp = 1): Features {
  const triangles = bank(warp);
  const frames = powers.length;
  const half = CEPSTRA + 1;
  const values = new Float32Array(frames * WIDTH);
  powers.forEach((power, f) => {
    const logs = triangles.map(({ from, weights }) => {
      let sum = 1e-8;
      for (let i = 0; i < weights.length; i++) sum += (weights[i] ?? 0) * (power[from + i] ?? 0);
      return Math.log(sum);
    });
    for (let k = 0; k < half; k++) {
      const cosines = COSINES[k];
      values[f * WIDTH + k] = logs.reduce((sum, log, b) => sum + log * (cosines?.[b] ?? 0), 0);
    }
  });
  const at = (f: number, k: number): number => values[Math.max(0, Math.min(frames - 1, f)) * WIDTH + k] ?? 0;
  for (let f = 0; f < frames; f++)
    for (let k = 0; k < half; k++)
      values[f * WIDTH + half + k] = (at(f + 1, k) - at(f - 1, k) + 2 * (at(f + 2, k) - at(f - 2, k))) / 10;
  for (let k = 0; k < WIDTH; k++) {
    let [sum, squares] = [0, 0];
    for (let f = 0; f < frames; f++) sum += at(f, k);
    const mean = sum / Math.max(1, frames);
    for (let f = 0; f < frames; f++) squares += (at(f, k) - mean) ** 2;
    const spread = Math.sqrt(squares / Math.max(1, frames)) || 1;
    for (let f = 0; f < frames; f++) values[f * WIDTH + k] = (at(f, k) - mean) / spread;
  }
  return { frames, values };
}

/** Every so-manieth frame alone: a coarser look at something long. */
export function thinned({ frames, values }: Features, every: number): Features {
  if (every <= 1) return { frames, values };
  const kept = Math.ceil(frames / every);
  const few = new Float32Array(kept * WIDTH);
  for (let f = 0; f < kept; f++) few.set(values.subarray(f * every * WIDTH, (f * every + 1) * WIDTH), f * WIDTH);
  return { frames: kept, values: few };
}
