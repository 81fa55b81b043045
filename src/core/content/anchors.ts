import type { Shape } from '../drawing/shapes';

/** What a remark is about: the answer as a whole, or a place in it. */
export type Anchor =
  | { at: 'whole' }
  /** Words of an answer: from one sign of its text to another, and what stood there when it was said. */
  | { at: 'words'; from: number; to: number; quote: string }
  /** A spot of a page or picture, or a stretch of it, in parts of its width and height as it is read upright; `page` names its file, of a PDF with the number of its page (`pageOf`), and is empty for a drawing. */
  | { at: 'spot'; page: string; x: number; y: number; w: number; h: number }
  /** Shapes of a drawing, by their names. */
  | { at: 'shapes'; ids: string[] }
  /** What was drawn on a page by whoever marks: the page is 1,000 units wide. */
  | { at: 'drawn'; page: string; shapes: Shape[] }
  /** Seconds of a recording. */
  | { at: 'seconds'; from: number; to: number }
  /** A word of a text that was read aloud, by its place, and how it was read. */
  | { at: 'read'; word: number; as: ReadAs };

/** How a word was read: another word in its place, left out, with one put in before it, with help, or put right by whoever read. `last` is the last word that was reached; `right` takes all of this back. */
export const READ_AS = ['other', 'left out', 'put in', 'helped', 'corrected', 'last', 'right'] as const;
export type ReadAs = (typeof READ_AS)[number];

/** How a page of a PDF is named in an anchor. */
export const pageOf = (hash: string, number: number): string => `${hash}#${number}`;

/** The file whose page an anchor names. */
export const fileOfPage = (page: string): string => page.split('#')[0] ?? '';

/** A remark where it is shown: its number beside the answer, and what is said. */
export interface Pinned {
  id: string;
  number: number;
  anchor: Anchor;
  words: string;
  /** Whoever looks at it said it. */
  own?: boolean;
}

/**
 * Where the words that a remark is about stand by now: where they stood, else
 * where the same words stand nearest to it; null when they are gone, as after
 * an answer was handed in again.
 */
export function wordsAt(
  text: string,
  { from, to, quote }: Extract<Anchor, { at: 'words' }>,
): { from: number; to: number } | null {
  if (text.slice(from, to) === quote) return { from, to };
  let nearest: number | null = null;
  for (let at = text.indexOf(quote); quote !== '' && at >= 0; at = text.indexOf(quote, at + 1)) {
    if (nearest !== null && Math.abs(nearest - from) <= Math.abs(at - from)) break;
    nearest = at;
  }
  return nearest === null ? null : { from: nearest, to: nearest + quote.length };
}

const INSIDE = /[\p{L}\p{N}]/u;

/** Whole words of a text round a stretch of it, so that a hasty hand need not meet their edges; null where there is none. */
export function wholeWords(text: string, from: number, to: number): Extract<Anchor, { at: 'words' }> | null {
  const inside = (at: number): boolean => INSIDE.test(text.charAt(at));
  let [start, end] = [Math.max(0, from), Math.min(text.length, to)];
  while (start < end && /\s/.test(text.charAt(start))) start += 1;
  while (end > start && /\s/.test(text.charAt(end - 1))) end -= 1;
  if (start >= end) return null;
  while (start > 0 && inside(start) && inside(start - 1)) start -= 1;
  while (end < text.length && inside(end - 1) && inside(end)) end += 1;
  return { at: 'words', from: start, to: end, quote: text.slice(start, end) };
}

/** A piece of a text, with the numbers of the remarks that are about it. */
export interface RemarkedPiece {
  text: string;
  ids: string[];
  /** Numbers of the remarks that begin with this piece. */
  begins: number[];
}

/** A text in pieces, cut wherever a remark begins or ends. Joined they are the text. */
export function remarkedPieces(text: string, pinned: readonly Pinned[]): RemarkedPiece[] {
  const stretches = pinned.flatMap(({ id, number, anchor }) => {
    const at = anchor.at === 'words' ? wordsAt(text, anchor) : null;
    return at ? [{ id, number, ...at }] : [];
  });
  const cuts = [...new Set([0, text.length, ...stretches.flatMap(({ from, to }) => [from, to])])].sort((a, b) => a - b);
  return cuts.slice(0, -1).map((from, i) => {
    const here = stretches.filter((one) => one.from <= from && one.to > from);
    return {
      text: text.slice(from, cuts[i + 1]),
      ids: here.map(({ id }) => id),
      begins: here.filter((one) => one.from === from).map(({ number }) => number),
    };
  });
}

/** Whether a remark still has its place in an answer of these words. */
export function wordsHold(text: string, anchor: Anchor): boolean {
  return anchor.at === 'words' && wordsAt(text, anchor) !== null;
}
