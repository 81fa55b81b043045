import { and, eq } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result } from '@/core/base/result';
import { type Context, parse } from '../context';
import { unsure } from '../db/schema/marks';
import { attemptToMark } from './attempt-to-mark';

const input = z.object({ attempt: z.string(), item: z.string(), slot: z.string(), is: z.boolean() });

/** Has the actor look at an answer once more, or no longer. Only they see it. */
export async function setUnsure(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { attempt, item, slot, is } = parsed.value;
  const found = await attemptToMark(ctx, attempt);
  if (!found.ok) return found;
  const row = { attempt, item, slot, by: ctx.actor.id };
  await ctx.db.transaction(async (tx) => {
    if (is) await tx.insert(unsure).values(row).onConflictDoNothing();
    else
      await tx
        .delete(unsure)
        .where(
          and(eq(unsure.attempt, attempt), eq(unsure.item, item), eq(unsure.slot, slot), eq(unsure.by, ctx.actor.id)),
        );
  });
  return ok();
}
