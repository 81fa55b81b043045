import { and, eq, inArray } from 'drizzle-orm';
import { ok, type Result, refuse } from '@/core/base/result';
import type { Transaction } from '../db/database';
import { participants } from '../db/schema/exams';
import { groupMembers, groups } from '../db/schema/people';

/** The groups of a course. */
export async function groupIds(tx: Transaction, course: string): Promise<string[]> {
  const rows = await tx.select({ id: groups.id }).from(groups).where(eq(groups.course, course));
  return rows.map(({ id }) => id);
}

/** Refuses when one of these groups has an attempt: its marks belong to whoever is in it. */
export async function haveNotWorked(tx: Transaction, ids: readonly string[]): Promise<Result<null>> {
  const [worked] = await tx
    .select({ name: groups.name })
    .from(groups)
    .innerJoin(participants, eq(participants.group, groups.id))
    .where(inArray(groups.id, [...ids]))
    .limit(1);
  return worked ? refuse('group-has-worked', { values: { group: worked.name } }) : ok();
}

/** Takes a student out of the groups of a course, unless one of them has worked. */
export async function takeOutOfGroups(tx: Transaction, course: string, member: string): Promise<Result<null>> {
  const rows = await tx
    .select({ group: groupMembers.group })
    .from(groupMembers)
    .where(and(eq(groupMembers.member, member), inArray(groupMembers.group, await groupIds(tx, course))));
  const mine = rows.map(({ group }) => group);
  const free = await haveNotWorked(tx, mine);
  if (!free.ok) return free;
  await tx.delete(groupMembers).where(and(eq(groupMembers.member, member), inArray(groupMembers.group, mine)));
  return ok();
}

/** Takes groups apart; whoever was in them is in none. */
export async function removeGroups(tx: Transaction, ids: readonly string[]): Promise<void> {
  await tx.delete(groupMembers).where(inArray(groupMembers.group, [...ids]));
  await tx.delete(groups).where(inArray(groups.id, [...ids]));
}
