import { index, integer, primaryKey, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import type { Happening } from '@/core/sittings/story';
import type { Understood } from '@/core/speech/understood';
import { participants, sittings } from './exams';
import { members } from './people';

export const attempts = sqliteTable(
  'attempts',
  {
    id: text('id').primaryKey(),
    sitting: text('sitting')
      .notNull()
      .references(() => sittings.id),
    participant: text('participant')
      .notNull()
      .references(() => participants.id),
    /** Number instead of a name for markers. */
    script: integer('script').notNull(),
    seed: integer('seed').notNull(),
    /** Ids of sections that are for others. */
    without: text('without', { mode: 'json' }).$type<string[]>().notNull().default([]),
    /** Of this come the names that parts of slots have on the sheets of this attempt. */
    secret: text('secret').notNull().default(''),
    startedAt: integer('started_at').notNull(),
    /** Working minutes by the provision at the start; extensions come on top. */
    minutes: integer('minutes').notNull(),
    /** By how many percent they are more than the sitting gives: the share in which sections have more, too. */
    extraTimePercent: integer('extra_time_percent').notNull().default(0),
    /** Minutes that they may rest in all, by the provision at the start. */
    breakMinutes: integer('break_minutes').notNull().default(0),
    handedInAt: integer('handed_in_at'),
    handedInBy: text('handed_in_by').$type<'student' | 'clock' | 'teacher'>(),
    /** When a teacher let them back in last, after it was handed in. */
    reopenedAt: integer('reopened_at'),
    /** When a teacher set it aside, so that it counts nowhere, why and who; null while it counts. */
    asideAt: integer('aside_at'),
    asideReason: text('aside_reason').notNull().default(''),
    asideBy: text('aside_by').references(() => members.id),
    /** When the rules had marked it; null until then. */
    markedAt: integer('marked_at'),
    seenAt: integer('seen_at').notNull(),
    /** How much the story of its answers weighs, in characters. */
    storyWeight: integer('story_weight').notNull().default(0),
    /** What the teacher has said to this student while writing: the last of it, when it was said, and when it was read. */
    notice: text('notice'),
    noticeAt: integer('notice_at'),
    noticeReadAt: integer('notice_read_at'),
  },
  (t) => [
    index('attempts_sitting').on(t.sitting, t.participant),
    index('attempts_participant').on(t.participant),
    index('attempts_open').on(t.handedInAt),
    index('attempts_unmarked').on(t.markedAt),
  ],
);

/** What was done about an attempt besides writing in it: part of its story. Append-only. */
export const happenings = sqliteTable(
  'happenings',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    attempt: text('attempt')
      .notNull()
      .references(() => attempts.id),
    what: text('what').$type<Happening>().notNull(),
    /** The member who did it; null for the student and the clock. */
    by: text('by').references(() => members.id),
    /** What was said, or the reason. */
    note: text('note').notNull().default(''),
    at: integer('at').notNull(),
  },
  (t) => [index('happenings_attempt').on(t.attempt, t.at)],
);

/** The stages of its paper that an attempt has entered; the present one is not left. */
export const stages = sqliteTable(
  'stages',
  {
    attempt: text('attempt')
      .notNull()
      .references(() => attempts.id),
    stage: text('stage').notNull(),
    startedAt: integer('started_at').notNull(),
    leftAt: integer('left_at'),
  },
  (t) => [primaryKey({ columns: [t.attempt, t.stage] })],
);

/** How an attempt's answers came about: of every place a change each few seconds, and what stood there when it was handed in. Append-only. */
export const answers = sqliteTable(
  'answers',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    attempt: text('attempt')
      .notNull()
      .references(() => attempts.id),
    device: text('device').notNull(),
    seq: integer('seq').notNull(),
    item: text('item').notNull(),
    slot: text('slot'),
    value: text('value', { mode: 'json' }).notNull(),
    writtenAt: integer('written_at').notNull(),
    receivedAt: integer('received_at').notNull(),
  },
  (t) => [
    uniqueIndex('answers_once').on(t.attempt, t.device, t.seq),
    index('answers_attempt').on(t.attempt, t.writtenAt),
  ],
);

/** The present answer to every place of an attempt: the one that was written last, whichever device it came from. */
export const answersNow = sqliteTable(
  'answers_now',
  {
    attempt: text('attempt')
      .notNull()
      .references(() => attempts.id),
    item: text('item').notNull(),
    /** Empty for what concerns the question as a whole. */
    slot: text('slot').notNull(),
    value: text('value', { mode: 'json' }).notNull(),
    device: text('device').notNull(),
    seq: integer('seq').notNull(),
    writtenAt: integer('written_at').notNull(),
    receivedAt: integer('received_at').notNull(),
    /** When a change of this place was last put into the story. */
    keptAt: integer('kept_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.attempt, t.item, t.slot] })],
);

/** Of an attempt of a group: who writes in a place at present. */
export const holds = sqliteTable(
  'holds',
  {
    attempt: text('attempt')
      .notNull()
      .references(() => attempts.id),
    item: text('item').notNull(),
    slot: text('slot').notNull(),
    member: text('member')
      .notNull()
      .references(() => members.id),
    until: integer('until_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.attempt, t.item, t.slot] })],
);

/** Questions of an attempt that were checked while it was written. */
export const checks = sqliteTable(
  'checks',
  {
    attempt: text('attempt')
      .notNull()
      .references(() => attempts.id),
    item: text('item').notNull(),
    /** How often it was checked. */
    tries: integer('tries').notNull(),
    /** When its key was looked at; null until then. */
    keyAt: integer('key_at'),
    /** The answers as they were checked last, as JSON. */
    answers: text('answers').notNull(),
    /** What was told of them, `Checked` as JSON. */
    told: text('told', { mode: 'json' }).notNull(),
    at: integer('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.attempt, t.item] })],
);

/** The hints that were asked for while an attempt was written. */
export const hintsTaken = sqliteTable(
  'hints_taken',
  {
    attempt: text('attempt')
      .notNull()
      .references(() => attempts.id),
    item: text('item').notNull(),
    /** The first hint of its question is 0. */
    hint: integer('hint').notNull(),
    at: integer('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.attempt, t.item, t.hint] })],
);

/** How long an attempt was at a question, by what was written when: a measure for the time that questions take. */
export const questionTimes = sqliteTable(
  'question_times',
  {
    attempt: text('attempt')
      .notNull()
      .references(() => attempts.id),
    question: text('question').notNull(),
    seconds: integer('seconds').notNull(),
  },
  (t) => [primaryKey({ columns: [t.attempt, t.question] }), index('question_times_question').on(t.question)],
);

/** What was understood of recordings, each once: what pages are told, and what is marked. */
export const heard = sqliteTable(
  'heard',
  {
    attempt: text('attempt')
      .notNull()
      .references(() => attempts.id),
    item: text('item').notNull(),
    slot: text('slot').notNull(),
    /** The recording, by the hash of its file. */
    hash: text('hash').notNull(),
    understood: text('understood', { mode: 'json' }).$type<Understood>().notNull(),
    at: integer('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.attempt, t.item, t.slot, t.hash] })],
);

/** Files that students put beside answers; the bytes lie in the files port, in pieces until all have come. */
export const attemptFiles = sqliteTable(
  'attempt_files',
  {
    attempt: text('attempt')
      .notNull()
      .references(() => attempts.id),
    hash: text('hash').notNull(),
    name: text('name').notNull(),
    size: integer('size').notNull(),
    /** Bytes that have come; the file is there when they are its size. */
    received: integer('received').notNull().default(0),
    at: integer('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.attempt, t.hash] })],
);
