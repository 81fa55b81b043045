import { type AnySQLiteColumn, index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type { ReviewState } from '@/core/bank/facts';
import type { Numbering } from '@/core/bank/question';
import { members } from './people';

export const media = sqliteTable('media', {
  /** SHA-256 of the bytes; also their name in the files port. */
  hash: text('hash').primaryKey(),
  mime: text('mime').notNull(),
  size: integer('size').notNull(),
  width: integer('width').notNull(),
  height: integer('height').notNull(),
  /** What it shows, for those who cannot see it; offered wherever it is used. */
  description: text('description').notNull().default(''),
  licence: text('licence').notNull().default(''),
  /** Who made it, or the address it came from. */
  source: text('source').notNull().default(''),
  addedBy: text('added_by')
    .notNull()
    .references(() => members.id),
  addedAt: integer('added_at').notNull(),
});

/** Who brought a picture or recording; the same bytes may come from several. */
export const mediaKeepers = sqliteTable(
  'media_keepers',
  {
    media: text('media')
      .notNull()
      .references(() => media.hash),
    member: text('member')
      .notNull()
      .references(() => members.id),
  },
  (t) => [primaryKey({ columns: [t.media, t.member] })],
);

/** Which pictures and recordings stand in which questions, by the questions' rows; kept with the search index. */
export const mediaUses = sqliteTable(
  'media_uses',
  { media: text('media').notNull(), row: integer('row').notNull() },
  (t) => [primaryKey({ columns: [t.media, t.row] }), index('media_uses_row').on(t.row)],
);

export const banks = sqliteTable('banks', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  share: text('share').$type<'department' | 'named' | 'private'>().notNull(),
  owner: text('owner')
    .notNull()
    .references(() => members.id),
  /** Whether only agreed questions of this bank may be placed in exams. */
  reviewRequired: integer('review_required', { mode: 'boolean' }).notNull().default(false),
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
  /** What whoever did badly in it reads on their result: a chapter, an address. */
  lookAgain: text('look_again').notNull().default(''),
});

/** The newest content of every passage. */
export const passages = sqliteTable(
  'passages',
  {
    id: text('id').primaryKey(),
    bank: text('bank')
      .notNull()
      .references(() => banks.id),
    title: text('title').notNull(),
    /** `Content` as JSON. */
    content: text('content', { mode: 'json' }).notNull(),
    numbered: text('numbered').$type<Numbering>().notNull().default('nothing'),
    savedBy: text('saved_by')
      .notNull()
      .references(() => members.id),
    savedAt: integer('saved_at').notNull(),
  },
  (t) => [index('passages_bank').on(t.bank)],
);

/** The columns that a search narrows by. */
type Narrowing =
  | 'deletedAt'
  | 'archivedAt'
  | 'id'
  | 'topic'
  | 'difficulty'
  | 'demand'
  | 'kinds'
  | 'review'
  | 'ready'
  | 'author'
  | 'marks';
function narrowing(t: Record<Narrowing, AnySQLiteColumn>): AnySQLiteColumn[] {
  return [
    t.deletedAt,
    t.archivedAt,
    t.id,
    t.topic,
    t.difficulty,
    t.demand,
    t.kinds,
    t.review,
    t.ready,
    t.author,
    t.marks,
  ];
}

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
    passage: text('passage').references(() => passages.id),
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
    review: text('review').$type<ReviewState>().notNull().default('draft'),
    /** Put away: kept where it is used, no longer found unless looked for. */
    archivedAt: integer('archived_at'),
    deletedAt: integer('deleted_at'),
  },
  (t) => [
    // Lists and counts read these alone, and never the wide rows.
    index('questions_newest').on(t.savedAt, t.bank, ...narrowing(t)),
    index('questions_by_title').on(t.title, t.bank, ...narrowing(t)),
    index('questions_by_row').on(t.row, t.bank, ...narrowing(t)),
    index('questions_shelf').on(t.bank, t.topic, t.deletedAt, t.archivedAt),
    index('questions_topic').on(t.topic),
    index('questions_passage').on(t.passage),
  ],
);

const ofQuestion = () =>
  text('question')
    .notNull()
    .references(() => questions.id);

export const questionTags = sqliteTable(
  'question_tags',
  { question: ofQuestion(), tag: text('tag').notNull() },
  (t) => [primaryKey({ columns: [t.question, t.tag] }), index('question_tags_tag').on(t.tag)],
);

/** Learning goals of the department, in its own order. */
export const goals = sqliteTable('goals', {
  id: text('id').primaryKey(),
  code: text('code').notNull().unique(),
  words: text('words').notNull(),
  position: integer('position').notNull(),
});

export const questionGoals = sqliteTable(
  'question_goals',
  {
    question: ofQuestion(),
    goal: text('goal')
      .notNull()
      .references(() => goals.id),
  },
  (t) => [primaryKey({ columns: [t.question, t.goal] }), index('question_goals_goal').on(t.goal)],
);

/** The story of a question's review: who asked, agreed or returned it, with what remark. Only ever added to. */
export const reviews = sqliteTable(
  'reviews',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    question: ofQuestion(),
    revision: integer('revision').notNull(),
    act: text('act').$type<Exclude<ReviewState, 'draft'>>().notNull(),
    /** The slot that the remark is about; null for the whole question. */
    slot: text('slot'),
    remark: text('remark').notNull(),
    by: text('by')
      .notNull()
      .references(() => members.id),
    at: integer('at').notNull(),
  },
  (t) => [index('reviews_question').on(t.question, t.id)],
);

/** Words that mean the same in a topic (or in a whole bank), offered wherever one of them is typed into a rule. */
export const synonyms = sqliteTable(
  'synonyms',
  {
    id: text('id').primaryKey(),
    bank: text('bank')
      .notNull()
      .references(() => banks.id),
    /** Null: for the whole bank. */
    topic: text('topic'),
    words: text('words', { mode: 'json' }).$type<string[]>().notNull(),
  },
  (t) => [index('synonyms_bank').on(t.bank)],
);

/** Word lists of the department, used by name inside rules. Setups hold copies. */
export const wordLists = sqliteTable('word_lists', {
  name: text('name').primaryKey(),
  words: text('words', { mode: 'json' }).$type<string[]>().notNull(),
});

/** Rubrics of a bank. Slots hold copies. */
export const rubrics = sqliteTable(
  'rubrics',
  {
    id: text('id').primaryKey(),
    bank: text('bank')
      .notNull()
      .references(() => banks.id),
    title: text('title').notNull(),
    /** `Rubric` as JSON. */
    body: text('body', { mode: 'json' }).notNull(),
    /** Counts every save; a save that starts from an older one is refused. */
    version: integer('version').notNull(),
    savedBy: text('saved_by')
      .notNull()
      .references(() => members.id),
    savedAt: integer('saved_at').notNull(),
  },
  (t) => [index('rubrics_bank').on(t.bank)],
);

/** A search that somebody keeps under a name. */
export const keptSearches = sqliteTable(
  'kept_searches',
  {
    id: text('id').primaryKey(),
    member: text('member')
      .notNull()
      .references(() => members.id),
    name: text('name').notNull(),
    /** `BankSearch` as JSON. */
    search: text('search', { mode: 'json' }).notNull(),
  },
  (t) => [index('kept_searches_member').on(t.member)],
);

/** What was done to many questions at once, with how they stood before, so that it can be undone. */
export const bulkActs = sqliteTable('bulk_acts', {
  id: text('id').primaryKey(),
  by: text('by')
    .notNull()
    .references(() => members.id),
  at: integer('at').notNull(),
  /** `BeforeAct` as JSON. */
  before: text('before', { mode: 'json' }).notNull(),
  undoneAt: integer('undone_at'),
});

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
