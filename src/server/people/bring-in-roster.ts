import { and, eq } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import {
  type KnownPerson,
  readRoster,
  ROSTER_FIELDS,
  type RosterPerson,
  USER_NAME_RECIPES,
} from '@/core/people/roster-rows';
import { firstPassword } from '../auth/first-password';
import { hashPassword } from '../auth/password';
import { type Context, NOT_FOUND, parse } from '../context';
import type { Reader, Transaction } from '../db/database';
import { courses, enrolments, groupMembers, groups, members } from '../db/schema/people';
import { changed } from '../events/versions';
import { readRowsApart } from '../exchange/read-apart';
import { newId } from '../ports/ids';
import { inCourse } from './courses';
import { takeOutOfGroups } from './group-members';

const MOST_ROWS = 5000;
const MOST_COLUMNS = 30;
const MOST_SIGNS = 500;
/** Each new student gets a password, which takes some hundredths of a second. */
const MOST_NEW = 500;

/** The rows of a file that may be a roster; nothing is kept. */
export async function readRosterFile(
  ctx: Context,
  course: string,
  file: { name: string; bytes: Uint8Array },
): Promise<Result<string[][]>> {
  const allowed = await inCourse(ctx, 'keep roster', course);
  if (!allowed.ok) return allowed;
  const read = await readRowsApart(file.name, file.bytes);
  if (!read.ok) return read;
  const { rows } = read.value;
  if (rows === null) return refuse('file-no-rows');
  if (rows.length > MOST_ROWS) return refuse('roster-too-long', { values: { most: MOST_ROWS } });
  return ok(rows.map((cells) => cells.slice(0, MOST_COLUMNS).map((cell) => cell.slice(0, MOST_SIGNS))));
}

const column = z.number().int().min(0).max(MOST_COLUMNS);
const input = z.object({
  course: z.string(),
  rows: z.array(z.array(z.string().max(MOST_SIGNS)).max(MOST_COLUMNS)).max(MOST_ROWS),
  mapping: z.object({
    header: z.number().int().min(-1).max(MOST_ROWS),
    columns: z.partialRecord(z.enum(ROSTER_FIELDS), column),
    only: z.object({ column, value: z.string().max(MOST_SIGNS) }).optional(),
    userNames: z.enum(USER_NAME_RECIPES).optional(),
  }),
  /** Bad rows stay out; else nothing is brought in while there are any. */
  leaveBadOut: z.boolean(),
});

export interface BroughtRoster {
  /** New students with their first passwords, which are told only now. */
  added: { name: string; userName: string; password: string }[];
  /** Students who were known and are in the course now, with what the file says of them. */
  updated: number;
}

/** Everybody of the department, as far as a roster needs to know. */
export async function knownPeople(read: Reader, course: string): Promise<KnownPerson[]> {
  const people = await read
    .select({ id: members.id, name: members.name, userName: members.userName, role: members.role })
    .from(members);
  const inside = await read.select({ member: enrolments.member }).from(enrolments).where(eq(enrolments.course, course));
  const ids = new Set(inside.map(({ member }) => member));
  return people.map(({ role, ...one }) => ({ ...one, student: role === 'student', inCourse: ids.has(one.id) }));
}

/** Puts the students that rows name into a course, new ones into the department too: all of them, or nothing. */
export async function bringInRoster(ctx: Context, raw: unknown): Promise<Result<BroughtRoster>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { course, rows, mapping, leaveBadOut } = parsed.value;
  const allowed = await inCourse(ctx, 'keep roster', course);
  if (!allowed.ok) return allowed;
  const [known] = await ctx.db.read.select({ id: courses.id }).from(courses).where(eq(courses.id, course));
  if (!known) return NOT_FOUND;
  const { people, bad } = readRoster(rows, mapping, await knownPeople(ctx.db.read, course));
  if (bad.length > 0 && !leaveBadOut) return refuse('roster-bad-rows', { values: { count: bad.length } });
  if (people.length === 0) return refuse('roster-empty');
  const fresh = people.filter((one) => one.known === null);
  if (fresh.length > MOST_NEW) return refuse('roster-too-many-new', { values: { most: MOST_NEW } });
  const added = fresh.map(({ name, userName, password }) => ({
    name,
    userName,
    password: password ?? firstPassword(),
  }));
  const hashes = await Promise.all(added.map(({ password }) => hashPassword(password)));
  return ctx.db
    .transaction(async (tx) => {
      const ids = new Map<RosterPerson, string>();
      for (const [i, person] of fresh.entries()) {
        const id = newId();
        ids.set(person, id);
        const { name, userName, email } = person;
        const row = { id, name, userName, email, passwordHash: hashes[i] ?? '' };
        const made = await tx
          .insert(members)
          .values({ ...row, role: 'student', createdAt: ctx.now })
          .onConflictDoNothing()
          .returning({ id: members.id });
        // Somebody else has brought the same in meanwhile.
        if (made.length === 0) throw new RosterChanged();
      }
      const says = (field: 'subjects' | 'group'): boolean => mapping.columns[field] !== undefined;
      for (const person of people) {
        const member = person.known ?? ids.get(person) ?? '';
        const { name, email } = person;
        // A file that says no address takes none away.
        if (person.known !== null)
          await tx
            .update(members)
            .set({ name, ...(email === null ? {} : { email }) })
            .where(eq(members.id, member));
        const row = { course, member, ...(says('subjects') ? { subjects: person.subjects } : {}) };
        await tx.insert(enrolments).values(row).onConflictDoNothing();
        if (says('subjects'))
          await tx
            .update(enrolments)
            .set({ subjects: person.subjects })
            .where(and(eq(enrolments.course, course), eq(enrolments.member, member)));
        if (says('group')) {
          const put = await putIntoGroup(tx, { course, member, name: person.group });
          if (!put.ok) throw new RosterRefused(put);
        }
      }
      await changed(tx, `course:${course}`);
      return ok({ added, updated: people.length - fresh.length });
    })
    .catch((error: unknown) => {
      if (error instanceof RosterRefused) return error.result;
      if (error instanceof RosterChanged) return refuse('changed-elsewhere', { values: { by: '' } });
      throw error;
    });
}

/** Takes the whole transaction back. */
class RosterChanged extends Error {}
class RosterRefused extends Error {
  constructor(readonly result: Extract<Result<null>, { ok: false }>) {
    super(result.refusal.code);
  }
}

/** Puts a student into the group of a name, which is made when there is none; into no group when none is said. */
async function putIntoGroup(
  tx: Transaction,
  { course, member, name }: { course: string; member: string; name: string | null },
): Promise<Result<null>> {
  const [there] =
    name === null
      ? []
      : await tx
          .select({ id: groups.id })
          .from(groups)
          .where(and(eq(groups.course, course), eq(groups.name, name)));
  const [mine] = await tx
    .select({ group: groupMembers.group })
    .from(groupMembers)
    .innerJoin(groups, and(eq(groups.id, groupMembers.group), eq(groups.course, course)))
    .where(eq(groupMembers.member, member));
  if ((mine?.group ?? null) === (there?.id ?? (name === null ? null : ''))) return ok();
  const out = await takeOutOfGroups(tx, course, member);
  if (!out.ok || name === null) return out;
  const group = there?.id ?? newId();
  if (!there) await tx.insert(groups).values({ id: group, course, name });
  await tx.insert(groupMembers).values({ group, member });
  return ok();
}
