import { and, asc, eq } from 'drizzle-orm';
import { exact, shown } from '@/core/base/exact';
import { ok, type Result } from '@/core/base/result';
import { neededIn } from '@/core/gradebook/reckon';
import { cellsOf, gradeRow, type RowGrade } from '@/core/gradebook/row';
import { type Context, FORBIDDEN } from '../context';
import { courses, enrolments } from '../db/schema/people';
import type { CourseRow } from '../people/courses';
import { bookOf, type Gradebook, readGradebook } from './gradebook';

/** What marks of a column that is still to come bring which grade; null where no marks are enough. */
export interface Needs {
  title: string;
  of: string;
  grades: { grade: string; from: string; marks: string | null }[];
}

/** A student's own row, as far as it is theirs to read. */
export interface OwnGrades {
  course: CourseRow;
  policy: Gradebook['policy'];
  titles: Record<string, string>;
  grade: RowGrade;
  needs: Needs[];
  /** When the course was signed off, and the grade then; null before that. */
  signed: { at: number; percent: string; grade: string | null; passed: boolean } | null;
}

/** What is needed is told of so many columns that are still to come. */
const MOST_NEEDS = 6;

/** The courses in which a student may read their own grades. */
export async function ownGradebooks(ctx: Context): Promise<CourseRow[]> {
  const mine = await ctx.db.read
    .select({ course: courses })
    .from(enrolments)
    .innerJoin(courses, eq(courses.id, enrolments.course))
    .where(eq(enrolments.member, ctx.actor.id))
    .orderBy(asc(courses.code));
  const open: CourseRow[] = [];
  for (const { course } of mine) if ((await bookOf(ctx.db.read, course.id)).book.studentsRead) open.push(course);
  return open;
}

/** A student's own grades in a course: what is released or put in by hand, how it makes the grade, and what is needed for a better one. */
export async function openOwnGrades(ctx: Context, courseId: string): Promise<Result<OwnGrades>> {
  const [enrolled] = await ctx.db.read
    .select({ course: courses })
    .from(enrolments)
    .innerJoin(courses, eq(courses.id, enrolments.course))
    .where(and(eq(enrolments.member, ctx.actor.id), eq(enrolments.course, courseId)));
  if (!enrolled) return FORBIDDEN;
  const gradebook = await readGradebook(ctx, enrolled.course, ctx.actor.id);
  const [row] = gradebook.rows;
  if (!gradebook.book.studentsRead || !row) return FORBIDDEN;
  const { columns, policy, signed } = gradebook;
  // A sitting that is for others is nothing to this student, not even by its name.
  const theirs = columns.map((_, i) => row.cells[i]?.notAsked !== true);
  const own = {
    ...gradebook,
    book: { ...gradebook.book, columns: gradebook.book.columns.filter((_, i) => theirs[i]) },
    columns: columns.filter((_, i) => theirs[i]),
  };
  const raw = row.cells.filter((_, i) => theirs[i]);
  const grade = gradeRow(own, raw, row.final.entry);
  const cells = cellsOf(own.columns, raw);
  const open = own.columns
    .filter(({ column, of }) => column.counts && of !== null && cells.get(column.id)?.is === 'none')
    .slice(0, MOST_NEEDS);
  const kept = signed?.grades[ctx.actor.id];
  return ok({
    course: enrolled.course,
    policy,
    titles: Object.fromEntries(own.columns.map(({ column, title }) => [column.id, title])),
    grade,
    needs:
      signed || row.final.entry
        ? []
        : open.flatMap(({ column, title, of }): Needs[] =>
            of === null || exact(of).equals(0)
              ? []
              : [{ title, of: shown(exact(of)), grades: gradesBy(own, cells, column.id, of) }],
          ),
    signed: signed && kept ? { at: signed.at, ...kept } : null,
  });
}

function gradesBy(
  { book, policy }: Gradebook,
  cells: ReturnType<typeof cellsOf>,
  column: string,
  of: string,
): Needs['grades'] {
  return policy.grades.slice(1).map(({ grade, from }) => {
    const needed = neededIn(book, cells, { column, of: exact(of), percent: exact(from) });
    return { grade, from, marks: needed && shown(needed) };
  });
}
