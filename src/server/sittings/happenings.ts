import { and, eq, inArray, isNull } from 'drizzle-orm';
import type { Happening } from '@/core/sittings/story';
import type { Transaction } from '../db/database';
import { attempts, happenings } from '../db/schema/attempts';
import { changed } from '../events/versions';
import type { AttemptRow } from './attempts';

/** Writes into the story of an attempt what was done about it, and tells its room and whoever watches. */
export async function happened(
  tx: Transaction,
  { id, sitting }: Pick<AttemptRow, 'id' | 'sitting'>,
  what: Happening,
  { at, by = null, note = '' }: { at: number; by?: string | null; note?: string },
): Promise<void> {
  await tx.insert(happenings).values({ attempt: id, what, at, by, note });
  await changed(tx, `room:${id}`, `watch:${sitting}`);
}

/** Tells the rooms of these participants, or all rooms of a sitting, and whoever watches. */
export async function tell(tx: Transaction, sitting: string, participants: ReadonlySet<string> | null): Promise<void> {
  await changed(tx, `watch:${sitting}`);
  if (participants === null) return changed(tx, `rooms:${sitting}`);
  const rooms = await tx
    .select({ id: attempts.id })
    .from(attempts)
    .where(
      and(eq(attempts.sitting, sitting), inArray(attempts.participant, [...participants]), isNull(attempts.handedInAt)),
    );
  for (const { id } of rooms) await changed(tx, `room:${id}`);
}
