import { type Exact, exact, round, shown } from '@/core/base/exact';
import type { BookCategory, BookColumn, Keep } from '@/core/gradebook/book';
import type { NotTaken } from '@/core/gradebook/bring-in';
import type { BookEntry } from '@/core/gradebook/cell';
import type { CategoryLine, Line, Part } from '@/core/gradebook/reckon';

/** What was put into a cell, as it is read. */
export function entryText(entry: BookEntry | null): string {
  if (entry === null) return 'nothing';
  if (entry.is === 'excused') return 'excused';
  return entry.is === 'final' ? `${shown(exact(entry.percent), 3)} %` : shown(exact(entry.marks), 3);
}

const PARTS: Record<Part, string> = {
  counts: '',
  'left out': 'left out',
  excused: 'excused',
  missing: 'missing, counts 0',
  'not yet': 'not yet',
  pencil: 'in pencil',
  outside: 'does not count',
};

/** How a column went into the grade; empty where it just counts. */
export const partText = ({ part, extra, from }: Line, titleOf: (column: string) => string): string =>
  [PARTS[part], extra ? 'on top' : '', from === null ? '' : `by ${titleOf(from)}`]
    .filter((one) => one !== '')
    .join(', ');

export function keepText(keep: Keep): string {
  if (keep.is === 'all') return 'all count';
  return keep.is === 'best'
    ? `the best ${keep.n === 1 ? 'one counts' : `${keep.n} count`}`
    : `without the lowest${keep.n === 1 ? '' : ` ${keep.n}`}`;
}

export const AVERAGE_WORDS: Record<BookCategory['average'], string> = {
  points: 'marks over maxima',
  percents: 'mean of percents',
};

/** A category as a sum that can be done by hand: "(7 + 8.5) of (10 + 10)". */
export function sumText({ lines, average, percent }: CategoryLine): string {
  if (percent === null) return '';
  const counted = lines.filter(({ part }) => part === 'counts' || part === 'missing');
  const plain = counted.filter(({ extra, of }) => !extra && of !== null);
  const list = (all: readonly (Exact | null)[]): string => {
    const terms = all.map((one) => (one ? shown(one, 3) : ''));
    return terms.length > 1 ? `(${terms.join(' + ')})` : terms.join('');
  };
  if (average === 'points')
    return `${list(counted.map(({ marks }) => marks))} of ${list(plain.map(({ of }) => of))} = ${round(percent, 2)} %`;
  const percents = counted.flatMap(({ marks, of }) => (marks && of && !of.equals(0) ? [marks.mul(100).div(of)] : []));
  return `${list(percents)} ÷ ${plain.length} = ${round(percent, 2)} %`;
}

/** The kind of a column in a few words. */
export function columnText({ from, counts, extra, missing }: BookColumn): string {
  return [
    from.is === 'hand' ? 'by hand' : 'from a sitting',
    counts ? '' : 'outside the grade',
    extra ? 'on top' : '',
    counts && missing === 'zero' ? 'missing counts 0' : '',
  ]
    .filter((one) => one !== '')
    .join(', ');
}

const WHY: Record<NotTaken['why'], string> = {
  'not-a-number': 'is no number',
  'below-zero': 'is below zero',
  'too-many': 'is more than twice the marks of the column',
  'unknown-student': 'is nobody of this course',
  'two-students': 'could be two students; write the user name',
  'student-twice': 'stands there twice',
  outside: 'reaches beyond the table',
};

export const notTakenText = ({ row, text, why }: NotTaken): string => `Row ${row}: “${text}” ${WHY[why]}.`;
