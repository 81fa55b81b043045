import { and, asc, eq } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { readAddress } from '@/core/people/message';
import { type Context, NOT_FOUND, parse } from '../context';
import type { Transaction } from '../db/database';
import { courses, enrolments, groups, members } from '../db/schema/people';
import { changed } from '../events/versions';
import { type CourseRow, inCourse } from './courses';
import { takeOutOfGroups } from './group-members';
import { traitsInCourse } from './traits';

/** A student of a course. */
export interface RosterRow {
  id: string;
  name: string;
  userName: string;
  email: string | null;
  subjects: string[];
  group: string | null;
}

export interface Roster extends CourseRow {
  /** Students form their groups themselves, of at most so many; null when the teacher does. */
  ownGroups: number | null;
  students: RosterRow[];
  groups: { id: string; name: string }[];
  /** Every subject that some student takes, by the alphabet. */
  subjects: string[];
}

/** Who is in a course, with subjects and groups. */
export async function openRoster(ctx: Context, course: string): Promise<Result<Roster>> {
  const allowed = await inCourse(ctx, 'keep roster', course);
  if (!allowed.ok) return allowed;
  const { read } = ctx.db;
  const [row] = await read.select().from(courses).where(eq(courses.id, course));
  if (!row) return NOT_FOUND;
  const traits = await traitsInCourse(read, course);
  const people = await read
    .select({ id: members.id, name: members.name, userName: members.userName, email: members.email })
    .from(members)
    .innerJoin(enrolments, and(eq(enrolments.member, members.id), eq(enrolments.course, course)))
    .where(eq(members.role, 'student'))
    .orderBy(asc(members.name));
  const all = await read
    .select({ id: groups.id, name: groups.name })
    .from(groups)
    .where(eq(groups.course, course))
    .orderBy(asc(groups.name));
  // Group 2 stands before Group 10.
  all.sort((a, b) => a.name.localeCompare(b.name, 'en', { numeric: true }));
  return ok({
    ...row,
    students: people.map((one) => ({
      ...one,
      subjects: [...(traits.get(one.id)?.subjects ?? [])],
      group: traits.get(one.id)?.groups[0] ?? null,
    })),
    groups: all,
    subjects: [...new Set([...traits.values()].flatMap(({ subjects }) => subjects))].sort((a, b) => a.localeCompare(b)),
  });
}

/** What is done in a course, once it is known that it may be. */
type Change = (tx: Transaction) => Promise<Result<null>>;

/** Reads what was sent, asks whether the actor may change the roster, and does it in one transaction. */
export async function inRoster<T extends { course: string }>(
  ctx: Context,
  schema: z.ZodType<T>,
  raw: unknown,
  change: (sent: T) => Change,
): Promise<Result<null>> {
  const parsed = parse(schema, raw);
  if (!parsed.ok) return parsed;
  const { course } = parsed.value;
  const allowed = await inCourse(ctx, 'keep roster', course);
  if (!allowed.ok) return allowed;
  return ctx.db.transaction(async (tx) => {
    const done = await change(parsed.value)(tx);
    // Who is in no group cannot get in, and the other way round.
    if (done.ok) await changed(tx, `course:${course}`);
    return done;
  });
}

/** A student of a course, as screens name them. */
export const ofStudent = z.object({ course: z.string(), member: z.string() });
const subjectsInput = ofStudent.extend({ subjects: z.array(z.string().trim().min(1).max(80)).max(30) });

/** Says which subjects of a course a student takes. */
export function setSubjects(ctx: Context, raw: unknown): Promise<Result<null>> {
  return inRoster(ctx, subjectsInput, raw, ({ course, member, subjects }) => async (tx) => {
    const written = await tx
      .update(enrolments)
      .set({ subjects: [...new Set(subjects)] })
      .where(and(eq(enrolments.course, course), eq(enrolments.member, member)))
      .returning({ member: enrolments.member });
    return written.length > 0 ? ok() : NOT_FOUND;
  });
}

const emailInput = ofStudent.extend({ email: z.string().max(300) });

/** Says where messages reach a student; nowhere when it is empty. */
export async function setEmail(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(emailInput, raw);
  if (!parsed.ok) return parsed;
  const typed = parsed.value.email.trim();
  const email = typed === '' ? null : readAddress(typed);
  if (typed !== '' && email === null) return refuse('email-odd', { at: ['email'] });
  return inRoster(ctx, emailInput, raw, ({ course, member }) => async (tx) => {
    const [inside] = await tx
      .select({ member: enrolments.member })
      .from(enrolments)
      .where(and(eq(enrolments.course, course), eq(enrolments.member, member)));
    const written = await tx
      .update(members)
      .set({ email })
      .where(and(eq(members.id, inside?.member ?? ''), eq(members.role, 'student')))
      .returning({ id: members.id });
    return written.length > 0 ? ok() : NOT_FOUND;
  });
}

/** Puts a student of the department into a course. */
export function enrol(ctx: Context, raw: unknown): Promise<Result<null>> {
  return inRoster(ctx, ofStudent, raw, ({ course, member }) => async (tx) => {
    const [student] = await tx.select({ role: members.role }).from(members).where(eq(members.id, member));
    const [known] = await tx.select({ id: courses.id }).from(courses).where(eq(courses.id, course));
    if (!known || student?.role !== 'student') return NOT_FOUND;
    await tx.insert(enrolments).values({ course, member }).onConflictDoNothing();
    return ok();
  });
}

/** Takes a student out of a course and its groups. What they wrote stays, also what they write at this moment. */
export function unenrol(ctx: Context, raw: unknown): Promise<Result<null>> {
  return inRoster(ctx, ofStudent, raw, ({ course, member }) => async (tx) => {
    const out = await takeOutOfGroups(tx, course, member);
    if (!out.ok) return out;
    await tx.delete(enrolments).where(and(eq(enrolments.course, course), eq(enrolments.member, member)));
    return ok();
  });
}
