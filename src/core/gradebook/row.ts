import { exact, round } from '../base/exact';
import { decidedPercent } from '../results/decided';
import { stepAt } from '../results/decided';
import type { Book, BookColumn } from './book';
import { type BookEntry, cellOf, type ColumnFacts, type RawCell } from './cell';
import { type Cell, type FinalGrade, finalGrade, type FinalPolicy, reckon, type Reckoning } from './reckon';

/** What reckoning a student's row stands on, the same for all of a course. */
export interface Reckonable {
  book: Book;
  policy: FinalPolicy;
  columns: readonly (ColumnFacts & { column: BookColumn })[];
}

/** The cells of a student, in the order of the columns, as the reckoning takes them. */
export function cellsOf(columns: Reckonable['columns'], raw: readonly RawCell[]): Map<string, Cell> {
  return new Map(
    columns.flatMap((facts, i) => {
      const cell = raw[i];
      return cell ? [[facts.column.id, cellOf(cell, facts)] as const] : [];
    }),
  );
}

/** A student's final grade. */
export interface RowGrade {
  reckoning: Reckoning;
  /** As it is reckoned; null while nothing counts. */
  reckoned: FinalGrade | null;
  /** As it stands: the reckoned one, unless somebody has put another in its place. */
  stands: FinalGrade | null;
}

/** Reckons a student's row; a final percent that was put in goes before what is reckoned, and asks nothing of categories. */
export function gradeRow(
  { book, policy, columns }: Reckonable,
  raw: readonly RawCell[],
  final: BookEntry | null,
): RowGrade {
  const reckoning = reckon(book, cellsOf(columns, raw));
  const reckoned = finalGrade(reckoning, policy);
  if (final?.is !== 'final') return { reckoning, reckoned, stands: reckoned };
  const percent = exact(final.percent);
  const decided = decidedPercent(percent, policy.rounding);
  const stands: FinalGrade = {
    percent,
    shown: round(percent, policy.rounding.places, policy.rounding.mode),
    grade: policy.grades[stepAt(policy.grades, decided)]?.grade ?? null,
    passed: decided.compare(exact(policy.passPercent)) >= 0,
    short: [],
  };
  return { reckoning, reckoned, stands };
}

/** Reckons rows when they are asked for, each once as long as it stays the same. */
export function gradesOf(
  reckonable: Reckonable,
): (row: { cells: readonly RawCell[]; final: { entry: BookEntry | null } }) => RowGrade {
  const known = new WeakMap<object, RowGrade>();
  return (row) => {
    const grade = known.get(row) ?? gradeRow(reckonable, row.cells, row.final.entry);
    known.set(row, grade);
    return grade;
  };
}
