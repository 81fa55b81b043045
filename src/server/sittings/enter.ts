import { randomBytes } from 'node:crypto';
import { and, count, eq, inArray } from 'drizzle-orm';
import { ok, type Result, refuse } from '@/core/base/result';
import { sectionsWithout } from '@/core/exams/only';
import { placements } from '@/core/exams/plan';
import { type Participant, takesPart } from '@/core/people/participant';
import { whoCanGetIn } from '@/core/sittings/entry';
import { minutesWith } from '@/core/sittings/time';
import { type Context, FORBIDDEN, NOT_FOUND } from '../context';
import type { Reader } from '../db/database';
import { attempts, sittings } from '../db/schema/exams';
import { provisions } from '../db/schema/people';
import { keepParticipant, participantIn } from '../people/participants';
import { traitsOf } from '../people/traits';
import { newId, newSeed } from '../ports/ids';
import { codeFits } from './code';
import { placedIn } from './pinned';

/** Starts the attempt of whoever comes, or finds the one begun before; refused with the reason when they cannot get in. */
export async function enterSitting(ctx: Context, sittingId: string, code = ''): Promise<Result<{ attempt: string }>> {
  const { read } = ctx.db;
  const [sitting] = await read.select().from(sittings).where(eq(sittings.id, sittingId));
  if (!sitting) return NOT_FOUND;
  const participant = await participantIn(read, sittingId, ctx.actor.id);
  if (!participant) return sitting.who === 'groups' ? refuse('no-group') : FORBIDDEN;
  if (!takesPart(ctx.actor, participant)) return FORBIDDEN;
  const mine = and(eq(attempts.sitting, sittingId), eq(attempts.participant, participant.id));
  const [begun] = await read.select({ id: attempts.id }).from(attempts).where(mine);
  if (begun) return ok({ attempt: begun.id });

  const { plan } = await placedIn(read, sittingId);
  const door = whoCanGetIn({ ...sitting, questions: placements(plan).length, students: 1, link: false }, ctx.now);
  if (!door.open) return refuse(`door-${door.reason}`);
  // A guest was asked for the code when they were let in.
  const coded = participant.is === 'member' ? codeFits(sitting, code, { by: ctx.actor.id, now: ctx.now }) : ok();
  if (!coded.ok) return coded;
  const without = sectionsWithout(plan, await traitsOf(read, sitting.course, participant));
  if (without.length === plan.sections.length) return refuse('no-section');
  const minutes = minutesWith(sitting.minutes, await extraTimePercent(read, participant));
  const id = newId();
  return ctx.db.transaction(async (tx) => {
    const [already] = await tx.select({ id: attempts.id }).from(attempts).where(mine);
    if (already) return ok({ attempt: already.id });
    await keepParticipant(tx, participant);
    const [before] = await tx.select({ count: count() }).from(attempts).where(eq(attempts.sitting, sittingId));
    await tx.insert(attempts).values({
      id,
      sitting: sittingId,
      participant: participant.id,
      script: (before?.count ?? 0) + 1,
      seed: newSeed(),
      without,
      secret: randomBytes(16).toString('hex'),
      startedAt: ctx.now,
      minutes,
      seenAt: ctx.now,
    });
    return ok({ attempt: id });
  });
}

/** The most that anybody of the participant is entitled to. */
async function extraTimePercent(read: Reader, participant: Participant): Promise<number> {
  const people = participant.is === 'group' ? [...participant.members] : [participant.id];
  const rows = await read
    .select({ percent: provisions.extraTimePercent })
    .from(provisions)
    .where(inArray(provisions.member, people));
  return Math.max(0, ...rows.map(({ percent }) => percent));
}
