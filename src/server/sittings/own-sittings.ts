import { and, asc, desc, eq, inArray, isNotNull, or, sql } from 'drizzle-orm';
import { isFor, NO_TRAITS, type Traits } from '@/core/exams/only';
import type { Only } from '@/core/exams/plan';
import { withExtraTime } from '@/core/people/provision';
import type { LateRule } from '@/core/sittings/late';
import type { NextTry, Tries } from '@/core/sittings/tries';
import type { Context } from '../context';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { courses, enrolments, groupMembers } from '../db/schema/people';
import { entitledOf } from '../people/provisions';
import { traitsOf } from '../people/traits';
import { nextTryIn } from './enter';
import type { SittingRow } from './list-sittings';
import { sittingColumns } from './sitting-columns';

/** An attempt of one's own. */
export interface OwnAttempt {
  id: string;
  /** The first, the second; those set aside are not counted. */
  number: number;
  startedAt: number;
  handedInAt: number | null;
  asideAt: number | null;
  asideReason: string;
}

export interface OwnSitting extends Omit<SittingRow, 'started' | 'handedIn' | 'students'> {
  /** One's own, the first of them first. */
  attempts: OwnAttempt[];
  next: NextTry;
  /** Working minutes of one's own, extra time included. */
  ownMinutes: number;
  /** A code has to be typed to get in. */
  coded: boolean;
  dueAt: number | null;
  late: LateRule | null;
  tries: Tries | null;
  /** The title of what has to be handed in before; null when nothing is in the way. */
  after: string | null;
}

/** The sittings of a student's courses, and those that they have begun, with their own attempts; newest first. */
export async function ownSittings(ctx: Context): Promise<OwnSitting[]> {
  const { read } = ctx.db;
  const ownGroups = read
    .select({ id: groupMembers.group })
    .from(groupMembers)
    .where(eq(groupMembers.member, ctx.actor.id));
  const begun = await read
    .select()
    .from(attempts)
    .where(or(eq(attempts.participant, ctx.actor.id), inArray(attempts.participant, ownGroups)))
    .orderBy(asc(attempts.startedAt));
  const rows = await read
    .select({
      ...sittingColumns,
      coded: sql<number>`${sittings.code} IS NOT NULL`,
    })
    .from(sittings)
    .leftJoin(enrolments, and(eq(enrolments.course, sittings.course), eq(enrolments.member, ctx.actor.id)))
    .innerJoin(courses, eq(courses.id, sittings.course))
    .where(
      or(
        isNotNull(enrolments.member),
        inArray(
          sittings.id,
          begun.map(({ sitting }) => sitting),
        ),
      ),
    )
    .orderBy(desc(sittings.opensAt), desc(sittings.createdAt));
  const entitled = await entitledOf(read, ctx.actor.id, ctx.now);
  const traits = new Map<string, Traits>();
  for (const { only, courseId } of rows)
    if (only && !traits.has(courseId))
      traits.set(courseId, await traitsOf(read, courseId, { is: 'member', id: ctx.actor.id }));
  const isMine = (only: Only | null, courseId: string): boolean =>
    only === null || isFor(only, traits.get(courseId) ?? NO_TRAITS);
  /** The sitting before, where one's own attempt in it is not handed in. */
  const inTheWay = (after: string | null): string | null =>
    after === null || begun.some((one) => one.sitting === after && one.handedInAt !== null && one.asideAt === null)
      ? null
      : (rows.find(({ id }) => id === after)?.title ?? '');
  return rows.flatMap(({ coded, after, students: _, who: __, only, courseId, ...row }): OwnSitting[] => {
    const mine = begun.filter(({ sitting }) => sitting === row.id);
    if (mine.length === 0 && !isMine(only, courseId)) return [];
    return [
      {
        ...row,
        attempts: numbered(mine),
        next: nextTryIn(mine, row, ctx.now),
        ownMinutes: withExtraTime(row.minutes, entitled(row.id).extra),
        coded: coded === 1,
        after: inTheWay(after),
      },
    ];
  });
}

/** Attempts with their numbers; in the order in which they began. */
function numbered(begun: readonly (typeof attempts.$inferSelect)[]): OwnAttempt[] {
  let number = 0;
  return begun.map(({ id, startedAt, handedInAt, asideAt, asideReason }) => {
    if (asideAt === null) number += 1;
    return { id, number, startedAt, handedInAt, asideAt, asideReason };
  });
}
