import type Decimal from 'decimal.js';
import { setting, Unworked, type Value } from './arithmetic';
import { evaluate } from './evaluate';
import { type Conditions, equalTrees, type Equality, impliedAssumptions, isComplex } from './equal';
import { precise } from './fields';
import { PRIME, residue } from './modular';
import { landmarksOf, type Point, pointIn, samplePoints } from './points';
import { mapTree, namesOf, type Relation, type Tree } from './tree';

/** A relation between two sides, as what has to be compared with nothing: left side less right side. */
export interface Compared {
  sign: Relation;
  difference: Tree;
}

/** Null when it is no relation of two sides. "Greater" is turned round. */
export function comparedOf(tree: Tree): Compared | null {
  if (tree.type === 'group') return comparedOf(tree.of);
  if (tree.type !== 'relation' || tree.parts.length !== 2) return null;
  const [left, right] = tree.parts;
  const [sign] = tree.signs;
  if (!left || !right || !sign || sign === '∈') return null;
  if (sign === '>' || sign === '≥')
    return { sign: sign === '>' ? '<' : '≤', difference: { type: 'subtract', left: right, right: left } };
  return { sign, difference: { type: 'subtract', left, right } };
}

export type Factor = 'positive' | 'negative' | 'other' | 'not-constant';

/**
 * The constant that the second difference is of the first, by its sign; "other"
 * where it is a complex number. Equations are the same when it is none but
 * zero; inequalities when it is positive.
 */
export function constantFactor(of: Tree, by: Tree, conditions: Conditions): Factor {
  const names = [...new Set([...namesOf(of), ...namesOf(by)])];
  const rational = rationalFactor(of, by, names);
  if (rational === false) return 'not-constant';
  const complex = isComplex(of) || isComplex(by);
  const assume = impliedAssumptions([of, by], conditions.assume);
  let first: Value<Decimal> | null = null;
  let hits = 0;
  let tries = 0;
  for (const point of samplePoints({ names, assume, complex: false, landmarks: landmarksOf(of, by), seed: 'ratio' })) {
    if (++tries > 60) break;
    const ratio = ratioAt(of, by, point, complex);
    if (ratio === 'undefined') return 'not-constant';
    if (ratio === null) continue;
    hits += 1;
    if (first === null) first = ratio;
    else {
      const gap = ratio.re.sub(first.re).abs().add(ratio.im.sub(first.im).abs());
      if (gap.gt(first.re.abs().add(first.im.abs()).mul(1e-30))) return 'not-constant';
    }
    if (hits >= (rational ? 1 : 8)) break;
  }
  if (first === null || (first.re.isZero() && first.im.isZero())) return 'not-constant';
  if (!first.im.isZero() && first.im.abs().gt(first.re.abs().mul(1e-40))) return 'other';
  return first.re.isNegative() ? 'negative' : 'positive';
}

/** Null where one is no rational function. */
function rationalFactor(of: Tree, by: Tree, names: string[]): boolean | null {
  const at = (seed: bigint): Map<string, bigint> =>
    new Map(
      names.map((name, n) => [
        name,
        (seed * 1_000_003n ** BigInt((n % 7) + 1) + BigInt(n + 1) * 0x9e3779b97f4a7c15n) % PRIME,
      ]),
    );
  const pairs = [at(11n), at(17n), at(23n)].map((point) => [residue(of, point), residue(by, point)] as const);
  if (pairs.some((pair) => pair.includes('not-rational'))) return null;
  const [first] = pairs;
  if (!first || typeof first[0] !== 'bigint' || typeof first[1] !== 'bigint' || first[0] === 0n || first[1] === 0n)
    return false;
  const [a, b] = [first[0], first[1]];
  return pairs.every(([f, g]) => typeof f === 'bigint' && typeof g === 'bigint' && (f * b - a * g) % PRIME === 0n);
}

/** Null where the first is not defined or nothing; "undefined" where only the second is not. */
function ratioAt(of: Tree, by: Tree, point: Point, complex: boolean): Value<Decimal> | 'undefined' | null {
  const at = pointIn(precise, point);
  const below = evaluate(of, setting(precise, at, complex, 12_000));
  if (!below || (below.re.isZero() && below.im.isZero())) return null;
  const above = evaluate(by, setting(precise, at, complex, 12_000));
  if (!above) return 'undefined';
  const size = below.re.mul(below.re).add(below.im.mul(below.im));
  return {
    re: above.re.mul(below.re).add(above.im.mul(below.im)).div(size),
    im: above.im.mul(below.re).sub(above.re.mul(below.im)).div(size),
  };
}

/** Whether an equation or an inequality of two sides says the same as the key. */
export function sameRelation(
  key: Compared,
  answer: Compared,
  conditions: Conditions & { rearranged?: boolean },
): Equality {
  if (key.sign !== answer.sign) return { equal: false, thin: false };
  try {
    const factor = constantFactor(key.difference, answer.difference, conditions);
    const free = key.sign === '=' || key.sign === '≠';
    if (factor === 'positive' || (free && factor !== 'not-constant')) return { equal: true, thin: false };
    if (key.sign === '=' && conditions.rearranged) return { equal: rearranged(key, answer, conditions), thin: false };
    return { equal: false, thin: false };
  } catch (error) {
    if (error instanceof Unworked) return 'undecided';
    throw error;
  }
}

/** Whether one of two equations is the other one solved for a variable, with no solution lost. */
function rearranged(key: Compared, answer: Compared, conditions: Conditions): boolean {
  return solves(answer, key, conditions) || solves(key, answer, conditions);
}

function solves(solved: Compared, open: Compared, conditions: Conditions): boolean {
  if (solved.difference.type !== 'subtract') return false;
  const { left, right } = solved.difference;
  const [name, value] =
    left.type === 'name' ? [left.name, right] : right.type === 'name' ? [right.name, left] : [null, null];
  if (!name || !value || namesOf(value).has(name) || !namesOf(open.difference).has(name)) return false;
  const put = mapTree(open.difference, (part) =>
    part.type === 'name' && part.name === name ? { type: 'group', of: value } : null,
  );
  const zero: Tree = { type: 'subtract', left: value, right: value };
  const satisfied = equalTrees(zero, put, conditions);
  if (satisfied === 'undecided' || !satisfied.equal) return false;
  return onlySolution(open.difference, solved.difference, name, conditions);
}

/** Whether their ratio, as the name runs, is a plain power of it or keeps its sign: no further solution. */
function onlySolution(open: Tree, solved: Tree, name: string, conditions: Conditions): boolean {
  const names = [...new Set([...namesOf(open), ...namesOf(solved)])];
  const assume = impliedAssumptions([open, solved], conditions.assume);
  const signs = new Set<boolean>();
  let powers = 0;
  let hits = 0;
  let tries = 0;
  for (const point of samplePoints({ names, assume, complex: false, landmarks: [1], seed: 'solved' })) {
    if (++tries > 60 || hits >= 12) break;
    const own = point.get(name);
    if (!own) return false;
    const at = (by: number): Point => new Map(point).set(name, [own[0].mul(by), own[1]]);
    const ratios = [1, 2, 4].map((by) => ratioAt(solved, open, at(by), false));
    const [a, b, c] = ratios;
    if (!a || !b || !c || a === 'undefined' || b === 'undefined' || c === 'undefined') continue;
    hits += 1;
    const [first, second] = [b.re.div(a.re), c.re.div(b.re)];
    if (first.sub(second).abs().lt(first.abs().mul(1e-30))) powers += 1;
    signs.add(a.re.isNegative() === b.re.isNegative() && b.re.isNegative() === c.re.isNegative());
    if (assume[name] !== 'positive') {
      const mirrored = ratioAt(solved, open, at(-1), false);
      if (mirrored && mirrored !== 'undefined') signs.add(mirrored.re.isNegative() === a.re.isNegative());
    }
  }
  return hits >= 3 && (powers === hits || !signs.has(false));
}
