import { and, count, eq, inArray, sql } from 'drizzle-orm';
import { ok, type Result, refuse } from '@/core/base/result';
import { isFor } from '@/core/exams/only';
import type { Actor } from '@/core/people/may';
import { readSaid } from '@/core/people/guest-fields';
import type { Participant } from '@/core/people/participant';
import { doorState } from '@/core/sittings/entry';
import { openGuestSession } from '../auth/sessions';
import { NOT_FOUND, type Outside } from '../context';
import type { Reader, Transaction } from '../db/database';
import { attempts } from '../db/schema/attempts';
import { participants, sittings } from '../db/schema/exams';
import { enrolments, groupMembers, groups } from '../db/schema/people';
import { newId } from '../ports/ids';
import { codeFits } from '../sittings/code';
import { traitsInCourse, traitsOf } from './traits';

/** How nobody in particular is called. */
const NAMELESS = 'Nameless';

/** How a participant is called; to be selected beside attempts. Written out, so that every column says its table also where there is one table only. */
export const participantName = sql<string>`(
  SELECT coalesce(m.name, g.name, nullif(p.name, ''), ${NAMELESS}) FROM participants p
  LEFT JOIN members m ON m.id = p.member LEFT JOIN "groups" g ON g.id = p.group_id
  WHERE p.id = attempts.participant)`;

/** The group of a course that a member works in; null when there is none. */
async function groupParticipant(
  read: Reader,
  { course, member }: { course: string; member: string },
): Promise<Participant | null> {
  const [mine] = await read
    .select({ id: groups.id })
    .from(groups)
    .innerJoin(groupMembers, and(eq(groupMembers.group, groups.id), eq(groupMembers.member, member)))
    .where(eq(groups.course, course));
  return mine ? { is: 'group', id: mine.id, members: await membersOf(read, mine.id) } : null;
}

/** Which group of a course each of its members works in. */
export async function groupsOfCourse(read: Reader, course: string): Promise<Map<string, string>> {
  const rows = await read
    .select({ member: groupMembers.member, group: groups.id })
    .from(groups)
    .innerJoin(groupMembers, eq(groupMembers.group, groups.id))
    .where(eq(groups.course, course));
  return new Map(rows.map(({ member, group }) => [member, group]));
}

async function membersOf(read: Reader, group: string): Promise<string[]> {
  const rows = await read
    .select({ member: groupMembers.member })
    .from(groupMembers)
    .where(eq(groupMembers.group, group));
  return rows.map(({ member }) => member);
}

/** A participant as far as permission needs to know; `is` is read beside the attempt. */
export async function participantOf(read: Reader, id: string, is: Participant['is']): Promise<Participant> {
  return is === 'group' ? { is, id, members: await membersOf(read, id) } : { is, id };
}

/** Which members each of these participants stands for: one, those of a group, or none. */
export async function membersBehind(read: Reader, ids: readonly string[]): Promise<Map<string, string[]>> {
  const rows = await read
    .select({
      id: participants.id,
      member: sql<string | null>`coalesce(${participants.member}, ${groupMembers.member})`,
    })
    .from(participants)
    .leftJoin(groupMembers, eq(groupMembers.group, participants.group))
    .where(inArray(participants.id, [...ids]));
  const behind = new Map<string, string[]>();
  for (const { id, member } of rows) behind.set(id, [...(behind.get(id) ?? []), ...(member === null ? [] : [member])]);
  return behind;
}

/** As whom somebody takes part in a sitting: a student of its course, the group of one, or a guest who was let in; whoever has begun stays in. Null for all others. */
export async function participantIn(read: Reader, sittingId: string, person: string): Promise<Participant | null> {
  const [sitting] = await read
    .select({ course: sittings.course, who: sittings.who, only: sittings.only })
    .from(sittings)
    .where(eq(sittings.id, sittingId));
  if (!sitting) return null;
  const [guest] = await read
    .select()
    .from(participants)
    .where(and(eq(participants.id, person), eq(participants.sitting, sittingId)));
  if (guest) return participantOf(read, guest.id, guest.is);
  const [begun] = await read
    .select({ is: participants.is })
    .from(attempts)
    .innerJoin(participants, eq(participants.id, attempts.participant))
    .where(and(eq(attempts.sitting, sittingId), eq(attempts.participant, person)));
  if (begun) return participantOf(read, person, begun.is);
  const [enrolled] = await read
    .select()
    .from(enrolments)
    .where(and(eq(enrolments.course, sitting.course), eq(enrolments.member, person)));
  if (sitting.who === 'groups') return groupParticipant(read, { course: sitting.course, member: person });
  if (!enrolled) return null;
  const { only } = sitting;
  if (only && !isFor(only, await traitsOf(read, sitting.course, { is: 'member', id: person }))) return null;
  return { is: 'member', id: person };
}

/** What of a sitting says who takes part. */
export type WhoTakesPart = Pick<typeof sittings.$inferSelect, 'course' | 'who' | 'only'>;

/** The students of its course that a sitting is for. */
export async function studentsFor(read: Reader, { course, only }: WhoTakesPart): Promise<Set<string>> {
  const traits = [...(await traitsInCourse(read, course))];
  return new Set(traits.flatMap(([id, mine]) => (only && !isFor(only, mine) ? [] : [id])));
}

/** How many may take part in a sitting; of those who come by a link nobody knows. */
export async function participantsExpected(read: Reader, sitting: WhoTakesPart): Promise<number> {
  if (sitting.who === 'link') return 0;
  if (sitting.who === 'students') return (await studentsFor(read, sitting)).size;
  const [found] = await read.select({ count: count() }).from(groups).where(eq(groups.course, sitting.course));
  return found?.count ?? 0;
}

/** How the guests of a sitting are called, and what they said besides. */
export async function guestNames(
  read: Reader,
  sitting: string,
): Promise<Map<string, { name: string; said: Record<string, string> }>> {
  const rows = await read
    .select({ id: participants.id, name: participants.name, said: participants.said })
    .from(participants)
    .where(eq(participants.sitting, sitting));
  return new Map(rows.map(({ id, name, said }) => [id, { name: name || NAMELESS, said }]));
}

/** Has the participant stand in the database before anything refers to it. */
export async function keepParticipant(tx: Transaction, { is, id }: Participant): Promise<void> {
  const row = { id, is, name: '', member: is === 'member' ? id : null, group: is === 'group' ? id : null };
  await tx.insert(participants).values(row).onConflictDoNothing();
}

/** Somebody without an account who comes by a link. */
export interface Arrival {
  name: string;
  /** What they say besides, in the order of the sitting's fields. */
  said?: readonly string[];
  code: string;
  /** The address of the request. */
  source: string;
}

/**
 * Lets somebody without an account into a sitting that is open to whoever has its link: a guest by the name given, or
 * nobody in particular when none is. Ends with the token of their session.
 */
export async function admitGuest(
  out: Outside,
  sitting: string,
  { name: typedName, said = [], code, source }: Arrival,
): Promise<Result<{ token: string; guest: Actor }>> {
  const [row] = await out.db.read.select().from(sittings).where(eq(sittings.id, sitting));
  if (!row || row.who !== 'link') return NOT_FOUND;
  const state = doorState(row, out.now);
  if (state !== 'open') return refuse(state === 'closed' ? 'door-over' : 'door-not-yet');
  const coded = codeFits(row, code, { by: source, now: out.now });
  if (!coded.ok) return coded;
  const read = readSaid(row.guestFields, said);
  if ('wrong' in read) return refuse(read.why, { at: ['said', read.wrong] });
  const name = typedName.trim().slice(0, 200);
  const id = newId();
  const is = name === '' ? ('nameless' as const) : ('guest' as const);
  const token = await out.db.transaction(async (tx) => {
    await tx.insert(participants).values({ id, is, sitting, name, said: read.said });
    return openGuestSession(tx, id, out.now);
  });
  return ok({ token, guest: { id, role: 'guest' } });
}
