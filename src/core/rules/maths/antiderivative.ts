import Fraction from 'fraction.js';
import { setting, Unworked, type Value } from './arithmetic';
import { evaluate } from './evaluate';
import type Decimal from 'decimal.js';
import { type Conditions, type Equality, impliedAssumptions, isComplex } from './equal';
import { precise } from './fields';
import { landmarksOf, type Point, pointIn, samplePoints } from './points';
import { namesOf, type Tree } from './tree';

export interface AntiderivativeConditions extends Conditions {
  /** The variable of integration. */
  variable: string;
  /** An additive constant has to stand there. */
  requireConstant?: boolean;
}

/** How the constant of integration is usually called. */
const CONSTANTS = new Set(['C', 'c', 'K', 'k']);
const STEPS = 12_000;

/** Whether two functions differ by a constant in the variable, on each side of a singularity, wherever the key is defined. */
export function sameAntiderivative(key: Tree, answer: Tree, conditions: AntiderivativeConditions): Equality {
  const { variable } = conditions;
  const names = [...new Set([...namesOf(key), ...namesOf(answer), variable])];
  const complex = isComplex(key) || isComplex(answer);
  const assume = impliedAssumptions([key, answer], conditions.assume);
  const difference: Tree = { type: 'subtract', left: answer, right: key };
  const near = new Fraction(1, 8);
  let hits = 0;
  let tries = 0;
  try {
    for (const point of samplePoints({
      names,
      assume,
      complex: false,
      landmarks: landmarksOf(key, answer),
      seed: 'primitive',
    })) {
      if (++tries > 60 || hits >= 8) break;
      const own = point.get(variable);
      if (!own) continue;
      const beside: Point = new Map(point).set(variable, [own[0].add(own[0].s < 0n ? near.neg() : near), own[1]]);
      // Both ends and the middle, so that no singularity lies between.
      const between: Point = new Map(point).set(variable, [
        own[0].add(own[0].s < 0n ? near.div(-2) : near.div(2)),
        own[1],
      ]);
      const pair = [point, between, beside].map(
        (at) => [valueAt(key, at, complex), valueAt(difference, at, complex)] as const,
      );
      if (pair.some(([value]) => value === null)) continue;
      const [[size, first], , [, last]] = pair as [
        readonly [Value<Decimal>, Value<Decimal> | null],
        unknown,
        readonly [unknown, Value<Decimal> | null],
      ];
      if (!first || !last) return { equal: false, thin: false };
      hits += 1;
      const gap = first.re.sub(last.re).abs().add(first.im.sub(last.im).abs());
      const scale = Math.max(1, Math.abs(size.re.toNumber()), Math.abs(first.re.toNumber()));
      if (gap.gt(scale * 1e-35)) return { equal: false, thin: false };
    }
  } catch (error) {
    if (error instanceof Unworked) return 'undecided';
    throw error;
  }
  if (hits === 0) return 'undecided';
  if (conditions.requireConstant && !hasFreeConstant(key, answer, variable)) return { equal: false, thin: false };
  return { equal: true, thin: hits < 4 };
}

function valueAt(tree: Tree, point: Point, complex: boolean): Value<Decimal> | null {
  return evaluate(tree, setting(precise, pointIn(precise, point), complex, STEPS));
}

/** Whether a constant of integration is added or taken away, by itself: the answer moves just as it does. */
function hasFreeConstant(key: Tree, answer: Tree, variable: string): boolean {
  const names = [...new Set([...namesOf(answer), ...namesOf(key)])];
  return names
    .filter((name) => name !== variable && CONSTANTS.has(name.split('_')[0] ?? '') && namesOf(answer).has(name))
    .some((name) => {
      let moved = 0;
      let tries = 0;
      for (const point of samplePoints({ names, assume: {}, complex: false, landmarks: [1], seed: 'constant' })) {
        if (++tries > 40 || moved >= 3) break;
        const values = [1, 3].map((at) =>
          valueAt(answer, new Map(point).set(name, [new Fraction(at), new Fraction(0)]), false),
        );
        const [a, b] = values;
        if (!a || !b) continue;
        if (b.re.sub(a.re).abs().sub(2).abs().gt('1e-30')) return false;
        moved += 1;
      }
      return moved > 0;
    });
}
