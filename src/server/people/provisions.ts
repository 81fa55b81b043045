import { and, eq, inArray } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result } from '@/core/base/result';
import { may } from '@/core/people/may';
import { type ExtraTime, holds, NO_EXTRA_TIME, provisionSchema, providesNothing } from '@/core/people/provision';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import type { Reader } from '../db/database';
import { sittingProvisions } from '../db/schema/exams';
import { members, provisions } from '../db/schema/people';
import { changed } from '../events/versions';
import { inSitting } from './courses';
import { participantIn } from './participants';

const input = provisionSchema.extend({ member: z.string() });

/** Says once what a student is entitled to; it holds in every sitting entered from now on. */
export async function setProvision(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  if (!may(ctx.actor, 'provide for students', null)) return FORBIDDEN;
  const { member, ...entitled } = parsed.value;
  const [student] = await ctx.db.read.select().from(members).where(eq(members.id, member));
  if (student?.role !== 'student') return NOT_FOUND;
  const row = { ...entitled, decidedBy: ctx.actor.id, decidedAt: ctx.now };
  await ctx.db.transaction(async (tx) => {
    if (providesNothing(entitled)) await tx.delete(provisions).where(eq(provisions.member, member));
    else
      await tx
        .insert(provisions)
        .values({ member, ...row })
        .onConflictDoUpdate({ target: provisions.member, set: row });
  });
  return ok();
}

const here = provisionSchema
  .pick({ extraTimePercent: true, extraMinutes: true })
  .extend({ sitting: z.string(), member: z.string() });

/** Gives a student another extra time in one sitting than everywhere else, from when they begin it. */
export async function setExtraTimeHere(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(here, raw);
  if (!parsed.ok) return parsed;
  const { sitting, member, ...extra } = parsed.value;
  const allowed = await inSitting(ctx, 'run sittings', sitting);
  if (!allowed.ok) return allowed;
  if (!(await participantIn(ctx.db.read, sitting, member))) return NOT_FOUND;
  const [student] = await ctx.db.read.select({ id: members.id }).from(members).where(eq(members.id, member));
  // A guest has no account to which anything could be provided.
  if (!student) return NOT_FOUND;
  const row = { ...extra, by: ctx.actor.id, at: ctx.now };
  await ctx.db.transaction(async (tx) => {
    await tx
      .insert(sittingProvisions)
      .values({ sitting, member, ...row })
      .onConflictDoUpdate({ target: [sittingProvisions.sitting, sittingProvisions.member], set: row });
    await changed(tx, `watch:${sitting}`);
  });
  return ok();
}

/** What members are entitled to now. */
export interface Entitled {
  extra: ExtraTime;
  largePrint: boolean;
  readAloud: boolean;
  breakMinutes: number;
  glosses: boolean;
  secondLanguage: boolean;
}

export const NOT_ENTITLED: Entitled = {
  extra: NO_EXTRA_TIME,
  largePrint: false,
  readAloud: false,
  breakMinutes: 0,
  glosses: false,
  secondLanguage: false,
};

type Extra = Pick<typeof provisions.$inferSelect, 'extraTimePercent' | 'extraMinutes'>;
const extraTimeOf = ({ extraTimePercent: percent, extraMinutes: minutes }: Extra): ExtraTime => ({ percent, minutes });
const entitledBy = (row: typeof provisions.$inferSelect): Entitled => ({
  extra: extraTimeOf(row),
  largePrint: row.largePrint,
  readAloud: row.readAloud,
  breakMinutes: row.breakMinutes,
  glosses: row.glosses,
  secondLanguage: row.secondLanguage,
});

/** What one member is entitled to, by the sitting. */
export async function entitledOf(read: Reader, member: string, now: number): Promise<(sitting: string) => Entitled> {
  const [row] = await read.select().from(provisions).where(eq(provisions.member, member));
  const only = await read.select().from(sittingProvisions).where(eq(sittingProvisions.member, member));
  const everywhere = row && holds(row, now) ? entitledBy(row) : NOT_ENTITLED;
  const here = new Map(only.map((one) => [one.sitting, extraTimeOf(one)]));
  return (sitting) => ({ ...everywhere, extra: here.get(sitting) ?? everywhere.extra });
}

/** What these members are entitled to in a sitting; those without anything are missing. */
export async function entitledIn(
  read: Reader,
  sitting: string,
  people: readonly string[],
  now: number,
): Promise<Map<string, Entitled>> {
  const everywhere = await read
    .select()
    .from(provisions)
    .where(inArray(provisions.member, [...people]));
  const only = await read
    .select()
    .from(sittingProvisions)
    .where(and(eq(sittingProvisions.sitting, sitting), inArray(sittingProvisions.member, [...people])));
  const entitled = new Map<string, Entitled>();
  for (const row of everywhere.filter((one) => holds(one, now))) {
    entitled.set(row.member, entitledBy(row));
  }
  for (const row of only)
    entitled.set(row.member, { ...(entitled.get(row.member) ?? NOT_ENTITLED), extra: extraTimeOf(row) });
  return entitled;
}
