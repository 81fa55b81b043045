/** Facts about searching the bank that server and screen share. */

/** Questions come so many at a time. */
export const PAGE = 60;

/** Beyond so many hits nobody counts any more. */
export const MOST_COUNTED = 1000;

/** Stands before and after a hit in a snippet. */
export const HIT = '\u0001';

/** What is sought, from what was typed: at most twelve words, each of at most sixty letters. */
export function terms(words: string): string[] {
  return (words.match(/[\p{L}\p{N}]+/gu) ?? []).slice(0, 12).map((term) => term.slice(0, 60));
}
