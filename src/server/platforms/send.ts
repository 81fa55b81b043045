import { and, eq, inArray, lte } from 'drizzle-orm';
import { exact, round } from '@/core/base/exact';
import { ok, type Refusal, refuse, type Result } from '@/core/base/result';
import type { Outside } from '../context';
import { outsideLines, outsideScores } from '../db/schema/platforms';
import { afterFailure, LONGEST_HANDING } from '../jobs/trying';
import { type Connection, connectionOf } from './connected';
import { outsideIds } from './outside-people';
import { changeLineItem, type LineItem, placeLineItem, tellScore } from './services';

/** So many are one process's at a time: few enough that none waits as long as a dead process is given. */
const AT_ONCE = 80;
/** So many are on their way at the same time. */
const TOGETHER = 4;

type Waiting = typeof outsideScores.$inferSelect;

/** Tells outside gradebooks what waits to be told; what does not arrive is tried again later. Each score is one process's. */
export async function sendScores(out: Outside): Promise<{ sent: number; failed: number }> {
  const mine = await claim(out);
  let sent = 0;
  for (const course of new Set(mine.map((one) => one.course)))
    sent += await sendFor(
      out,
      course,
      mine.filter((one) => one.course === course),
    );
  return { sent, failed: mine.length - sent };
}

/** Takes what is due, of one process alone. */
async function claim({ db, now }: Outside): Promise<Waiting[]> {
  // Nothing is written while nothing waits: this is asked every two seconds.
  const [any] = await db.read
    .select({ course: outsideScores.course })
    .from(outsideScores)
    .where(and(inArray(outsideScores.state, ['waiting', 'sending']), lte(outsideScores.at, now)))
    .limit(1);
  if (!any) return [];
  return db.transaction(async (tx) => {
    await tx
      .update(outsideScores)
      .set({ state: 'waiting' })
      .where(and(eq(outsideScores.state, 'sending'), lte(outsideScores.at, now - LONGEST_HANDING)));
    const due = await tx
      .select()
      .from(outsideScores)
      .where(and(eq(outsideScores.state, 'waiting'), lte(outsideScores.at, now)))
      .orderBy(outsideScores.at)
      .limit(AT_ONCE);
    for (const one of due) await tx.update(outsideScores).set({ state: 'sending', at: now }).where(itself(one));
    return due;
  });
}

const itself = ({ course, column, member }: Waiting) =>
  and(eq(outsideScores.course, course), eq(outsideScores.column, column), eq(outsideScores.member, member));

/** Refusals that say that a platform is not reached, or lets nobody in. */
const AWAY = ['platform-silent', 'platform-no-access', 'platform-inside', 'platform-address'];

type Asking = <T>(work: () => Promise<Result<T>>) => Promise<Result<T>>;

/** Asks a platform as long as it is reached; from then on everything has the refusal that said so, without another wait. */
function whileReached(): Asking {
  let away: { ok: false; refusal: Refusal } | null = null;
  return async (work) => {
    if (away) return away;
    const result = await work();
    if (!result.ok && AWAY.includes(result.refusal.code)) away = result;
    return result;
  };
}

/** Tells the outside gradebook of one course; how many arrived. */
async function sendFor(out: Outside, course: string, scores: readonly Waiting[]): Promise<number> {
  const { read } = out.db;
  const connection = await connectionOf(read, course);
  if (!connection) {
    for (const one of scores) await giveUp(out, one);
    return 0;
  }
  const { platform } = connection;
  const ids = await outsideIds(read, platform.id);
  const asking = whileReached();
  const columns = new Set(scores.map(({ column }) => column));
  const lines = await placeLines(out, course, { connection, columns, asking });
  let sent = 0;
  const waiting = [...scores];
  const work = async (): Promise<void> => {
    for (let one = waiting.shift(); one; one = waiting.shift()) {
      const userId = ids.get(one.member);
      const lineItem = lines.get(one.column);
      if (userId === undefined || lineItem === undefined) await giveUp(out, one);
      else {
        const told: Result<null> = lineItem.ok
          ? await asking(() =>
              tellScore(out, platform, { lineItem: lineItem.value, userId, score: one.score, at: out.now }),
            )
          : lineItem;
        await settle(out, one, told);
        if (told.ok) sent += 1;
      }
    }
  };
  await Promise.all(Array.from({ length: TOGETHER }, work));
  return sent;
}

/** The line items of these columns there, made or changed where that is needed. */
async function placeLines(
  out: Outside,
  course: string,
  { connection, columns, asking }: { connection: Connection; columns: ReadonlySet<string>; asking: Asking },
): Promise<Map<string, Result<string>>> {
  const { db } = out;
  const lines = await db.read.select().from(outsideLines).where(eq(outsideLines.course, course));
  const placed = new Map<string, Result<string>>();
  for (const line of lines) {
    if (!columns.has(line.column)) continue;
    const found = await asking(() => placeLine(out, connection, line));
    placed.set(line.column, found);
    if (found.ok && !(line.current && line.address === found.value))
      await db.transaction((tx) =>
        tx
          .update(outsideLines)
          .set({ address: found.value, current: true })
          .where(and(lineOf(line), eq(outsideLines.label, line.label), eq(outsideLines.of, line.of))),
      );
  }
  return placed;
}

const lineOf = ({ course, column }: { course: string; column: string }) =>
  and(eq(outsideLines.course, course), eq(outsideLines.column, column));

/** Where a line item is: known as it is, changed, or looked for and made. */
async function placeLine(
  out: Outside,
  { platform, lineItems }: Connection,
  { column, label, of, address, current }: typeof outsideLines.$inferSelect,
): Promise<Result<string>> {
  const item: LineItem = { label, scoreMaximum: Number(round(exact(of), 6)), resourceId: column };
  if (address === null) return placeLineItem(out, platform, lineItems, item);
  if (current) return ok(address);
  const changed = await changeLineItem(out, platform, address, item);
  if (changed.ok) return ok(address);
  // Somebody has taken it out there.
  return isGone(changed.refusal) ? placeLineItem(out, platform, lineItems, item) : changed;
}

const isGone = ({ code, values }: Refusal): boolean => code === 'platform-refused' && values?.status === 404;

const NOBODY_THERE = refuse('nobody-there');

/** Not to be told any more: the student has no name there, or the course no such gradebook or column. */
async function giveUp({ db, now }: Outside, one: Waiting): Promise<void> {
  await db.transaction((tx) =>
    tx
      .update(outsideScores)
      .set({ state: 'failed', at: now, trouble: { code: NOBODY_THERE.refusal.code } })
      .where(and(itself(one), eq(outsideScores.state, 'sending'))),
  );
}

/** Keeps what became of a score; one that was told anew meanwhile goes on waiting. */
async function settle({ db, now }: Outside, one: Waiting, told: Result<null>): Promise<void> {
  await db.transaction(async (tx) => {
    const [standing] = await tx.select().from(outsideScores).where(itself(one));
    if (!standing) return;
    const same = standing.state === 'sending' && JSON.stringify(standing.score) === JSON.stringify(one.score);
    if (told.ok) {
      const done = same ? { state: 'sent' as const, tries: one.tries + 1, at: now, trouble: null } : {};
      await tx
        .update(outsideScores)
        .set({ told: one.score, ...done })
        .where(itself(one));
      return;
    }
    const { code, values } = told.refusal;
    const status = typeof values?.status === 'number' ? values.status : undefined;
    // A line item that somebody has taken out there is looked for, and made, the next time.
    if (isGone(told.refusal)) await tx.update(outsideLines).set({ address: null, current: false }).where(lineOf(one));
    if (!same) return;
    await tx
      .update(outsideScores)
      .set({ ...afterFailure(one.tries + 1, now), trouble: { code, ...(status === undefined ? {} : { status }) } })
      .where(itself(one));
  });
}
