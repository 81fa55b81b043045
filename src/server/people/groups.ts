import { and, asc, eq } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { dealt } from '@/core/people/deal';
import { type Context, NOT_FOUND } from '../context';
import { enrolments, groupMembers, groups, members } from '../db/schema/people';
import { newId, newSeed } from '../ports/ids';
import { groupIds, haveNotWorked, removeGroups, takeOutOfGroups } from './group-members';
import { inRoster, ofStudent } from './roster';

const MOST_GROUPS = 200;

const groupInput = ofStudent.extend({ group: z.string().nullable() });

/** Puts a student into a group of the course, or out of all. */
export function setGroup(ctx: Context, raw: unknown): Promise<Result<null>> {
  return inRoster(ctx, groupInput, raw, ({ course, member, group }) => async (tx) => {
    const [enrolled] = await tx
      .select({ member: enrolments.member })
      .from(enrolments)
      .where(and(eq(enrolments.course, course), eq(enrolments.member, member)));
    if (!enrolled || (group !== null && !(await groupIds(tx, course)).includes(group))) return NOT_FOUND;
    const free = await haveNotWorked(tx, group === null ? [] : [group]);
    const out = free.ok ? await takeOutOfGroups(tx, course, member) : free;
    if (out.ok && group !== null) await tx.insert(groupMembers).values({ group, member });
    return out;
  });
}

const nameInput = z.object({
  course: z.string(),
  group: z.string().nullable(),
  name: z.string().trim().min(1).max(80),
});

/** Gives a group another name, or makes one when none is said. */
export function nameGroup(ctx: Context, raw: unknown): Promise<Result<null>> {
  return inRoster(ctx, nameInput, raw, ({ course, group, name }) => async (tx) => {
    const others = await tx.select().from(groups).where(eq(groups.course, course));
    if (group === null && others.length >= MOST_GROUPS)
      return refuse('groups-too-many', { values: { most: MOST_GROUPS } });
    if (others.some((one) => one.id !== group && one.name === name))
      return refuse('group-name-taken', { at: ['name'] });
    if (group === null) await tx.insert(groups).values({ id: newId(), course, name });
    else if (others.some(({ id }) => id === group)) await tx.update(groups).set({ name }).where(eq(groups.id, group));
    else return NOT_FOUND;
    return ok();
  });
}

const ofGroup = z.object({ course: z.string(), group: z.string() });

/** Takes a group apart; its students are in none afterwards. */
export function removeGroup(ctx: Context, raw: unknown): Promise<Result<null>> {
  return inRoster(ctx, ofGroup, raw, ({ course, group }) => async (tx) => {
    if (!(await groupIds(tx, course)).includes(group)) return NOT_FOUND;
    const free = await haveNotWorked(tx, [group]);
    if (!free.ok) return free;
    await removeGroups(tx, [group]);
    return ok();
  });
}

const dealInput = z.object({ course: z.string(), size: z.number().int().min(1).max(200) });

/** Deals all students of a course into new groups at random; the groups that there were are gone. */
export function dealGroups(ctx: Context, raw: unknown): Promise<Result<null>> {
  return inRoster(ctx, dealInput, raw, ({ course, size }) => async (tx) => {
    const there = await groupIds(tx, course);
    const free = await haveNotWorked(tx, there);
    if (!free.ok) return free;
    const people = await tx
      .select({ id: members.id })
      .from(members)
      .innerJoin(enrolments, and(eq(enrolments.member, members.id), eq(enrolments.course, course)))
      .where(eq(members.role, 'student'))
      .orderBy(asc(members.id));
    const hands = dealt(
      people.map(({ id }) => id),
      size,
      newSeed(),
    );
    if (hands.length > MOST_GROUPS) return refuse('groups-too-many', { values: { most: MOST_GROUPS } });
    await removeGroups(tx, there);
    for (const [i, hand] of hands.entries()) {
      const id = newId();
      await tx.insert(groups).values({ id, course, name: `Group ${i + 1}` });
      await tx.insert(groupMembers).values(hand.map((member) => ({ group: id, member })));
    }
    return ok();
  });
}
