import { and, eq, isNull } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result } from '@/core/base/result';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import { extensions, sittings } from '../db/schema/exams';
import { newId } from '../ports/ids';

const more = z.object({
  sitting: z.string(),
  member: z.string(),
  minutes: z.number().int().min(1).max(600),
  reason: z.string().trim().max(500),
});

/** Gives one student more minutes in this sitting. */
export async function giveMoreTime(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(more, raw);
  if (!parsed.ok) return parsed;
  if (!may(ctx.actor, 'run sittings', null)) return FORBIDDEN;
  await ctx.db.transaction(async (tx) => {
    await tx.insert(extensions).values({ id: newId(), ...parsed.value, by: ctx.actor.id, at: ctx.now });
  });
  return ok();
}

/** Ends a sitting for everybody now; the clock then hands in what is still open. */
export async function endSitting(ctx: Context, id: string): Promise<Result<null>> {
  if (!may(ctx.actor, 'run sittings', null)) return FORBIDDEN;
  return ctx.db.transaction(async (tx) => {
    const ended = await tx
      .update(sittings)
      .set({ endedAt: ctx.now })
      .where(and(eq(sittings.id, id), isNull(sittings.endedAt)))
      .returning({ id: sittings.id });
    return ended.length > 0 ? ok() : NOT_FOUND;
  });
}
