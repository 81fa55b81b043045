import Fraction from 'fraction.js';
import { type Exact, exact } from '../../base/exact';
import type { Tree } from './tree';

/** Longer numbers are not folded, so that no answer grows memory. */
const MOST_BITS = 20_000;

/** The exact rational value of a tree without names; null when it has none that can be worked out exactly here. */
export function exactValue(tree: Tree): Exact | null {
  switch (tree.type) {
    case 'number':
      return tree.value;
    case 'group':
      return exactValue(tree.of);
    case 'negate':
      return exactValue(tree.of)?.neg() ?? null;
    case 'percent':
      return exactValue(tree.of)?.div(100) ?? null;
    case 'mixed': {
      const [whole, part] = [exactValue(tree.whole), exactValue(tree.part)];
      return whole && part && whole.add(part);
    }
    case 'factorial': {
      const n = exactValue(tree.of);
      return n && n.d === 1n && n.s >= 0n && n.n <= 500n ? factorial(Number(n.n)) : null;
    }
    case 'add':
    case 'subtract':
    case 'multiply':
    case 'divide': {
      const [left, right] = [exactValue(tree.left), exactValue(tree.right)];
      if (!left || !right || bits(left) + bits(right) > MOST_BITS) return null;
      if (tree.type === 'add') return left.add(right);
      if (tree.type === 'subtract') return left.sub(right);
      if (tree.type === 'multiply') return left.mul(right);
      return right.equals(0) ? null : left.div(right);
    }
    case 'power': {
      const [base, exponent] = [exactValue(tree.left), exactValue(tree.right)];
      return base && exponent ? exactPower(base, exponent) : null;
    }
    default:
      return null;
  }
}

function exactPower(base: Exact, exponent: Exact): Exact | null {
  if (exponent.d !== 1n || exponent.n > 20_000n) return null;
  if (base.equals(0)) return exponent.s > 0n ? base : null;
  const power = exponent.n;
  if (BigInt(bits(base)) * power > BigInt(MOST_BITS)) return null;
  const [above, below] = [base.n ** power, base.d ** power];
  const sign = base.s < 0n && power % 2n === 1n ? -1n : 1n;
  return exponent.s < 0n ? new Fraction(sign * below, above) : new Fraction(sign * above, below);
}

function factorial(n: number): Exact {
  let product = 1n;
  for (let i = 2n; i <= BigInt(n); i++) product *= i;
  return exact(1).mul(new Fraction(product, 1n));
}

const bits = (value: Exact): number => value.n.toString(16).length * 4 + value.d.toString(16).length * 4;
