import { eq } from 'drizzle-orm';
import { readStored } from '@/core/base/stored-form';
import { assemble, type Paper, type Revisions } from '@/core/exams/paper';
import { type ExamPlan, examForm } from '@/core/exams/plan';
import type { Reader } from '../db/database';
import { sittings } from '../db/schema/exams';
import { revisionsOf } from '../exams/revisions';

/** What a sitting pinned when it was scheduled. It never changes, so it is kept once read. */
interface Pinned {
  plan: ExamPlan;
  revisions: Revisions;
}

const kept = new Map<string, Pinned>();

export async function pinnedOf(read: Reader, sitting: string): Promise<Pinned> {
  const known = kept.get(sitting);
  if (known) return known;
  const [row] = await read.select({ plan: sittings.plan }).from(sittings).where(eq(sittings.id, sitting));
  if (!row) throw new Error(`There is no sitting ${sitting}`);
  const plan = readStored(examForm, row.plan);
  const pinned = { plan, revisions: await revisionsOf(read, plan) };
  kept.set(sitting, pinned);
  return pinned;
}

/** The paper of one attempt. */
export async function paperOf(
  read: Reader,
  attempt: { sitting: string; seed: number },
): Promise<{ plan: ExamPlan; paper: Paper }> {
  const { plan, revisions } = await pinnedOf(read, attempt.sitting);
  return { plan, paper: assemble(plan, revisions, attempt.seed) };
}
