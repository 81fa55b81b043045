import { editDistance } from './edit-distance';

/** Longer texts are compared by their first words; near-duplicates show themselves there. */
const MOST_WORDS = 200;

/** The words of a text in small letters without accents, and its numbers. */
export function wordsOf(text: string): string[] {
  return (
    text
      .normalize('NFKD')
      .replace(/\p{M}/gu, '')
      .toLowerCase()
      .match(/\p{L}+|\p{N}+/gu) ?? []
  );
}

/**
 * How alike two texts are, from 0 to 1: the greater of two views. As a row of
 * words, one minus the edit distance over the longer length; as a bag of
 * words, twice the words in common over all words (Dice 1945), a little
 * lowered, because order matters.
 */
export function likeness(a: string, b: string): number {
  const left = wordsOf(a).slice(0, MOST_WORDS);
  const right = wordsOf(b).slice(0, MOST_WORDS);
  const longer = Math.max(left.length, right.length);
  if (longer === 0) return 0;
  const inRow = 1 - editDistance(left, right, { transpositions: true }) / longer;
  return Math.max(inRow, 0.9 * dice(left, right));
}

function dice(left: readonly string[], right: readonly string[]): number {
  const counts = new Map<string, number>();
  for (const word of left) counts.set(word, (counts.get(word) ?? 0) + 1);
  let common = 0;
  for (const word of right) {
    const n = counts.get(word) ?? 0;
    if (n > 0) {
      common += 1;
      counts.set(word, n - 1);
    }
  }
  return (2 * common) / (left.length + right.length);
}
