import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { stored } from '@/core/base/exact';
import { isStop } from '@/core/base/finding';
import { ok, type Result, refuse } from '@/core/base/result';
import { bookFindings, bookSchema } from '@/core/gradebook/book';
import { gradeRow } from '@/core/gradebook/row';
import { type Context, NOT_FOUND, parse } from '../context';
import { gradebooks } from '../db/schema/gradebook';
import { courses } from '../db/schema/people';
import { inCourse } from '../people/courses';
import { bookOf, readGradebook, type SignedGrade } from './gradebook';

const bookInput = z.object({ course: z.string(), base: z.number().int().min(0), book: bookSchema });

/** Says how the final grade of a course comes about. Refused where it makes no sense, where the book is signed off, or was changed meanwhile. */
export async function saveBook(ctx: Context, raw: unknown): Promise<Result<{ version: number; savedAt: number }>> {
  const parsed = parse(bookInput, raw);
  if (!parsed.ok) return parsed;
  const { course, base, book } = parsed.value;
  const allowed = await inCourse(ctx, 'keep gradebook', course);
  if (!allowed.ok) return allowed;
  const wrong = bookFindings(book).find(isStop);
  if (wrong) return refuse(wrong.code, { at: wrong.at, ...(wrong.values ? { values: wrong.values } : {}) });
  return ctx.db.transaction(async (tx) => {
    const standing = await bookOf(tx, course);
    if (standing.signedAt !== null) return refuse('book-signed');
    if (standing.version !== base) return refuse('changed-elsewhere', { values: { by: '' } });
    const version = base + 1;
    await tx
      .insert(gradebooks)
      .values({ course, book, version })
      .onConflictDoUpdate({ target: gradebooks.course, set: { book, version } });
    return ok({ version, savedAt: ctx.now });
  });
}

/** Signs a course off: its final grades are kept as they stand, and nothing is changed until it is opened again. Refused while marks are in pencil. */
export async function signOff(ctx: Context, courseId: string): Promise<Result<{ students: number }>> {
  const allowed = await inCourse(ctx, 'keep gradebook', courseId);
  if (!allowed.ok) return allowed;
  const [course] = await ctx.db.read.select().from(courses).where(eq(courses.id, courseId));
  if (!course) return NOT_FOUND;
  const gradebook = await readGradebook(ctx, course);
  if (gradebook.signed) return refuse('book-signed');
  const pencil = gradebook.columns.filter(({ column, released }) => column.counts && !released);
  if (pencil.length > 0) return refuse('columns-in-pencil', { values: { count: pencil.length } });
  const grades = gradebook.rows.flatMap((row): [string, SignedGrade][] => {
    const cells = row.cells;
    const { stands } = gradeRow(gradebook, cells, row.final.entry);
    return stands
      ? [[row.member, { percent: stored(stands.percent), grade: stands.grade, passed: stands.passed }]]
      : [];
  });
  return ctx.db.transaction(async (tx) => {
    const { book, version, signedAt } = await bookOf(tx, courseId);
    if (signedAt !== null) return refuse('book-signed');
    if (version !== gradebook.version) return refuse('changed-elsewhere', { values: { by: '' } });
    const signed = { signedAt: ctx.now, signedBy: ctx.actor.id, signed: Object.fromEntries(grades) };
    await tx
      .insert(gradebooks)
      .values({ course: courseId, book, version, ...signed })
      .onConflictDoUpdate({ target: gradebooks.course, set: signed });
    return ok({ students: grades.length });
  });
}

/** Opens a book again that was signed off. */
export async function openAgain(ctx: Context, course: string): Promise<Result<null>> {
  const allowed = await inCourse(ctx, 'keep gradebook', course);
  if (!allowed.ok) return allowed;
  await ctx.db.transaction(async (tx) => {
    await tx
      .update(gradebooks)
      .set({ signedAt: null, signedBy: null, signed: null })
      .where(eq(gradebooks.course, course));
  });
  return ok();
}
