import { index, integer, primaryKey, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import type { OutsideScore } from '@/core/gradebook/outside';
import { courses, members } from './people';

/** Learning platforms with gradebooks of their own, at which the department is registered (as a tool of LTI 1.3). */
export const platforms = sqliteTable('platforms', {
  id: text('id').primaryKey(),
  name: text('name').notNull().unique(),
  /** Where access is asked for. */
  tokenAddress: text('token_address').notNull(),
  /** What the platform calls this installation. */
  clientId: text('client_id').notNull(),
  /** Whom the request for access is addressed to, where that is not the token address. */
  audience: text('audience'),
  /** Everything that is written to lies under this address. */
  under: text('under_address').notNull(),
});

/** What a platform calls a person of the department. */
export const platformPeople = sqliteTable(
  'platform_people',
  {
    platform: text('platform')
      .notNull()
      .references(() => platforms.id),
    member: text('member')
      .notNull()
      .references(() => members.id),
    outsideId: text('outside_id').notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.platform, t.member] }),
    uniqueIndex('platform_people_outside').on(t.platform, t.outsideId),
  ],
);

/** The gradebook of a course on a platform. */
export const outsideBooks = sqliteTable('outside_books', {
  course: text('course')
    .primaryKey()
    .references(() => courses.id),
  platform: text('platform')
    .notNull()
    .references(() => platforms.id),
  /** Where its line items are. */
  lineItems: text('line_items').notNull(),
  /** Ids of the columns that are told, "final" among them. */
  columns: text('columns', { mode: 'json' }).$type<string[]>().notNull(),
});

/** The line items that stand in outside gradebooks for columns of ours. */
export const outsideLines = sqliteTable(
  'outside_lines',
  {
    course: text('course')
      .notNull()
      .references(() => courses.id),
    /** Id of a column of the book, or "final". */
    column: text('column_id').notNull(),
    /** Null until it was found or made there. */
    address: text('address'),
    /** What it is to be called, and of how many marks it is to be. */
    label: text('label').notNull(),
    of: text('of_marks').notNull(),
    /** Label and marks are so there. */
    current: integer('current', { mode: 'boolean' }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.course, t.column] })],
);

/** What outside gradebooks are told of each student and column, and what became of it. */
export const outsideScores = sqliteTable(
  'outside_scores',
  {
    course: text('course')
      .notNull()
      .references(() => courses.id),
    column: text('column_id').notNull(),
    member: text('member')
      .notNull()
      .references(() => members.id),
    /** What is to stand there. */
    score: text('score', { mode: 'json' }).$type<OutsideScore>().notNull(),
    /** What was told last; null where nothing has arrived yet. */
    told: text('told', { mode: 'json' }).$type<OutsideScore>(),
    /** `sending`: a process is at it; one that died over it leaves it to be sent again. */
    state: text('state').$type<'waiting' | 'sending' | 'sent' | 'failed'>().notNull(),
    /** How often it was tried, and when it is tried next, or has been. */
    tries: integer('tries').notNull().default(0),
    at: integer('at').notNull(),
    /** Why it did not arrive: the code of a refusal, with the status that was answered; null where it did. */
    trouble: text('trouble', { mode: 'json' }).$type<{ code: string; status?: number }>(),
  },
  (t) => [primaryKey({ columns: [t.course, t.column, t.member] }), index('outside_scores_state').on(t.state, t.at)],
);

/** Keys by which this installation shows platforms who it is. The newest signs. */
export const signingKeys = sqliteTable('signing_keys', {
  id: text('id').primaryKey(),
  /** The private half, as JSON Web Key. */
  key: text('key', { mode: 'json' }).$type<Record<string, unknown>>().notNull(),
  createdAt: integer('created_at').notNull(),
});
