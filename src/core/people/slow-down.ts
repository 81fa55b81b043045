/** Wrong tries on one account so far. */
export interface Tries {
  wrong: number;
  lastAt: number;
}

const FREE_TRIES = 5;
const FIRST_WAIT = 15_000;
const LONGEST_WAIT = 15 * 60_000;
const FORGOTTEN_AFTER = 60 * 60_000;

/**
 * Milliseconds until this account may be tried again: five tries are free, then
 * 15 s, doubling to a quarter of an hour. Counted per account, never per
 * address, so that a class behind one address is not locked out.
 */
export function waitBeforeTry(tries: Tries | null, now: number): number {
  if (!tries || tries.wrong < FREE_TRIES || now - tries.lastAt > FORGOTTEN_AFTER) return 0;
  const wait = Math.min(FIRST_WAIT * 2 ** (tries.wrong - FREE_TRIES), LONGEST_WAIT);
  return Math.max(0, tries.lastAt + wait - now);
}

export function afterWrongTry(tries: Tries | null, now: number): Tries {
  const old = tries && now - tries.lastAt <= FORGOTTEN_AFTER ? tries.wrong : 0;
  return { wrong: old + 1, lastAt: now };
}
