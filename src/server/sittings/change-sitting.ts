import { and, eq, gt, isNull } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { type Context, NOT_FOUND, parse } from '../context';
import { inSitting } from '../people/courses';
import { attempts, extensions, sittings } from '../db/schema/exams';
import { changed } from '../events/versions';
import { keepParticipant, participantIn } from '../people/participants';
import { newId } from '../ports/ids';
import { attemptsOf, FOR_OUTAGE } from './attempts';

const more = z.object({
  sitting: z.string(),
  /** A student, or a guest. */
  person: z.string(),
  minutes: z.number().int().min(1).max(600),
  reason: z.string().trim().max(500),
});

/** Gives one student, or the group that the student works in, more minutes in this sitting. */
export async function giveMoreTime(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(more, raw);
  if (!parsed.ok) return parsed;
  const allowed = await inSitting(ctx, 'run sittings', parsed.value.sitting);
  if (!allowed.ok) return allowed;
  const { sitting, person, minutes, reason } = parsed.value;
  const participant = await participantIn(ctx.db.read, sitting, person);
  if (!participant) return NOT_FOUND;
  await ctx.db.transaction(async (tx) => {
    await keepParticipant(tx, participant);
    const row = { sitting, participant: participant.id, minutes, reason, by: ctx.actor.id, at: ctx.now };
    await tx.insert(extensions).values({ id: newId(), ...row });
  });
  return ok();
}

/** Gives those who are writing what outages of the server took from them and what was not given back by itself. */
export async function giveBackLost(ctx: Context, sitting: string): Promise<Result<null>> {
  const allowed = await inSitting(ctx, 'run sittings', sitting);
  if (!allowed.ok) return allowed;
  const given = { sitting, reason: FOR_OUTAGE, by: ctx.actor.id, at: ctx.now };
  // Looked at and given in one go: a second click finds nothing to give.
  await ctx.db.transaction(async (tx) => {
    for (const { attempt, state, ungiven } of await attemptsOf(tx, sitting)) {
      if (state.handedInAt !== null || ungiven === 0) continue;
      const minutes = Math.ceil(ungiven / 60_000);
      await tx.insert(extensions).values({ ...given, id: newId(), participant: attempt.participant, minutes });
    }
  });
  return ok();
}

/** Opens a sitting that was to open later. */
export async function startNow(ctx: Context, id: string): Promise<Result<null>> {
  const allowed = await inSitting(ctx, 'run sittings', id);
  if (!allowed.ok) return allowed;
  return ctx.db.transaction(async (tx) => {
    const started = await tx
      .update(sittings)
      .set({ opensAt: ctx.now })
      .where(and(eq(sittings.id, id), gt(sittings.opensAt, ctx.now), isNull(sittings.endedAt)))
      .returning({ course: sittings.course });
    for (const { course } of started) await changed(tx, `course:${course}`);
    return started.length > 0 ? ok() : refuse('already-open');
  });
}

const times = z.object({
  sitting: z.string(),
  opensAt: z.number().int(),
  closesAt: z.number().int(),
  minutes: z.number().int().min(1, 'minutes-range').max(1440, 'minutes-range'),
});

/**
 * Changes when a sitting opens and ends for all, and how long each has; those who have begun keep the minutes that they
 * began with. Once somebody has begun, it can no longer open later.
 */
export async function changeTimes(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(times, raw);
  if (!parsed.ok) return parsed;
  const allowed = await inSitting(ctx, 'run sittings', parsed.value.sitting);
  if (!allowed.ok) return allowed;
  const { sitting: id, opensAt, closesAt, minutes } = parsed.value;
  const [sitting] = await ctx.db.read.select().from(sittings).where(eq(sittings.id, id));
  if (!sitting) return NOT_FOUND;
  if (sitting.endedAt !== null) return refuse('sitting-ended');
  if (closesAt <= opensAt) return refuse('ends-before-it-starts', { at: ['closesAt'] });
  if (closesAt <= ctx.now) return refuse('ends-in-the-past', { at: ['closesAt'] });
  const [begun] = await ctx.db.read.select({ id: attempts.id }).from(attempts).where(eq(attempts.sitting, id)).limit(1);
  if (begun && opensAt > ctx.now) return refuse('somebody-has-begun', { at: ['opensAt'] });
  await ctx.db.transaction(async (tx) => {
    await tx.update(sittings).set({ opensAt, closesAt, minutes }).where(eq(sittings.id, id));
    await changed(tx, `course:${sitting.course}`);
  });
  return ok();
}

/** Ends a sitting for everybody now; the clock then hands in what is still open. */
export async function endSitting(ctx: Context, id: string): Promise<Result<null>> {
  const allowed = await inSitting(ctx, 'run sittings', id);
  if (!allowed.ok) return allowed;
  return ctx.db.transaction(async (tx) => {
    const ended = await tx
      .update(sittings)
      .set({ endedAt: ctx.now })
      .where(and(eq(sittings.id, id), isNull(sittings.endedAt)))
      .returning({ course: sittings.course });
    for (const { course } of ended) await changed(tx, `course:${course}`);
    return ended.length > 0 ? ok() : NOT_FOUND;
  });
}
