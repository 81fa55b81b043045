import { and, asc, inArray, isNull } from 'drizzle-orm';
import { ok, type Result } from '@/core/base/result';
import { may, type Role } from '@/core/people/may';
import type { Provision } from '@/core/people/provision';
import { type Context, FORBIDDEN } from '../context';
import { members, provisions } from '../db/schema/people';

export interface MemberRow {
  id: string;
  userName: string;
  name: string;
  role: Exclude<Role, 'guest'>;
  /** Null for none, and for who does not manage people. */
  email: string | null;
  /** Nobody signs in to it any more. */
  closed: boolean;
  /** What the student is entitled to; null for nothing, and for who may not know. */
  provision: (Provision & { decidedBy: string }) | null;
}

/** Everybody in the department with what they are entitled to. */
export async function listMembers(ctx: Context): Promise<Result<MemberRow[]>> {
  if (!may(ctx.actor, 'use staff rooms', null)) return FORBIDDEN;
  // Why somebody has extra time concerns those who give it.
  const provides = may(ctx.actor, 'provide for students', null);
  const manages = may(ctx.actor, 'manage people', null);
  const { id, userName, name, role, email, closedAt } = members;
  const rows = await ctx.db.read.select({ id, userName, name, role, email, closedAt }).from(members).orderBy(asc(name));
  const given = provides ? await ctx.db.read.select().from(provisions) : [];
  const names = new Map(rows.map(({ id, name }) => [id, name]));
  const provided = new Map(
    given.map(({ member, decidedBy, decidedAt: _, ...provision }) => [
      member,
      { ...provision, decidedBy: names.get(decidedBy) ?? '' },
    ]),
  );
  return ok(
    rows.map(({ closedAt: since, ...row }) => ({
      ...row,
      email: manages ? row.email : null,
      closed: since !== null,
      provision: provided.get(row.id) ?? null,
    })),
  );
}

/** Everybody who writes questions and exams, to choose from. */
export async function listColleagues(ctx: Context): Promise<{ id: string; name: string }[]> {
  return ctx.db.read
    .select({ id: members.id, name: members.name })
    .from(members)
    .where(and(inArray(members.role, ['lead', 'teacher']), isNull(members.closedAt)))
    .orderBy(asc(members.name));
}
