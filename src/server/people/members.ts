import { asc, inArray } from 'drizzle-orm';
import { ok, type Result } from '@/core/base/result';
import { may } from '@/core/people/may';
import type { Provision } from '@/core/people/provision';
import { type Context, FORBIDDEN } from '../context';
import { members, provisions } from '../db/schema/people';

export interface MemberRow {
  id: string;
  userName: string;
  name: string;
  role: string;
  /** What the student is entitled to; null for nothing, and for who may not know. */
  provision: (Provision & { decidedBy: string }) | null;
}

/** Everybody in the department with what they are entitled to. */
export async function listMembers(ctx: Context): Promise<Result<MemberRow[]>> {
  if (!may(ctx.actor, 'use staff rooms', null)) return FORBIDDEN;
  // Why somebody has extra time concerns those who give it.
  const provides = may(ctx.actor, 'provide for students', null);
  const rows = await ctx.db.read
    .select({ id: members.id, userName: members.userName, name: members.name, role: members.role })
    .from(members)
    .orderBy(asc(members.name));
  const given = provides ? await ctx.db.read.select().from(provisions) : [];
  const names = new Map(rows.map(({ id, name }) => [id, name]));
  const provided = new Map(
    given.map(({ member, decidedBy, decidedAt: _, ...provision }) => [
      member,
      { ...provision, decidedBy: names.get(decidedBy) ?? '' },
    ]),
  );
  return ok(rows.map((row) => ({ ...row, provision: provided.get(row.id) ?? null })));
}

/** Everybody who writes questions and exams, to choose from. */
export async function listColleagues(ctx: Context): Promise<{ id: string; name: string }[]> {
  return ctx.db.read
    .select({ id: members.id, name: members.name })
    .from(members)
    .where(inArray(members.role, ['lead', 'teacher']))
    .orderBy(asc(members.name));
}
