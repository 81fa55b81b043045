import { and, eq, gt, isNull, or, sql } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { sameValue } from '@/core/base/same-value';
import { lateRuleSchema } from '@/core/sittings/late';
import { type Context, NOT_FOUND, parse } from '../context';
import { inSitting } from '../people/courses';
import { attempts } from '../db/schema/attempts';
import { extensions, sittings } from '../db/schema/exams';
import { changed } from '../events/versions';
import { keepParticipant } from '../people/participants';
import { newId } from '../ports/ids';
import { attemptsOf, FOR_OUTAGE } from './attempts';
import { tell } from './happenings';
import { participantsMeant, peopleMeant } from './meant';

const more = z.object({
  sitting: z.string(),
  people: peopleMeant,
  minutes: z.number().int().min(1, 'minutes-range').max(600, 'minutes-range'),
  reason: z.string().trim().max(500),
});

/** Gives one, some or all who are writing more minutes. */
export async function giveMoreTime(ctx: Context, raw: unknown): Promise<Result<{ given: number }>> {
  const parsed = parse(more, raw);
  if (!parsed.ok) return parsed;
  const meant = await participantsMeant(ctx, parsed.value);
  if (!meant.ok) return meant;
  const { sitting, minutes, reason } = parsed.value;
  return ctx.db.transaction(async (tx) => {
    for (const participant of meant.value ?? []) await keepParticipant(tx, participant);
    const writing = (await attemptsOf(tx, sitting, ctx.now)).filter(({ state }) => state.handedInAt === null);
    const to = new Set(meant.value?.map(({ id }) => id) ?? writing.map(({ attempt }) => attempt.participant));
    if (to.size === 0) return refuse('nobody-writes');
    for (const participant of to)
      await tx
        .insert(extensions)
        .values({ id: newId(), sitting, participant, minutes, reason, by: ctx.actor.id, at: ctx.now });
    await tell(tx, sitting, to);
    return ok({ given: to.size });
  });
}

/** Gives those who are writing what outages of the server took from them and what was not given back by itself. */
export async function giveBackLost(ctx: Context, sitting: string): Promise<Result<null>> {
  const allowed = await inSitting(ctx, 'run sittings', sitting);
  if (!allowed.ok) return allowed;
  const given = { sitting, reason: FOR_OUTAGE, by: ctx.actor.id, at: ctx.now };
  // Looked at and given in one go: a second click finds nothing to give.
  await ctx.db.transaction(async (tx) => {
    for (const { attempt, state, ungiven } of await attemptsOf(tx, sitting, ctx.now)) {
      if (state.handedInAt !== null || ungiven === 0) continue;
      const minutes = Math.ceil(ungiven / 60_000);
      await tx.insert(extensions).values({ ...given, id: newId(), participant: attempt.participant, minutes });
    }
    await tell(tx, sitting, null);
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
      .set({
        opensAt: ctx.now,
        // What opens by hand keeps its length; what opens by the clock, only earlier, keeps its end.
        closesAt: sql`iif(${sittings.byHand}, ${sittings.closesAt} - ${sittings.opensAt} + ${ctx.now}, ${sittings.closesAt})`,
        dueAt: sql`iif(${sittings.byHand}, ${sittings.dueAt} - ${sittings.opensAt} + ${ctx.now}, ${sittings.dueAt})`,
        byHand: false,
      })
      .where(
        and(
          eq(sittings.id, id),
          or(gt(sittings.opensAt, ctx.now), sittings.byHand),
          gt(sittings.closesAt, ctx.now),
          isNull(sittings.endedAt),
        ),
      )
      .returning({ course: sittings.course });
    for (const { course } of started) await changed(tx, `course:${course}`, `watch:${id}`);
    return started.length > 0 ? ok() : refuse('already-open');
  });
}

const times = z.object({
  sitting: z.string(),
  opensAt: z.number().int(),
  closesAt: z.number().int(),
  minutes: z.number().int().min(1, 'minutes-range').max(1440, 'minutes-range'),
  dueAt: z.number().int().nullable().default(null),
  late: lateRuleSchema.nullable().default(null),
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
  const { sitting: id, opensAt, closesAt, minutes, dueAt } = parsed.value;
  const late = dueAt === null ? null : parsed.value.late;
  const [sitting] = await ctx.db.read.select().from(sittings).where(eq(sittings.id, id));
  if (!sitting) return NOT_FOUND;
  if (sitting.endedAt !== null) return refuse('sitting-ended');
  if (closesAt <= opensAt) return refuse('ends-before-it-starts', { at: ['closesAt'] });
  if (closesAt <= ctx.now) return refuse('ends-in-the-past', { at: ['closesAt'] });
  if (dueAt !== null && (dueAt <= opensAt || dueAt > closesAt)) return refuse('due-outside', { at: ['dueAt'] });
  if (sitting.releasedAt !== null && (dueAt !== sitting.dueAt || !sameValue(late, sitting.late)))
    return refuse('results-are-out', { at: ['dueAt'] });
  const [begun] = await ctx.db.read.select({ id: attempts.id }).from(attempts).where(eq(attempts.sitting, id)).limit(1);
  if (begun && opensAt > ctx.now) return refuse('somebody-has-begun', { at: ['opensAt'] });
  await ctx.db.transaction(async (tx) => {
    await tx.update(sittings).set({ opensAt, closesAt, minutes, dueAt, late }).where(eq(sittings.id, id));
    await changed(tx, `course:${sitting.course}`, `rooms:${id}`, `watch:${id}`);
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
    for (const { course } of ended) await changed(tx, `course:${course}`, `rooms:${id}`, `watch:${id}`);
    return ended.length > 0 ? ok() : NOT_FOUND;
  });
}
