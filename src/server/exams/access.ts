import { eq, isNull, or, type SQL, sql } from 'drizzle-orm';
import type { Actor } from '@/core/people/may';
import { exams } from '../db/schema/exams';

/** The exams that somebody who builds exams may open: those that are shared with all, or with them. To be asked where exams are. */
export function examsFor(actor: Actor): SQL | undefined {
  if (actor.role === 'lead') return undefined;
  const named = sql`EXISTS (SELECT 1 FROM json_each(${exams.sharedWith}) WHERE value = ${actor.id})`;
  return or(isNull(exams.sharedWith), eq(exams.owner, actor.id), named);
}
