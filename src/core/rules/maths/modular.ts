import type { Exact } from '../../base/exact';
import { exactValue } from './exact-value';
import type { Tree } from './tree';

/** The Mersenne prime 2^61 − 1. */
export const PRIME = (1n << 61n) - 1n;

/** A tree that is no rational function. */
class NotRational extends Error {}
const NOT_RATIONAL = new NotRational();
/** A division by zero. */
class ByZero extends Error {}
const BY_ZERO = new ByZero();

export type Residue = bigint | 'undefined' | 'not-rational';

/**
 * The value of a rational function modulo 2^61 − 1 at a point. Two rational
 * functions that agree at a few random points are equal but for a chance
 * below 10^-14 (Schwartz and Zippel); big powers cost only squarings.
 */
export function residue(tree: Tree, at: ReadonlyMap<string, bigint>): Residue {
  try {
    return residueOf(tree, at);
  } catch (error) {
    if (error instanceof NotRational) return 'not-rational';
    if (error instanceof ByZero) return 'undefined';
    throw error;
  }
}

function residueOf(tree: Tree, at: ReadonlyMap<string, bigint>): bigint {
  const go = (part: Tree): bigint => residueOf(part, at);
  switch (tree.type) {
    case 'number':
      return ofExact(tree.value);
    case 'name': {
      const value = at.get(tree.name);
      if (value === undefined) throw NOT_RATIONAL;
      return value;
    }
    case 'group':
      return go(tree.of);
    case 'negate':
      return mod(-go(tree.of));
    case 'percent':
      return mod(go(tree.of) * inverse(100n));
    case 'factorial': {
      const value = exactValue(tree);
      if (!value) throw NOT_RATIONAL;
      return ofExact(value);
    }
    case 'mixed':
      return mod(go(tree.whole) + go(tree.part));
    case 'add':
      return mod(go(tree.left) + go(tree.right));
    case 'subtract':
      return mod(go(tree.left) - go(tree.right));
    case 'multiply':
      return mod(go(tree.left) * go(tree.right));
    case 'divide': {
      const below = go(tree.right);
      return mod(go(tree.left) * inverse(below));
    }
    case 'power': {
      const exponent = exactValue(tree.right);
      if (exponent?.d !== 1n) throw NOT_RATIONAL;
      const base = go(tree.left);
      if (exponent.n === 0n) return 1n;
      return power(exponent.s < 0n ? inverse(base) : base, exponent.n);
    }
    default:
      throw NOT_RATIONAL;
  }
}

const mod = (value: bigint): bigint => ((value % PRIME) + PRIME) % PRIME;

function ofExact(value: Exact): bigint {
  return mod(value.s * mod(value.n) * inverse(mod(value.d)));
}

function power(base: bigint, exponent: bigint): bigint {
  let result = 1n;
  let square = base;
  for (let left = exponent; left > 0n; left >>= 1n) {
    if (left & 1n) result = (result * square) % PRIME;
    square = (square * square) % PRIME;
  }
  return result;
}

function inverse(value: bigint): bigint {
  const of = mod(value);
  if (of === 0n) throw BY_ZERO;
  return of === 1n ? 1n : power(of, PRIME - 2n);
}
