import { asc, eq, gt, inArray, max, sql } from 'drizzle-orm';
import type { Reader, Transaction } from '../db/database';
import { versions } from '../db/schema/jobs';

/**
 * What changes are told about: a sitting itself, whatever the students of a course see of their sittings, what a teacher
 * watches of a sitting, what concerns all rooms of a sitting, what concerns one room, and the figures of a sitting's questions.
 */
export type Topic = `${'sitting' | 'course' | 'watch' | 'rooms' | 'room' | 'figures'}:${string}`;

/** Says, together with what changes, that it changed. */
export async function changed(tx: Transaction, ...topics: Topic[]): Promise<void> {
  for (const topic of topics) {
    const version = sql`(SELECT coalesce(max(${sql.identifier('version')}), 0) + 1 FROM ${versions})`;
    await tx
      .insert(versions)
      .values({ topic, version })
      .onConflictDoUpdate({ target: versions.topic, set: { version } });
  }
}

/** How often a topic has changed, as a number that is another one after each change. */
export async function versionOf(read: Reader, topic: Topic): Promise<number> {
  const [row] = await read.select({ version: versions.version }).from(versions).where(eq(versions.topic, topic));
  return row?.version ?? 0;
}

/** The topics that changed since a version, each with that of its last change, the newest last. */
export async function changesSince(read: Reader, version: number): Promise<{ topic: Topic; version: number }[]> {
  const rows = await read.select().from(versions).where(gt(versions.version, version)).orderBy(asc(versions.version));
  return rows.map((row) => ({ topic: row.topic as Topic, version: row.version }));
}

/** The version in which one of these topics changed last. */
export async function newestVersionOf(read: Reader, topics: readonly Topic[]): Promise<number> {
  const [row] = await read
    .select({ newest: max(versions.version) })
    .from(versions)
    .where(inArray(versions.topic, [...topics]));
  return row?.newest ?? 0;
}

export async function newestVersion(read: Reader): Promise<number> {
  const [row] = await read.select({ newest: max(versions.version) }).from(versions);
  return row?.newest ?? 0;
}
