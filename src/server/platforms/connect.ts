import { and, eq, inArray, isNull, notInArray } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { liesUnder } from '@/core/base/under';
import { type Context, NOT_FOUND, parse } from '../context';
import type { Transaction } from '../db/database';
import { courses } from '../db/schema/people';
import { outsideBooks, outsideLines, outsideScores } from '../db/schema/platforms';
import { inCourse } from '../people/courses';
import { platformOf } from './platforms';

const connection = z.object({
  course: z.string().max(60),
  platform: z.string().max(60),
  lineItems: z.string().trim().max(2000),
  columns: z.array(z.string().max(120)).max(400),
});

/** Says in which outside gradebook a course stands, and which columns it is told. What another gradebook was told is forgotten. */
export async function connectOutsideBook(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(connection, raw);
  if (!parsed.ok) return parsed;
  const { course, platform: id, lineItems, columns } = parsed.value;
  const allowed = await inCourse(ctx, 'keep gradebook', course);
  if (!allowed.ok) return allowed;
  const platform = await platformOf(ctx.db.read, id);
  if (!platform) return refuse('platform-gone', { at: ['platform'] });
  if (!URL.canParse(lineItems)) return refuse('bad-input', { at: ['lineItems'], values: { problem: 'address-odd' } });
  if (!liesUnder(lineItems, platform.under))
    return refuse('line-items-elsewhere', { at: ['lineItems'], values: { under: platform.under } });
  const address = new URL(lineItems).href;
  return ctx.db.transaction(async (tx): Promise<Result<null>> => {
    const [known] = await tx.select({ id: courses.id }).from(courses).where(eq(courses.id, course));
    if (!known) return NOT_FOUND;
    const [before] = await tx.select().from(outsideBooks).where(eq(outsideBooks.course, course));
    if (before && (before.platform !== id || before.lineItems !== address)) await forget(tx, course);
    const row = { platform: id, lineItems: address, columns: [...new Set(columns)] };
    await tx
      .insert(outsideBooks)
      .values({ course, ...row })
      .onConflictDoUpdate({ target: outsideBooks.course, set: row });
    await leaveOff(tx, course, row.columns);
    return ok();
  });
}

/** What still waits of columns that are not told any more is not sent. */
async function leaveOff(tx: Transaction, course: string, columns: string[]): Promise<void> {
  const waits = and(
    eq(outsideScores.course, course),
    notInArray(outsideScores.column, columns),
    inArray(outsideScores.state, ['waiting', 'failed']),
  );
  await tx.delete(outsideScores).where(and(waits, isNull(outsideScores.told)));
  await tx.update(outsideScores).set({ state: 'sent', trouble: null }).where(waits);
}

/** Takes a course out of its outside gradebook; what stands there stays. */
export async function disconnectOutsideBook(ctx: Context, course: string): Promise<Result<null>> {
  const allowed = await inCourse(ctx, 'keep gradebook', course);
  if (!allowed.ok) return allowed;
  await ctx.db.transaction(async (tx) => {
    await forget(tx, course);
    await tx.delete(outsideBooks).where(eq(outsideBooks.course, course));
  });
  return ok();
}

async function forget(tx: Transaction, course: string): Promise<void> {
  await tx.delete(outsideScores).where(eq(outsideScores.course, course));
  await tx.delete(outsideLines).where(eq(outsideLines.course, course));
}
