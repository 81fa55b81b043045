import { and, eq, inArray, sql } from 'drizzle-orm';
import { NO_TRAITS, type Traits } from '@/core/exams/only';
import type { Participant } from '@/core/people/participant';
import type { Reader } from '../db/database';
import { enrolments, groupMembers, groups, members } from '../db/schema/people';

/** What of each student of a course decides which sections are theirs. */
export async function traitsInCourse(
  read: Reader,
  course: string,
  among?: readonly string[],
): Promise<Map<string, Traits>> {
  const rows = await read
    .select({
      member: enrolments.member,
      subjects: enrolments.subjects,
      groups: sql<string>`(SELECT json_group_array(${groupMembers.group}) FROM ${groupMembers}
        JOIN ${groups} ON ${groups.id} = ${groupMembers.group}
        WHERE ${groupMembers.member} = ${enrolments.member} AND ${groups.course} = ${enrolments.course})`,
    })
    .from(enrolments)
    .innerJoin(members, and(eq(members.id, enrolments.member), eq(members.role, 'student')))
    .where(and(eq(enrolments.course, course), among && inArray(enrolments.member, [...among])));
  return new Map(
    rows.map(({ member, subjects, groups: mine }) => [
      member,
      { subjects, groups: JSON.parse(mine) as string[], members: [member] },
    ]),
  );
}

/** What decides which sections are a participant's; of a group, what any of its members has. */
export async function traitsOf(read: Reader, course: string, participant: Participant): Promise<Traits> {
  if (participant.is === 'guest' || participant.is === 'nameless') return NO_TRAITS;
  const people = participant.is === 'group' ? participant.members : [participant.id];
  const found = [...(await traitsInCourse(read, course, people)).values()];
  return {
    subjects: found.flatMap(({ subjects }) => subjects),
    groups: found.flatMap(({ groups: mine }) => mine),
    members: found.flatMap((one) => one.members),
  };
}
