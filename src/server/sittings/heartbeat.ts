import { readFileSync, writeFileSync } from 'node:fs';
import { eq } from 'drizzle-orm';
import type { Transaction } from '../db/database';
import { heartbeat, outages } from '../db/schema/jobs';

/** How often a living server says so. */
export const BEAT = 2_000;
/** A silence longer than this was an outage. */
const SILENCE = 3 * BEAT;

/** Where a sign of life is kept beside the database, to see whether the data are older than the server that wrote them. */
export interface Beside {
  read: () => number | null;
  write: (at: number) => void;
}

export function besideFile(file: string): Beside {
  return {
    read() {
      try {
        return Number(readFileSync(file, 'utf8')) || null;
      } catch {
        return null;
      }
    },
    write: (at) => writeFileSync(file, String(at)),
  };
}

/**
 * Notes that the server lives. A long silence before it is written down as an
 * outage, so that its time is given back to every attempt that it hit; data
 * that were brought back tell nothing about when the server was there, and
 * their silence gives nothing by itself. `aliveAt`: when whoever asks was
 * there for certain, written down or not; null at the start of a process.
 */
export async function beat(tx: Transaction, beside: Beside, now: number, aliveAt: number | null): Promise<void> {
  const [last] = await tx.select().from(heartbeat).where(eq(heartbeat.id, 1));
  const from = last ? Math.max(last.at, aliveAt ?? 0) : now;
  if (last && now - from > SILENCE) {
    const besides = beside.read();
    const restored = besides === null || besides - last.at > SILENCE;
    await tx.insert(outages).values({ from, to: now, restored });
  }
  await tx
    .insert(heartbeat)
    .values({ id: 1, at: now })
    .onConflictDoUpdate({ target: heartbeat.id, set: { at: now } });
  beside.write(now);
}
