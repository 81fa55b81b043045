import type Decimal from 'decimal.js';
import { setting, Unworked, type Value } from './arithmetic';
import { evaluate } from './evaluate';
import { exactValue } from './exact-value';
import { doubles, precise, type RealField } from './fields';
import { PRIME, residue } from './modular';
import { type Assumption, landmarksOf, type Point, pointIn, samplePoints } from './points';
import { namesOf, partsOf, some, type Tree } from './tree';

export interface Conditions {
  assume: Readonly<Record<string, Assumption>>;
  /** Isolated points where only one of both is defined count too. */
  strictDomain?: boolean;
}

/** `thin`: there were too few points to be sure. */
export type Equality = { equal: boolean; thin: boolean } | 'undecided';

/** How many points are tried, and how many have to agree: so many, and a round about every landmark. */
const TRIES = 80;
const ENOUGH = 12;
const A_ROUND = 5;
/** Fewer points than these are too few to be sure. */
const SAFE = 8;
const DOUBLE_STEPS = 100_000;
const PRECISE_STEPS = 12_000;
/** More digits than these are nobody's own reckoning. */
const LONG_NUMBER = 30;
/** Two values agree at 60 digits when they differ by less than this share of the largest amount on the way. */
const AGREE = 1e-35;

/**
 * Whether the answer is defined and equal wherever the key is. Rational
 * functions are decided modulo a prime; everything else at seeded points,
 * first in doubles, then with 60 digits before anything is accepted or refused.
 */
export function equalTrees(key: Tree, answer: Tree, conditions: Conditions): Equality {
  try {
    const rational = equalRational(key, answer);
    if (rational !== null) return { equal: rational, thin: false };
    return equalSampled(key, answer, conditions);
  } catch (error) {
    if (error instanceof Unworked) return 'undecided';
    throw error;
  }
}

/** Null when one of them is no rational function. */
function equalRational(key: Tree, answer: Tree): boolean | null {
  const names = new Set([...namesOf(key), ...namesOf(answer)]);
  for (const seed of [3n, 7n]) {
    let n = 0n;
    const at = new Map([...names].map((name) => [name, spread(seed, ++n)]));
    const [left, right] = [residue(key, at), residue(answer, at)];
    if (left === 'not-rational' || right === 'not-rational') return null;
    if (left === 'undefined' || left !== right) return false;
  }
  return true;
}

/** Numbers without a pattern, the same every time. */
function spread(seed: bigint, n: bigint): bigint {
  return (
    (seed * 6364136223846793005n ** ((n % 5n) + 1n) + n * 1442695040888963407n + 0x9e3779b97f4a7c15n * n * n) % PRIME
  );
}

/** Whether values off the real line are meant: i, or the root of a negative number. */
export function isComplex(tree: Tree): boolean {
  return some(
    tree,
    (part) =>
      (part.type === 'constant' && part.name === 'i') ||
      (part.type === 'call' && COMPLEX_FUNCTIONS.has(part.name)) ||
      (part.type === 'call' &&
        part.name === 'root' &&
        isNegative(part.args[0]) &&
        exactValue(part.args[1] ?? part)?.n === 2n),
  );
}

const COMPLEX_FUNCTIONS = new Set(['real', 'imaginary', 'argument', 'conjugate']);

function isNegative(tree: Tree | undefined): boolean {
  return tree !== undefined && (exactValue(tree)?.s ?? 0n) < 0n;
}

/** Assumptions that the tree itself makes: what stands before "!" or in a binomial is a whole number. */
export function impliedAssumptions(trees: readonly Tree[], assume: Conditions['assume']): Conditions['assume'] {
  const implied: Record<string, Assumption> = { ...assume };
  for (const tree of trees) {
    for (const part of partsOf(tree)) {
      const counted =
        part.type === 'factorial'
          ? [part.of]
          : part.type === 'call' && part.name === 'binomial'
            ? part.args
            : part.type === 'series'
              ? [part.from, part.to]
              : [];
      for (const name of counted.flatMap((t) => [...namesOf(t)])) {
        if (implied[name] === undefined || implied[name] === 'positive') implied[name] = 'positiveInteger';
      }
    }
  }
  return implied;
}

/** Digits of the longest number that is written in it. */
function longestNumber(tree: Tree): number {
  let longest = 0;
  for (const part of partsOf(tree)) {
    if (part.type !== 'number') continue;
    const digits =
      part.text
        .split(/[eE]/)[0]
        ?.replace(/\D/g, '')
        .replace(/^0+|0+$/g, '') ?? '';
    longest = Math.max(longest, digits.length);
  }
  return longest;
}

function equalSampled(key: Tree, answer: Tree, conditions: Conditions): Equality {
  const names = [...new Set([...namesOf(key), ...namesOf(answer)])];
  // A number of so many digits stands for one that has no end, which it is not.
  if (longestNumber(answer) > LONG_NUMBER && longestNumber(key) <= LONG_NUMBER) return { equal: false, thin: false };
  const complex = isComplex(key) || isComplex(answer);
  const offLine =
    complex &&
    (names.some((name) => /^[zw](_|$)/.test(name)) ||
      some(key, (p) => p.type === 'call' && COMPLEX_FUNCTIONS.has(p.name)));
  if (names.length === 0) {
    const agree = agreeAt(key, answer, new Map(), complex || false);
    return agree === 'skip' ? { equal: false, thin: true } : { equal: agree, thin: false };
  }
  const assume = impliedAssumptions([key, answer], conditions.assume);
  const landmarks = landmarksOf(key, answer);
  const first = sampled(key, answer, { names, assume, complex: offLine, landmarks, seed: 'maths' }, complex);
  if (!first.equal || first.hits >= 2) return { equal: first.equal, thin: first.equal && first.hits < SAFE };
  // Almost nowhere defined in the reals: the principal values decide.
  const second = sampled(key, answer, { names, assume, complex: true, landmarks, seed: 'maths' }, true);
  return { equal: second.equal && second.hits >= 2, thin: true };
}

function sampled(
  key: Tree,
  answer: Tree,
  sampling: Parameters<typeof samplePoints>[0],
  complex: boolean,
): { equal: boolean; hits: number } {
  const more = A_ROUND * sampling.landmarks.length;
  let hits = 0;
  let confirmed = 0;
  let tries = 0;
  for (const point of samplePoints(sampling)) {
    tries += 1;
    if (tries > TRIES + 2 * more) break;
    const proposal = proposed(key, answer, point, complex);
    if (proposal === 'skip') continue;
    hits += 1;
    // The first two points, one in the middle, and all that doubles do not settle are decided with 60 digits.
    if (proposal !== 'agree' || confirmed < 2 || hits === 7) {
      const agree = agreeAt(key, answer, point, complex);
      if (agree === 'skip') {
        hits -= 1;
        continue;
      }
      if (!agree) return { equal: false, hits };
      confirmed += 1;
    }
    if (hits >= ENOUGH + more) break;
  }
  return { equal: true, hits };
}

/** What doubles say; never the last word where they disagree. */
function proposed(key: Tree, answer: Tree, point: Point, complex: boolean): 'skip' | 'agree' | 'unsure' {
  const at = pointIn(doubles, point);
  const forKey = setting(doubles, at, complex, DOUBLE_STEPS);
  const left = evaluate(key, forKey);
  if (!left) return forKey.overflow ? 'unsure' : 'skip';
  const forAnswer = setting(doubles, at, complex, DOUBLE_STEPS);
  const right = evaluate(answer, forAnswer);
  if (!right) return 'unsure';
  const scale = Math.max(forKey.largest, forAnswer.largest, 1e-300);
  return distance(doubles, left, right) <= 1e-9 * scale ? 'agree' : 'unsure';
}

/** Whether both agree at a point with 60 digits; "skip" where the key has no value. */
export function agreeAt(key: Tree, answer: Tree, point: Point, complex: boolean): boolean | 'skip' {
  const at = pointIn(precise, point);
  const forKey = setting<Decimal>(precise, at, complex, PRECISE_STEPS);
  const left = evaluate(key, forKey);
  if (!left) return 'skip';
  const forAnswer = setting<Decimal>(precise, at, complex, PRECISE_STEPS);
  const right = evaluate(answer, forAnswer);
  if (!right) return false;
  const scale = Math.max(forKey.largest, forAnswer.largest);
  const apart = distance(precise, left, right);
  if (Number.isFinite(scale)) return apart <= AGREE * scale;
  // Beyond the range of doubles: compared by their ratio.
  const size = left.re.abs().add(left.im.abs());
  const gap = left.re.sub(right.re).abs().add(left.im.sub(right.im).abs());
  return gap.lte(size.mul(AGREE));
}

function distance<T>(field: RealField<T>, a: Value<T>, b: Value<T>): number {
  return Math.max(Math.abs(field.toNumber(field.sub(a.re, b.re))), Math.abs(field.toNumber(field.sub(a.im, b.im))));
}
