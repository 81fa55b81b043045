import { and, eq, gt, inArray, isNull } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result } from '@/core/base/result';
import { hasShare, isShareOf } from '@/core/marking/plan';
import { type Context, parse } from '../context';
import { attempts } from '../db/schema/attempts';
import { givenOut, marks } from '../db/schema/marks';
import { inSitting } from '../people/courses';
import { COUNTS } from '../sittings/attempts';
import { countingMarks } from './current-marks';
import { markingPlanOf } from './plan';

/** An answer as far as its share is decided by it. */
interface Shared {
  attempt: string;
  item: string;
  slot: string;
  script: number;
  /** Who gave the mark that stands. */
  by: string | null;
}

/** What the actor has of a sitting. */
export interface Share {
  /** Whether there is more than they look at. */
  part: boolean;
  /** Whether they may look at all of it. */
  mayAll: boolean;
  /** Whether answers are given out as they come. */
  inTurn: boolean;
  mine: (answer: Shared) => boolean;
}

/** An answer that is not marked in this time goes back, in milliseconds. */
const GOES_BACK = 60 * 60_000;
/** So many are given out at once. */
const AT_ONCE = 10;

/** What of a sitting is the actor's to mark. Who runs the sitting may look at all. */
export async function shareIn(ctx: Context, sitting: string, all: boolean): Promise<Share> {
  const { read } = ctx.db;
  const { sharing } = await markingPlanOf(read, sitting);
  const me = ctx.actor.id;
  const mayAll = (await inSitting(ctx, 'run sittings', sitting)).ok;
  const part = sharing.by !== 'all' && (!mayAll || (!all && hasShare(sharing, me)));
  const inTurn = sharing.by === 'turn';
  if (!part) return { part, mayAll, inTurn, mine: () => true };
  if (!inTurn) return { part, mayAll, inTurn, mine: (answer) => answer.by === me || isShareOf(sharing, answer, me) };
  const held = await read
    .select()
    .from(givenOut)
    .where(and(eq(givenOut.to, me), gt(givenOut.at, ctx.now - GOES_BACK)));
  const having = new Set(held.map(({ attempt, item, slot }) => `${attempt} ${item} ${slot}`));
  return {
    part,
    mayAll,
    inTurn,
    mine: ({ attempt, item, slot, by }) => by === me || (by === null && having.has(`${attempt} ${item} ${slot}`)),
  };
}

const asked = z.object({ sitting: z.string(), item: z.string() });

/** Gives the actor some answers to a question that wait and that nobody else has. What somebody has had for an hour goes back. */
export async function takeAnswers(ctx: Context, raw: unknown): Promise<Result<{ taken: number }>> {
  const parsed = parse(asked, raw);
  if (!parsed.ok) return parsed;
  const { sitting, item } = parsed.value;
  const allowed = await inSitting(ctx, 'mark answers', sitting);
  if (!allowed.ok) return allowed;
  return ctx.db.transaction(async (tx) => {
    const here = inArray(
      marks.attempt,
      tx
        .select({ id: attempts.id })
        .from(attempts)
        .where(and(eq(attempts.sitting, sitting), COUNTS)),
    );
    const waiting = await tx
      .select({ attempt: marks.attempt, slot: marks.slot })
      .from(marks)
      .innerJoin(attempts, eq(attempts.id, marks.attempt))
      .where(and(inArray(marks.id, countingMarks(tx, and(here, eq(marks.item, item)))), isNull(marks.marks)))
      .orderBy(attempts.script, marks.slot);
    const out = await tx
      .select()
      .from(givenOut)
      .where(and(eq(givenOut.item, item), gt(givenOut.at, ctx.now - GOES_BACK)));
    const taken = new Set(out.map(({ attempt, slot }) => `${attempt} ${slot}`));
    const free = waiting.filter(({ attempt, slot }) => !taken.has(`${attempt} ${slot}`)).slice(0, AT_ONCE);
    for (const { attempt, slot } of free) {
      const given = { to: ctx.actor.id, at: ctx.now };
      await tx
        .insert(givenOut)
        .values({ attempt, item, slot, ...given })
        .onConflictDoUpdate({ target: [givenOut.attempt, givenOut.item, givenOut.slot], set: given });
    }
    return ok({ taken: free.length });
  });
}
