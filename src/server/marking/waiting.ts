import { and, count, inArray, isNull } from 'drizzle-orm';
import type { Reader } from '../db/database';
import { marks } from '../db/schema/exams';
import { countingMarks } from './current-marks';

/** How many answers wait for a person, in all sittings. */
export async function countWaiting(read: Reader): Promise<number> {
  const [row] = await read
    .select({ count: count() })
    .from(marks)
    .where(and(inArray(marks.id, countingMarks(read)), isNull(marks.marks)));
  return row?.count ?? 0;
}
