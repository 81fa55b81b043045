import { and, eq } from 'drizzle-orm';
import { readStored } from '@/core/base/stored-form';
import { type QuestionBody, questionForm } from '@/core/bank/question';
import { type ExamPlan, placements, revisionKey } from '@/core/exams/plan';
import type { Revisions } from '@/core/exams/paper';
import type { Reader } from '../db/database';
import { revisions } from '../db/schema/bank';

/** Revisions never change, so what was read once is kept; the oldest go first. */
const kept = new Map<string, QuestionBody>();
const MOST_KEPT = 3000;

/** The body of one revision; null when there is no such. */
export async function readRevision(read: Reader, question: string, number: number): Promise<QuestionBody | null> {
  const key = revisionKey(question, number);
  const known = kept.get(key);
  if (known) return known;
  const [row] = await read
    .select({ body: revisions.body })
    .from(revisions)
    .where(and(eq(revisions.question, question), eq(revisions.number, number)));
  if (!row) return null;
  const body = readStored(questionForm, row.body);
  if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value ?? '');
  kept.set(key, body);
  return body;
}

/** Every revision that a plan places. Throws when one is missing: plans are only saved with revisions that exist. */
export async function revisionsOf(read: Reader, plan: ExamPlan): Promise<Revisions> {
  const found = new Map<string, QuestionBody>();
  for (const { item } of placements(plan)) {
    const body = await readRevision(read, item.question, item.revision);
    if (!body) throw new Error(`Revision ${revisionKey(item.question, item.revision)} is missing`);
    found.set(revisionKey(item.question, item.revision), body);
  }
  return found;
}
