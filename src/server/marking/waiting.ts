import { and, count, eq, inArray, isNull } from 'drizzle-orm';
import type { Context } from '../context';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { marks } from '../db/schema/marks';
import { COUNTS } from '../sittings/attempts';
import { sittingsFor } from '../people/courses';
import { countingMarks } from './current-marks';

/** How many answers wait for a person, in the courses in which the actor marks. */
export async function countWaiting(ctx: Context): Promise<number> {
  const { read } = ctx.db;
  const [row] = await read
    .select({ count: count() })
    .from(marks)
    .innerJoin(attempts, and(eq(attempts.id, marks.attempt), COUNTS))
    .innerJoin(sittings, and(eq(sittings.id, attempts.sitting), await sittingsFor(ctx, 'mark answers')))
    .where(and(inArray(marks.id, countingMarks(read)), isNull(marks.marks)));
  return row?.count ?? 0;
}
