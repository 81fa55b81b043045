import { sql } from 'drizzle-orm';
import { integer, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';

/** Long work that some process does: on what, how far it is, and whether that process still lives. */
export const jobs = sqliteTable(
  'jobs',
  {
    id: text('id').primaryKey(),
    kind: text('kind').$type<'mending'>().notNull(),
    /** What it works on. Of one kind, one job at a time works on it. */
    subject: text('subject').notNull(),
    /** The process that does it. */
    owner: text('owner').notNull(),
    done: integer('done').notNull().default(0),
    total: integer('total').notNull().default(0),
    /** When its process last said that it lives. */
    beatAt: integer('beat_at').notNull(),
    stopWanted: integer('stop_wanted', { mode: 'boolean' }).notNull().default(false),
    endedAt: integer('ended_at'),
  },
  (t) => [uniqueIndex('jobs_one_at_a_time').on(t.kind, t.subject).where(sql`${t.endedAt} IS NULL`)],
);

/** That something changed, by what it is about; numbers rise through all of them, so that one question finds everything new. */
export const versions = sqliteTable(
  'versions',
  {
    topic: text('topic').primaryKey(),
    version: integer('version').notNull(),
  },
  (t) => [uniqueIndex('versions_in_order').on(t.version)],
);

/** Stretches in which the server did not serve; their time is given back. */
export const outages = sqliteTable('outages', {
  id: integer('id').primaryKey({ autoIncrement: true }),
  from: integer('from_at').notNull(),
  to: integer('to_at').notNull(),
  /** The data of its beginning were brought back then. */
  restored: integer('restored', { mode: 'boolean' }).notNull().default(false),
});

/** The last sign of life of any server process on this database; one row. */
export const heartbeat = sqliteTable('heartbeat', {
  id: integer('id').primaryKey(),
  at: integer('at').notNull(),
});
