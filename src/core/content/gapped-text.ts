/** A stretch of a text, by its first sign and the one behind its last. */
export interface Stretch {
  from: number;
  to: number;
}

/** A text in its order: what is read, and the gaps by their ids. */
export type Piece = { id: null; text: string } | { id: string; text: '' };

/** How a gap is called, by where it stands in the text. */
export const gapName = (at: number): string => `gap ${at + 1}`;

/** The text with its gaps taken out. */
export function piecesAround(text: string, gaps: readonly (Stretch & { id: string })[]): Piece[] {
  const pieces: Piece[] = [];
  let at = 0;
  for (const { id, from, to } of gaps) {
    if (from > at) pieces.push({ id: null, text: text.slice(at, from) });
    pieces.push({ id, text: '' });
    at = to;
  }
  if (at < text.length) pieces.push({ id: null, text: text.slice(at) });
  return pieces;
}

/**
 * Where stretches lie after the text was written otherwise in one place: what
 * stands before the change stays, what stands behind it moves along, and a
 * stretch that the change lies in grows or shrinks with it; what is written at
 * its edge is not part of it. Those of which nothing is left are gone.
 */
export function moveAlong<T extends Stretch>(stretches: readonly T[], before: string, after: string): T[] {
  const most = Math.min(before.length, after.length);
  let same = 0;
  while (same < most && before[same] === after[same]) same += 1;
  let behind = 0;
  while (behind < most - same && before.at(-1 - behind) === after.at(-1 - behind)) behind += 1;
  const end = before.length - behind;
  const shift = after.length - before.length;
  return stretches
    .map((stretch) => ({
      ...stretch,
      from: stretch.from >= end ? stretch.from + shift : Math.min(stretch.from, same),
      to: stretch.to > same && stretch.to >= end ? stretch.to + shift : Math.min(stretch.to, same),
    }))
    .filter(({ from, to }) => to > from);
}

/** The whole text as it reads with what was put into its gaps; an empty gap is a line. */
export function filledText(
  pieces: readonly Piece[],
  placed: readonly { item: string; place: string }[],
  words: ReadonlyMap<string, string>,
): string {
  return pieces
    .map(({ id, text }) => {
      if (id === null) return text;
      const given = placed.find(({ place }) => place === id);
      return given ? `[${words.get(given.item) ?? ''}]` : '[…]';
    })
    .join('');
}
