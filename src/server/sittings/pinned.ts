import { and, eq } from 'drizzle-orm';
import { readStored } from '@/core/base/stored-form';
import { amendmentsOf, changes } from '@/core/exams/amendments';
import { assemble, type Paper, type Pinned } from '@/core/exams/paper';
import { type Pool, poolOf } from '@/core/exams/pool';
import { type ExamPlan, examForm } from '@/core/exams/plan';
import type { Reader } from '../db/database';
import { mendings, sittings } from '../db/schema/exams';
import { revisionsOf } from '../exams/revisions';

/** Kept once read; a mending makes it be read again. On the global object, because the framework may load this module more than once in one process. */
const KEY = Symbol.for('zonda.pinned');
const holder = globalThis as { [KEY]?: Map<string, Pinned> };
const kept = (holder[KEY] ??= new Map());

/** What a sitting pinned when it was scheduled, and what was mended since. */
export async function pinnedOf(read: Reader, sitting: string): Promise<Pinned> {
  const known = kept.get(sitting);
  if (known) return known;
  const [row] = await read.select({ plan: sittings.plan }).from(sittings).where(eq(sittings.id, sitting));
  if (!row) throw new Error(`There is no sitting ${sitting}`);
  const plan = readStored(examForm, row.plan);
  const applied = await read
    .select({ item: mendings.item, changes: mendings.changes })
    .from(mendings)
    .where(and(eq(mendings.sitting, sitting), eq(mendings.state, 'applied')))
    .orderBy(mendings.id);
  const amendments = amendmentsOf(applied.map(({ item, changes: made }) => ({ item, changes: changes.parse(made) })));
  const pinned = { plan, revisions: await revisionsOf(read, plan), amendments };
  kept.set(sitting, pinned);
  return pinned;
}

/** Has a sitting read again, after its rules were mended. */
export function forgetPinned(sitting: string): void {
  kept.delete(sitting);
}

/** The paper of one attempt. */
export async function paperOf(
  read: Reader,
  attempt: { sitting: string; seed: number },
): Promise<{ plan: ExamPlan; paper: Paper }> {
  const pinned = await pinnedOf(read, attempt.sitting);
  return { plan: pinned.plan, paper: assemble(pinned, attempt.seed) };
}

/** Everything that may be met in a sitting. */
export async function poolOfSitting(read: Reader, sitting: string): Promise<Pool> {
  return poolOf(await pinnedOf(read, sitting));
}
