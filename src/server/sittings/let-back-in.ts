import { and, eq, isNotNull, isNull } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { type Context, NOT_FOUND, parse } from '../context';
import { attempts } from '../db/schema/attempts';
import { extensions, sittings } from '../db/schema/exams';
import { inSitting } from '../people/courses';
import { newId } from '../ports/ids';
import { attemptsOf, findAttempt } from './attempts';
import { happened } from './happenings';

const input = z.object({
  attempt: z.string(),
  /** Minutes that there are at least from now on. */
  minutes: z.number().int().min(1, 'minutes-range').max(1440, 'minutes-range'),
  reason: z.string().trim().max(500),
});

/**
 * Lets whoever has handed in go on writing, with at least so many minutes. What is handed in anew is marked anew; a mark
 * that a person gave stays where the answer does.
 */
export async function letBackIn(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { attempt: id, minutes, reason } = parsed.value;
  const found = await findAttempt(ctx.db.read, id, ctx.now);
  if (!found) return NOT_FOUND;
  const { sitting, participant } = found.attempt;
  const allowed = await inSitting(ctx, 'run sittings', sitting);
  if (!allowed.ok) return allowed;
  return ctx.db.transaction(async (tx) => {
    const [row] = await tx.select().from(sittings).where(eq(sittings.id, sitting));
    if (row?.releasedAt !== null) return refuse('results-are-out');
    if (row.endedAt !== null) return refuse('sitting-ended');
    const others = await attemptsOf(tx, sitting, ctx.now);
    if (others.some(({ attempt }) => attempt.participant === participant && attempt.handedInAt === null))
      return refuse('writes-already');
    const opened = await tx
      .update(attempts)
      .set({ handedInAt: null, handedInBy: null, markedAt: null, reopenedAt: ctx.now })
      .where(and(eq(attempts.id, id), isNotNull(attempts.handedInAt), isNull(attempts.asideAt)))
      .returning({ id: attempts.id });
    if (opened.length === 0) return refuse('not-handed-in');
    const missing = Math.ceil((ctx.now + minutes * 60_000 - found.state.deadline) / 60_000);
    const more = { sitting, participant, reason: reason || LET_BACK_IN, by: ctx.actor.id, at: ctx.now };
    if (missing > 0) await tx.insert(extensions).values({ ...more, id: newId(), minutes: missing });
    await happened(tx, found.attempt, 'let back in', { at: ctx.now, by: ctx.actor.id, note: reason });
    return ok();
  });
}

/** The reason of minutes that came with being let back in. */
const LET_BACK_IN = 'let back in';
