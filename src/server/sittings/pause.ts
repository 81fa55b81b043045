import { and, eq, gt, inArray, isNull, or } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import type { Participant } from '@/core/people/participant';
import { type Context, parse } from '../context';
import { pauses } from '../db/schema/exams';
import { keepParticipant } from '../people/participants';
import { newId } from '../ports/ids';
import { attemptsOf } from './attempts';
import { participantsMeant, peopleMeant } from './meant';
import { tell } from './happenings';

const input = z.object({ sitting: z.string(), people: peopleMeant });

/** Lets the time stand still until it goes on. Of all: also of who comes meanwhile. */
export async function pauseTime(ctx: Context, raw: unknown): Promise<Result<null>> {
  const asked = await whoIsMeant(ctx, raw);
  if (!asked.ok) return asked;
  const { sitting, meant, only } = asked.value;
  return ctx.db.transaction(async (tx) => {
    const writing = (await attemptsOf(tx, sitting, ctx.now)).filter(
      ({ attempt, state }) =>
        state.handedInAt === null && ctx.now <= state.deadline && (only === null || only.has(attempt.participant)),
    );
    if (writing.length === 0) return refuse('nobody-writes');
    if (writing.every(({ pausedAt }) => pausedAt !== null)) return refuse('stands-still-already');
    for (const participant of meant ?? [null]) {
      if (participant) await keepParticipant(tx, participant);
      const row = { sitting, participant: participant?.id ?? null, from: ctx.now, by: ctx.actor.id };
      await tx.insert(pauses).values({ ...row, id: newId() });
    }
    await tell(tx, sitting, only);
    return ok();
  });
}

/** Lets the time go on. Of all: also of those for whom alone it stood still. */
export async function goOn(ctx: Context, raw: unknown): Promise<Result<null>> {
  const asked = await whoIsMeant(ctx, raw);
  if (!asked.ok) return asked;
  const { sitting, only } = asked.value;
  return ctx.db.transaction(async (tx) => {
    // A student's own break ends when a teacher lets them go on, not when all do.
    const lasts = only ? or(isNull(pauses.to), gt(pauses.to, ctx.now)) : isNull(pauses.to);
    const lasting = and(eq(pauses.sitting, sitting), lasts);
    const ended = await tx
      .update(pauses)
      .set({ to: ctx.now })
      .where(only ? and(lasting, inArray(pauses.participant, [...only])) : lasting)
      .returning({ id: pauses.id });
    if (ended.length === 0) return refuse('runs-already');
    await tell(tx, sitting, only);
    return ok();
  });
}

/** Of whom a teacher speaks: themselves, and by their ids; null for everybody who is writing. */
interface Asked {
  sitting: string;
  meant: Participant[] | null;
  only: ReadonlySet<string> | null;
}

async function whoIsMeant(ctx: Context, raw: unknown): Promise<Result<Asked>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const meant = await participantsMeant(ctx, parsed.value);
  if (!meant.ok) return meant;
  const only = meant.value && new Set(meant.value.map(({ id }) => id));
  return ok({ sitting: parsed.value.sitting, meant: meant.value, only });
}
