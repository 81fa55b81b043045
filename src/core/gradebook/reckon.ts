import { type Exact, exact, ONE, round, sum, ZERO } from '../base/exact';
import type { GradeStep } from '../results/policy';
import { decidedPercent } from '../results/decided';
import { stepAt, stepBelow } from '../results/decided';
import type { Rounding } from '../exams/plan';
import type { Book, BookColumn, Keep } from './book';
import { averageOf, type Entry, keptOf, sharesOf } from './final';

/** What stands in a cell of a student and a column. */
export type Cell =
  | { is: 'marks'; marks: Exact; of: Exact }
  /** Nobody has said anything. `due` once it is there for others: what is missing can be zero from then on. */
  | { is: 'none'; of: Exact | null; due: boolean }
  /** There are marks, in pencil: not all given, or not released. */
  | { is: 'pencil' }
  | { is: 'excused' };

/** How an entry went into the final grade. */
export type Part = 'counts' | 'left out' | 'excused' | 'missing' | 'not yet' | 'pencil' | 'outside';

/** One column in the reckoning of a student. */
export interface Line {
  column: string;
  part: Part;
  extra: boolean;
  /** What counts, after any replacement; null where nothing does. */
  marks: Exact | null;
  of: Exact | null;
  /** The column whose percent stands here instead; null where its own does. */
  from: string | null;
}

export interface CategoryLine {
  /** Null for all columns together, where there are no categories. */
  category: string | null;
  name: string;
  average: 'points' | 'percents';
  keep: Keep;
  lines: Line[];
  percent: Exact | null;
  weight: Exact;
  /** Its share in the final, in percent of what counts; null while nothing in it does. */
  share: Exact | null;
  passPercent: string | null;
}

/** A final percent with everything that it comes of. */
export interface Reckoning {
  categories: CategoryLine[];
  /** Columns that do not count. */
  outside: Line[];
  percent: Exact | null;
}

type Cells = ReadonlyMap<string, Cell>;

/** What a column gives in the end: its own marks, or those of the column that stands in its place, in its own measure. */
function given(book: Book, column: BookColumn, cells: Cells, met: ReadonlySet<string> = new Set()): Line {
  const cell = cells.get(column.id) ?? { is: 'none', of: null, due: false };
  const own: Line = { column: column.id, part: 'not yet', extra: column.extra, marks: null, of: null, from: null };
  if (cell.is === 'excused') return { ...own, part: 'excused' };
  const line: Line =
    cell.is === 'marks'
      ? { ...own, part: 'counts', marks: cell.marks, of: cell.of }
      : cell.is === 'pencil'
        ? { ...own, part: 'pencil' }
        : column.missing === 'zero' && cell.due && cell.of !== null
          ? { ...own, part: 'missing', marks: ZERO, of: cell.of }
          : { ...own, of: cell.of };
  const instead = column.replacedBy && book.columns.find(({ id }) => id === column.replacedBy?.column);
  if (!instead || met.has(instead.id)) return line;
  const other = given(book, instead, cells, new Set([...met, column.id]));
  if (other.part !== 'counts' || other.marks === null || other.of === null || other.of.equals(ZERO)) return line;
  const share = other.marks.div(other.of);
  const better =
    line.marks === null || line.of === null || line.of.equals(ZERO) || share.compare(line.marks.div(line.of)) > 0;
  if (column.replacedBy?.when === 'better' && !better) return line;
  const of = line.of ?? other.of;
  return { ...line, part: 'counts', marks: share.mul(of), of, from: instead.id };
}

/**
 * The final percent of a student, exact, and how it comes about. Categories
 * count by their weights, those with nothing in them not at all. With
 * `nothingMore`, whatever is not there yet counts as zero.
 */
export function reckon(book: Book, cells: Cells, { nothingMore = false }: { nothingMore?: boolean } = {}): Reckoning {
  const lines = new Map(
    book.columns.map((column) => {
      const line = given(book, column, cells);
      const open = line.part === 'not yet' && line.of !== null;
      return [column.id, nothingMore && open ? { ...line, part: 'missing' as const, marks: ZERO } : line];
    }),
  );
  const whole = {
    id: null,
    name: '',
    weight: ONE,
    average: 'points' as const,
    keep: { is: 'all' as const },
    passPercent: null,
  };
  const groups =
    book.categories.length === 0 ? [whole] : book.categories.map((c) => ({ ...c, weight: exact(c.weight) }));
  const inside = (column: BookColumn, id: string | null): boolean =>
    column.counts &&
    (book.categories.length === 0 || column.category === id) &&
    (id === null || column.category !== null);
  const categories = groups.map(({ id, name, average, keep, weight, passPercent }) => {
    const own = book.columns.filter((column) => inside(column, id)).flatMap((column) => lines.get(column.id) ?? []);
    const entries = own.flatMap((line): { line: Line; entry: Entry }[] =>
      (line.part === 'counts' || line.part === 'missing') && line.marks !== null && line.of !== null
        ? [{ line, entry: { marks: line.marks, of: line.of, extra: line.extra } }]
        : [],
    );
    const kept = keptOf(
      entries.map(({ entry }) => entry),
      keep,
    );
    const out = new Set(entries.filter((_, i) => !kept[i]).map(({ line }) => line.column));
    const percent = averageOf(
      entries.filter((_, i) => kept[i]).map(({ entry }) => entry),
      average,
    );
    const shown = own.map((line): Line => (out.has(line.column) ? { ...line, part: 'left out' } : line));
    return { category: id, name, average, keep, lines: shown, percent, weight, passPercent };
  });
  const shares = sharesOf(categories);
  const counted = new Set(categories.flatMap(({ lines: own }) => own.map(({ column }) => column)));
  const parts = categories.flatMap(({ percent }, i) => {
    const share = shares[i];
    return percent === null || !share ? [] : [percent.mul(share).div(100)];
  });
  return {
    categories: categories.map((category, i) => ({ ...category, share: shares[i] ?? null })),
    outside: [...lines.values()]
      .filter(({ column }) => !counted.has(column))
      .map((line) => ({ ...line, part: 'outside' })),
    percent: parts.length === 0 ? null : sum(parts),
  };
}

/** The scale and the rule by which a final percent becomes a grade. */
export interface FinalPolicy {
  grades: readonly GradeStep[];
  passPercent: string;
  rounding: Rounding;
}

export interface FinalGrade {
  /** Exact. */
  percent: Exact;
  /** Rounded once, by the department's rule. */
  shown: string;
  grade: string | null;
  passed: boolean;
  /** Names of the categories whose own pass mark is not reached. */
  short: string[];
}

/** Decides grade and pass of a reckoning; whoever does not pass by a category gets the highest grade below the pass mark. Null while nothing counts. */
export function finalGrade({ percent, categories }: Reckoning, policy: FinalPolicy): FinalGrade | null {
  if (percent === null) return null;
  const { rounding, grades, passPercent } = policy;
  const decided = decidedPercent(percent, rounding);
  const pass = exact(passPercent);
  const short = categories
    .filter(({ passPercent: asked, percent: own }) => {
      if (asked === null) return false;
      return own === null || decidedPercent(own, rounding).compare(exact(asked)) < 0;
    })
    .map(({ name }) => name);
  const passed = decided.compare(pass) >= 0 && short.length === 0;
  const step = passed ? stepAt(grades, decided) : stepBelow(grades, decided, pass);
  return {
    percent,
    shown: round(percent, rounding.places, rounding.mode),
    grade: grades[step]?.grade ?? null,
    passed,
    short,
  };
}

/**
 * The fewest marks in a column, in hundredths of a mark, with which a student
 * reaches a percent, if all else stays as it is and what is not there yet
 * counts nothing. Null where no marks of `of` are enough.
 */
export function neededIn(
  book: Book,
  cells: Cells,
  { column, of, percent }: { column: string; of: Exact; percent: Exact },
): Exact | null {
  const most = Math.floor(of.mul(100).valueOf());
  const reaches = (hundredths: number): boolean => {
    const marks = hundredths === most ? of : exact(hundredths).div(100);
    const got = reckon(book, new Map([...cells, [column, { is: 'marks', marks, of }]])).percent;
    return got !== null && got.compare(percent) >= 0;
  };
  if (!reaches(most)) return null;
  let [low, high] = [-1, most];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (reaches(middle)) high = middle;
    else low = middle;
  }
  return high === most ? of : exact(high).div(100);
}
