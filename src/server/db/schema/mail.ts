import { index, integer, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { sittings } from './exams';
import { members } from './people';

/** Messages to people of the department, as they were written, and what became of them. */
export const mails = sqliteTable(
  'mails',
  {
    id: text('id').primaryKey(),
    member: text('member')
      .notNull()
      .references(() => members.id),
    /** The sitting that it is about. */
    sitting: text('sitting').references(() => sittings.id),
    to: text('to_address').notNull(),
    subject: text('subject').notNull(),
    text: text('text').notNull(),
    /** `sending`: a process is at it; one that died over it leaves it to be sent again. */
    state: text('state').$type<'waiting' | 'sending' | 'sent' | 'failed'>().notNull(),
    /** How often it was tried, and when it is tried next, or has been. */
    tries: integer('tries').notNull().default(0),
    at: integer('at').notNull(),
    writtenBy: text('written_by')
      .notNull()
      .references(() => members.id),
    writtenAt: integer('written_at').notNull(),
  },
  (t) => [index('mails_state').on(t.state, t.at), index('mails_written').on(t.writtenAt)],
);
