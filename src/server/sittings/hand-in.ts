import { and, eq, isNull } from 'drizzle-orm';
import { setTimeout as sleep } from 'node:timers/promises';
import { ok, type Result } from '@/core/base/result';
import { may } from '@/core/people/may';
import { isOverdue } from '@/core/sittings/attempt';
import { type Context, FORBIDDEN, NOT_FOUND, type Outside } from '../context';
import { attempts } from '../db/schema/attempts';
import { markHandedIn } from '../marking/mark-handed-in';
import { keepLast } from './answer-log';
import { happened } from './happenings';
import { type AttemptRow, findAttempt, endingAttempts } from './attempts';

/** Who hands in waits so long for the marks, in milliseconds; then they come later. */
const MOST_WAIT = 3000;

/** Closes an attempt: nothing of it changes any more, and it waits for its marks. Handing in twice changes nothing. */
async function close(out: Outside, attempt: AttemptRow, by: 'student' | 'clock', at: number): Promise<void> {
  await out.db.transaction(async (tx) => {
    const closed = await tx
      .update(attempts)
      .set({ handedInAt: at, handedInBy: by })
      .where(and(eq(attempts.id, attempt.id), isNull(attempts.handedInAt)))
      .returning({ id: attempts.id });
    if (closed.length === 0) return;
    await keepLast(tx, attempt.id);
    await happened(tx, attempt, by === 'clock' ? 'handed in by the clock' : 'handed in', { at });
  });
}

/** The student hands in; after the end of the time it is the clock that does, though the browser asked. */
export async function handIn(ctx: Context, attemptId: string): Promise<Result<{ handedInAt: number }>> {
  const found = await findAttempt(ctx.db.read, attemptId, ctx.now);
  if (!found) return NOT_FOUND;
  if (!may(ctx.actor, 'write attempt', found)) return FORBIDDEN;
  const { deadline } = found.state;
  const at = found.state.handedInAt ?? Math.min(ctx.now, deadline);
  if (found.state.handedInAt === null) {
    await close(ctx, found.attempt, ctx.now < deadline ? 'student' : 'clock', at);
    // What could not be marked here is marked by the clock.
    const marked = markHandedIn(ctx, found.attempt).catch(() => undefined);
    await Promise.race([marked, sleep(MOST_WAIT, undefined, { ref: false })]);
  }
  return ok({ handedInAt: at });
}

/** Hands in every attempt whose time is over, whether or not its browser is there. One that cannot be closed holds up no other. */
export async function sweep(out: Outside): Promise<{ handedIn: number; failed: unknown[] }> {
  const overdue = (await endingAttempts(out.db.read, out.now)).filter(({ state }) => isOverdue(state, out.now));
  const failed: unknown[] = [];
  for (const { attempt, state } of overdue)
    await close(out, attempt, 'clock', state.deadline).catch((error: unknown) => failed.push(error));
  return { handedIn: overdue.length - failed.length, failed };
}
