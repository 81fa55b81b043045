import { and, asc, eq, isNotNull } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import type { Reader, Transaction } from '../db/database';
import { courses, enrolments, groupMembers, groups, members } from '../db/schema/people';
import { changed } from '../events/versions';
import { newId } from '../ports/ids';
import { groupIds, haveNotWorked, removeGroups, takeOutOfGroups } from './group-members';
import { inRoster } from './roster';

const MOST_GROUPS = 200;

const allowing = z.object({ course: z.string(), most: z.number().int().min(2).max(50).nullable() });

/** Says that students of a course form their groups themselves, of at most so many; or that the teacher does. */
export function setOwnGroups(ctx: Context, raw: unknown): Promise<Result<null>> {
  return inRoster(ctx, allowing, raw, ({ course, most }) => async (tx) => {
    const written = await tx
      .update(courses)
      .set({ ownGroups: most })
      .where(eq(courses.id, course))
      .returning({ id: courses.id });
    return written.length > 0 ? ok() : NOT_FOUND;
  });
}

/** The groups of a course as its students form them. */
export interface OwnGroups {
  course: string;
  title: string;
  most: number;
  groups: { id: string; name: string; members: string[]; mine: boolean }[];
}

/** The groups of the courses in which the student forms them with the others. */
export async function ownGroups(ctx: Context): Promise<OwnGroups[]> {
  const { read } = ctx.db;
  const rows = await read
    .select({ course: courses.id, code: courses.code, title: courses.title, most: courses.ownGroups })
    .from(courses)
    .innerJoin(enrolments, and(eq(enrolments.course, courses.id), eq(enrolments.member, ctx.actor.id)))
    .where(isNotNull(courses.ownGroups))
    .orderBy(asc(courses.code));
  return Promise.all(
    rows.map(async ({ course, code, title, most }) => {
      const all = await read
        .select({ id: groups.id, name: groups.name })
        .from(groups)
        .where(eq(groups.course, course))
        .orderBy(asc(groups.name));
      const inside = await read
        .select({ group: groupMembers.group, id: members.id, name: members.name })
        .from(groupMembers)
        .innerJoin(groups, and(eq(groups.id, groupMembers.group), eq(groups.course, course)))
        .innerJoin(members, eq(members.id, groupMembers.member))
        .orderBy(asc(members.name));
      return {
        course,
        title: `${code} ${title}`,
        most: most ?? 0,
        groups: all
          .sort((a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }))
          .map(({ id, name }) => {
            const people = inside.filter(({ group }) => group === id);
            return {
              id,
              name,
              members: people.map((one) => one.name),
              mine: people.some((one) => one.id === ctx.actor.id),
            };
          }),
      };
    }),
  );
}

const joining = z.object({
  course: z.string(),
  /** The group to be in; null for a new one, which is called by the name. */
  group: z.string().nullable(),
  name: z.string().trim().max(80),
});

/** Joins a group of a course, or begins one, and leaves the one before. */
export async function joinGroup(ctx: Context, raw: unknown): Promise<Result<null>> {
  return forming(ctx, joining, raw, async (tx, { course, group, name }, most) => {
    const there = await tx.select().from(groups).where(eq(groups.course, course));
    if (group === null && name === '') return refuse('bad-input', { at: ['name'], values: { problem: 'name-empty' } });
    if (group === null && there.some((one) => one.name === name)) return refuse('group-name-taken', { at: ['name'] });
    if (group === null && there.length >= MOST_GROUPS)
      return refuse('groups-too-many', { values: { most: MOST_GROUPS } });
    if (group !== null && !there.some(({ id }) => id === group)) return NOT_FOUND;
    const others = group === null ? [] : await tx.select().from(groupMembers).where(eq(groupMembers.group, group));
    if (others.some(({ member }) => member === ctx.actor.id)) return ok();
    if (others.length >= most) return refuse('group-full', { values: { most } });
    const free = await haveNotWorked(tx, group === null ? [] : [group]);
    if (!free.ok) return free;
    const left = await leave(tx, course, ctx.actor.id);
    if (!left.ok) return left;
    const id = group ?? newId();
    if (group === null) await tx.insert(groups).values({ id, course, name });
    await tx.insert(groupMembers).values({ group: id, member: ctx.actor.id });
    return ok();
  });
}

const leaving = z.object({ course: z.string() });

/** Leaves the group of a course that one is in. */
export async function leaveGroup(ctx: Context, raw: unknown): Promise<Result<null>> {
  return forming(ctx, leaving, raw, (tx, { course }) => leave(tx, course, ctx.actor.id));
}

/** Leaves a group; the last one to do so takes it apart. */
async function leave(tx: Transaction, course: string, member: string): Promise<Result<null>> {
  const mine = await tx.select({ group: groupMembers.group }).from(groupMembers).where(eq(groupMembers.member, member));
  const out = await takeOutOfGroups(tx, course, member);
  if (!out.ok) return out;
  const ofCourse = new Set(await groupIds(tx, course));
  for (const { group } of mine.filter((one) => ofCourse.has(one.group))) {
    const left = await tx.select().from(groupMembers).where(eq(groupMembers.group, group)).limit(1);
    if (left.length === 0) await removeGroups(tx, [group]);
  }
  return ok();
}

type Forming<T> = (tx: Transaction, sent: T, most: number) => Promise<Result<null>>;

/** Does something as a student of a course who may form its groups. */
async function forming<T extends { course: string }>(
  ctx: Context,
  schema: z.ZodType<T>,
  raw: unknown,
  act: Forming<T>,
): Promise<Result<null>> {
  const parsed = parse(schema, raw);
  if (!parsed.ok) return parsed;
  const { course } = parsed.value;
  return ctx.db.transaction(async (tx) => {
    const most = await mostInGroup(tx, course, ctx.actor.id);
    if (most === null) return FORBIDDEN;
    const done = await act(tx, parsed.value, most);
    if (done.ok) await changed(tx, `course:${course}`);
    return done;
  });
}

/** How many a group of a course may have; null where this student forms none. */
async function mostInGroup(read: Reader, course: string, member: string): Promise<number | null> {
  const [row] = await read
    .select({ most: courses.ownGroups })
    .from(courses)
    .innerJoin(enrolments, and(eq(enrolments.course, courses.id), eq(enrolments.member, member)))
    .where(eq(courses.id, course));
  return row?.most ?? null;
}
