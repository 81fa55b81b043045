import { index, integer, primaryKey, real, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import type { FIGURES_SHOWN, PanelMethod } from '@/core/results/panel';
import { attempts } from './attempts';
import { sittings } from './exams';
import { members } from './people';

/** Judges who say where the pass mark of a sitting belongs. A sitting has one panel by each method at most. */
export const panels = sqliteTable(
  'panels',
  {
    id: text('id').primaryKey(),
    sitting: text('sitting')
      .notNull()
      .references(() => sittings.id),
    method: text('method').$type<PanelMethod>().notNull(),
    /** Counted from 1. In later rounds judges see what all said before. */
    round: integer('round').notNull().default(1),
    figures: text('figures').$type<(typeof FIGURES_SHOWN)[number]>().notNull(),
    by: text('by')
      .notNull()
      .references(() => members.id),
    at: integer('at').notNull(),
  },
  (t) => [index('panels_sitting').on(t.sitting)],
);

export const panelJudges = sqliteTable(
  'panel_judges',
  {
    panel: text('panel')
      .notNull()
      .references(() => panels.id),
    judge: text('judge')
      .notNull()
      .references(() => members.id),
  },
  (t) => [primaryKey({ columns: [t.panel, t.judge] }), index('panel_judges_judge').on(t.judge)],
);

/** What a judge says in a round. */
export const estimates = sqliteTable(
  'estimates',
  {
    panel: text('panel')
      .notNull()
      .references(() => panels.id),
    judge: text('judge')
      .notNull()
      .references(() => members.id),
    round: integer('round').notNull(),
    /** `Estimate` as JSON. */
    estimate: text('estimate', { mode: 'json' }).notNull(),
    version: integer('version').notNull(),
    savedAt: integer('saved_at').notNull(),
    /** When the judge said that this is all; null until then. */
    doneAt: integer('done_at'),
  },
  (t) => [primaryKey({ columns: [t.panel, t.judge, t.round] })],
);

/** Each time that a pass mark was set with its reasons, oldest first. */
export const passMarkChanges = sqliteTable(
  'pass_mark_changes',
  {
    id: integer('id').primaryKey({ autoIncrement: true }),
    sitting: text('sitting')
      .notNull()
      .references(() => sittings.id),
    /** Percent as exact text. */
    before: text('before').notNull(),
    after: text('after').notNull(),
    /** What it comes of, in words: method, judges and their figures; empty where none was asked. */
    basis: text('basis').notNull(),
    reason: text('reason').notNull(),
    by: text('by')
      .notNull()
      .references(() => members.id),
    at: integer('at').notNull(),
  },
  (t) => [index('pass_mark_changes_sitting').on(t.sitting)],
);

/** Who has opened released results of an attempt, and when first. */
export const resultReads = sqliteTable(
  'result_reads',
  {
    attempt: text('attempt')
      .notNull()
      .references(() => attempts.id),
    /** Who read it: a member, or a guest's participant. */
    reader: text('reader').notNull(),
    at: integer('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.attempt, t.reader] })],
);

/** Questions about a mark, each with its answer once there is one. */
export const markQuestions = sqliteTable(
  'mark_questions',
  {
    id: text('id').primaryKey(),
    attempt: text('attempt')
      .notNull()
      .references(() => attempts.id),
    item: text('item').notNull(),
    words: text('words').notNull(),
    askedBy: text('asked_by')
      .notNull()
      .references(() => members.id),
    askedAt: integer('asked_at').notNull(),
    /** Null until somebody has answered. */
    answer: text('answer'),
    answeredBy: text('answered_by').references(() => members.id),
    answeredAt: integer('answered_at'),
  },
  (t) => [index('mark_questions_attempt').on(t.attempt, t.item)],
);

/** Certificates that were given out, by their numbers. Whether one holds is decided when it is checked. */
export const certificates = sqliteTable(
  'certificates',
  {
    number: text('number').primaryKey(),
    attempt: text('attempt')
      .notNull()
      .references(() => attempts.id),
    member: text('member')
      .notNull()
      .references(() => members.id),
    issuedAt: integer('issued_at').notNull(),
  },
  (t) => [uniqueIndex('certificates_attempt').on(t.attempt, t.member)],
);

/** Ranges with their texts, and grades, that the department keeps under a name. */
export const boundarySets = sqliteTable('boundary_sets', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  /** Ranges and grades of `Boundaries` as JSON. */
  boundaries: text('boundaries', { mode: 'json' }).notNull(),
  by: text('by')
    .notNull()
    .references(() => members.id),
  at: integer('at').notNull(),
});

/** Parts of analyses that were much work, as long as nothing changes that went into them. */
export const analyses = sqliteTable(
  'analyses',
  {
    sitting: text('sitting')
      .notNull()
      .references(() => sittings.id),
    /** `AnalysisPart` as JSON. */
    part: text('part').notNull(),
    /** Of all that went into it. */
    fingerprint: text('fingerprint').notNull(),
    /** What it came to, `Reckoned` as JSON. */
    found: text('found', { mode: 'json' }).notNull(),
    at: integer('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.sitting, t.part] })],
);

/** How questions did in a sitting whose results are out, as searching and drawing ask for it. */
export const questionFigures = sqliteTable(
  'question_figures',
  {
    sitting: text('sitting')
      .notNull()
      .references(() => sittings.id),
    item: text('item').notNull(),
    /** In the bank. */
    question: text('question').notNull(),
    /** How many met it. */
    persons: integer('persons').notNull(),
    /** Mean share of its marks. */
    earned: real('earned').notNull(),
    /** Correlation with the rest of the paper; null where it cannot be said. */
    withRest: real('with_rest'),
  },
  (t) => [
    primaryKey({ columns: [t.sitting, t.item] }),
    index('question_figures_question').on(t.question, t.persons, t.earned, t.withRest),
  ],
);

/** Up to which change the figures of a sitting's questions are kept. */
export const keptFigures = sqliteTable('kept_figures', {
  sitting: text('sitting')
    .primaryKey()
    .references(() => sittings.id),
  version: integer('version').notNull(),
});
