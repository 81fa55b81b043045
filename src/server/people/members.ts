import { asc, eq, inArray, sql } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result } from '@/core/base/result';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import { members, provisions } from '../db/schema/people';

export interface MemberRow {
  id: string;
  userName: string;
  name: string;
  role: string;
  extraTimePercent: number | null;
  reason: string | null;
}

/** Everybody in the department with what they are entitled to. */
export async function listMembers(ctx: Context): Promise<Result<MemberRow[]>> {
  if (!may(ctx.actor, 'use staff rooms', null)) return FORBIDDEN;
  // Why somebody has extra time concerns those who give it.
  const provides = may(ctx.actor, 'provide for students', null);
  return ok(
    await ctx.db.read
      .select({
        id: members.id,
        userName: members.userName,
        name: members.name,
        role: members.role,
        extraTimePercent: provides ? provisions.extraTimePercent : sql<null>`NULL`,
        reason: provides ? provisions.reason : sql<null>`NULL`,
      })
      .from(members)
      .leftJoin(provisions, eq(provisions.member, members.id))
      .orderBy(asc(members.name)),
  );
}

const provisionInput = z.object({
  member: z.string(),
  extraTimePercent: z.number().int().min(0).max(300),
  reason: z.string().trim().max(500),
});

/** Says once what a student is entitled to; it holds in every sitting entered from now on. */
export async function setProvision(ctx: Context, input: unknown): Promise<Result<null>> {
  const parsed = parse(provisionInput, input);
  if (!parsed.ok) return parsed;
  if (!may(ctx.actor, 'provide for students', null)) return FORBIDDEN;
  const { member, ...entitled } = parsed.value;
  const [student] = await ctx.db.read.select().from(members).where(eq(members.id, member));
  if (student?.role !== 'student') return NOT_FOUND;
  const row = { ...entitled, decidedBy: ctx.actor.id, decidedAt: ctx.now };
  await ctx.db.transaction(async (tx) => {
    if (entitled.extraTimePercent === 0) await tx.delete(provisions).where(eq(provisions.member, member));
    else
      await tx
        .insert(provisions)
        .values({ member, ...row })
        .onConflictDoUpdate({ target: provisions.member, set: row });
  });
  return ok();
}

/** Everybody who writes questions and exams, to choose from. */
export async function listColleagues(ctx: Context): Promise<{ id: string; name: string }[]> {
  return ctx.db.read
    .select({ id: members.id, name: members.name })
    .from(members)
    .where(inArray(members.role, ['lead', 'teacher']))
    .orderBy(asc(members.name));
}
