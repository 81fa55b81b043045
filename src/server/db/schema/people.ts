import { index, integer, primaryKey, sqliteTable, text } from 'drizzle-orm/sqlite-core';
import type { Role } from '@/core/people/may';

export const departments = sqliteTable('departments', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  institute: text('institute').notNull(),
  /** `DepartmentPolicy` as JSON. */
  policy: text('policy', { mode: 'json' }).notNull(),
});

export const members = sqliteTable('members', {
  id: text('id').primaryKey(),
  /** Lower case; what is typed to sign in. */
  userName: text('user_name').notNull().unique(),
  name: text('name').notNull(),
  role: text('role').$type<Exclude<Role, 'guest'>>().notNull(),
  passwordHash: text('password_hash').notNull(),
  /** Where messages reach them; null when nobody has said. */
  email: text('email'),
  /** Until then tries from other sources do not slow this member's own. */
  letInUntil: integer('let_in_until'),
  /** Since then nobody signs in to it; what was done with it stays. */
  closedAt: integer('closed_at'),
  createdAt: integer('created_at').notNull(),
});

export const sessions = sqliteTable(
  'sessions',
  {
    /** SHA-256 of the token that the browser holds. */
    tokenHash: text('token_hash').primaryKey(),
    member: text('member')
      .notNull()
      .references(() => members.id),
    expiresAt: integer('expires_at').notNull(),
  },
  (t) => [index('sessions_member').on(t.member)],
);

/** Tries to sign in on one account from one source that did not come to a session. */
export const signInTries = sqliteTable(
  'member_tries',
  {
    member: text('member')
      .notNull()
      .references(() => members.id),
    /** SHA-256 of the address. */
    source: text('source').notNull(),
    wrong: integer('wrong').notNull(),
    lastAt: integer('last_at').notNull(),
  },
  (t) => [primaryKey({ columns: [t.member, t.source] })],
);

export const courses = sqliteTable('courses', {
  id: text('id').primaryKey(),
  code: text('code').notNull().unique(),
  title: text('title').notNull(),
  term: text('term').notNull(),
  /** Students form their groups themselves, of at most so many; null when the teacher does. */
  ownGroups: integer('own_groups'),
});

/** Whom a course has: one row for each. */
const ofCourse = () => ({
  course: text('course')
    .notNull()
    .references(() => courses.id),
  member: text('member')
    .notNull()
    .references(() => members.id),
});

export const enrolments = sqliteTable(
  'enrolments',
  {
    ...ofCourse(),
    /** What of the course's teaching the student takes; sections of exams can be for some subjects only. */
    subjects: text('subjects', { mode: 'json' }).$type<string[]>().notNull().default([]),
  },
  (t) => [primaryKey({ columns: [t.course, t.member] }), index('enrolments_member').on(t.member)],
);

/** Who teaches or marks in a course. */
export const courseStaff = sqliteTable('course_staff', ofCourse(), (t) => [
  primaryKey({ columns: [t.course, t.member] }),
  index('course_staff_member').on(t.member),
]);

/** Some students of a course who work together. */
export const groups = sqliteTable(
  'groups',
  {
    id: text('id').primaryKey(),
    course: text('course')
      .notNull()
      .references(() => courses.id),
    name: text('name').notNull(),
  },
  (t) => [index('groups_course').on(t.course)],
);

export const groupMembers = sqliteTable(
  'group_members',
  {
    group: text('group_id')
      .notNull()
      .references(() => groups.id),
    member: text('member')
      .notNull()
      .references(() => members.id),
  },
  (t) => [primaryKey({ columns: [t.group, t.member] }), index('group_members_member').on(t.member)],
);

export const provisions = sqliteTable('provisions', {
  member: text('member')
    .primaryKey()
    .references(() => members.id),
  extraTimePercent: integer('extra_time_percent').notNull(),
  extraMinutes: integer('extra_minutes').notNull().default(0),
  largePrint: integer('large_print', { mode: 'boolean' }).notNull().default(false),
  readAloud: integer('read_aloud', { mode: 'boolean' }).notNull().default(false),
  /** Minutes that they may rest in all while their time stands still. */
  breakMinutes: integer('break_minutes').notNull().default(0),
  /** Words are explained to them. */
  glosses: integer('glosses', { mode: 'boolean' }).notNull().default(false),
  /** They write in a second language; whoever marks is told. */
  secondLanguage: integer('second_language', { mode: 'boolean' }).notNull().default(false),
  /** The last moment at which it holds; null for always. */
  until: integer('until_at'),
  reason: text('reason').notNull(),
  decidedBy: text('decided_by')
    .notNull()
    .references(() => members.id),
  decidedAt: integer('decided_at').notNull(),
});
