import { sql } from 'drizzle-orm';
import { sittings } from '../db/schema/exams';
import { courses, enrolments } from '../db/schema/people';

const rosterSize = sql<number>`(SELECT count(*) FROM ${enrolments} WHERE ${enrolments.course} = ${sittings.course})`;

/** What every list of sittings reads; to be selected beside their courses. */
export const sittingColumns = {
  id: sittings.id,
  title: sittings.title,
  course: courses.code,
  opensAt: sittings.opensAt,
  closesAt: sittings.closesAt,
  endedAt: sittings.endedAt,
  minutes: sittings.minutes,
  releasedAt: sittings.releasedAt,
  releasedTo: sittings.releasedTo,
  who: sittings.who,
  only: sittings.only,
  byHand: sittings.byHand,
  dueAt: sittings.dueAt,
  late: sittings.late,
  tries: sittings.tries,
  after: sittings.after,
  courseId: courses.id,
  students: rosterSize,
};
