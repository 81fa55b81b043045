import Fraction from 'fraction.js';
import { z } from 'zod';

/**
 * Exact rational arithmetic for marks, percents and quantities. Thirds add up
 * to one; nothing is rounded before `round` is asked to. Stored as text:
 * "3", "1/2", "-7/3" (lowest terms, positive denominator).
 */
export type Exact = Fraction;

export const ZERO: Exact = new Fraction(0);
export const ONE: Exact = new Fraction(1);

/** Largest power of ten that is read from text; beyond it a number is refused, so that no input grows memory. */
export const MAX_EXPONENT = 300;
const MAX_DIGITS = 400;

/** Reads "12", "-3.5", "1/3", "2e-4". Null when it is no such number or beyond the limits above. */
export function parseExact(text: string): Exact | null {
  const match = /^([+-]?)(\d*)(?:\.(\d*))?(?:[eE]([+-]?\d{1,6}))?(?:\/(\d+))?$/.exec(text.trim());
  if (!match) return null;
  const [, sign, whole = '', part = '', power = '0', below] = match;
  if (whole === '' && part === '') return null;
  const exponent = Number(power);
  if (Math.abs(exponent) > MAX_EXPONENT || whole.length + part.length > MAX_DIGITS) return null;
  if (below !== undefined && (below.length > MAX_DIGITS || BigInt(below) === 0n)) return null;
  const digits = BigInt(`${whole}${part}`) * (sign === '-' ? -1n : 1n);
  const shift = exponent - part.length;
  const ten = 10n ** BigInt(Math.abs(shift));
  const value = shift >= 0 ? new Fraction(digits * ten, 1n) : new Fraction(digits, ten);
  return below === undefined ? value : value.div(new Fraction(BigInt(below), 1n));
}

/** As `parseExact`, for text that was written by this program. Throws on anything else. */
export function exact(value: string | number | bigint): Exact {
  const parsed = parseExact(String(value));
  if (!parsed) throw new RangeError(`Expected an exact number such as "3" or "1/2", found "${value}"`);
  return parsed;
}

export function stored(value: Exact): string {
  return value.toFraction();
}

export function sum(values: Iterable<Exact>): Exact {
  let total = ZERO;
  for (const value of values) total = total.add(value);
  return total;
}

export function max(a: Exact, b: Exact): Exact {
  return a.compare(b) >= 0 ? a : b;
}

export function min(a: Exact, b: Exact): Exact {
  return a.compare(b) <= 0 ? a : b;
}

/** `part` of `whole` in percent, exact; zero when the whole is zero. */
export function percentOf(part: Exact, whole: Exact): Exact {
  return whole.equals(0) ? ZERO : part.mul(100).div(whole);
}

export const ROUNDING_MODES = ['half_up', 'half_even', 'half_down', 'floor', 'ceiling', 'toward_zero'] as const;
export type RoundingMode = (typeof ROUNDING_MODES)[number];

/**
 * Rounds to a number of decimal places and writes it with exactly that many.
 * "half up" and "half down" decide ties away from and towards zero (as the
 * decimal arithmetic standard names them); floor and ceiling go by the number line.
 */
export function round(value: Exact, places: number, mode: RoundingMode = 'half_up'): string {
  if (!Number.isInteger(places) || places < 0 || places > 20) {
    throw new RangeError(`Expected 0 to 20 decimal places, found ${places}`);
  }
  const scaled = value.abs().mul(new Fraction(10n ** BigInt(places), 1n));
  const negative = value.compare(0) < 0;
  let whole = scaled.n / scaled.d;
  const rest = scaled.n % scaled.d;
  const half = rest * 2n === scaled.d ? 0 : rest * 2n > scaled.d ? 1 : -1;
  const away: Record<RoundingMode, boolean> = {
    half_up: half >= 0,
    half_down: half > 0,
    half_even: half > 0 || (half === 0 && whole % 2n === 1n),
    floor: negative,
    ceiling: !negative,
    toward_zero: false,
  };
  if (rest !== 0n && away[mode]) whole += 1n;
  const digits = whole.toString().padStart(places + 1, '0');
  const text = places === 0 ? digits : `${digits.slice(0, -places)}.${digits.slice(-places)}`;
  return negative ? `-${text}` : text;
}

/** A value for reading: at most so many decimal places, without trailing zeros. */
export function shown(value: Exact, places = 2, mode: RoundingMode = 'half_up'): string {
  const text = round(value, places, mode);
  return text.includes('.') ? text.replace(/\.?0+$/, '') : text;
}

/** Schema of an exact number stored as text. */
export const exactText = z
  .string()
  .max(200)
  .refine((text) => parseExact(text) !== null, { message: 'not-a-number' });

/** The most marks that anything can be worth. */
export const MOST_MARKS = 1000;

/** Schema of an exact number from `least` to `most`, stored as text. */
export const exactBetween = (least: number, most: number, message: string) =>
  exactText.refine(
    (text) => {
      const value = parseExact(text);
      return value !== null && value.compare(least) >= 0 && value.compare(most) <= 0;
    },
    { message },
  );

/** Schema of marks: exact text from 0 to 1000. */
export const marksText = exactBetween(0, MOST_MARKS, 'marks-range');

/** A percent from 0 to 100 as exact text. */
export const percentText = exactBetween(0, 100, 'percent-range');

/** Schema of a share: exact text from 0 to 1. */
export const shareText = exactBetween(0, 1, 'share-range');
