import { and, asc, eq, inArray, sql } from 'drizzle-orm';
import { exact, round, stored } from '@/core/base/exact';
import { ok, type Result } from '@/core/base/result';
import { isFor, NO_TRAITS } from '@/core/exams/only';
import { FINAL, type Book, type BookColumn, bookSchema, NEW_BOOK, withSittings } from '@/core/gradebook/book';
import type { BookEntry, ColumnFacts, RawCell } from '@/core/gradebook/cell';
import type { FinalGrade, FinalPolicy } from '@/core/gradebook/reckon';
import { gradeRow } from '@/core/gradebook/row';
import { boundariesSchema } from '@/core/results/policy';
import { isOutFor } from '@/core/results/release';
import { withChange } from '@/core/results/score';
import { doorState } from '@/core/sittings/entry';
import { type Context, NOT_FOUND } from '../context';
import type { Reader } from '../db/database';
import { sittings } from '../db/schema/exams';
import { bookEntries, gradebooks } from '../db/schema/gradebook';
import { courses, enrolments, members } from '../db/schema/people';
import { type CourseRow, inCourse } from '../people/courses';
import { membersBehind } from '../people/participants';
import { readDepartment } from '../people/policy';
import { traitsInCourse } from '../people/traits';
import { memberChanges } from '../results/member-marks';
import { type ScoredAttempt, scoresOf } from '../results/results';
import { placedIn, poolOfSitting } from '../sittings/pinned';

/** What was put into a cell once, by whom and why. */
export interface CellEntry {
  /** Its place in the history. */
  id: number;
  entry: BookEntry | null;
  reason: string;
  by: string;
  at: number;
}

/** What a sitting gave to a cell. */
export interface BookScore extends NonNullable<RawCell['score']> {
  attempt: string;
  /** Answers that still wait for a person. */
  waiting: number;
  /** By the sitting's own scale and pass mark. */
  grade: string | null;
  passed: boolean;
}

/** A student's cell in one column. */
export interface BookCell extends RawCell {
  score: BookScore | null;
  /** The place in the history of what was put in last; 0 where nobody has put anything in. */
  last: number;
}

export interface BookRow {
  member: string;
  name: string;
  userName: string;
  /** No longer in the course, but with marks in it. */
  left: boolean;
  /** In the order of the columns. */
  cells: BookCell[];
  /** Another final grade than the reckoned one, where somebody has put one in. */
  final: Pick<BookCell, 'entry' | 'last'>;
}

export interface ColumnView extends ColumnFacts {
  column: BookColumn;
  title: string;
  date: number | null;
  /** To all. */
  released: boolean;
}

/** A final grade as it was signed off. */
export interface SignedGrade {
  percent: string;
  grade: string | null;
  passed: boolean;
}

export interface Gradebook {
  course: CourseRow;
  book: Book;
  version: number;
  policy: FinalPolicy;
  /** The department's scale and pass mark, for a book that says nothing else. */
  usual: Pick<FinalPolicy, 'grades' | 'passPercent'>;
  columns: ColumnView[];
  rows: BookRow[];
  signed: { at: number; by: string; grades: Record<string, SignedGrade> } | null;
}

type SittingRow = typeof sittings.$inferSelect;

/** What a sitting gave to each member, a group's score to each of its members. */
async function scoresByMember(
  { db: { read }, now }: Pick<Context, 'db' | 'now'>,
  sitting: SittingRow,
): Promise<Map<string, ScoredAttempt>> {
  const scored = await scoresOf(read, sitting, now);
  const behind = await membersBehind(
    read,
    scored.map(({ participant }) => participant),
  );
  const change = await memberChanges(
    read,
    scored.map(({ attempt }) => attempt),
  );
  const { plan } = await placedIn(read, sitting.id);
  const decided = { boundaries: boundariesSchema.parse(sitting.boundaries), rounding: plan.rounding };
  return new Map(
    scored.flatMap((s) =>
      (behind.get(s.participant) ?? []).map((member) => {
        const own = change(s.attempt, member);
        return [member, own ? { ...s, score: withChange(s.score, own, decided) } : s] as const;
      }),
    ),
  );
}

/** Of how many marks most of the papers are; null of none. */
function usualTotal(scored: Iterable<ScoredAttempt>): string | null {
  const counts = new Map<string, number>();
  for (const { score } of scored) {
    const of = stored(score.of);
    counts.set(of, (counts.get(of) ?? 0) + 1);
  }
  return [...counts].toSorted(([, a], [, b]) => b - a)[0]?.[0] ?? null;
}

/** Of how many marks its papers will be; null where they differ. */
async function plannedTotal(read: Reader, sitting: string): Promise<string | null> {
  const { least, most } = await poolOfSitting(read, sitting);
  return least.equals(most) ? stored(most) : null;
}

interface NewestEntry {
  id: number;
  entry: BookEntry | null;
}

/** What was put in last into every cell of a course, by column and member; or of these students alone. */
export async function entriesIn(
  read: Reader,
  course: string,
  among?: readonly string[],
): Promise<Map<string, NewestEntry>> {
  const only = among ? sql`AND member IN (SELECT value FROM json_each(${JSON.stringify([...new Set(among)])}))` : sql``;
  // Beside a max(), SQLite gives the other columns of the row that has it.
  const rows = await read.all<{ id: number; place: string; whose: string; entry: string | null }>(sql`
    SELECT max(id) AS id, column_id AS place, member AS whose, entry FROM ${bookEntries}
    WHERE course = ${course} ${only} GROUP BY column_id, member`);
  return new Map(
    rows.map(({ id, place, whose, entry }) => [
      `${place} ${whose}`,
      { id, entry: entry === null ? null : (JSON.parse(entry) as BookEntry | null) },
    ]),
  );
}

/** The book of a course as it was said last, with a column for each sitting that anybody has sat. */
export async function bookOf(read: Reader, course: string): Promise<typeof gradebooks.$inferSelect & { book: Book }> {
  const [row] = await read.select().from(gradebooks).where(eq(gradebooks.course, course));
  if (!row) return { course, book: NEW_BOOK, version: 0, signedAt: null, signedBy: null, signed: null };
  return { ...row, book: bookSchema.parse(row.book) };
}

/** The gradebook of a course, whoever asks. With a member, their row alone. */
export async function readGradebook(
  ctx: Pick<Context, 'db' | 'now'>,
  course: CourseRow,
  member?: string,
): Promise<Gradebook> {
  const { read } = ctx.db;
  const { policy } = await readDepartment(read);
  const kept = await bookOf(read, course.id);
  const entries = await entriesIn(read, course.id, member === undefined ? undefined : [member]);
  const held = await read
    .select()
    .from(sittings)
    .where(eq(sittings.course, course.id))
    .orderBy(asc(sittings.opensAt), asc(sittings.id));
  const scores = new Map<string, { sitting: SittingRow; scored: Map<string, ScoredAttempt>; of: string | null }>();
  for (const sitting of held) {
    const scored = await scoresByMember(ctx, sitting);
    // One that can still be sat is a column to plan with; one that nobody sat is none.
    if (scored.size > 0 || (sitting.who !== 'link' && doorState(sitting, ctx.now) !== 'closed'))
      scores.set(sitting.id, {
        sitting,
        scored,
        of: usualTotal(scored.values()) ?? (await plannedTotal(read, sitting.id)),
      });
  }
  const book = withSittings(kept.book, [...scores.keys()]);
  const written = new Set([...entries].filter(([, { entry }]) => entry !== null).map(([key]) => key.split(' ')[0]));
  const columns = book.columns.map((column): ColumnView => {
    if (column.from.is === 'hand')
      return {
        column,
        title: column.from.title,
        of: column.from.of,
        due: written.has(column.id),
        date: null,
        released: true,
      };
    const found = scores.get(column.from.sitting);
    const released = found !== undefined && found.sitting.releasedAt !== null && found.sitting.releasedTo === null;
    return {
      column,
      title: found?.sitting.title ?? '',
      of: found?.of ?? null,
      // What is missing can count only once all the others know theirs.
      due: released,
      date: found?.sitting.opensAt ?? null,
      released,
    };
  });
  const traits = await traitsInCourse(read, course.id);
  const people = await studentsOf(read, course.id, scores, entries);
  const rows = people
    .filter((one) => member === undefined || one.member === member)
    .map(
      (student): BookRow => ({
        ...student,
        cells: columns.map(({ column }): BookCell => {
          const at = column.from.is === 'sitting' ? scores.get(column.from.sitting) : undefined;
          const found = at?.scored.get(student.member);
          const last = entries.get(`${column.id} ${student.member}`);
          const only = at?.sitting.only ?? null;
          const notAsked = only !== null && !found && !isFor(only, traits.get(student.member) ?? NO_TRAITS);
          return {
            ...(notAsked ? { notAsked } : {}),
            score:
              at && found
                ? {
                    marks: stored(found.score.marks),
                    of: stored(found.score.of),
                    stands: isOutFor(at.sitting, found.participant) && found.score.waiting === 0,
                    attempt: found.attempt,
                    waiting: found.score.waiting,
                    grade: found.score.grade,
                    passed: found.score.passed,
                  }
                : null,
            entry: last?.entry ?? null,
            last: last?.id ?? 0,
          };
        }),
        final: finalOf(entries.get(`${FINAL} ${student.member}`)),
      }),
    );
  const usual = { grades: policy.grades, passPercent: policy.passPercent };
  return {
    course,
    book,
    version: kept.version,
    policy: {
      rounding: policy.rounding,
      grades: book.grades ?? usual.grades,
      passPercent: book.passPercent ?? usual.passPercent,
    },
    usual,
    columns,
    rows,
    signed: await signedIn(read, kept),
  };
}

/** The final grade of a student as it is told to others: as it was signed off, or as it stands; null where there is none. */
export function toldGrade(book: Gradebook, { member, cells, final }: BookRow): Omit<FinalGrade, 'short'> | null {
  if (!book.signed) return gradeRow(book, cells, final.entry).stands;
  const signed = book.signed.grades[member];
  const { places, mode } = book.policy.rounding;
  return signed
    ? { ...signed, percent: exact(signed.percent), shown: round(exact(signed.percent), places, mode) }
    : null;
}

const finalOf = (last: NewestEntry | undefined): BookRow['final'] => ({
  entry: last?.entry ?? null,
  last: last?.id ?? 0,
});

async function signedIn(read: Reader, kept: typeof gradebooks.$inferSelect): Promise<Gradebook['signed']> {
  if (kept.signedAt === null || kept.signedBy === null) return null;
  const [by] = await read.select({ name: members.name }).from(members).where(eq(members.id, kept.signedBy));
  return { at: kept.signedAt, by: by?.name ?? '', grades: (kept.signed ?? {}) as Record<string, SignedGrade> };
}

/** The students of a course, and those who have left it but have marks in it; by name. */
async function studentsOf(
  read: Reader,
  course: string,
  scores: ReadonlyMap<string, { scored: ReadonlyMap<string, unknown> }>,
  entries: ReadonlyMap<string, NewestEntry>,
): Promise<Omit<BookRow, 'cells' | 'final'>[]> {
  const enrolled = await read
    .select({ member: enrolments.member })
    .from(enrolments)
    .where(eq(enrolments.course, course));
  const inside = new Set(enrolled.map(({ member }) => member));
  const marked = [...scores.values()].flatMap(({ scored }) => [...scored.keys()]);
  const written = [...entries].flatMap(([key, { entry }]) => (entry === null ? [] : [key.split(' ')[1] ?? '']));
  const all = [...new Set([...inside, ...marked, ...written])];
  const people = await read
    .select({ member: members.id, name: members.name, userName: members.userName })
    .from(members)
    .where(and(inArray(members.id, all), eq(members.role, 'student')))
    .orderBy(asc(members.name));
  return people.map((one) => ({ ...one, left: !inside.has(one.member) }));
}

/** The gradebook of a course, for whoever teaches in it. */
export async function openGradebook(ctx: Context, courseId: string): Promise<Result<Gradebook>> {
  const allowed = await inCourse(ctx, 'see gradebook', courseId);
  if (!allowed.ok) return allowed;
  const [course] = await ctx.db.read.select().from(courses).where(eq(courses.id, courseId));
  return course ? ok(await readGradebook(ctx, course)) : NOT_FOUND;
}
