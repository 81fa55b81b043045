/** Facts about searching the bank that server and screen share. */

/** Questions come so many at a time. */
export const PAGE = 60;

/** Beyond so many hits nobody counts any more. */
export const MOST_COUNTED = 1000;

/** Stands before and after a hit in a snippet. */
export const HIT = '\u0001';
