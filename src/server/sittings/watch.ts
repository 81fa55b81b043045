import { and, countDistinct, eq, inArray, max, ne, or } from 'drizzle-orm';
import { ok, type Result } from '@/core/base/result';
import { firstWords } from '@/core/content/plain';
import { paperLength } from '@/core/exams/plan';
import { poolQuestions } from '@/core/exams/pool';
import { type ExtraTime, NO_EXTRA_TIME } from '@/core/people/provision';
import type { LateRule } from '@/core/sittings/late';
import { ON_ITS_WAY } from '@/core/sittings/time';
import type { Tries } from '@/core/sittings/tries';
import { slowedMembers } from '../auth/tries';
import { type Context, NOT_FOUND } from '../context';
import type { Reader } from '../db/database';
import { answersNow, attempts } from '../db/schema/attempts';
import { extensions, sittings } from '../db/schema/exams';
import { courses, enrolments, members } from '../db/schema/people';
import { cameAsFile } from '../exchange/sealed-files';
import { inSitting } from '../people/courses';
import { type Entitled, entitledIn, NOT_ENTITLED } from '../people/provisions';
import { groupsOfCourse, guestNames, studentsFor } from '../people/participants';
import { WHOLE } from './answer-log';
import { type AttemptInTime, attemptsOf } from './attempts';
import type { SittingRow } from './list-sittings';
import { placedIn, poolOfSitting } from './pinned';
import { sittingColumns } from './sitting-columns';

/** Somebody of a sitting as the teacher watches it: a student, or a guest. */
export interface WatchedPerson {
  id: string;
  name: string;
  /** What they are entitled to here. */
  extra: ExtraTime;
  /** In words that are the same for everybody: what else they are entitled to. */
  provided: Provided;
  /** What a guest said besides the name, by the labels of the fields. */
  said: Record<string, string>;
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
    /** The first, the second; and how many of theirs count. */
    number: number;
    /** Since when its time stands still; null while it runs. */
    pausedAt: number | null;
    /** Why it was set aside; null while it counts. */
    aside: string | null;
    /** Questions that were worked at, the one that was written in last, by its number, and when; null while nothing is written. */
    worked: number;
    at: string | null;
    wroteAt: number | null;
    /** Milliseconds by which it was handed in late. */
    lateBy: number;
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
  /** Each group writes together: how many groups there are, and how many students are in none. */
  groups: { count: number; alone: number } | null;
  /** What has to be typed to get in; null when nothing has. */
  code: string | null;
  people: WatchedPerson[];
  dueAt: number | null;
  late: LateRule | null;
  tries: Tries | null;
  /** The title of what has to be handed in before, in a row of sittings; null for nothing. */
  before: string | null;
  /** Its exam came as a file, and what is handed in can go back as one. */
  fromFile: boolean;
  /** How many questions a paper has that has all sections. */
  paperLength: number;
  /** The questions that may be met, and how many of those who write, or have handed in, have worked at each. */
  questions: { number: string; label: string; worked: number }[];
}

/** A sitting with everybody who is to sit it and where they are. */
export async function watchSitting(ctx: Context, id: string): Promise<Result<WatchedSitting>> {
  const allowed = await inSitting(ctx, 'run sittings', id);
  if (!allowed.ok) return allowed;
  const { read } = ctx.db;
  const [row] = await read
    .select({ ...sittingColumns, code: sittings.code, courseTitle: courses.title })
    .from(sittings)
    .innerJoin(courses, eq(courses.id, sittings.course))
    .where(eq(sittings.id, id));
  if (!row) return NOT_FOUND;
  const enrolled = read.select({ id: enrolments.member }).from(enrolments).where(eq(enrolments.course, row.courseId));
  // Whoever has begun is watched, also when they are no longer in the course.
  const writers = read.select({ id: attempts.participant }).from(attempts).where(eq(attempts.sitting, id));
  const roster = await read
    .select({ id: members.id, name: members.name })
    .from(members)
    .where(and(eq(members.role, 'student'), or(inArray(members.id, enrolled), inArray(members.id, writers))))
    .orderBy(members.name);
  const entitled = await entitledIn(
    read,
    id,
    roster.map((student) => student.id),
    ctx.now,
  );
  const expected = await studentsFor(read, { ...row, course: row.courseId });
  const all = await attemptsOf(read, id, ctx.now);
  const begun = presentAttempts(all);
  const pool = poolQuestions(await poolOfSitting(read, id));
  const progress = await progressOf(read, id);
  const numbers = new Map(pool.map((item) => [item.id, item.number]));
  const shown = (mine: AttemptInTime): WatchedPerson['attempt'] => watched(mine, all, progress, numbers);
  const slowed = await slowedMembers(ctx);
  const groupOf = row.who === 'groups' ? await groupsOfCourse(read, row.courseId) : new Map<string, string>();
  const names = await guestNames(read, id);
  const more = await read.select().from(extensions).where(eq(extensions.sitting, id));
  const minutesOf = (participant: string): number =>
    more.filter((e) => e.participant === participant).reduce((n, e) => n + e.minutes, 0);
  const link = row.who === 'link';
  const together = row.who === 'groups';
  const students = roster.flatMap((student): WatchedPerson[] => {
    const participant = groupOf.get(student.id) ?? student.id;
    const mine = begun.get(participant);
    // Of those who come by a link nobody is waited for.
    // Whoever is in no group cannot get in where groups write.
    if (!mine && (link || !expected.has(student.id) || (together && !groupOf.has(student.id)))) return [];
    return [
      {
        ...student,
        extra: entitled.get(student.id)?.extra ?? NO_EXTRA_TIME,
        provided: providedTo(entitled.get(student.id)),
        said: {},
        extraMinutes: minutesOf(participant),
        slowedUntil: slowed.get(student.id) ?? 0,
        attempt: mine ? shown(mine) : null,
      },
    ];
  });
  const guests = [...names].flatMap(([guest, { name, said }]): WatchedPerson[] => {
    const mine = begun.get(guest);
    if (!mine) return [];
    const extraMinutes = minutesOf(guest);
    const nothing = { extra: NO_EXTRA_TIME, provided: providedTo(), extraMinutes, slowedUntil: 0 };
    return [{ id: guest, name, said, ...nothing, attempt: shown(mine) }];
  });
  const { courseId: _, who: __, only, ...sitting } = row;
  return ok({
    ...sitting,
    link,
    before: row.after === null ? null : await titleOf(read, row.after),
    fromFile: await cameAsFile(ctx, id),
    some: only !== null,
    groups: together
      ? { count: new Set(groupOf.values()).size, alone: [...expected].filter((id) => !groupOf.has(id)).length }
      : null,
    people: [...students, ...guests],
    paperLength: paperLength((await placedIn(read, id)).plan),
    questions: pool.map(({ id: item, number, question }) => ({
      number,
      label: firstWords(question.content, 40),
      worked: progress.byItem.get(item) ?? 0,
    })),
  });
}

async function titleOf(read: Reader, sitting: string): Promise<string | null> {
  const [row] = await read.select({ title: sittings.title }).from(sittings).where(eq(sittings.id, sitting));
  return row?.title ?? null;
}

/** What somebody is entitled to besides extra time. */
type Provided = Omit<Entitled, 'extra'>;

function providedTo({ extra: _, ...provided }: Entitled = NOT_ENTITLED): Provided {
  return provided;
}

/** Of each participant the attempt that is watched: the one they are at, else the last that counts, else the last. */
function presentAttempts(all: readonly AttemptInTime[]): Map<string, AttemptInTime> {
  const rank = ({ attempt: { handedInAt, asideAt } }: AttemptInTime): number =>
    handedInAt === null ? 2 : asideAt === null ? 1 : 0;
  const byRank = [...all].sort((a, b) => rank(a) - rank(b) || a.attempt.startedAt - b.attempt.startedAt);
  return new Map(byRank.map((one) => [one.attempt.participant, one]));
}

/** How far the attempts of a sitting are. */
interface Progress {
  byAttempt: Map<string, { worked: number; arrivedAt: number; item: string; wroteAt: number }>;
  /** How many attempts have worked at each question. */
  byItem: Map<string, number>;
}

async function progressOf(read: Reader, sitting: string): Promise<Progress> {
  const mine = and(
    inArray(answersNow.attempt, read.select({ id: attempts.id }).from(attempts).where(eq(attempts.sitting, sitting))),
    ne(answersNow.slot, WHOLE),
  );
  const arrived = await read
    .select({ attempt: answersNow.attempt, worked: countDistinct(answersNow.item), at: max(answersNow.receivedAt) })
    .from(answersNow)
    .where(mine)
    .groupBy(answersNow.attempt);
  // Beside a maximum, SQLite gives the other columns of the row that has it.
  const last = await read
    .select({ attempt: answersNow.attempt, item: answersNow.item, at: max(answersNow.writtenAt) })
    .from(answersNow)
    .where(mine)
    .groupBy(answersNow.attempt);
  const written = new Map(last.map(({ attempt, item, at }) => [attempt, { item, wroteAt: at ?? 0 }]));
  const worked = await read
    .select({ item: answersNow.item, attempts: countDistinct(answersNow.attempt) })
    .from(answersNow)
    .where(mine)
    .groupBy(answersNow.item);
  return {
    byAttempt: new Map(
      arrived.map(({ attempt, worked: items, at }) => {
        const { item = '', wroteAt = 0 } = written.get(attempt) ?? {};
        return [attempt, { worked: items, arrivedAt: at ?? 0, item, wroteAt }];
      }),
    ),
    byItem: new Map(worked.map(({ item, attempts: n }) => [item, n])),
  };
}

function watched(
  { attempt, state: { deadline }, pausedAt, late, ungiven }: AttemptInTime,
  all: readonly AttemptInTime[],
  { byAttempt }: Progress,
  numbers: ReadonlyMap<string, string>,
): WatchedPerson['attempt'] {
  const { id, startedAt, handedInAt, handedInBy, seenAt, noticeAt: toldAt, noticeReadAt: readAt } = attempt;
  const progress = byAttempt.get(id);
  const after = (progress?.arrivedAt ?? 0) - deadline;
  const before = all.filter(
    (one) =>
      one.attempt.participant === attempt.participant &&
      one.attempt.asideAt === null &&
      one.attempt.startedAt < startedAt,
  );
  return {
    id,
    number: before.length + 1,
    startedAt,
    deadline,
    handedInAt,
    handedInBy,
    seenAt,
    pausedAt,
    aside: attempt.asideAt === null ? null : attempt.asideReason,
    worked: progress?.worked ?? 0,
    at: numbers.get(progress?.item ?? '') ?? null,
    wroteAt: progress?.wroteAt ?? null,
    lateBy: handedInAt === null ? 0 : (late?.by ?? 0),
    arrivedLate: after > ON_ITS_WAY ? after : 0,
    ungiven,
    toldAt,
    readAt,
  };
}
