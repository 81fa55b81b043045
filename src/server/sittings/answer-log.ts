import { and, eq, inArray, isNull, sql } from 'drizzle-orm';
import type { Database, Reader, Transaction } from '../db/database';
import { answers, answersNow, attempts } from '../db/schema/attempts';
import { together } from '../db/together';

/** One change of an answer as it is written down. */
export interface LogEntry {
  device: string;
  seq: number;
  item: string;
  slot: string | null;
  value: unknown;
  writtenAt: number;
  receivedAt: number;
}

interface Addition {
  attempt: string;
  entries: LogEntry[];
  /** When the student was last there; null leaves it as it was. */
  seenAt: number | null;
}

/** The name under which what concerns a whole question (to come back to it later) stands among its answers. */
export const WHOLE = '';

/** A change of a place goes into the story when the one before is so old, in milliseconds. */
const GRAIN = 5000;
/**
 * So much the story of an attempt may weigh, in characters; whoever writes for
 * hours comes to a hundredth of it. What stands there at handing in is kept in
 * any case.
 */
const MOST_STORY = 20_000_000;
/** Rows a statement takes without passing the database's limit of variables. */
const ROWS = 1000;

type NowRow = typeof answersNow.$inferInsert;
const placeIn = (row: { attempt: string; item: string; slot: string }): string =>
  `${row.attempt}/${row.item}/${row.slot}`;

/**
 * What additions change: the present answers, and the changes that go into the story. The answer that was written last
 * is the present one; what a device sends again, or sent before something newer of its own, changes nothing. `weights`
 * says how much the story of each attempt weighs, and is brought up to date.
 */
function changes(
  there: readonly Omit<NowRow, 'value'>[],
  additions: readonly Addition[],
  weights: Map<string, number>,
): { now: NowRow[]; story: (typeof answers.$inferInsert)[] } {
  const before = new Map(there.map((row) => [placeIn(row), row]));
  const now = new Map<string, NowRow>();
  const story: (typeof answers.$inferInsert)[] = [];
  for (const { attempt, entries } of additions) {
    for (const entry of entries) {
      const row = { ...entry, attempt, slot: entry.slot ?? WHOLE, keptAt: entry.receivedAt };
      const place = placeIn(row);
      const old = now.get(place) ?? before.get(place);
      if (old && old.device === row.device && old.seq >= row.seq) continue;
      // What one device wrote later is later, also when the server's clock was set back between.
      const late = old !== undefined && old.device !== row.device && old.writtenAt > row.writtenAt;
      const weight = weights.get(attempt) ?? 0;
      const kept = weight < MOST_STORY && (!old || late || row.receivedAt - old.keptAt >= GRAIN);
      if (kept) {
        story.push({ ...entry, attempt });
        weights.set(attempt, weight + JSON.stringify(entry.value).length);
      }
      if (!late) now.set(place, kept ? row : { ...row, keptAt: old?.keptAt ?? row.keptAt });
    }
  }
  return { now: [...now.values()], story };
}

/** Writes additions in one transaction. False for an attempt that was handed in before. */
async function write(db: Database, additions: Addition[]): Promise<boolean[]> {
  return db.transaction(async (tx) => {
    const seenAt = Math.max(...additions.map((addition) => addition.seenAt ?? 0));
    const late = additions.flatMap((addition) => (addition.seenAt === null ? [addition.attempt] : []));
    const open = await tx
      .update(attempts)
      .set({ seenAt: late.length === 0 ? seenAt : sql`iif(${inArray(attempts.id, late)}, seen_at, ${seenAt})` })
      .where(
        and(
          inArray(
            attempts.id,
            additions.map(({ attempt }) => attempt),
          ),
          isNull(attempts.handedInAt),
        ),
      )
      .returning({ id: attempts.id, weight: attempts.storyWeight });
    const ids = new Set(open.map(({ id }) => id));
    const taken = additions.filter(({ attempt, entries }) => ids.has(attempt) && entries.length > 0);
    if (taken.length > 0) await writeDown(tx, taken, new Map(open.map(({ id, weight }) => [id, weight])));
    return additions.map(({ attempt }) => ids.has(attempt));
  });
}

/** The weight of each attempt, in one statement for all. */
const weightIn = (weights: [attempt: string, weight: number][]) =>
  sql<number>`(SELECT value FROM json_each(${JSON.stringify(Object.fromEntries(weights))}) WHERE key = ${attempts.id})`;

async function writeDown(tx: Transaction, additions: Addition[], weights: Map<string, number>): Promise<void> {
  const { value: _, ...facts } = COLUMNS;
  const there = await tx
    .select(facts)
    .from(answersNow)
    .where(
      and(
        inArray(
          answersNow.attempt,
          additions.map(({ attempt }) => attempt),
        ),
        inArray(answersNow.item, [...new Set(additions.flatMap(({ entries }) => entries.map(({ item }) => item)))]),
      ),
    );
  const before = new Map(weights);
  const { now, story } = changes(there, additions, weights);
  const grown = [...weights].filter(([id, weight]) => weight !== before.get(id));
  if (grown.length > 0)
    await tx
      .update(attempts)
      .set({ storyWeight: weightIn(grown) })
      .where(
        inArray(
          attempts.id,
          grown.map(([id]) => id),
        ),
      );
  for (let from = 0; from < now.length; from += ROWS) {
    await tx
      .insert(answersNow)
      .values(now.slice(from, from + ROWS))
      .onConflictDoUpdate({
        target: [answersNow.attempt, answersNow.item, answersNow.slot],
        set: {
          value: sql`excluded.value`,
          device: sql`excluded.device`,
          seq: sql`excluded.seq`,
          writtenAt: sql`excluded.written_at`,
          receivedAt: sql`excluded.received_at`,
          keptAt: sql`excluded.kept_at`,
        },
      });
  }
  for (let from = 0; from < story.length; from += ROWS) {
    await tx
      .insert(answers)
      .values(story.slice(from, from + ROWS))
      .onConflictDoNothing();
  }
}

const COLUMNS = {
  attempt: answersNow.attempt,
  item: answersNow.item,
  slot: answersNow.slot,
  value: answersNow.value,
  device: answersNow.device,
  seq: answersNow.seq,
  writtenAt: answersNow.writtenAt,
  receivedAt: answersNow.receivedAt,
  keptAt: answersNow.keptAt,
};

const logs = new WeakMap<Database, (addition: Addition) => Promise<boolean>>();

/**
 * Adds answers to an attempt that is not handed in; false when it is.
 * Students who save at the same time share one transaction, and so one wait for the disk.
 */
export function addToLog(db: Database, addition: Addition): Promise<boolean> {
  let log = logs.get(db);
  if (!log) logs.set(db, (log = together((additions) => write(db, additions))));
  return log(addition);
}

/** Puts changes into the story alone: another of the group writes in their places. What would make it too heavy is left out. */
export async function keepInStory(tx: Transaction, attempt: string, entries: readonly LogEntry[]): Promise<void> {
  const [row] = await tx.select({ weight: attempts.storyWeight }).from(attempts).where(eq(attempts.id, attempt));
  let weight = row?.weight ?? 0;
  const light = entries.filter(({ value }) => {
    if (weight >= MOST_STORY) return false;
    weight += JSON.stringify(value).length;
    return true;
  });
  if (light.length === 0) return;
  await tx
    .insert(answers)
    .values(light.map((entry) => ({ ...entry, attempt })))
    .onConflictDoNothing();
  await tx.update(attempts).set({ storyWeight: weight }).where(eq(attempts.id, attempt));
}

/** Puts what stands there into the story, as an attempt is handed in. */
export async function keepLast(tx: Transaction, attempt: string): Promise<void> {
  const last = await tx.select(COLUMNS).from(answersNow).where(eq(answersNow.attempt, attempt));
  const rows = last.map(({ slot, keptAt: _, ...row }) => ({ ...row, slot: slot === WHOLE ? null : slot }));
  for (let from = 0; from < rows.length; from += ROWS) {
    await tx
      .insert(answers)
      .values(rows.slice(from, from + ROWS))
      .onConflictDoNothing();
  }
}

/** Which of a device's changes have arrived before, themselves or something newer in their place. By their numbers. */
export async function arrivedBefore(read: Reader, attempt: string, entries: readonly LogEntry[]): Promise<number[]> {
  const { value: _, ...facts } = COLUMNS;
  const there = await read.select(facts).from(answersNow).where(eq(answersNow.attempt, attempt));
  const now = new Map(there.map((row) => [placeIn(row), row]));
  return entries
    .filter((entry) => {
      const row = now.get(placeIn({ attempt, item: entry.item, slot: entry.slot ?? WHOLE }));
      if (!row) return false;
      return row.device === entry.device ? row.seq >= entry.seq : row.writtenAt >= entry.writtenAt;
    })
    .map(({ seq }) => seq);
}
