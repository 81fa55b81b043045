import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type { Anchor } from '@/core/content/anchors';
import type { Judgement } from '@/core/rules/rubric/rubric';
import { attempts } from './attempts';
import { sittings } from './exams';
import { members } from './people';

/**
 * What was changed about a question of a sitting after it was written. The
 * marks that come of it count from the moment it is applied, all at once, and
 * no longer when it is taken back.
 */
export const mendings = sqliteTable(
  'mendings',
  {
    id: text('id').primaryKey(),
    sitting: text('sitting')
      .notNull()
      .references(() => sittings.id),
    item: text('item').notNull(),
    /** `Change[]` as JSON. */
    changes: text('changes', { mode: 'json' }).notNull(),
    reason: text('reason').notNull(),
    state: text('state').$type<'running' | 'applied' | 'cancelled' | 'taken back'>().notNull(),
    by: text('by')
      .notNull()
      .references(() => members.id),
    at: integer('at').notNull(),
    appliedAt: integer('applied_at'),
    takenBackAt: integer('taken_back_at'),
    /** How many marks it changed, in how many scripts. */
    marksChanged: integer('marks_changed').notNull().default(0),
    scripts: integer('scripts').notNull().default(0),
  },
  (t) => [index('mendings_sitting').on(t.sitting, t.state)],
);

/** Of a group's attempt: marks that one member has more, or less, than the others. */
export const memberMarks = sqliteTable(
  'member_marks',
  {
    attempt: text('attempt')
      .notNull()
      .references(() => attempts.id),
    member: text('member')
      .notNull()
      .references(() => members.id),
    /** Exact marks as text, below zero where they are less. */
    change: text('change').notNull(),
    reason: text('reason').notNull(),
    by: text('by')
      .notNull()
      .references(() => members.id),
    at: integer('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.attempt, t.member] })],
);

/** What has been said of answers to a question, to be said again: found by its first letters at every answer to it. */
export const keptRemarks = sqliteTable(
  'kept_remarks',
  {
    id: text('id').primaryKey(),
    /** The question in the bank, whose answers it is said of. */
    question: text('question').notNull(),
    words: text('words').notNull(),
    /** Exact marks that go with it, below zero where they are taken off; null for none. */
    marks: text('marks'),
    by: text('by')
      .notNull()
      .references(() => members.id),
    at: integer('at').notNull(),
  },
  (t) => [index('kept_remarks_question').on(t.question)],
);

/** What whoever marks says of an answer, and of which place in it. */
export const remarks = sqliteTable(
  'remarks',
  {
    id: text('id').primaryKey(),
    attempt: text('attempt')
      .notNull()
      .references(() => attempts.id),
    item: text('item').notNull(),
    slot: text('slot').notNull(),
    /** The kept remark whose words these are; they change with it. Null for words of its own, or none. */
    kept: text('kept').references(() => keptRemarks.id),
    words: text('words').notNull(),
    /** `Anchor` as JSON. */
    anchor: text('anchor', { mode: 'json' }).$type<Anchor>().notNull(),
    by: text('by')
      .notNull()
      .references(() => members.id),
    at: integer('at').notNull(),
  },
  (t) => [index('remarks_attempt').on(t.attempt, t.item, t.slot)],
);

/** An answer of a slot, as its key in tables of the desk. */
const ofAnswer = () => ({
  attempt: text('attempt')
    .notNull()
    .references(() => attempts.id),
  item: text('item').notNull(),
  slot: text('slot').notNull(),
});

/** Answers that were given out to be marked, where they are marked as they come. */
export const givenOut = sqliteTable(
  'given_out',
  {
    ...ofAnswer(),
    to: text('to')
      .notNull()
      .references(() => members.id),
    at: integer('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.attempt, t.item, t.slot] })],
);

/** What a second marker found, without having seen the first mark. */
export const secondMarks = sqliteTable(
  'second_marks',
  {
    ...ofAnswer(),
    by: text('by')
      .notNull()
      .references(() => members.id),
    /** Exact marks as text. */
    marks: text('marks').notNull(),
    /** Why, for whoever settles it. */
    reason: text('reason').notNull(),
    /** The mark that stood then, and whose it was. */
    first: text('first').notNull(),
    firstBy: text('first_by')
      .notNull()
      .references(() => members.id),
    at: integer('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.attempt, t.item, t.slot] })],
);

/** What a marker gave to an answer that was marked beforehand, without knowing that it was. It counts for nothing but to see whether they are in step. */
export const probeMarks = sqliteTable(
  'probe_marks',
  {
    ...ofAnswer(),
    by: text('by')
      .notNull()
      .references(() => members.id),
    /** Exact marks as text. */
    marks: text('marks').notNull(),
    judgement: text('judgement', { mode: 'json' }).$type<Judgement>(),
    at: integer('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.attempt, t.item, t.slot, t.by] })],
);

/** Answers that a marker wants to look at once more. */
export const unsure = sqliteTable(
  'unsure',
  {
    ...ofAnswer(),
    by: text('by')
      .notNull()
      .references(() => members.id),
  },
  (t) => [primaryKey({ columns: [t.attempt, t.item, t.slot, t.by] })],
);

/** Append-only history: the newest row of (attempt, item, slot) counts, but none of a mending that is not applied. */
export const marks = sqliteTable(
  'marks',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    attempt: text('attempt')
      .notNull()
      .references(() => attempts.id),
    item: text('item').notNull(),
    slot: text('slot').notNull(),
    /** Exact marks as text; null while it waits for a person. */
    marks: text('marks'),
    /** The member who gave it; null for the answer rules. */
    by: text('by').references(() => members.id),
    /** `TraceStep[]` as JSON. */
    trace: text('trace', { mode: 'json' }).notNull(),
    feedback: text('feedback').notNull(),
    /** What a person found by a rubric, `Judgement` as JSON; null without one. */
    judgement: text('judgement', { mode: 'json' }),
    at: integer('at').notNull(),
    /** The mending that it came of. */
    mending: text('mending').references(() => mendings.id),
  },
  (t) => [index('marks_mending').on(t.mending), index('marks_attempt').on(t.attempt, t.item, t.slot)],
);
