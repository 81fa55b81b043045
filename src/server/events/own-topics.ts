import { eq } from 'drizzle-orm';
import type { Context } from '../context';
import { enrolments } from '../db/schema/people';
import type { Topic } from './versions';

/** What a student may be told of: their own courses. */
export async function ownTopics(ctx: Context): Promise<Topic[]> {
  if (ctx.actor.role !== 'student') return [];
  const rows = await ctx.db.read
    .select({ course: enrolments.course })
    .from(enrolments)
    .where(eq(enrolments.member, ctx.actor.id));
  return rows.map(({ course }): Topic => `course:${course}`);
}
