import Fraction from 'fraction.js';
import type { Exact } from '../../base/exact';
import { seeded, seedFor } from '../../base/random';
import { exactValue } from './exact-value';
import type { RealField } from './fields';
import type { Value } from './arithmetic';
import { partsOf, type Tree } from './tree';

/** What a name stands for; a real number unless something else is said. */
export type Assumption = 'real' | 'positive' | 'integer' | 'positiveInteger';

/** A point with exact coordinates: real and imaginary part of every name. */
export type Point = ReadonlyMap<string, readonly [Exact, Exact]>;

export interface Sampling {
  names: readonly string[];
  assume: Readonly<Record<string, Assumption>>;
  /** Points off the real line. */
  complex: boolean;
  /** Amounts round which something may happen. */
  landmarks: readonly number[];
  seed: string;
}

const NONE = new Fraction(0);
/** A prime below the line, so that no point is a special one. */
const BELOW = 1009;

/**
 * Points of several sizes and both signs, also round and beyond the landmarks,
 * that keep what is assumed of the names. The same for the same seed.
 */
export function* samplePoints({ names, assume, complex, landmarks, seed }: Sampling): Generator<Point> {
  const next = seeded(seedFor(0, seed));
  const between = (low: number, high: number): number => low + next() * (high - low);
  const either = (): number => (next() < 0.5 ? -1 : 1);
  const sizes: (() => number)[] = [
    () => between(-3, 3),
    () => between(0, 1),
    () => between(1, 4),
    () => between(-12, 12),
    () => between(-1, 1),
    () => between(-100, 100),
    () => between(-0.1, 0.1),
    () => between(2, 30),
    // On both sides of every landmark, and well beyond it.
    ...landmarks.flatMap((mark) => [
      () => mark * between(2, 4),
      () => -mark * between(2, 4),
      () => mark + between(0, 2),
      () => mark - between(0, 2),
      () => -mark + between(-2, 2),
    ]),
  ];
  for (let turn = 0; ; turn++) {
    // All names the same size at first, then mixed.
    const shared = sizes[turn % sizes.length];
    yield new Map(
      names.map((name) => {
        const size = (turn < sizes.length ? shared : sizes[Math.floor(next() * sizes.length)]) ?? (() => 1);
        return [name, [coordinate(assume[name] ?? 'real', size), complex ? rational(between(-2, 2)) : NONE]] as const;
      }),
    );
  }

  function coordinate(kind: Assumption, size: () => number): Exact {
    // Small integers are left out: finitely many exceptions do not count.
    if (kind === 'positiveInteger') return new Fraction(6 + Math.floor(next() * 25));
    if (kind === 'integer') return new Fraction(either() * (6 + Math.floor(next() * 25)));
    const value = rational(size());
    if (kind === 'positive') return value.s < 0n ? value.neg() : value.equals(0) ? new Fraction(1, BELOW) : value;
    return value;
  }
}

function rational(value: number): Exact {
  return new Fraction(Math.round(value * BELOW), BELOW);
}

/** The amounts of the numbers in the trees, at most six, as places where something may happen. */
export function landmarksOf(...trees: Tree[]): number[] {
  const amounts = new Set<number>();
  for (const tree of trees) {
    for (const part of partsOf(tree)) {
      const value = part.type === 'number' || part.type === 'divide' ? exactValue(part) : null;
      const amount = Math.abs(value?.valueOf() ?? 0);
      if (amount > 0 && amount < 1e9) amounts.add(amount);
    }
  }
  return [1, ...[...amounts].sort((a, b) => b - a).slice(0, 6)];
}

/** A point in one kind of number. */
export function pointIn<T>(field: RealField<T>, point: Point): Map<string, Value<T>> {
  return new Map([...point].map(([name, [re, im]]) => [name, { re: field.of(re), im: field.of(im) }]));
}
