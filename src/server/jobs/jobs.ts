import { and, eq, isNull, lt } from 'drizzle-orm';
import { setTimeout as sleep } from 'node:timers/promises';
import type { Database, Reader, Transaction } from '../db/database';
import { jobs } from '../db/schema/jobs';
import { newId } from '../ports/ids';

/** A job whose process was silent for so long, in milliseconds, is taken for dead. */
const SILENT = 15_000;
/** How often a running job says that it lives, in milliseconds. */
const BEAT = 2000;

/** This process, as jobs name it. Whoever reads it learns only that it is another one. */
const OWNER = newId();

export type Job = typeof jobs.$inferSelect;
export interface Progress {
  done: number;
  total: number;
}

/** Begins a job; false when another works on the same. */
export async function beginJob(tx: Transaction, job: Pick<Job, 'id' | 'kind' | 'subject'>): Promise<boolean> {
  const begun = await tx
    .insert(jobs)
    .values({ ...job, owner: OWNER, beatAt: Date.now() })
    .onConflictDoNothing()
    .returning({ id: jobs.id });
  return begun.length > 0;
}

/** Says every two seconds that a job lives and how far it is, and stops it when that is wanted. Ends with what it returns. */
export function beating(db: Database, id: string, { progress, stop }: { progress: Progress; stop: () => void }) {
  const beat = async (): Promise<void> => {
    const [job] = await db.transaction((tx) =>
      tx
        .update(jobs)
        .set({ ...progress, beatAt: Date.now() })
        .where(and(eq(jobs.id, id), isNull(jobs.endedAt)))
        .returning({ stopWanted: jobs.stopWanted }),
    );
    // A job that was taken for dead has ended for all others.
    if (!job || job.stopWanted) stop();
  };
  const timer = setInterval(() => void beat().catch(stop), BEAT);
  return { beat, end: () => clearInterval(timer) };
}

export async function endJob(tx: Transaction, id: string): Promise<void> {
  await tx.update(jobs).set({ endedAt: Date.now() }).where(eq(jobs.id, id));
}

/** A job that runs, whichever process does it; null when it has ended. */
export async function runningJob(read: Reader, id: string): Promise<Job | null> {
  const [job] = await read
    .select()
    .from(jobs)
    .where(and(eq(jobs.id, id), isNull(jobs.endedAt)));
  return job ?? null;
}

/** Asks a job to stop, and waits until it has ended; false when it does not in time. */
export async function stopJob(db: Database, id: string): Promise<boolean> {
  await db.transaction((tx) => tx.update(jobs).set({ stopWanted: true }).where(eq(jobs.id, id)));
  return jobEnded(db.read, id);
}

/** Waits until a job has ended; false when it has not after so many milliseconds. */
export async function jobEnded(read: Reader, id: string, most = 2 * SILENT): Promise<boolean> {
  for (let waited = 0; waited < most; waited += 50) {
    if (!(await runningJob(read, id))) return true;
    await sleep(50);
  }
  return false;
}

/** Ends the jobs whose process died. */
export async function endDeadJobs(tx: Transaction): Promise<void> {
  const now = Date.now();
  await tx
    .update(jobs)
    .set({ endedAt: now })
    .where(and(isNull(jobs.endedAt), lt(jobs.beatAt, now - SILENT)));
}
