import { eq } from 'drizzle-orm';
import type { Reader } from '../db/database';
import { sittings } from '../db/schema/exams';
import { attemptsOf } from '../sittings/attempts';
import { markingPlanOf } from './plan';

/**
 * The attempts of a sitting that people do not mark yet: where something is
 * due at a time, each from its own due time on, with what the student has
 * more, unless the plan says that people begin before.
 */
export async function notDueYet(read: Reader, sitting: string, now: number): Promise<ReadonlySet<string>> {
  const [row] = await read.select({ dueAt: sittings.dueAt }).from(sittings).where(eq(sittings.id, sitting));
  if (!row || row.dueAt === null || (await markingPlanOf(read, sitting)).early) return new Set();
  const all = await attemptsOf(read, sitting, now);
  return new Set(all.flatMap(({ attempt, dueAt }) => (dueAt !== null && dueAt > now ? [attempt.id] : [])));
}
