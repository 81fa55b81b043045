import { and, eq, inArray, isNull } from 'drizzle-orm';
import type { Database, Reader } from '../db/database';
import { answers, attempts } from '../db/schema/exams';
import { together } from '../db/together';

export type LogEntry = Omit<typeof answers.$inferInsert, 'id' | 'attempt'>;

interface Addition {
  attempt: string;
  entries: LogEntry[];
  /** The student was there then. */
  seenAt: number;
}

/** Rows a statement takes without passing the database's limit of variables. */
const ROWS = 1000;

/** Writes additions in one transaction. False for an attempt that was handed in before. */
async function write(db: Database, additions: Addition[]): Promise<boolean[]> {
  return db.transaction(async (tx) => {
    const there = inArray(attempts.id, [...new Set(additions.map(({ attempt }) => attempt))]);
    const seenAt = Math.max(...additions.map((addition) => addition.seenAt));
    const open = await tx
      .update(attempts)
      .set({ seenAt })
      .where(and(there, isNull(attempts.handedInAt)))
      .returning({ id: attempts.id });
    const ids = new Set(open.map(({ id }) => id));
    const rows = additions
      .filter(({ attempt }) => ids.has(attempt))
      .flatMap(({ attempt, entries }) => entries.map((entry) => ({ ...entry, attempt })));
    for (let from = 0; from < rows.length; from += ROWS) {
      await tx
        .insert(answers)
        .values(rows.slice(from, from + ROWS))
        .onConflictDoNothing();
    }
    return additions.map(({ attempt }) => ids.has(attempt));
  });
}

const logs = new WeakMap<Database, (addition: Addition) => Promise<boolean>>();

/**
 * Adds answers to the log of an attempt that is not handed in; false when it is.
 * Students who save at the same time share one transaction, and so one wait for the disk.
 */
export function addToLog(db: Database, addition: Addition): Promise<boolean> {
  let log = logs.get(db);
  if (!log) logs.set(db, (log = together((additions) => write(db, additions))));
  return log(addition);
}

/** Which of a device's entries are in the log. */
export async function inLog(
  read: Reader,
  { attempt, device, seqs }: { attempt: string; device: string; seqs: readonly number[] },
): Promise<number[]> {
  const rows = await read
    .select({ seq: answers.seq })
    .from(answers)
    .where(and(eq(answers.attempt, attempt), eq(answers.device, device), inArray(answers.seq, [...seqs])));
  return rows.map(({ seq }) => seq);
}
