import { count, inArray, isNull, max, and } from 'drizzle-orm';
import type { Reader } from '../db/database';
import { marks } from '../db/schema/exams';

/** How many answers wait for a person, in all sittings. */
export async function countWaiting(read: Reader): Promise<number> {
  const newest = read
    .select({ id: max(marks.id) })
    .from(marks)
    .groupBy(marks.attempt, marks.item, marks.slot);
  const [row] = await read
    .select({ count: count() })
    .from(marks)
    .where(and(inArray(marks.id, newest), isNull(marks.marks)));
  return row?.count ?? 0;
}
