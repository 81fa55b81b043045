import { describe, expect, it } from 'vitest';
import { type Pinned, remarkedPieces, wholeWords, wordsAt } from './anchors';

const about = (quote: string, from: number) => ({ at: 'words', from, to: from + quote.length, quote }) as const;
const pinned = (number: number, quote: string, from: number): Pinned => ({
  id: `r${number}`,
  number,
  anchor: about(quote, from),
  words: '',
});

describe('words that a remark is about', () => {
  it('are found where they stood, else where they stand nearest, else nowhere', () => {
    expect(wordsAt('the wind and the wind', about('wind', 4))).toEqual({ from: 4, to: 8 });
    expect(wordsAt('now the wind and the wind', about('wind', 17))).toEqual({ from: 21, to: 25 });
    expect(wordsAt('now the wind and the wind', about('wind', 4))).toEqual({ from: 8, to: 12 });
    expect(wordsAt('the storm', about('wind', 4))).toBeNull();
    expect(wordsAt('', about('wind', 4))).toBeNull();
  });

  it('are whole words, whatever a hasty hand has taken', () => {
    expect(wholeWords('the law of the wind', 5, 12)).toEqual(about('law of the', 4));
    expect(wholeWords('größer als', 1, 3)).toEqual(about('größer', 0));
    expect(wholeWords('a (b) c', 2, 5)).toEqual(about('(b)', 2));
    expect(wholeWords('a  b', 1, 3)).toBeNull();
    expect(wholeWords('abc', 2, 1)).toBeNull();
  });
});

describe('a text in pieces', () => {
  it('is itself again when they are joined, with overlaps told apart', () => {
    const text = 'fewer collisions when it is slower';
    const pieces = remarkedPieces(text, [
      pinned(1, 'collisions when', 6),
      pinned(2, 'when it', 17),
      pinned(3, 'gone', 0),
    ]);
    expect(pieces.map((piece) => piece.text).join('')).toBe(text);
    expect(pieces.map(({ text: words, ids, begins }) => [words, ids.join(), begins.join()])).toEqual([
      ['fewer ', '', ''],
      ['collisions ', 'r1', '1'],
      ['when', 'r1,r2', '2'],
      [' it', 'r2', ''],
      [' is slower', '', ''],
    ]);
    expect(remarkedPieces('', [])).toEqual([]);
  });
});
