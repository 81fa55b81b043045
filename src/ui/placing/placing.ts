import type { Putting } from '@/core/rules/placing/placed';

/** An item that was taken, and from which place; null: from the list. */
export interface Hand {
  item: string;
  from: string | null;
}

/** What the meaning of a put depends on. */
export interface Board {
  /** How many items a place holds at most; null for any number. */
  most: (place: string) => number | null;
  /** Whether an item may stand on several places. */
  again: boolean;
}

/** What became of a put, to be said. `out` stood there before and went to `to`: where the hand came from, or back to the list. */
export interface PutOutcome {
  placed: Putting[];
  out: { item: string; to: string | null } | null;
}

/**
 * Puts what is in the hand on a place. Where the place is full, the two change
 * about when the hand came from a place; else what stood there goes back to
 * the list. An item that may be used once leaves the place where it stood.
 */
export function put({ most, again }: Board, placed: readonly Putting[], hand: Hand, place: string): PutOutcome {
  const { item, from } = hand;
  const stands = placed.some((one) => one.item === item && one.place === place);
  if (from === place || stands) return { placed: [...placed], out: null };
  const lifted = placed.filter((one) => one.item !== item || (again && one.place !== from));
  const here = lifted.filter((one) => one.place === place);
  const full = here.length >= (most(place) ?? Number.POSITIVE_INFINITY);
  const out = full ? here.at(-1) : undefined;
  const kept = lifted.filter((one) => one !== out);
  // What is there already on the other place needs no second one.
  const back = out && from !== null && !kept.some((one) => one.item === out.item && one.place === from) ? from : null;
  return {
    placed: [...kept, ...(out && back !== null ? [{ item: out.item, place: back }] : []), { item, place }],
    out: out ? { item: out.item, to: back } : null,
  };
}

/** Gives what is in the hand back to the list. */
export const giveBack = (placed: readonly Putting[], { item, from }: Hand): Putting[] =>
  placed.filter((one) => one.item !== item || one.place !== from);

/** The place with the number that is typed: further digits go on while there is such a place. */
export function placeByNumber(
  typed: string,
  digit: string,
  places: readonly string[],
): { typed: string; at: number } | null {
  const longer = Number(typed + digit);
  if (longer >= 1 && longer <= places.length) return { typed: typed + digit, at: longer - 1 };
  const alone = Number(digit);
  return alone >= 1 && alone <= places.length ? { typed: digit, at: alone - 1 } : null;
}
