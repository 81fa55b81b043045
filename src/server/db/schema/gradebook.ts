import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type { BookEntry } from '@/core/gradebook/cell';
import { courses, members } from './people';

/** How a course's final grade comes about, and what was signed off. A course without a row has the usual book. */
export const gradebooks = sqliteTable('gradebooks', {
  course: text('course')
    .primaryKey()
    .references(() => courses.id),
  /** `Book` as JSON. */
  book: text('book', { mode: 'json' }).notNull(),
  version: integer('version').notNull(),
  /** When it was signed off: nobody changes it until it is opened again. Null while it is open. */
  signedAt: integer('signed_at'),
  signedBy: text('signed_by').references(() => members.id),
  /** The final grades then, `SignedGrades` as JSON; null while it is open. */
  signed: text('signed', { mode: 'json' }),
});

/** Everything that was put into cells by hand, oldest first: what counts is the newest of a cell. */
export const bookEntries = sqliteTable(
  'book_entries',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    course: text('course')
      .notNull()
      .references(() => courses.id),
    /** Id of a column of the book, or "final". */
    column: text('column_id').notNull(),
    member: text('member')
      .notNull()
      .references(() => members.id),
    /** `BookEntry` as JSON; null for nothing any more. */
    entry: text('entry', { mode: 'json' }).$type<BookEntry>(),
    reason: text('reason').notNull(),
    by: text('by')
      .notNull()
      .references(() => members.id),
    at: integer('at').notNull(),
  },
  (t) => [index('book_entries_cell').on(t.course, t.column, t.member)],
);
