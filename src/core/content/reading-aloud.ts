import { wordsCorrectPerMinute } from '../text/word-errors';
import type { Anchor } from './anchors';

/** The words of a text that is read aloud, as they stand between blanks. */
export function readWords(text: string): string[] {
  return text.split(/\s+/).filter((word) => /[\p{L}\p{N}]/u.test(word));
}

type Read = Extract<Anchor, { at: 'read' }>;

/** How a text was read. */
export interface ReadingFigures {
  /** Words up to the last one reached. */
  attempted: number;
  /** Words left out, read as another, read with help, and words put in; what was put right is none. */
  errors: number;
  corrected: number;
  /** Words a minute, and those of them that were right; null where it is not known how long it took. */
  wordsPerMinute: number | null;
  correctPerMinute: number | null;
  /** Share of the words attempted that were right, 0 to 1; null of none. */
  accuracy: number | null;
}

/**
 * Words a minute, correct words a minute (attempted less errors, the usual
 * measure of oral reading fluency; common practice, no source) and accuracy,
 * of a text of so many words that was read in so many seconds.
 */
export function readingFigures(words: number, marked: readonly Read[], seconds: number): ReadingFigures {
  const last = marked.find(({ as }) => as === 'last');
  const attempted = last ? Math.min(words, last.word + 1) : words;
  const within = marked.filter(({ word }) => word < attempted);
  const errors = within.filter(({ as }) => as !== 'last' && as !== 'corrected' && as !== 'right').length;
  const known = seconds > 0;
  return {
    attempted,
    errors,
    corrected: within.filter(({ as }) => as === 'corrected').length,
    wordsPerMinute: known ? (attempted * 60) / seconds : null,
    correctPerMinute: known ? wordsCorrectPerMinute(attempted, Math.min(errors, attempted), seconds) : null,
    accuracy: attempted === 0 ? null : Math.max(0, attempted - errors) / attempted,
  };
}
