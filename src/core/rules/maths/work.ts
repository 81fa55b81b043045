import { Unworked } from './arithmetic';

/**
 * All that one comparison may take, in steps of about a quarter of a
 * microsecond: the counted cost of every operation, so that a verdict is the
 * same on every machine however long it takes there. Ordinary comparisons take
 * a twentieth of it (`work.test.ts`).
 */
export const MOST_WORK = 400_000;

/** What is left to the comparison that runs; null while none does. One runs at a time: nothing in it waits. */
let left: number | null = null;

/** Runs a comparison on one budget; what stands inside another shares its. When the budget is spent, `Unworked` is thrown wherever it is. */
export function onBudget<T>(work: () => T, most = MOST_WORK): T {
  if (left !== null) return work();
  left = most;
  try {
    return work();
  } finally {
    left = null;
  }
}

/** Counts work of the comparison that runs. */
export function charge(steps: number): void {
  if (left === null) return;
  left -= steps;
  if (left < 0) throw new Unworked();
}

/** How much of its budget a comparison took. */
export function workOf(work: () => void): number {
  if (left !== null) throw new Error('A comparison runs already');
  let taken = MOST_WORK;
  onBudget(() => {
    try {
      work();
    } finally {
      taken = MOST_WORK - (left ?? 0);
    }
  });
  return taken;
}
