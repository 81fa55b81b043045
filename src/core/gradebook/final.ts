import { type Exact, percentOf, sum, ZERO } from '../base/exact';
import type { Keep } from './book';

/** What one column gave: exact marks of a maximum. */
export interface Entry {
  marks: Exact;
  of: Exact;
  /** It comes on top: its marks count, its maximum does not. Never left out. */
  extra: boolean;
}

/** Which of the entries a category keeps; of equal shares the later is kept. Extra entries are always kept, and at least one other. */
export function keptOf(entries: readonly Entry[], keep: Keep): boolean[] {
  if (keep.is === 'all') return entries.map(() => true);
  const plain = entries.flatMap(({ extra, marks, of }, i) => (extra ? [] : [{ i, share: percentOf(marks, of) }]));
  const count = Math.max(1, keep.is === 'best' ? Math.min(keep.n, plain.length) : plain.length - keep.n);
  const out = new Set(
    plain
      .toSorted((a, b) => a.share.compare(b.share) || a.i - b.i)
      .slice(0, plain.length - count)
      .map(({ i }) => i),
  );
  return entries.map((_, i) => !out.has(i));
}

/**
 * The percent of what counts in a category, exact. By points: the marks over
 * the maxima. By percents: the mean of the percents. Extra entries add to the
 * marks, or their percent to the sum, and nothing to what it is divided by. A
 * column of no marks has nothing to say; null while nothing else counts.
 */
export function averageOf(entries: readonly Entry[], average: 'points' | 'percents'): Exact | null {
  const worth = entries.filter(({ of }) => !of.equals(ZERO));
  const plain = worth.filter(({ extra }) => !extra);
  if (plain.length === 0) return null;
  if (average === 'percents') return sum(worth.map(({ marks, of }) => percentOf(marks, of))).div(plain.length);
  return percentOf(sum(worth.map(({ marks }) => marks)), sum(plain.map(({ of }) => of)));
}

/** The shares of the weights that count, in percent: the weight of a category with nothing in it is shared among the others. Null where they come to nothing. */
export function sharesOf(parts: readonly { weight: Exact; percent: Exact | null }[]): (Exact | null)[] {
  const all = sum(parts.flatMap(({ weight, percent }) => (percent === null ? [] : [weight])));
  return parts.map(({ weight, percent }) => (percent === null || all.equals(ZERO) ? null : percentOf(weight, all)));
}
