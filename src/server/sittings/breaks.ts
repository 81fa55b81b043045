import { and, eq, gt } from 'drizzle-orm';
import { ok, type Result, refuse } from '@/core/base/result';
import { may } from '@/core/people/may';
import { isOver } from '@/core/sittings/attempt';
import { type Context, FORBIDDEN, NOT_FOUND } from '../context';
import { pauses } from '../db/schema/exams';
import { newId } from '../ports/ids';
import { findAttempt } from './attempts';
import { tell } from './happenings';

/** Rests from an attempt: its time stands still until one goes on, or until what is allowed is used up. */
export async function takeBreak(ctx: Context, id: string): Promise<Result<null>> {
  const found = await findAttempt(ctx.db.read, id, ctx.now);
  if (!found) return NOT_FOUND;
  if (!may(ctx.actor, 'write attempt', found) || found.participant.is !== 'member') return FORBIDDEN;
  if (isOver(found.state, ctx.now)) return refuse('time-is-over');
  const { sitting, participant } = found.attempt;
  return ctx.db.transaction(async (tx) => {
    const now = await findAttempt(tx, id, ctx.now);
    if (!now || now.rest.left <= 0) return refuse('no-break-left');
    if (now.pausedAt !== null) return now.rest.until === null ? refuse('stands-still-already') : ok();
    const row = { sitting, participant, from: ctx.now, to: ctx.now + now.rest.left, by: ctx.actor.id };
    await tx.insert(pauses).values({ ...row, id: newId() });
    await tell(tx, sitting, new Set([participant]));
    return ok();
  });
}

/** Goes on after a break, before it ends by itself. */
export async function endBreak(ctx: Context, id: string): Promise<Result<null>> {
  const found = await findAttempt(ctx.db.read, id, ctx.now);
  if (!found) return NOT_FOUND;
  if (!may(ctx.actor, 'write attempt', found)) return FORBIDDEN;
  const { sitting, participant } = found.attempt;
  return ctx.db.transaction(async (tx) => {
    await tx
      .update(pauses)
      .set({ to: ctx.now })
      .where(
        and(
          eq(pauses.sitting, sitting),
          eq(pauses.participant, participant),
          eq(pauses.by, ctx.actor.id),
          gt(pauses.to, ctx.now),
        ),
      );
    await tell(tx, sitting, new Set([participant]));
    return ok();
  });
}
