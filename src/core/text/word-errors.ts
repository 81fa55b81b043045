/** How what was heard differs from what should have been said, in whole words (or characters). */
export interface WordErrors {
  /** Words of the reference. */
  reference: number;
  substitutions: number;
  deletions: number;
  insertions: number;
  /** The least number of the three together. */
  errors: number;
  /** Errors over the words of the reference: may exceed 1. */
  rate: number;
}

interface Cell {
  substitutions: number;
  deletions: number;
  insertions: number;
}

const total = ({ substitutions, deletions, insertions }: Cell): number => substitutions + deletions + insertions;

/**
 * Counts errors between two sequences by the alignment with the fewest of
 * them; of equal ones, that with the most replacements (word error rate:
 * common practice in speech recognition, after Levenshtein 1966). An empty
 * reference has the rate 0 when nothing was heard, else 1.
 */
export function wordErrors<T>(reference: readonly T[], heard: readonly T[]): WordErrors {
  let last: Cell[] = heard.map((_, j) => ({ substitutions: 0, deletions: 0, insertions: j + 1 }));
  last.unshift({ substitutions: 0, deletions: 0, insertions: 0 });
  for (const [i, wanted] of reference.entries()) {
    const row: Cell[] = [{ substitutions: 0, deletions: i + 1, insertions: 0 }];
    for (const [j, got] of heard.entries()) {
      const [diagonal, above, left] = [last[j], last[j + 1], row[j]] as [Cell, Cell, Cell];
      const replaced = wanted === got ? diagonal : { ...diagonal, substitutions: diagonal.substitutions + 1 };
      const deleted = { ...above, deletions: above.deletions + 1 };
      const inserted = { ...left, insertions: left.insertions + 1 };
      row.push([deleted, inserted].reduce((best, one) => (total(one) < total(best) ? one : best), replaced));
    }
    last = row;
  }
  const end = last.at(-1) ?? { substitutions: 0, deletions: 0, insertions: 0 };
  const errors = total(end);
  const rate = reference.length === 0 ? Math.min(1, errors) : errors / reference.length;
  return { reference: reference.length, ...end, errors, rate };
}

/** The words of a text as word error counts take them: split at blanks, nothing folded. */
export function spokenWords(text: string): string[] {
  return text.split(/\s+/).filter((word) => word !== '');
}

/** Words read right in a minute (oral reading fluency: common practice, no source). */
export function wordsCorrectPerMinute(attempted: number, errors: number, seconds: number): number {
  return ((attempted - errors) * 60) / seconds;
}
