import { and, asc, eq, inArray, ne, or, type SQL } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { type Acts, type CourseAccess, may } from '@/core/people/may';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import type { Reader } from '../db/database';
import { sittings, sittingStaff } from '../db/schema/exams';
import { courses, courseStaff, members } from '../db/schema/people';
import { newId } from '../ports/ids';

/** What can be permitted in one course and not in another. */
export type CourseAct = {
  [A in keyof Acts]: Acts[A] extends CourseAccess ? (CourseAccess extends Acts[A] ? A : never) : never;
}[keyof Acts];

export interface CourseRow {
  id: string;
  code: string;
  title: string;
  term: string;
}

async function staffOf(read: Reader, course: string): Promise<CourseAccess> {
  const rows = await read
    .select({ member: courseStaff.member })
    .from(courseStaff)
    .where(eq(courseStaff.course, course));
  return { staff: rows.map(({ member }) => member) };
}

/** The courses in which the actor may do this, by their codes. */
export async function coursesFor(ctx: Context, act: CourseAct): Promise<CourseRow[]> {
  const all = await ctx.db.read.select().from(courses).orderBy(asc(courses.code));
  const staff = await ctx.db.read.select().from(courseStaff);
  return all.filter(({ id }) =>
    may(ctx.actor, act, { staff: staff.filter(({ course }) => course === id).map(({ member }) => member) }),
  );
}

/** Refuses what the actor may not do in a course. */
export async function inCourse(ctx: Context, act: CourseAct, course: string): Promise<Result<null>> {
  return may(ctx.actor, act, await staffOf(ctx.db.read, course)) ? ok() : FORBIDDEN;
}

/** Refuses what the actor may not do in a sitting, as staff of its course or of it alone, and sittings that are not there. */
export async function inSitting(ctx: Context, act: CourseAct, sitting: string): Promise<Result<null>> {
  const { read } = ctx.db;
  const [row] = await read.select({ course: sittings.course }).from(sittings).where(eq(sittings.id, sitting));
  if (row) {
    const { staff } = await staffOf(read, row.course);
    const helpers = await read
      .select({ member: sittingStaff.member })
      .from(sittingStaff)
      .where(eq(sittingStaff.sitting, sitting));
    return may(ctx.actor, act, { staff: [...staff, ...helpers.map(({ member }) => member)] }) ? ok() : FORBIDDEN;
  }
  // Who may do this nowhere is not told what is there.
  return (await coursesFor(ctx, act)).length > 0 ? NOT_FOUND : FORBIDDEN;
}

/** The sittings in which the actor may do this: those of their courses, and those that they help with. To be asked where sittings are. */
export async function sittingsFor(ctx: Context, act: CourseAct): Promise<SQL | undefined> {
  const own = inArray(
    sittings.course,
    (await coursesFor(ctx, act)).map(({ id }) => id),
  );
  if (!may(ctx.actor, act, { staff: [ctx.actor.id] })) return own;
  const helped = ctx.db.read
    .select({ id: sittingStaff.sitting })
    .from(sittingStaff)
    .where(eq(sittingStaff.member, ctx.actor.id));
  return or(own, inArray(sittings.id, helped));
}

export interface StaffedCourse extends CourseRow {
  staff: { id: string; name: string }[];
}

/** Every course with those who teach or mark in it. */
export async function listStaff(ctx: Context): Promise<StaffedCourse[]> {
  const all = await ctx.db.read.select().from(courses).orderBy(asc(courses.code));
  const staff = await ctx.db.read
    .select({ course: courseStaff.course, id: members.id, name: members.name })
    .from(courseStaff)
    .innerJoin(members, eq(members.id, courseStaff.member))
    .orderBy(asc(members.name));
  return all.map((course) => ({
    ...course,
    staff: staff.filter((one) => one.course === course.id).map(({ id, name }) => ({ id, name })),
  }));
}

const courseInput = z.object({
  /** Null for a new one. */
  id: z.string().nullable(),
  code: z.string().trim().min(1, 'code-empty').max(30, 'too-long'),
  title: z.string().trim().min(1, 'name-empty').max(80, 'name-long'),
  term: z.string().trim().max(40, 'too-long'),
});

/** Begins a course, or says otherwise what it is called. */
export async function keepCourse(ctx: Context, raw: unknown): Promise<Result<{ id: string }>> {
  const parsed = parse(courseInput, raw);
  if (!parsed.ok) return parsed;
  if (!may(ctx.actor, 'manage people', null)) return FORBIDDEN;
  const { id, ...said } = parsed.value;
  return ctx.db.transaction(async (tx) => {
    const others = id === null ? undefined : ne(courses.id, id);
    const same = await tx
      .select({ id: courses.id })
      .from(courses)
      .where(and(eq(courses.code, said.code), others));
    if (same.length > 0) return refuse('course-code-taken', { at: ['code'] });
    if (id === null) {
      const course = newId();
      await tx.insert(courses).values({ id: course, ...said });
      return ok({ id: course });
    }
    const kept = await tx.update(courses).set(said).where(eq(courses.id, id)).returning({ id: courses.id });
    return kept[0] ? ok(kept[0]) : NOT_FOUND;
  });
}

const staffing = z.object({ course: z.string(), staff: z.array(z.string()).max(500) });

/** Says who teaches and marks in a course. The lead does in all. */
export async function setStaff(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(staffing, raw);
  if (!parsed.ok) return parsed;
  if (!may(ctx.actor, 'manage people', null)) return FORBIDDEN;
  const { course } = parsed.value;
  const people = await ctx.db.read.select({ id: members.id, role: members.role }).from(members);
  const able = new Set(people.filter(({ role }) => role === 'teacher' || role === 'marker').map(({ id }) => id));
  const staff = [...new Set(parsed.value.staff)];
  if (!staff.every((member) => able.has(member))) return NOT_FOUND;
  return ctx.db.transaction(async (tx) => {
    const [known] = await tx.select({ id: courses.id }).from(courses).where(eq(courses.id, course));
    if (!known) return NOT_FOUND;
    await tx.delete(courseStaff).where(eq(courseStaff.course, course));
    if (staff.length > 0) await tx.insert(courseStaff).values(staff.map((member) => ({ course, member })));
    return ok();
  });
}
