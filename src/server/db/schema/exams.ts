import { index, integer, primaryKey, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import type { Only } from '@/core/exams/plan';
import type { Participant } from '@/core/people/participant';
import type { LateRule } from '@/core/sittings/late';
import type { Happening } from '@/core/sittings/story';
import type { Tries } from '@/core/sittings/tries';
import { courses, groups, members } from './people';

export const exams = sqliteTable('exams', {
  id: text('id').primaryKey(),
  course: text('course').references(() => courses.id),
  title: text('title').notNull(),
  /** `ExamPlan` as JSON. */
  plan: text('plan', { mode: 'json' }).notNull(),
  version: integer('version').notNull(),
  owner: text('owner')
    .notNull()
    .references(() => members.id),
  savedAt: integer('saved_at').notNull(),
  /** When its owner locked it: nobody changes the plan until it is unlocked. Null while it is not. */
  lockedAt: integer('locked_at'),
  /** When it was archived: it stands in no list but that of the archive. Null while it is in use. */
  archivedAt: integer('archived_at'),
});

export const sittings = sqliteTable(
  'sittings',
  {
    id: text('id').primaryKey(),
    exam: text('exam').references(() => exams.id),
    course: text('course')
      .notNull()
      .references(() => courses.id),
    title: text('title').notNull(),
    /** The plan as pinned when it was scheduled, `ExamPlan` as JSON. */
    plan: text('plan', { mode: 'json' }).notNull(),
    opensAt: integer('opens_at').notNull(),
    closesAt: integer('closes_at').notNull(),
    endedAt: integer('ended_at'),
    minutes: integer('minutes').notNull(),
    /** A teacher opens it; until then nobody gets in, whatever the clock says. */
    byHand: integer('by_hand', { mode: 'boolean' }).notNull().default(false),
    /** From when on a hand-in is late, and what that costs, `LateRule` as JSON; null when nothing is late. */
    dueAt: integer('due_at'),
    late: text('late', { mode: 'json' }).$type<LateRule>(),
    /** How often it can be sat, and which of the attempts counts, `Tries` as JSON; null for once. */
    tries: text('tries', { mode: 'json' }).$type<Tries>(),
    /** Who takes part: each student of the course, each group of it together, or whoever has the link. */
    who: text('who').$type<'students' | 'groups' | 'link'>().notNull().default('students'),
    /** Of the course's students only these, `Only` as JSON; null for all. */
    only: text('only', { mode: 'json' }).$type<Only>(),
    /** What has to be typed to get in; null when nothing has. */
    code: text('code'),
    /** `Boundaries` as JSON. */
    boundaries: text('boundaries', { mode: 'json' }).notNull(),
    boundariesVersion: integer('boundaries_version').notNull(),
    releasedAt: integer('released_at'),
    /** What released results show, `Shows` as JSON; null while not released. */
    shows: text('shows', { mode: 'json' }),
    createdBy: text('created_by')
      .notNull()
      .references(() => members.id),
    createdAt: integer('created_at').notNull(),
  },
  (t) => [index('sittings_course').on(t.course), index('sittings_window').on(t.closesAt)],
);

/** Whoever attempts belong to. That of a member and of a group has their id, so that there is one of each. */
export const participants = sqliteTable(
  'participants',
  {
    id: text('id').primaryKey(),
    is: text('kind').$type<Participant['is']>().notNull(),
    member: text('member').references(() => members.id),
    group: text('group_id').references(() => groups.id),
    /** The one sitting that a guest, or nobody in particular, was let into. */
    sitting: text('sitting').references(() => sittings.id),
    /** As a guest gave it; empty for all others. */
    name: text('name').notNull(),
  },
  (t) => [index('participants_sitting').on(t.sitting)],
);

/** Sessions of guests, who have no account: each is let into one sitting. */
export const guestSessions = sqliteTable('guest_sessions', {
  /** SHA-256 of the token that the browser holds. */
  tokenHash: text('token_hash').primaryKey(),
  participant: text('participant')
    .notNull()
    .references(() => participants.id),
  expiresAt: integer('expires_at').notNull(),
});

/** What one participant has in one sitting beyond the provision said once. */
export const extensions = sqliteTable(
  'extensions',
  {
    id: text('id').primaryKey(),
    sitting: text('sitting')
      .notNull()
      .references(() => sittings.id),
    participant: text('participant')
      .notNull()
      .references(() => participants.id),
    minutes: integer('minutes').notNull(),
    reason: text('reason').notNull(),
    by: text('by')
      .notNull()
      .references(() => members.id),
    at: integer('at').notNull(),
  },
  (t) => [index('extensions_sitting').on(t.sitting, t.participant)],
);

/** Stretches in which a teacher had the time stand still, for one participant or for all who wrote. */
export const pauses = sqliteTable(
  'pauses',
  {
    id: text('id').primaryKey(),
    sitting: text('sitting')
      .notNull()
      .references(() => sittings.id),
    /** Null for all. */
    participant: text('participant').references(() => participants.id),
    from: integer('from_at').notNull(),
    /** Null while it lasts. */
    to: integer('to_at'),
    by: text('by')
      .notNull()
      .references(() => members.id),
  },
  (t) => [index('pauses_sitting').on(t.sitting)],
);

/** Extra time that a student has in one sitting in place of what is said once. */
export const sittingProvisions = sqliteTable(
  'sitting_provisions',
  {
    sitting: text('sitting')
      .notNull()
      .references(() => sittings.id),
    member: text('member')
      .notNull()
      .references(() => members.id),
    extraTimePercent: integer('extra_time_percent').notNull(),
    extraMinutes: integer('extra_minutes').notNull(),
    by: text('by')
      .notNull()
      .references(() => members.id),
    at: integer('at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.sitting, t.member] })],
);

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
    remark: text('remark').notNull(),
    /** What a person found by a rubric, `Judgement` as JSON; null without one. */
    judgement: text('judgement', { mode: 'json' }),
    at: integer('at').notNull(),
    /** The mending that it came of. */
    mending: text('mending').references(() => mendings.id),
  },
  (t) => [index('marks_mending').on(t.mending), index('marks_attempt').on(t.attempt, t.item, t.slot)],
);
