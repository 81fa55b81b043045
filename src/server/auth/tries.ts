import { createHash } from 'node:crypto';
import { and, eq } from 'drizzle-orm';
import {
  afterTry,
  allTries,
  FREE_FROM_EVERYWHERE,
  isForgotten,
  type Tries,
  waitBeforeTry,
} from '@/core/people/slow-down';
import type { Outside } from '../context';
import type { Transaction } from '../db/database';
import { type members, signInTries } from '../db/schema/people';

/** From where somebody tries; addresses themselves are not kept. */
const sourceHash = (source: string): string => createHash('sha256').update(source).digest('hex');

/**
 * Counts a try on an account before it is looked at, so that no number of them
 * at once passes the limit; ends with the milliseconds to wait when it may not
 * be made. Each source is slowed by its own tries: nobody keeps another person
 * out from elsewhere. Only very many tries from everywhere slow the account,
 * and those of others do not while its owner is being let in.
 */
export function countTry(
  { db, now }: Outside,
  { id, letInUntil }: Pick<typeof members.$inferSelect, 'id' | 'letInUntil'>,
  from: string,
): Promise<number> {
  const source = sourceHash(from);
  return db.transaction(async (tx) => {
    const rows = await tx.select().from(signInTries).where(eq(signInTries.member, id));
    const mine = rows.find((row) => row.source === source) ?? null;
    const lettingIn = letInUntil !== null && now < letInUntil;
    const everywhere = waitBeforeTry(allTries(rows, now), now, FREE_FROM_EVERYWHERE);
    const wait = lettingIn ? everywhere : Math.max(everywhere, waitBeforeTry(mine, now));
    if (wait > 0) return wait;
    for (const row of rows.filter((one) => isForgotten(one, now))) await tx.delete(signInTries).where(rowOf(row));
    const next = afterTry(mine, now);
    await tx
      .insert(signInTries)
      .values({ member: id, source, ...next })
      .onConflictDoUpdate({ target: [signInTries.member, signInTries.source], set: next });
    return 0;
  });
}

const rowOf = ({ member, source }: { member: string; source: string }) =>
  and(eq(signInTries.member, member), eq(signInTries.source, source));

/** Whom wrong tries keep out now, from one source at least, and until when. */
export async function slowedMembers({ db, now }: Outside): Promise<ReadonlyMap<string, number>> {
  const rows = await db.read.select().from(signInTries);
  return new Map(
    [...new Set(rows.map(({ member }) => member))].flatMap((member) => {
      const mine = rows.filter((row) => row.member === member);
      const everywhere = waitBeforeTry(allTries(mine, now), now, FREE_FROM_EVERYWHERE);
      const wait = Math.max(everywhere, ...mine.map((row) => waitBeforeTry(row, now)));
      return wait > 0 ? [[member, now + wait] as const] : [];
    }),
  );
}

/** A try that was right counts no more, nor do the ones before it from there. */
export async function forgetTries(tx: Transaction, member: string, from: string): Promise<void> {
  await tx.delete(signInTries).where(rowOf({ member, source: sourceHash(from) }));
}

/** Tries on what has no row of its own are counted in memory, by what was tried and from where. */
const MOST_UNKNOWN = 5000;
const unknown = new Map<string, Tries>();
const keyOf = (what: string, from: string): string => sourceHash(`${from} ${what}`);

/** Milliseconds to wait before the next try on something from somewhere. */
export function waitOn(what: string, from: string, now: number, free?: number): number {
  return waitBeforeTry(unknown.get(keyOf(what, from)) ?? null, now, free);
}

export function noteTry(what: string, from: string, now: number): void {
  const key = keyOf(what, from);
  const next = afterTry(unknown.get(key) ?? null, now);
  if (unknown.size >= MOST_UNKNOWN) unknown.delete(unknown.keys().next().value ?? '');
  unknown.set(key, next);
}

/** A try on a name that nobody has, counted as if somebody had it; ends with the milliseconds to wait when it may not be made. */
export function countUnknown(userName: string, from: string, now: number): number {
  const wait = waitOn(userName, from, now);
  if (wait === 0) noteTry(userName, from, now);
  return wait;
}
