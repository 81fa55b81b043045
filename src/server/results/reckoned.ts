import { createHash } from 'node:crypto';
import { and, count, eq, max, sql } from 'drizzle-orm';
import { poolQuestions } from '@/core/exams/pool';
import type { Outside } from '../context';
import type { Reader } from '../db/database';
import { attempts } from '../db/schema/attempts';
import { type sittings } from '../db/schema/exams';
import { marks } from '../db/schema/marks';
import { analyses } from '../db/schema/results';
import { versionOf } from '../events/versions';
import type { Progress } from '../jobs/jobs';
import { reckonApart } from '../jobs/reckon';
import { traitsInCourse } from '../people/traits';
import { COUNTS } from '../sittings/attempts';
import { poolOfSitting } from '../sittings/pinned';
import { type AnalysisPart, type Reckoned, reckonPart } from './reckon-part';

/** Changes whenever what is kept would come out otherwise by another way of reckoning. */
const WAY = 1;
/** Scripts times questions: fewer are reckoned at once where they are asked for, since a thread takes longer to begin. */
const FEW = 5000;

type SittingRow = typeof sittings.$inferSelect;
type At = Pick<Outside, 'db' | 'now'>;

/** What this process reckons now, by sitting and part; on the global object, because the framework may load this module more than once. */
const KEY = Symbol.for('zonda.reckoning');
const holder = globalThis as { [KEY]?: Map<string, { found: Promise<Reckoned<AnalysisPart>>; progress: Progress }> };
const going = (holder[KEY] ??= new Map());

/** How far the analysis of a sitting is in this process; null where nothing is reckoned. */
export function progressOf(sitting: string): Progress | null {
  const mine = [...going].filter(([key]) => key.startsWith(`${sitting} `)).map(([, { progress }]) => progress);
  if (mine.length === 0) return null;
  return mine.reduce((all, one) => ({ done: all.done + one.done, total: all.total + one.total }));
}

/**
 * A part of the analysis of a sitting. What is much work is done in a thread
 * of its own, once for all who ask, and kept as long as nothing changes that
 * goes into it.
 */
export async function reckoned<P extends AnalysisPart>(
  at: At,
  sitting: SittingRow,
  part: P,
  few = FEW,
): Promise<Reckoned<P>> {
  if ((await sizeOf(at.db.read, sitting.id)) <= few)
    return (await reckonPart(at, sitting, part, () => undefined)) as Reckoned<P>;
  const name = JSON.stringify(part);
  const fingerprint = await fingerprintOf(at.db.read, sitting);
  const here = and(eq(analyses.sitting, sitting.id), eq(analyses.part, name));
  const [kept] = await at.db.read.select().from(analyses).where(here);
  if (kept?.fingerprint === fingerprint) return kept.found as Reckoned<P>;
  const key = `${sitting.id} ${name} ${fingerprint}`;
  const running = going.get(key);
  if (running) return (await running.found) as Reckoned<P>;
  const progress: Progress = { done: 0, total: 1 };
  const found = reckonAndKeep(at, sitting.id, part, { name, fingerprint, progress }).finally(() => going.delete(key));
  going.set(key, { found, progress });
  return (await found) as Reckoned<P>;
}

interface Keeping {
  name: string;
  fingerprint: string;
  progress: Progress;
}

async function reckonAndKeep(
  { db, now }: At,
  sitting: string,
  part: AnalysisPart,
  { name, fingerprint, progress }: Keeping,
): Promise<Reckoned<AnalysisPart>> {
  const found = await reckonApart({ url: db.url, sitting, now, part }, (far) => void Object.assign(progress, far));
  await db.transaction(async (tx) => {
    await tx
      .insert(analyses)
      .values({ sitting, part: name, fingerprint, found, at: now })
      .onConflictDoUpdate({ target: [analyses.sitting, analyses.part], set: { fingerprint, found, at: now } });
  });
  return found;
}

async function sizeOf(read: Reader, sitting: string): Promise<number> {
  const [row] = await read
    .select({ scripts: count() })
    .from(attempts)
    .where(and(eq(attempts.sitting, sitting), COUNTS));
  return (row?.scripts ?? 0) * poolQuestions(await poolOfSitting(read, sitting)).length;
}

/** Everything that goes into an analysis, as one short text: another one where something of it has changed. */
async function fingerprintOf(read: Reader, sitting: SittingRow): Promise<string> {
  const { id, course, boundaries, tries, late, dueAt } = sitting;
  const handedIn = await read
    // As a real number: the sum of many times is more than a whole number holds here.
    .select({ scripts: count(), at: sql<number>`total(${attempts.handedInAt})` })
    .from(attempts)
    .where(and(eq(attempts.sitting, id), COUNTS));
  // Marks are only ever added; which of them count changes the version of the sitting.
  const given = await read
    .select({ last: max(marks.id) })
    .from(marks)
    .innerJoin(attempts, eq(attempts.id, marks.attempt))
    .where(eq(attempts.sitting, id));
  const versions = [await versionOf(read, `sitting:${id}`), await versionOf(read, `watch:${id}`)];
  const traits = [...(await traitsInCourse(read, course))];
  const all = [WAY, boundaries, tries, late, dueAt, handedIn, given, versions, traits];
  return createHash('sha256').update(JSON.stringify(all)).digest('hex');
}
