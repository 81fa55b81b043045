import { and, count, eq } from 'drizzle-orm';
import { ok, type Result, refuse } from '@/core/base/result';
import { seedFor } from '@/core/base/random';
import { placements } from '@/core/exams/plan';
import { whoCanGetIn } from '@/core/sittings/entry';
import { minutesWith } from '@/core/sittings/time';
import { type Context, FORBIDDEN, NOT_FOUND } from '../context';
import { attempts, sittings } from '../db/schema/exams';
import { enrolments, provisions } from '../db/schema/people';
import { newId } from '../ports/ids';
import { pinnedOf } from './pinned';

/** Starts the student's attempt, or finds the one begun before; refused with the reason when they cannot get in. */
export async function enterSitting(ctx: Context, sittingId: string): Promise<Result<{ attempt: string }>> {
  if (ctx.actor.role !== 'student') return FORBIDDEN;
  const { read } = ctx.db;
  const [sitting] = await read.select().from(sittings).where(eq(sittings.id, sittingId));
  if (!sitting) return NOT_FOUND;
  const [enrolled] = await read
    .select()
    .from(enrolments)
    .where(and(eq(enrolments.course, sitting.course), eq(enrolments.member, ctx.actor.id)));
  if (!enrolled) return FORBIDDEN;
  const mine = and(eq(attempts.sitting, sittingId), eq(attempts.member, ctx.actor.id));
  const [begun] = await read.select({ id: attempts.id }).from(attempts).where(mine);
  if (begun) return ok({ attempt: begun.id });

  const { plan } = await pinnedOf(read, sittingId);
  const door = whoCanGetIn({ ...sitting, questions: placements(plan).length, students: 1 }, ctx.now);
  if (!door.open) return refuse(`door-${door.reason}`);
  const [provision] = await read.select().from(provisions).where(eq(provisions.member, ctx.actor.id));
  const id = newId();
  return ctx.db.transaction(async (tx) => {
    const [already] = await tx.select({ id: attempts.id }).from(attempts).where(mine);
    if (already) return ok({ attempt: already.id });
    const [before] = await tx.select({ count: count() }).from(attempts).where(eq(attempts.sitting, sittingId));
    await tx.insert(attempts).values({
      id,
      sitting: sittingId,
      member: ctx.actor.id,
      script: (before?.count ?? 0) + 1,
      seed: seedFor(1, id),
      startedAt: ctx.now,
      minutes: minutesWith(sitting.minutes, provision?.extraTimePercent ?? 0),
      seenAt: ctx.now,
    });
    return ok({ attempt: id });
  });
}
