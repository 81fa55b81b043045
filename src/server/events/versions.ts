import { asc, eq, gt, max, sql } from 'drizzle-orm';
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

/** The topics that changed since a version, and the newest version. */
export async function changesSince(read: Reader, version: number): Promise<{ topics: Topic[]; newest: number }> {
  const rows = await read.select().from(versions).where(gt(versions.version, version)).orderBy(asc(versions.version));
  return { topics: rows.map(({ topic }) => topic as Topic), newest: rows.at(-1)?.version ?? version };
}

export async function newestVersion(read: Reader): Promise<number> {
  const [row] = await read.select({ newest: max(versions.version) }).from(versions);
  return row?.newest ?? 0;
}
