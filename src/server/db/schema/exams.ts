import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type { Only } from '@/core/exams/plan';
import type { GuestField } from '@/core/people/guest-fields';
import type { Participant } from '@/core/people/participant';
import type { LateRule } from '@/core/sittings/late';
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
  /** Only its owner, the lead and these may open it, ids of members as JSON; null for everybody who builds exams. */
  sharedWith: text('shared_with', { mode: 'json' }).$type<string[]>(),
  /** The plan that it had where it came from, as JSON; null for exams of this department. */
  origin: text('origin', { mode: 'json' }),
});

/** Sealed files that wait to be opened; their bytes lie in the files port. */
export const sealedFiles = sqliteTable('sealed_files', {
  id: text('id').primaryKey(),
  holds: text('holds').$type<'exam' | 'answers'>().notNull(),
  title: text('title').notNull(),
  opensAt: integer('opens_at'),
  hash: text('hash').notNull(),
  by: text('by')
    .notNull()
    .references(() => members.id),
  at: integer('at').notNull(),
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
    /** The sitting that has to be handed in before, where several exams are written in a row. */
    after: text('after'),
    /** What guests are asked for besides their name, `GuestField[]` as JSON. */
    guestFields: text('guest_fields', { mode: 'json' }).$type<GuestField[]>().notNull().default([]),
    /** What has to be typed to get in; null when nothing has. */
    code: text('code'),
    /** `Boundaries` as JSON. */
    boundaries: text('boundaries', { mode: 'json' }).notNull(),
    boundariesVersion: integer('boundaries_version').notNull(),
    releasedAt: integer('released_at'),
    /** What released results show, `Shows` as JSON; null while not released. */
    shows: text('shows', { mode: 'json' }),
    /** To which participants results are released, their ids as JSON; null for all. */
    releasedTo: text('released_to', { mode: 'json' }).$type<string[]>(),
    /** A release that waits for its moment, `PlannedRelease` as JSON; null where none does. */
    releasePlan: text('release_plan', { mode: 'json' }),
    /** What a certificate of passing says, with values to fill in; null where none is given out. */
    certificate: text('certificate'),
    /** How people share the marking, `MarkingPlan` as JSON; null where all mark all. */
    marking: text('marking', { mode: 'json' }),
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
    /** What a guest said besides, by the labels of the fields. */
    said: text('said', { mode: 'json' }).$type<Record<string, string>>().notNull().default({}),
  },
  (t) => [index('participants_sitting').on(t.sitting)],
);

/** Who runs or marks one sitting besides the staff of its course. */
export const sittingStaff = sqliteTable(
  'sitting_staff',
  {
    sitting: text('sitting')
      .notNull()
      .references(() => sittings.id),
    member: text('member')
      .notNull()
      .references(() => members.id),
  },
  (t) => [primaryKey({ columns: [t.sitting, t.member] }), index('sitting_staff_member').on(t.member)],
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
