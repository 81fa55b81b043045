import { eq } from 'drizzle-orm';
import { may } from '@/core/people/may';
import type { Context } from '../context';
import { enrolments } from '../db/schema/people';
import { inSitting } from '../people/courses';
import { findAttempt } from '../sittings/attempts';
import type { Topic } from './versions';

/** What somebody wants to be told of, besides their courses. */
export interface Wanted {
  /** The attempt in whose room they are. */
  room: string | null;
  /** The sitting that they watch. */
  watch: string | null;
}

/** Of what is wanted, what somebody may be told of: a student of their own courses, whoever writes of their room, a teacher of the sittings that they run. */
export async function ownTopics(ctx: Context, { room, watch }: Wanted): Promise<Topic[]> {
  const topics: Topic[] = [];
  if (ctx.actor.role === 'student' && room === null) {
    const rows = await ctx.db.read
      .select({ course: enrolments.course })
      .from(enrolments)
      .where(eq(enrolments.member, ctx.actor.id));
    topics.push(...rows.map(({ course }): Topic => `course:${course}`));
  }
  const found = room === null ? null : await findAttempt(ctx.db.read, room, ctx.now);
  if (found && may(ctx.actor, 'write attempt', found))
    topics.push(`room:${found.attempt.id}`, `rooms:${found.attempt.sitting}`);
  if (watch !== null && (await inSitting(ctx, 'run sittings', watch)).ok) topics.push(`watch:${watch}`);
  return topics;
}
