import { eq } from 'drizzle-orm';
import type { Outside } from '../context';
import { heartbeat, outages } from '../db/schema/exams';

/** How often a living server says so. */
export const BEAT = 2_000;
/** A silence longer than this was an outage. */
const SILENCE = 3 * BEAT;

/**
 * Notes that the server lives. A long silence before it is written down as an
 * outage, so that its time is given back to every attempt that it hit.
 */
export async function beat(out: Outside): Promise<void> {
  await out.db.transaction(async (tx) => {
    const [last] = await tx.select().from(heartbeat).where(eq(heartbeat.id, 1));
    if (last && out.now - last.at > SILENCE) await tx.insert(outages).values({ from: last.at, to: out.now });
    await tx
      .insert(heartbeat)
      .values({ id: 1, at: out.now })
      .onConflictDoUpdate({ target: heartbeat.id, set: { at: out.now } });
  });
}
