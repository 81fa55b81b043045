import { and, eq, gt, ne, notInArray, sql } from 'drizzle-orm';
import type { Database, Reader } from '../db/database';
import { holds } from '../db/schema/attempts';
import { members } from '../db/schema/people';
import { changed } from '../events/versions';
import { keepInStory, type LogEntry } from './answer-log';

/** Who writes in a place holds it for so long after each change, in milliseconds. */
export const HOLD = 20_000;

/** A place of a group's paper in which one of them writes. */
export interface Held {
  item: string;
  slot: string;
  member: string;
  name: string;
  until: number;
}

/** The places of an attempt in which somebody writes at present. */
export async function holdsOf(read: Reader, attempt: string, now: number): Promise<Held[]> {
  return read
    .select({ item: holds.item, slot: holds.slot, member: holds.member, name: members.name, until: holds.until })
    .from(holds)
    .innerJoin(members, eq(members.id, holds.member))
    .where(and(eq(holds.attempt, attempt), gt(holds.until, now)));
}

interface Claim {
  attempt: string;
  member: string;
  now: number;
  entries: readonly LogEntry[];
}

/**
 * Has one of a group hold the places in which they write, and let go of those in which they wrote before. Gives the
 * numbers of what cannot be taken, because another one holds its place; that is kept in the story and nowhere else.
 */
export async function claimPlaces(db: Database, { attempt, member, now, entries }: Claim): Promise<Set<number>> {
  return db.transaction(async (tx) => {
    const others = await tx
      .select({ item: holds.item, slot: holds.slot })
      .from(holds)
      .where(and(eq(holds.attempt, attempt), ne(holds.member, member), gt(holds.until, now)));
    const taken = new Set(others.map(({ item, slot }) => `${item} ${slot}`));
    const held = entries.filter(({ item, slot }) => slot !== null && taken.has(`${item} ${slot}`));
    await keepInStory(tx, attempt, held);
    // What was written long ago, without a connection, is no sign that they are at it now.
    const fresh = entries.filter(
      (entry) => entry.slot !== null && !held.includes(entry) && now - entry.writtenAt < HOLD,
    );
    const until = now + HOLD;
    for (const { item, slot } of fresh)
      await tx
        .insert(holds)
        .values({ attempt, item, slot: slot ?? '', member, until })
        .onConflictDoUpdate({ target: [holds.attempt, holds.item, holds.slot], set: { member, until } });
    if (fresh.length > 0)
      await tx.delete(holds).where(
        and(
          eq(holds.attempt, attempt),
          eq(holds.member, member),
          notInArray(
            sql`${holds.item} || ' ' || ${holds.slot}`,
            fresh.map(({ item, slot }) => `${item} ${slot}`),
          ),
        ),
      );
    await changed(tx, `room:${attempt}`);
    return new Set(held.map(({ seq }) => seq));
  });
}
