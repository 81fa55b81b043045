import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import { members } from './people';

export const media = sqliteTable('media', {
  /** SHA-256 of the bytes; also their name in the files port. */
  hash: text('hash').primaryKey(),
  mime: text('mime').notNull(),
  size: integer('size').notNull(),
  width: integer('width').notNull(),
  height: integer('height').notNull(),
  addedBy: text('added_by')
    .notNull()
    .references(() => members.id),
  addedAt: integer('added_at').notNull(),
});

export const banks = sqliteTable('banks', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  share: text('share').$type<'department' | 'named' | 'private'>().notNull(),
  owner: text('owner')
    .notNull()
    .references(() => members.id),
});

export const bankMembers = sqliteTable(
  'bank_members',
  {
    bank: text('bank')
      .notNull()
      .references(() => banks.id),
    member: text('member')
      .notNull()
      .references(() => members.id),
  },
  (t) => [primaryKey({ columns: [t.bank, t.member] })],
);

export const topics = sqliteTable('topics', {
  id: text('id').primaryKey(),
  bank: text('bank')
    .notNull()
    .references(() => banks.id),
  parent: text('parent'),
  name: text('name').notNull(),
  position: integer('position').notNull(),
});

/** The head of a question: where it stands, what lists show, and the one mutable draft. */
export const questions = sqliteTable(
  'questions',
  {
    /** Steady row number, shared with the search index. */
    row: integer('row').primaryKey({ autoIncrement: true }),
    id: text('id').notNull().unique(),
    bank: text('bank')
      .notNull()
      .references(() => banks.id),
    topic: text('topic').references(() => topics.id),
    difficulty: integer('difficulty').notNull(),
    demand: text('demand').$type<'know' | 'use' | 'judge'>().notNull(),
    title: text('title').notNull(),
    kinds: text('kinds').notNull(),
    marks: text('marks').notNull(),
    /** Whether nothing stops it, at the last save. */
    ready: integer('ready', { mode: 'boolean' }).notNull(),
    /** The body being written, `QuestionBody` as JSON. */
    draft: text('draft', { mode: 'json' }).notNull(),
    /** Counts every save; a save that starts from an older one is refused. */
    draftVersion: integer('draft_version').notNull(),
    /** Newest revision, 0 while there is none; whether the draft differs from it. */
    revision: integer('revision').notNull(),
    changed: integer('changed', { mode: 'boolean' }).notNull(),
    author: text('author')
      .notNull()
      .references(() => members.id),
    savedBy: text('saved_by')
      .notNull()
      .references(() => members.id),
    savedAt: integer('saved_at').notNull(),
  },
  (t) => [index('questions_bank').on(t.bank, t.savedAt), index('questions_topic').on(t.topic)],
);

/** Immutable: rows are only ever added. */
export const revisions = sqliteTable(
  'revisions',
  {
    question: text('question')
      .notNull()
      .references(() => questions.id),
    number: integer('number').notNull(),
    body: text('body', { mode: 'json' }).notNull(),
    by: text('by')
      .notNull()
      .references(() => members.id),
    at: integer('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.question, t.number] })],
);
