/** Tries so far, each counted before it is known whether it is right. */
export interface Tries {
  wrong: number;
  lastAt: number;
}

const FREE_TRIES = 5;
/** Tries on one account from everywhere together, and while somebody is being let in. */
export const FREE_FROM_EVERYWHERE = 50;
const FIRST_WAIT = 15_000;
const LONGEST_WAIT = 15 * 60_000;
const FORGOTTEN_AFTER = 60 * 60_000;

/**
 * Milliseconds until one may try again: so many tries are free, then 15 s,
 * doubling to a quarter of an hour (common practice, no source).
 */
export function waitBeforeTry(tries: Tries | null, now: number, free = FREE_TRIES): number {
  if (!tries || tries.wrong < free || now - tries.lastAt > FORGOTTEN_AFTER) return 0;
  const wait = Math.min(FIRST_WAIT * 2 ** Math.min(tries.wrong - free, 10), LONGEST_WAIT);
  return Math.max(0, tries.lastAt + wait - now);
}

/** Tries from everywhere on one account, as one. */
export function allTries(tries: readonly Tries[], now: number): Tries {
  const fresh = tries.filter(({ lastAt }) => now - lastAt <= FORGOTTEN_AFTER);
  return {
    wrong: fresh.reduce((n, one) => n + one.wrong, 0),
    lastAt: Math.max(0, ...fresh.map(({ lastAt }) => lastAt)),
  };
}

/** Whether tries are so old that they count no more. */
export const isForgotten = ({ lastAt }: Tries, now: number): boolean => now - lastAt > FORGOTTEN_AFTER;

export function afterTry(tries: Tries | null, now: number): Tries {
  const old = tries && now - tries.lastAt <= FORGOTTEN_AFTER ? tries.wrong : 0;
  return { wrong: old + 1, lastAt: now };
}
