import { and, desc, eq, inArray, isNull, notInArray, sql } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { changes } from '@/core/exams/amendments';
import { poolQuestions } from '@/core/exams/pool';
import { kindOf } from '@/core/kinds/registry';
import { readResponse } from '@/core/kinds/response';
import { type Context, NOT_FOUND, type Outside, parse } from '../context';
import { inSitting } from '../people/courses';
import type { Transaction } from '../db/database';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { marks, mendings } from '../db/schema/marks';
import { jobs } from '../db/schema/jobs';
import { readDepartment } from '../people/policy';
import { beating, beginJob, endDeadJobs, endJob, runningJob, stopJob } from '../jobs/jobs';
import { type MarkingAnew, startMarkingAnew } from '../jobs/mark-anew';
import { participantName } from '../people/participants';
import { changed } from '../events/versions';
import { poolOfSitting } from '../sittings/pinned';
import { newId } from '../ports/ids';
import { figuresAged } from '../results/figures';
import { keepMarks } from './keep-marks';
import type { PlainAnew, PlainScore } from './plain-anew';
import { type AnewOrder, markedOnce } from './attempts-anew';

const input = z.object({
  sitting: z.string(),
  item: z.string(),
  changes,
  reason: z.string().trim().max(1000),
  /** Whether marks that a person gave are changed too. */
  overPersons: z.boolean(),
});

/** One student whose score would change. */
export interface Mover {
  attempt: string;
  /** The name, or the number of the script while names are hidden. */
  who: string;
  before: PlainScore;
  after: PlainScore;
}

/** Whose marks a mending would change, from what to what. */
export interface MendingPreview {
  marksChanged: number;
  /** Marks given by a person that stay as they are. */
  keptByPersons: number;
  scripts: number;
  /** Everybody whose score changes, those who cross the pass mark, a grade or a range first. */
  movers: Mover[];
}

/** The changes that give other marks; the rest only come about by another rule. */
const otherMarks = ({ changes: list }: PlainAnew) => list.filter(({ from, marks: now }) => from !== now);

const crosses = ({ before, after }: Mover): boolean =>
  before.passed !== after.passed || before.grade !== after.grade || before.range !== after.range;

async function checked(ctx: Context, raw: unknown): Promise<Result<z.infer<typeof input>>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const allowed = await inSitting(ctx, 'release results', parsed.value.sitting);
  if (!allowed.ok) return allowed;
  const { sitting, item: itemId, changes: made } = parsed.value;
  const item = poolQuestions(await poolOfSitting(ctx.db.read, sitting)).find(({ id }) => id === itemId);
  if (!item) return NOT_FOUND;
  for (const [index, change] of made.entries()) {
    if (change.what !== 'answer' && change.what !== 'wording') continue;
    const { slots } = item.question;
    const slot = Object.hasOwn(slots, change.slot) ? slots[change.slot] : undefined;
    if (change.what === 'wording') {
      const points = slot ? kindOf(slot.kind).worded?.points(slot.setup) : undefined;
      if (!points?.some(({ id }) => id === change.point)) return refuse('point-unknown', { at: ['changes', index] });
      continue;
    }
    const read = slot && readResponse(kindOf(slot.kind), change.response);
    if (!slot || !read || kindOf(slot.kind).blank(read.response))
      return refuse('answer-unreadable', { at: ['changes', index] });
  }
  return parsed;
}

/** Refuses a mending of a course in which the actor releases no results. */
async function inMending(ctx: Context, id: string): Promise<Result<null>> {
  const [row] = await ctx.db.read.select({ sitting: mendings.sitting }).from(mendings).where(eq(mendings.id, id));
  return row ? inSitting(ctx, 'release results', row.sitting) : NOT_FOUND;
}

const orderOf = ({ sitting, item, changes: made, overPersons }: z.infer<typeof input>): AnewOrder => ({
  sitting,
  mendings: [{ item, changes: made }],
  overPersons,
});

/** Works out what a mending would change. Nothing is written. */
export async function previewMending(ctx: Context, raw: unknown): Promise<Result<MendingPreview>> {
  const parsed = await checked(ctx, raw);
  if (!parsed.ok) return parsed;
  const all: PlainAnew[] = [];
  const job = startMarkingAnew(ctx.db.url, orderOf(parsed.value), async (chunk) => void all.push(...chunk.attempts));
  await job.finished;
  const people = await ctx.db.read
    .select({ id: attempts.id, script: attempts.script, name: participantName })
    .from(attempts)
    .where(eq(attempts.sitting, parsed.value.sitting));
  const { policy } = await readDepartment(ctx.db.read);
  const who = new Map(
    people.map((p) => [p.id, policy.namesHidden ? `Script ${String(p.script).padStart(2, '0')}` : p.name]),
  );
  const movers = all
    .filter(({ before, after }) => before.percent !== after.percent || before.waiting !== after.waiting)
    .map(({ attempt, before, after }): Mover => ({ attempt, who: who.get(attempt) ?? '', before, after }));
  movers.sort((a, b) => Number(crosses(b)) - Number(crosses(a)) || a.who.localeCompare(b.who, 'en'));
  return ok({
    marksChanged: all.reduce((n, one) => n + otherMarks(one).length, 0),
    keptByPersons: all.reduce((n, one) => n + one.kept.length, 0),
    scripts: all.filter((one) => otherMarks(one).length > 0).length,
    movers,
  });
}

/** Begins to apply a mending. It counts when all is marked, and not before. */
export async function applyMending(ctx: Context, raw: unknown): Promise<Result<{ mending: string }>> {
  const parsed = await checked(ctx, raw);
  if (!parsed.ok) return parsed;
  const { sitting, item, changes: made, reason } = parsed.value;
  const id = newId();
  const begun = await ctx.db.transaction(async (tx) => {
    if (!(await beginJob(tx, { id, kind: 'mending', subject: sitting }))) return false;
    await tx
      .insert(mendings)
      .values({ id, sitting, item, changes: made, reason, state: 'running', by: ctx.actor.id, at: ctx.now });
    return true;
  });
  if (!begun) return refuse('mending-runs');
  // What cannot be written stays as it was; the history shows it, and the clock puts it away.
  void apply(ctx, id, orderOf(parsed.value)).catch(() => undefined);
  return ok({ mending: id });
}

/** What a mending has come to so far. */
interface Tally {
  /** The attempts that are marked. */
  attempts: string[];
  /** How many marks became others, in how many scripts. */
  marks: number;
  scripts: number;
}

/** Marks in a thread, and again who handed in meanwhile, until nobody is left; then makes it count. */
async function apply(out: Outside, id: string, order: AnewOrder): Promise<void> {
  const tally: Tally = { attempts: [], marks: 0, scripts: 0 };
  const progress = { done: 0, total: 0 };
  let stopped = false;
  let running: MarkingAnew | null = null;
  const heart = beating(out.db, id, {
    progress,
    stop() {
      stopped = true;
      running?.cancel();
    },
  });
  const markRest = async (): Promise<boolean> => {
    const before = tally.attempts.length;
    running = startMarkingAnew(out.db.url, { ...order, without: tally.attempts }, async (chunk) => {
      await out.db.transaction((tx) => keepMarks(tx, id, chunk.attempts, out.now));
      for (const one of chunk.attempts) {
        tally.attempts.push(one.attempt);
        tally.marks += otherMarks(one).length;
        tally.scripts += otherMarks(one).length > 0 ? 1 : 0;
      }
      Object.assign(progress, { done: tally.attempts.length, total: before + chunk.total });
      await heart.beat();
    });
    return (await running.finished.catch(() => false)) && !stopped;
  };
  try {
    while (!(await end(out, { id, order, tally, whole: await markRest() })));
  } finally {
    heart.end();
  }
}

interface Ending {
  id: string;
  order: AnewOrder;
  tally: Tally;
  /** False when it was cancelled or failed. */
  whole: boolean;
}

/** Makes the marks of a mending count, all at once, or none of them; false when somebody handed in meanwhile and is not marked yet. */
function end(out: Outside, { id, order, tally, whole }: Ending): Promise<boolean> {
  return out.db.transaction(async (tx) => {
    const [mending] = await tx.select({ state: mendings.state }).from(mendings).where(eq(mendings.id, id));
    // Another process may have taken this one for dead.
    const goesOn = whole && mending?.state === 'running';
    if (goesOn && (await markedOnce(tx, { ...order, without: tally.attempts })).length > 0) return false;
    await endJob(tx, id);
    if (!goesOn) {
      await putAway(tx, [id]);
      return true;
    }
    if (!order.overPersons) await leaveToPersons(tx, id);
    const { marks: marksChanged, scripts } = tally;
    await tx
      .update(mendings)
      .set({ state: 'applied', appliedAt: out.now, marksChanged, scripts })
      .where(eq(mendings.id, id));
    await changed(tx, `sitting:${order.sitting}`);
    await figuresAged(tx, order.sitting);
    return true;
  });
}

/** Mendings that did not come to their end count for nothing. */
async function putAway(tx: Transaction, ids: readonly string[]): Promise<void> {
  await tx
    .update(mendings)
    .set({ state: 'cancelled' })
    .where(inArray(mendings.id, [...ids]));
  await tx.delete(marks).where(inArray(marks.mending, [...ids]));
}

/** Takes out what would cover a mark that a person gave while the job ran. */
async function leaveToPersons(tx: Transaction, id: string): Promise<void> {
  await tx.delete(marks).where(
    and(
      eq(marks.mending, id),
      sql`(SELECT m.by FROM ${marks} AS m WHERE m.attempt = ${marks.attempt} AND m.item = ${marks.item}
           AND m.slot = ${marks.slot} AND m.mending IS NULL ORDER BY m.id DESC LIMIT 1) IS NOT NULL`,
    ),
  );
}

/** How far a mending is; null when it does not run (any more). */
export async function mendingProgress(
  ctx: Context,
  id: string,
): Promise<Result<{ done: number; total: number } | null>> {
  const allowed = await inMending(ctx, id);
  if (!allowed.ok) return allowed;
  const running = await runningJob(ctx.db.read, id);
  return ok(running && { done: running.done, total: running.total });
}

/** Stops a mending half way: nothing of it counts. */
export async function cancelMending(ctx: Context, id: string): Promise<Result<null>> {
  const allowed = await inMending(ctx, id);
  if (!allowed.ok) return allowed;
  if (!(await runningJob(ctx.db.read, id))) return refuse('mending-ended');
  await stopJob(ctx.db, id);
  const [mending] = await ctx.db.read.select({ state: mendings.state }).from(mendings).where(eq(mendings.id, id));
  return mending?.state === 'applied' ? refuse('mending-ended') : ok();
}

/** Takes an applied mending back as a whole; the marks are as before it. Later ones of the same question go first. */
export async function takeBackMending(ctx: Context, id: string): Promise<Result<null>> {
  const allowed = await inMending(ctx, id);
  if (!allowed.ok) return allowed;
  const [mending] = await ctx.db.read.select().from(mendings).where(eq(mendings.id, id));
  if (!mending) return NOT_FOUND;
  if (mending.state !== 'applied') return refuse('mending-ended');
  const [newest] = await ctx.db.read
    .select({ id: mendings.id })
    .from(mendings)
    .where(and(eq(mendings.sitting, mending.sitting), eq(mendings.item, mending.item), eq(mendings.state, 'applied')))
    // Ids sort by the time of making.
    .orderBy(desc(mendings.id))
    .limit(1);
  if (newest?.id !== id) return refuse('mending-later-first');
  await ctx.db.transaction(async (tx) => {
    await tx.update(mendings).set({ state: 'taken back', takenBackAt: ctx.now }).where(eq(mendings.id, id));
    await changed(tx, `sitting:${mending.sitting}`);
    await figuresAged(tx, mending.sitting);
  });
  return ok();
}

/** Mendings whose process died half way count for nothing. One that another process still works on is left alone. */
export async function cancelBroken(out: Outside): Promise<void> {
  const running = eq(mendings.state, 'running');
  if ((await out.db.read.select({ id: mendings.id }).from(mendings).where(running).limit(1)).length === 0) return;
  await out.db.transaction(async (tx) => {
    await endDeadJobs(tx);
    const alive = tx.select({ id: jobs.id }).from(jobs).where(isNull(jobs.endedAt));
    const broken = await tx
      .select({ id: mendings.id })
      .from(mendings)
      .where(and(running, notInArray(mendings.id, alive)));
    if (broken.length > 0)
      await putAway(
        tx,
        broken.map(({ id }) => id),
      );
  });
}

/**
 * When the results of a sitting last became others after their release, by a
 * mending or by taking one back; null when they did not. A mending that
 * changed no mark and dropped nothing revises nothing.
 */
export async function revisedAt(ctx: Context, sitting: string): Promise<number | null> {
  const [row] = await ctx.db.read
    .select({ releasedAt: sittings.releasedAt })
    .from(sittings)
    .where(eq(sittings.id, sitting));
  const releasedAt = row?.releasedAt ?? null;
  if (releasedAt === null) return null;
  const rows = await ctx.db.read.select().from(mendings).where(eq(mendings.sitting, sitting));
  const times = rows
    .filter((one) => one.marksChanged > 0 || changes.parse(one.changes).some(({ what }) => what === 'drop'))
    .flatMap(({ appliedAt, takenBackAt }) => [appliedAt, takenBackAt])
    .filter((at) => at !== null && at > releasedAt);
  return times.length > 0 ? Math.max(...times.map(Number)) : null;
}
