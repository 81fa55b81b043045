import { eq } from 'drizzle-orm';
import { ok, type Result, refuse } from '@/core/base/result';
import { type Context, NOT_FOUND } from '../context';
import type { Reader } from '../db/database';
import { courses } from '../db/schema/people';
import { outsideBooks } from '../db/schema/platforms';
import { type CourseRow, inCourse } from '../people/courses';
import { platformOf } from './platforms';
import type { Platform } from './services';

/** Where a course stands outside: its platform, its line items there, and which columns are told. */
export interface Connection {
  platform: Platform;
  lineItems: string;
  columns: ReadonlySet<string>;
}

/** The outside gradebook of a course; null where it stands in none. */
export async function connectionOf(read: Reader, course: string): Promise<Connection | null> {
  const [row] = await read.select().from(outsideBooks).where(eq(outsideBooks.course, course));
  const platform = row ? await platformOf(read, row.platform) : null;
  return row && platform ? { platform, lineItems: row.lineItems, columns: new Set(row.columns) } : null;
}

/** A course with the outside gradebook that it stands in, for whoever keeps its own gradebook. */
export async function connectedCourse(
  ctx: Context,
  courseId: string,
): Promise<Result<{ course: CourseRow; connection: Connection }>> {
  const allowed = await inCourse(ctx, 'keep gradebook', courseId);
  if (!allowed.ok) return allowed;
  const [course] = await ctx.db.read.select().from(courses).where(eq(courses.id, courseId));
  if (!course) return NOT_FOUND;
  const connection = await connectionOf(ctx.db.read, courseId);
  return connection ? ok({ course, connection }) : refuse('not-connected');
}
