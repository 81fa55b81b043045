import type { Slot } from '../bank/question';
import { kindOf } from '../kinds/registry';
import { readResponse } from '../kinds/response';
import { likeness, wordsOf } from '../text/likeness';

/** An answer among those of a class; `of` says whose it is. */
export interface ClassResponse {
  of: string;
  response: unknown;
}

/** An answer that is like another. */
export interface Alike {
  of: string;
  /** In plain words. */
  answer: string;
  /** 1 where it comes to the same, however it was written; else how alike the words are, below 1. */
  likeness: number;
}

/** Words alike by at least so much are offered (common practice, no source). */
const LEAST = 0.7;
/** Comparing words costs the product of their numbers; so much is spent on one answer, some tens of milliseconds. */
const MOST_STEPS = 250_000;

/**
 * The answers that are like one of them, the most alike first: those that come
 * to the same, and those in much the same words. `whole` says whether all were
 * compared; where that would take too long, the last ones were not, but for
 * whether they come to the same.
 */
export function alikeTo(
  slot: Slot,
  one: unknown,
  others: readonly ClassResponse[],
): { alike: Alike[]; whole: boolean } {
  const kind = kindOf(slot.kind);
  const mine = readResponse(kind, one)?.response;
  if (mine === undefined || kind.blank(mine)) return { alike: [], whole: true };
  const gist = kind.gist(slot.setup, mine);
  const words = kind.describeResponse(slot.setup, mine);
  const length = wordsOf(words).length;
  let steps = 0;
  /** What comes to the same is compared once. */
  const known = new Map<string, number>([[gist, 1]]);
  const likenessOf = (itsGist: string, answer: string): number => {
    const before = known.get(itsGist);
    if (before !== undefined) return before;
    if (kind.typed === undefined || steps > MOST_STEPS) return 0;
    steps += length * Math.max(1, answer.length / 6);
    const near = Math.min(0.99, likeness(words, answer));
    known.set(itsGist, near);
    return near;
  };
  const alike = others.flatMap(({ of, response }): Alike[] => {
    const read = readResponse(kind, response);
    if (!read || kind.blank(read.response)) return [];
    const answer = kind.describeResponse(slot.setup, read.response);
    const near = likenessOf(kind.gist(slot.setup, read.response), answer);
    return near >= LEAST ? [{ of, answer, likeness: near }] : [];
  });
  return { alike: alike.sort((a, b) => b.likeness - a.likeness), whole: steps <= MOST_STEPS };
}
