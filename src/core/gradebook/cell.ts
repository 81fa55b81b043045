import { z } from 'zod';
import { type Exact, exact, exactBetween, parseExact, percentText, stored, MOST_MARKS } from '../base/exact';
import { FINAL } from './book';
import type { Cell } from './reckon';

/** The most that may be typed into a cell: extra marks may pass the maximum, slips of the finger should not. */
const MOST_TIMES = 2;

/** What somebody has put into a cell: marks, no marks asked for, or, as a final grade, another percent. */
export const entrySchema = z.discriminatedUnion('is', [
  z.object({
    is: z.literal('marks'),
    marks: exactBetween(0, MOST_MARKS * MOST_TIMES, 'marks-range'),
  }),
  z.object({ is: z.literal('excused') }),
  z.object({ is: z.literal('final'), percent: percentText }),
]);
export type BookEntry = z.infer<typeof entrySchema>;

/** A cell as it travels: what the sitting gave, and what was put in by hand. Marks are exact text. */
export interface RawCell {
  score: { marks: string; of: string /** Wholly marked and released. */; stands: boolean } | null;
  entry: BookEntry | null;
  /** The sitting is for others: nothing is missing here. */
  notAsked?: true;
}

/** Of a column: of how many marks it is (null where papers differ and nobody has any), and whether it is there for anybody. */
export interface ColumnFacts {
  of: string | null;
  due: boolean;
}

/** What a cell gives to the reckoning: what was put in by hand goes before what a sitting gave. */
export function cellOf({ score, entry, notAsked }: RawCell, { of, due }: ColumnFacts): Cell {
  const measure = of ?? score?.of ?? null;
  if (entry?.is === 'excused') return { is: 'excused' };
  if (entry?.is === 'marks' && measure !== null)
    return { is: 'marks', marks: exact(entry.marks), of: exact(score?.of ?? measure) };
  if (score?.stands) return { is: 'marks', marks: exact(score.marks), of: exact(score.of) };
  if (score) return { is: 'pencil' };
  if (notAsked) return { is: 'none', of: null, due: false };
  return { is: 'none', of: measure === null ? null : exact(measure), due };
}

/** Whether a change of this cell has to say why: it puts something in the place of what was reckoned. */
export const asksWhy = (column: { from: { is: 'sitting' | 'hand' } } | typeof FINAL): boolean =>
  column === FINAL || column.from.is === 'sitting';

export type TypedCell =
  | { ok: true; entry: BookEntry | null }
  | { ok: false; why: 'not-a-number' | 'below-zero' | 'too-many' };

/**
 * Reads what is typed or pasted into a cell of a column of so many marks: a
 * number with comma or point, a percent ("80 %"), "excused", or nothing.
 * Thousands are not parted: "1.234,5" is refused rather than guessed at.
 */
export function readTyped(typed: string, of: string | null): TypedCell {
  const text = typed.trim();
  if (text === '' || text === '-' || text === '–') return { ok: true, entry: null };
  if (/^(excused|exc?\.?)$/i.test(text)) return { ok: true, entry: { is: 'excused' } };
  const percent = /^(.*?)\s*%$/.exec(text);
  const plain = (percent?.[1] ?? text).replace(',', '.');
  const value = /[,/]|\..*\.|e/i.test(plain) ? null : parseExact(plain);
  if (value === null || (percent && of === null)) return { ok: false, why: 'not-a-number' };
  const marks = percent ? value.mul(exact(of ?? '0')).div(100) : value;
  if (marks.compare(0) < 0) return { ok: false, why: 'below-zero' };
  if (exceeds(marks, of === null || exact(of).equals(0) ? exact(MOST_MARKS) : exact(of)))
    return { ok: false, why: 'too-many' };
  return { ok: true, entry: { is: 'marks', marks: stored(marks) } };
}

const exceeds = (marks: Exact, of: Exact): boolean => marks.compare(of.mul(MOST_TIMES)) > 0;
