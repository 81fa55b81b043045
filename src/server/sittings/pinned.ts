import { and, eq } from 'drizzle-orm';
import { readStored } from '@/core/base/stored-form';
import { type Amendments, amendmentsOf, changes } from '@/core/exams/amendments';
import { assemble, type Paper, type Pinned, unmended } from '@/core/exams/paper';
import type { Lot } from '@/core/exams/lot';
import { type ExamPlan, examForm } from '@/core/exams/plan';
import { type Pool, poolOf } from '@/core/exams/pool';
import type { Reader } from '../db/database';
import { sittings } from '../db/schema/exams';
import { mendings } from '../db/schema/marks';
import { versionOf } from '../events/versions';
import { revisionsOf } from '../exams/revisions';

/** What was pinned never changes; what was mended since is another one after each mending, in whichever process. */
interface Kept {
  placed: Promise<Pinned>;
  mended: { version: number; pinned: Pinned } | null;
}

/** On the global object, because the framework may load this module more than once in one process. */
const KEY = Symbol.for('zonda.pinned');
const holder = globalThis as { [KEY]?: Map<string, Kept> };
const kept = (holder[KEY] ??= new Map());
/** Sittings that are kept ready; the one asked for first goes first. */
const MOST_KEPT = 200;

function keptOf(read: Reader, sitting: string): Kept {
  const known = kept.get(sitting);
  if (known) return known;
  const made: Kept = { placed: readPlaced(read, sitting), mended: null };
  if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value ?? '');
  kept.set(sitting, made);
  made.placed.catch(() => kept.delete(sitting));
  return made;
}

async function readPlaced(read: Reader, sitting: string): Promise<Pinned> {
  const [row] = await read.select({ plan: sittings.plan }).from(sittings).where(eq(sittings.id, sitting));
  if (!row) throw new Error(`There is no sitting ${sitting}`);
  const plan = readStored(examForm, row.plan);
  return unmended(plan, await revisionsOf(read, plan));
}

async function readAmendments(read: Reader, sitting: string): Promise<Amendments> {
  const applied = await read
    .select({ item: mendings.item, changes: mendings.changes })
    .from(mendings)
    .where(and(eq(mendings.sitting, sitting), eq(mendings.state, 'applied')))
    .orderBy(mendings.id);
  return amendmentsOf(applied.map(({ item, changes: made }) => ({ item, changes: changes.parse(made) })));
}

/** What a sitting pinned when it was scheduled, without what was mended: for what mendings cannot change. */
export function placedIn(read: Reader, sitting: string): Promise<Pinned> {
  return keptOf(read, sitting).placed;
}

/** What a sitting pinned when it was scheduled, and what was mended since. */
export async function pinnedOf(read: Reader, sitting: string): Promise<Pinned> {
  const mine = keptOf(read, sitting);
  const version = await versionOf(read, `sitting:${sitting}`);
  if (mine.mended?.version === version) return mine.mended.pinned;
  const pinned = { ...(await mine.placed), amendments: await readAmendments(read, sitting) };
  mine.mended = { version, pinned };
  return pinned;
}

/** The paper of one attempt. */
export async function paperOf(
  read: Reader,
  attempt: Lot & { sitting: string },
): Promise<{ plan: ExamPlan; paper: Paper }> {
  const pinned = await pinnedOf(read, attempt.sitting);
  return { plan: pinned.plan, paper: assemble(pinned, attempt) };
}

/** Everything that may be met in a sitting. */
export async function poolOfSitting(read: Reader, sitting: string): Promise<Pool> {
  return poolOf(await pinnedOf(read, sitting));
}
