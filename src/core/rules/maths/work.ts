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

/** All that was ever counted. */
let done = 0;

/** Work counted so far, in steps; the difference of two readings is what came between them. */
export const workDone = (): number => done;

/** Counts work of the comparison that runs. */
export function charge(steps: number): void {
  done += steps;
  if (left === null) return;
  left -= steps;
  if (left < 0) throw new Unworked();
}

/** How much work something takes. */
export function workOf(work: () => void): number {
  const before = done;
  work();
  return done - before;
}
