import { and, count, desc, eq, inArray, isNotNull, max, or, sql } from 'drizzle-orm';
import { ok, type Result } from '@/core/base/result';
import { isFor, NO_TRAITS, type Traits } from '@/core/exams/only';
import type { Only } from '@/core/exams/plan';
import { may } from '@/core/people/may';
import { ON_ITS_WAY } from '@/core/sittings/time';
import { type Context, FORBIDDEN, NOT_FOUND } from '../context';
import { coursesFor, inSitting } from '../people/courses';
import type { Reader } from '../db/database';
import { answersNow, attempts, extensions, sittings } from '../db/schema/exams';
import { courses, enrolments, groupMembers, members, provisions } from '../db/schema/people';
import { slowedMembers } from '../auth/tries';
import { groupsOfCourse, guestNames, studentsFor } from '../people/participants';
import { traitsOf } from '../people/traits';
import { type AttemptInTime, attemptsOf } from './attempts';

const rosterSize = sql<number>`(SELECT count(*) FROM ${enrolments} WHERE ${enrolments.course} = ${sittings.course})`;

const columns = {
  id: sittings.id,
  title: sittings.title,
  course: courses.code,
  opensAt: sittings.opensAt,
  closesAt: sittings.closesAt,
  endedAt: sittings.endedAt,
  minutes: sittings.minutes,
  releasedAt: sittings.releasedAt,
  who: sittings.who,
  only: sittings.only,
  courseId: courses.id,
  students: rosterSize,
};

export interface SittingRow {
  id: string;
  title: string;
  course: string;
  opensAt: number;
  closesAt: number;
  endedAt: number | null;
  minutes: number;
  releasedAt: number | null;
  students: number;
  started: number;
  handedIn: number;
}

/** The sittings of the actor's courses, the newest first. */
export async function listSittings(ctx: Context): Promise<Result<SittingRow[]>> {
  if (!may(ctx.actor, 'use staff rooms', null)) return FORBIDDEN;
  const own = (await coursesFor(ctx, 'mark answers')).map(({ id }) => id);
  const rows = await ctx.db.read
    .select({ ...columns, started: count(attempts.id), handedIn: count(attempts.handedInAt) })
    .from(sittings)
    .innerJoin(courses, eq(courses.id, sittings.course))
    .leftJoin(attempts, eq(attempts.sitting, sittings.id))
    .where(inArray(sittings.course, own))
    .groupBy(sittings.id)
    .orderBy(desc(sittings.opensAt));
  return ok(
    await Promise.all(
      rows.map(async ({ who, only, courseId, ...row }) => {
        if (who === 'link') return { ...row, students: row.started };
        return only
          ? { ...row, students: (await studentsFor(ctx.db.read, { who, only, course: courseId })).size }
          : row;
      }),
    ),
  );
}

/** Somebody of a sitting as the teacher watches it: a student, or a guest. */
export interface WatchedPerson {
  id: string;
  name: string;
  extraTimePercent: number;
  extraMinutes: number;
  /** Until when wrong tries keep this student from signing in; 0 when none do. */
  slowedUntil: number;
  attempt: {
    id: string;
    startedAt: number;
    deadline: number;
    handedInAt: number | null;
    handedInBy: string | null;
    seenAt: number;
    /** Milliseconds after the end at which its last answer arrived, from a device that had been offline; 0 for none. */
    arrivedLate: number;
    /** Milliseconds that outages of the server took and that were not given back by themselves. */
    ungiven: number;
    /** When something was said to this student last, and when it was read. */
    toldAt: number | null;
    readAt: number | null;
  } | null;
}

export interface WatchedSitting extends Omit<SittingRow, 'started' | 'handedIn'> {
  courseTitle: string;
  /** Whoever has its link can come, too. */
  link: boolean;
  /** It is for some students of the course only. */
  some: boolean;
  /** What has to be typed to get in; null when nothing has. */
  code: string | null;
  people: WatchedPerson[];
}

/** A sitting with everybody who is to sit it and where they are. */
export async function watchSitting(ctx: Context, id: string): Promise<Result<WatchedSitting>> {
  const allowed = await inSitting(ctx, 'run sittings', id);
  if (!allowed.ok) return allowed;
  const { read } = ctx.db;
  const [row] = await read
    .select({ ...columns, code: sittings.code, courseTitle: courses.title })
    .from(sittings)
    .innerJoin(courses, eq(courses.id, sittings.course))
    .where(eq(sittings.id, id));
  if (!row) return NOT_FOUND;
  const enrolled = read.select({ id: enrolments.member }).from(enrolments).where(eq(enrolments.course, row.courseId));
  // Whoever has begun is watched, also when they are no longer in the course.
  const writers = read.select({ id: attempts.participant }).from(attempts).where(eq(attempts.sitting, id));
  const roster = await read
    .select({ id: members.id, name: members.name, extraTimePercent: provisions.extraTimePercent })
    .from(members)
    .leftJoin(provisions, eq(provisions.member, members.id))
    .where(and(eq(members.role, 'student'), or(inArray(members.id, enrolled), inArray(members.id, writers))))
    .orderBy(members.name);
  const expected = await studentsFor(read, { ...row, course: row.courseId });
  const begun = new Map((await attemptsOf(read, id)).map((one) => [one.attempt.participant, one]));
  const arrived = await lastArrivals(read, id);
  const slowed = await slowedMembers(ctx);
  const groupOf = row.who === 'groups' ? await groupsOfCourse(read, row.courseId) : new Map<string, string>();
  const names = await guestNames(read, id);
  const more = await read.select().from(extensions).where(eq(extensions.sitting, id));
  const minutesOf = (participant: string): number =>
    more.filter((e) => e.participant === participant).reduce((n, e) => n + e.minutes, 0);
  const link = row.who === 'link';
  const students = roster.flatMap(({ extraTimePercent, ...student }): WatchedPerson[] => {
    const participant = groupOf.get(student.id) ?? student.id;
    const mine = begun.get(participant);
    // Of those who come by a link nobody is waited for.
    if (!mine && (link || !expected.has(student.id))) return [];
    return [
      {
        ...student,
        extraTimePercent: extraTimePercent ?? 0,
        extraMinutes: minutesOf(participant),
        slowedUntil: slowed.get(student.id) ?? 0,
        attempt: mine ? watched(mine, arrived) : null,
      },
    ];
  });
  const guests = [...names].flatMap(([guest, name]): WatchedPerson[] => {
    const mine = begun.get(guest);
    if (!mine) return [];
    const extraMinutes = minutesOf(guest);
    return [{ id: guest, name, extraTimePercent: 0, extraMinutes, slowedUntil: 0, attempt: watched(mine, arrived) }];
  });
  const { courseId: _, who: __, only, ...sitting } = row;
  return ok({ ...sitting, link, some: only !== null, people: [...students, ...guests] });
}

/** When the last of the present answers of each attempt arrived. */
async function lastArrivals(read: Reader, sitting: string): Promise<ReadonlyMap<string, number>> {
  const rows = await read
    .select({ attempt: answersNow.attempt, at: max(answersNow.receivedAt) })
    .from(answersNow)
    .where(
      inArray(answersNow.attempt, read.select({ id: attempts.id }).from(attempts).where(eq(attempts.sitting, sitting))),
    )
    .groupBy(answersNow.attempt);
  return new Map(rows.map(({ attempt, at }) => [attempt, at ?? 0]));
}

function watched(
  { attempt, state: { deadline }, ungiven }: AttemptInTime,
  arrived: ReadonlyMap<string, number>,
): WatchedPerson['attempt'] {
  const { id, startedAt, handedInAt, handedInBy, seenAt, noticeAt: toldAt, noticeReadAt: readAt } = attempt;
  const after = (arrived.get(id) ?? 0) - deadline;
  const arrivedLate = after > ON_ITS_WAY ? after : 0;
  return { id, startedAt, deadline, handedInAt, handedInBy, seenAt, arrivedLate, ungiven, toldAt, readAt };
}

export interface OwnSitting extends Omit<SittingRow, 'started' | 'handedIn' | 'students'> {
  attempt: { id: string; handedInAt: number | null } | null;
  extraTimePercent: number;
  /** A code has to be typed to get in. */
  coded: boolean;
}

/** The sittings of a student's courses, and those that they have begun, with the state of their own attempt; newest first. */
export async function ownSittings(ctx: Context): Promise<OwnSitting[]> {
  const ownGroups = ctx.db.read
    .select({ id: groupMembers.group })
    .from(groupMembers)
    .where(eq(groupMembers.member, ctx.actor.id));
  const rows = await ctx.db.read
    .select({
      ...columns,
      attempt: { id: attempts.id, handedInAt: attempts.handedInAt },
      extra: provisions.extraTimePercent,
      coded: sql<number>`${sittings.code} IS NOT NULL`,
    })
    .from(sittings)
    .leftJoin(enrolments, and(eq(enrolments.course, sittings.course), eq(enrolments.member, ctx.actor.id)))
    .innerJoin(courses, eq(courses.id, sittings.course))
    .leftJoin(
      attempts,
      and(
        eq(attempts.sitting, sittings.id),
        or(eq(attempts.participant, ctx.actor.id), inArray(attempts.participant, ownGroups)),
      ),
    )
    .leftJoin(provisions, eq(provisions.member, ctx.actor.id))
    .where(or(isNotNull(enrolments.member), isNotNull(attempts.id)))
    .orderBy(desc(sittings.opensAt));
  const traits = new Map<string, Traits>();
  for (const { only, courseId } of rows)
    if (only && !traits.has(courseId))
      traits.set(courseId, await traitsOf(ctx.db.read, courseId, { is: 'member', id: ctx.actor.id }));
  const isMine = (only: Only | null, courseId: string): boolean =>
    only === null || isFor(only, traits.get(courseId) ?? NO_TRAITS);
  return rows
    .filter(({ attempt, only, courseId }) => attempt !== null || isMine(only, courseId))
    .map(({ extra, coded, students: _, who: __, only: ___, courseId: ____, ...row }) => ({
      ...row,
      extraTimePercent: extra ?? 0,
      coded: coded === 1,
    }));
}
