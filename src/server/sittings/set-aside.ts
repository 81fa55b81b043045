import { and, eq, isNotNull, isNull } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { ONCE } from '@/core/sittings/tries';
import { type Context, NOT_FOUND, parse } from '../context';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { inSitting } from '../people/courses';
import { keepLast } from './answer-log';
import { findAttempt } from './attempts';
import { happened } from './happenings';

const input = z.object({ attempt: z.string(), reason: z.string().trim().min(1, 'reason-asked').max(500) });

/**
 * Sets an attempt aside: it counts nowhere and takes away no attempt, and can be brought back. One that is being written
 * is closed by it.
 */
export async function setAside(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { attempt: id, reason } = parsed.value;
  const found = await attemptToChange(ctx, id);
  if (!found.ok) return found;
  return ctx.db.transaction(async (tx) => {
    const set = await tx
      .update(attempts)
      .set({ asideAt: ctx.now, asideReason: reason, asideBy: ctx.actor.id })
      .where(and(eq(attempts.id, id), isNull(attempts.asideAt)))
      .returning({ id: attempts.id });
    if (set.length === 0) return refuse('is-set-aside');
    const closed = await tx
      .update(attempts)
      .set({ handedInAt: ctx.now, handedInBy: 'teacher' })
      .where(and(eq(attempts.id, id), isNull(attempts.handedInAt)))
      .returning({ id: attempts.id });
    if (closed.length > 0) await keepLast(tx, id);
    await happened(tx, found.value, 'set aside', { at: ctx.now, by: ctx.actor.id, note: reason });
    return ok();
  });
}

/** Brings back what was set aside; it is marked by the rules that hold now. Refused where it would be one attempt too many. */
export async function bringBack(ctx: Context, id: string): Promise<Result<null>> {
  const found = await attemptToChange(ctx, id);
  if (!found.ok) return found;
  const { sitting, participant } = found.value;
  return ctx.db.transaction(async (tx) => {
    const [row] = await tx.select({ tries: sittings.tries }).from(sittings).where(eq(sittings.id, sitting));
    const { most } = row?.tries ?? ONCE;
    const counting = await tx
      .select({ id: attempts.id })
      .from(attempts)
      .where(and(eq(attempts.sitting, sitting), eq(attempts.participant, participant), isNull(attempts.asideAt)));
    if (most !== null && counting.length >= most) return refuse('attempts-used-up', { values: { count: most } });
    const brought = await tx
      .update(attempts)
      .set({ asideAt: null, asideReason: '', asideBy: null, markedAt: null })
      .where(and(eq(attempts.id, id), isNotNull(attempts.asideAt)))
      .returning({ id: attempts.id });
    if (brought.length === 0) return refuse('counts-already');
    await happened(tx, found.value, 'brought back', { at: ctx.now, by: ctx.actor.id });
    return ok();
  });
}

async function attemptToChange(ctx: Context, id: string): Promise<Result<typeof attempts.$inferSelect>> {
  const found = await findAttempt(ctx.db.read, id, ctx.now);
  if (!found) return NOT_FOUND;
  const allowed = await inSitting(ctx, 'run sittings', found.attempt.sitting);
  return allowed.ok ? ok(found.attempt) : allowed;
}
