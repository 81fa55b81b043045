import { and, eq, inArray } from 'drizzle-orm';
import { z } from 'zod';
import { type Exact, exact, parseExact, stored } from '@/core/base/exact';
import { ok, type Result } from '@/core/base/result';
import { type Context, NOT_FOUND, parse } from '../context';
import type { Reader } from '../db/database';
import { memberMarks } from '../db/schema/marks';
import { members } from '../db/schema/people';
import { changed } from '../events/versions';
import { inSitting } from '../people/courses';
import { findAttempt } from '../sittings/attempts';

const input = z.object({
  attempt: z.string(),
  member: z.string(),
  /** Marks more, or less; none again when zero. */
  change: z
    .string()
    .max(20)
    .refine((text) => {
      const value = parseExact(text);
      return value !== null && value.compare(-1000) >= 0 && value.compare(1000) <= 0;
    }, 'not-a-number'),
  reason: z.string().trim().min(1, 'reason-asked').max(500),
});

/** Gives one of a group other marks than the others, with the reason. */
export async function setMemberMarks(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { attempt, member, reason } = parsed.value;
  const found = await findAttempt(ctx.db.read, attempt, ctx.now);
  if (!found) return NOT_FOUND;
  const { sitting } = found.attempt;
  const allowed = await inSitting(ctx, 'release results', sitting);
  if (!allowed.ok) return allowed;
  if (found.participant.is !== 'group' || !found.participant.members.includes(member)) return NOT_FOUND;
  const change = exact(parsed.value.change);
  const row = { change: stored(change), reason, by: ctx.actor.id, at: ctx.now };
  const mine = and(eq(memberMarks.attempt, attempt), eq(memberMarks.member, member));
  await ctx.db.transaction(async (tx) => {
    if (change.equals(0)) await tx.delete(memberMarks).where(mine);
    else
      await tx
        .insert(memberMarks)
        .values({ attempt, member, ...row })
        .onConflictDoUpdate({ target: [memberMarks.attempt, memberMarks.member], set: row });
    await changed(tx, `sitting:${sitting}`);
  });
  return ok();
}

/** The marks that members of groups have more, or less, in these attempts; by attempt and member. */
export async function memberChanges(
  read: Reader,
  attempts: readonly string[],
): Promise<(attempt: string, member: string) => Exact | null> {
  const rows = await read
    .select()
    .from(memberMarks)
    .where(inArray(memberMarks.attempt, [...attempts]));
  const all = new Map(rows.map((row) => [`${row.attempt} ${row.member}`, exact(row.change)]));
  return (attempt, member) => all.get(`${attempt} ${member}`) ?? null;
}

/** A member of a group, as whoever marks sees what is theirs alone. */
export interface OfGroup {
  id: string;
  name: string;
  change: string;
  reason: string;
}

export async function groupOf(read: Reader, attempt: string, people: readonly string[]): Promise<OfGroup[]> {
  const rows = await read
    .select({ id: members.id, name: members.name, change: memberMarks.change, reason: memberMarks.reason })
    .from(members)
    .leftJoin(memberMarks, and(eq(memberMarks.member, members.id), eq(memberMarks.attempt, attempt)))
    .where(inArray(members.id, [...people]))
    .orderBy(members.name);
  return rows.map(({ change, reason, ...one }) => ({ ...one, change: change ?? '0', reason: reason ?? '' }));
}
