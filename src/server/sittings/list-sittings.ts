import { countDistinct, desc, eq, sql } from 'drizzle-orm';
import { ok, type Result } from '@/core/base/result';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN } from '../context';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { courses } from '../db/schema/people';
import { sittingsFor } from '../people/courses';
import { studentsFor } from '../people/participants';
import { sittingColumns } from './sitting-columns';

export interface SittingRow {
  id: string;
  title: string;
  course: string;
  opensAt: number;
  closesAt: number;
  endedAt: number | null;
  /** It opens when a teacher says so, whatever the clock says. */
  byHand: boolean;
  minutes: number;
  releasedAt: number | null;
  /** To which participants alone; null for all. */
  releasedTo: string[] | null;
  students: number;
  started: number;
  handedIn: number;
}

/** Participants with an attempt that is handed in and counts. */
const handedInBy = sql<number>`count(DISTINCT iif(${attempts.handedInAt} IS NOT NULL AND ${attempts.asideAt} IS NULL, ${attempts.participant}, NULL))`;

/** The sittings of the actor's courses, and those that they help with; the newest first. */
export async function listSittings(ctx: Context): Promise<Result<SittingRow[]>> {
  if (!may(ctx.actor, 'use staff rooms', null)) return FORBIDDEN;
  const rows = await ctx.db.read
    .select({ ...sittingColumns, started: countDistinct(attempts.participant), handedIn: handedInBy })
    .from(sittings)
    .innerJoin(courses, eq(courses.id, sittings.course))
    .leftJoin(attempts, eq(attempts.sitting, sittings.id))
    .where(await sittingsFor(ctx, 'mark answers'))
    .groupBy(sittings.id)
    .orderBy(desc(sittings.opensAt), desc(sittings.createdAt));
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
