import { z } from 'zod';
import { exact, exactBetween, marksText, percentText, stored, sum } from '../base/exact';
import { type Finding, stops, warns } from '../base/finding';
import { gradeStep } from '../results/policy';

const id = z.string().min(1).max(60);
const name = z.string().trim().min(1).max(120);

/** Which of a category's columns count: all, all but the n lowest, or the n best. At least one is always kept. */
export const keepSchema = z.discriminatedUnion('is', [
  z.object({ is: z.literal('all') }),
  z.object({ is: z.literal('dropLowest'), n: z.number().int().min(1).max(50) }),
  z.object({ is: z.literal('best'), n: z.number().int().min(1).max(50) }),
]);
export type Keep = z.infer<typeof keepSchema>;

/** The most that a category can weigh. */
const MOST_WEIGHT = 1_000_000;

/** A category: columns that count together, with one weight. */
export const categorySchema = z.object({
  id,
  name,
  /** Weights need not add up to 100. */
  weight: exactBetween(0, MOST_WEIGHT, 'weight-range'),
  /** By the sum of marks over the sum of maxima, or by the mean of the percents. */
  average: z.enum(['points', 'percents']),
  keep: keepSchema,
  /** The percent that a pass needs in this category; null when it needs none. */
  passPercent: percentText.nullable(),
});
export type BookCategory = z.infer<typeof categorySchema>;

/** The final grades, as a column of their own. */
export const FINAL = 'final';

export const columnSchema = z.object({
  id: id.regex(/^\S+$/).refine((own) => own !== FINAL),
  /** Where its marks come from: a sitting, or whoever types them. */
  from: z.discriminatedUnion('is', [
    z.object({ is: z.literal('sitting'), sitting: id }),
    z.object({ is: z.literal('hand'), title: name, of: marksText }),
  ]),
  category: id.nullable(),
  /** Whether it counts towards the final grade. */
  counts: z.boolean(),
  /** Its marks come on top: they add nothing to what can be reached. */
  extra: z.boolean(),
  /** What a student without marks has: nothing yet, or zero. */
  missing: z.enum(['not yet', 'zero']),
  /** Another column whose percent stands in its place, always or where it is better. */
  replacedBy: z.object({ column: id, when: z.enum(['always', 'better']) }).nullable(),
});
export type BookColumn = z.infer<typeof columnSchema>;

/** How a course's final grade comes about. Columns of sittings that are not named stand behind, as `usualColumn` has them. */
export const bookSchema = z.object({
  version: z.literal(1),
  /** Without any, all columns count together. */
  categories: z.array(categorySchema).max(30),
  columns: z.array(columnSchema).max(300),
  /** Rising from 0; null for the department's. */
  grades: z.array(gradeStep).min(1).max(20).nullable(),
  passPercent: percentText.nullable(),
  /** Whether students read their own row. */
  studentsRead: z.boolean(),
});
export type Book = z.infer<typeof bookSchema>;

export const NEW_BOOK: Book = {
  version: 1,
  categories: [],
  columns: [],
  grades: null,
  passPercent: null,
  studentsRead: false,
};

/** The id of the column that holds a sitting's scores. */
export const sittingColumn = (sitting: string): string => `s-${sitting}`;

/** The column of a sitting of which nothing is said. */
export function usualColumn(sitting: string, category: string | null): BookColumn {
  return {
    id: sittingColumn(sitting),
    from: { is: 'sitting', sitting },
    category,
    counts: true,
    extra: false,
    missing: 'not yet',
    replacedBy: null,
  };
}

/** The book with a column for each sitting of the course, in the order given, and none of a sitting that is not there. */
export function withSittings(book: Book, sittings: readonly string[]): Book {
  const known = new Set(book.columns.flatMap(({ from }) => (from.is === 'sitting' ? [from.sitting] : [])));
  const there = new Set(sittings);
  const standing = book.columns.filter(({ from }) => from.is === 'hand' || there.has(from.sitting));
  const [only] = book.categories.length === 1 ? book.categories : [];
  const fresh = sittings.filter((one) => !known.has(one)).map((one) => usualColumn(one, only?.id ?? null));
  return { ...book, columns: [...standing, ...fresh] };
}

/** Whether a column's replacement leads, over others, back to itself. */
export function replacesItself(columns: readonly BookColumn[], start: string): boolean {
  const by = new Map(columns.map((column) => [column.id, column.replacedBy?.column]));
  const met = new Set<string>();
  for (let at = by.get(start); at !== undefined; at = by.get(at)) {
    if (at === start) return true;
    if (met.has(at)) return false;
    met.add(at);
  }
  return false;
}

/** What is wrong with a book, or worth knowing. */
export function bookFindings(book: Book): Finding[] {
  const findings: Finding[] = [];
  const categories = new Set(book.categories.map((category) => category.id));
  const columns = new Set(book.columns.map((column) => column.id));
  if (categories.size < book.categories.length || columns.size < book.columns.length)
    findings.push(stops('book-id-twice', []));
  book.columns.forEach((column, i) => {
    const at = ['columns', i];
    if (column.category !== null && !categories.has(column.category)) findings.push(stops('category-unknown', at));
    if (column.replacedBy && !columns.has(column.replacedBy.column)) findings.push(stops('replacement-unknown', at));
    if (replacesItself(book.columns, column.id)) findings.push(stops('replacement-circle', at));
    if (column.counts && column.category === null && categories.size > 0)
      findings.push(warns('column-without-category', at));
  });
  const weights = sum(book.categories.map(({ weight }) => exact(weight)));
  if (categories.size > 0 && weights.equals(0)) findings.push(stops('weights-zero', ['categories']));
  else if (categories.size > 0 && !weights.equals(100))
    findings.push(warns('weights-not-hundred', ['categories'], { sum: stored(weights) }));
  book.categories.forEach((category, i) => {
    const own = book.columns.filter((column) => column.counts && column.category === category.id);
    if (own.length === 0) findings.push(warns('category-empty', ['categories', i]));
    else if (own.every(({ extra }) => extra)) findings.push(warns('category-only-extra', ['categories', i]));
  });
  (book.grades ?? []).forEach((step, i) => {
    const before = book.grades?.[i - 1];
    if (i === 0 ? !exact(step.from).equals(0) : before && exact(step.from).compare(exact(before.from)) <= 0)
      findings.push(
        stops(i === 0 ? 'boundary-gap-at-zero' : 'boundary-order', ['grades', i], {
          from: step.from,
          before: before?.from ?? '0',
        }),
      );
  });
  return findings;
}
