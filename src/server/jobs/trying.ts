/** What is handed on to others is given up after so many tries, each a minute later than the one before, twice as long each time. */
const MOST_TRIES = 6;
const FIRST_WAIT = 60_000;
/** A process that has been at something for so long is dead. */
export const LONGEST_HANDING = 5 * 60_000;

/** What becomes of something whose try number `tries`, counted from 1, did not succeed. */
export function afterFailure(tries: number, now: number): { state: 'waiting' | 'failed'; tries: number; at: number } {
  return tries >= MOST_TRIES
    ? { state: 'failed', tries, at: now }
    : { state: 'waiting', tries, at: now + FIRST_WAIT * 2 ** (tries - 1) };
}
