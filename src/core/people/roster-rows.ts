import { readAddress } from './message';
import { LEAST_PASSWORD } from './password';
import { readUserName } from './user-name';

/** What a column of a roster can say. */
export const ROSTER_FIELDS = [
  'name',
  'givenName',
  'familyName',
  'userName',
  'email',
  'subjects',
  'group',
  'role',
  'password',
] as const;
export type RosterField = (typeof ROSTER_FIELDS)[number];

/** Which column says what, from 0; what no column says is missing. */
export type RosterColumns = Partial<Record<RosterField, number>>;

export interface RosterMapping {
  /** The row with the headings, from 0; what stands above it is passed over. -1 when there is none. */
  header: number;
  columns: RosterColumns;
  /** Only the rows that say this in this column, perhaps among other things. */
  only?: { column: number; value: string };
  /** How user names are made for those who have none. */
  userNames?: UserNameRecipe;
}

/** From "Aino Virtala": aino.v, aino.virtala, avirtala; or student1, student2 … in the order of the rows. */
export const USER_NAME_RECIPES = ['first-initial', 'first-last', 'initial-last', 'numbered'] as const;
export type UserNameRecipe = (typeof USER_NAME_RECIPES)[number];

/** A student as a row says. */
export interface RosterPerson {
  /** Its number in the file, from 1. */
  row: number;
  name: string;
  userName: string;
  /** Null where none is said. */
  email: string | null;
  subjects: string[];
  group: string | null;
  /** The first password that the row says, for somebody new; null when one is made. */
  password: string | null;
  /** The id of whoever has this user name, or this name in the course, already; null for somebody new. */
  known: string | null;
}

/** Why a row cannot be brought in. Worded in `ui/words`. */
export interface BadRow {
  row: number;
  why:
    | 'no-name'
    | 'name-long'
    | 'user-name-odd'
    | 'user-name-twice'
    | 'user-name-taken'
    | 'name-twice'
    | 'email-odd'
    | 'password-short'
    | 'not-a-student';
  name: string;
}

/** Somebody of the department, as far as a roster needs to know. */
export interface KnownPerson {
  id: string;
  name: string;
  userName: string;
  student: boolean;
  inCourse: boolean;
}

/** Headings as they are written in spreadsheets and in OneRoster 1.1 users.csv (`givenName`, `familyName`, `username`, `role`), without signs and capitals. */
const HEADINGS: Record<RosterField, readonly string[]> = {
  name: ['name', 'fullname', 'student', 'studentname', 'pupil'],
  givenName: ['givenname', 'firstname', 'forename', 'first'],
  familyName: ['familyname', 'lastname', 'surname', 'last'],
  userName: ['username', 'user', 'login', 'account', 'userid'],
  email: ['email', 'emailaddress', 'mail', 'mailaddress'],
  subjects: ['subjects', 'subject', 'options', 'courses'],
  group: ['group', 'groups', 'team', 'set'],
  role: ['role'],
  password: ['password', 'firstpassword'],
};

const plain = (text: string): string =>
  text
    .normalize('NFKC')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]/gu, '');

/** How many rows are looked at for headings. */
const LOOKED_AT = 20;

/** What the columns of a file seem to say: by the row with the most known headings; without one the first column is the name. */
export function guessColumns(rows: readonly (readonly string[])[]): RosterMapping {
  let best: RosterMapping = { header: -1, columns: { name: 0 } };
  let most = 0;
  rows.slice(0, LOOKED_AT).forEach((cells, header) => {
    const columns: RosterColumns = {};
    cells.forEach((cell, at) => {
      const field = ROSTER_FIELDS.find((one) => columns[one] === undefined && HEADINGS[one].includes(plain(cell)));
      if (field) columns[field] = at;
    });
    const count = Object.keys(columns).length;
    const named = columns.name !== undefined || columns.familyName !== undefined;
    if (named && count > most) {
      most = count;
      best = { header, columns };
    }
  });
  return best;
}

const MOST_NAME = 200;

/**
 * The students that the rows name. Rows that are empty are passed over; every
 * other row is a person or a bad row with its reason. Somebody is known by the
 * user name, or where none is said by the name, if the course has it once.
 */
export function readRoster(
  rows: readonly (readonly string[])[],
  { header, columns, only, userNames = 'first-initial' }: RosterMapping,
  known: readonly KnownPerson[],
): { people: RosterPerson[]; bad: BadRow[] } {
  const people: RosterPerson[] = [];
  const bad: BadRow[] = [];
  const byUserName = new Map(known.map((one) => [one.userName.toLowerCase(), one]));
  const inCourse = known.filter((one) => one.inCourse && one.student);
  const taken = new Set(byUserName.keys());
  const used = new Set<string>();
  rows.forEach((cells, i) => {
    if (i <= header || cells.every((cell) => cell.trim() === '')) return;
    if (only && !parts(cells[only.column]).includes(tidy(only.value))) return;
    const row = i + 1;
    const said = (field: RosterField): string => tidy(cells[columns[field] ?? -1] ?? '');
    const name = said('name') || [said('givenName'), said('familyName')].filter(Boolean).join(' ');
    const leaveOut = (why: BadRow['why']): void => void bad.push({ row, why, name: name.slice(0, MOST_NAME) });
    const role = said('role').toLowerCase();
    if (role !== '' && role !== 'student') return leaveOut('not-a-student');
    if (name === '') return leaveOut('no-name');
    if (name.length > MOST_NAME) return leaveOut('name-long');
    const typed = said('userName').toLowerCase();
    const alike = inCourse.filter((one) => one.name === name);
    if (typed === '' && alike.length > 1) return leaveOut('name-twice');
    const found = typed === '' ? alike[0] : byUserName.get(typed);
    if (found && !found.student) return leaveOut('user-name-taken');
    if (typed !== '' && !found && readUserName(typed) === null) return leaveOut('user-name-odd');
    const email = said('email');
    if (email !== '' && readAddress(email) === null) return leaveOut('email-odd');
    const userName = found?.userName ?? (typed || freeUserName(name, taken, userNames));
    if (used.has(userName)) return leaveOut(typed === '' ? 'name-twice' : 'user-name-twice');
    const password = found ? '' : said('password');
    if (password !== '' && [...password].length < LEAST_PASSWORD) return leaveOut('password-short');
    used.add(userName);
    taken.add(userName);
    const subjects = parts(said('subjects'));
    people.push({
      row,
      name,
      userName,
      email: readAddress(email),
      subjects: [...new Set(subjects.map((one) => one.slice(0, 80)))].slice(0, 30),
      group: said('group').slice(0, 80) || null,
      password: password || null,
      known: found?.id ?? null,
    });
  });
  return { people, bad };
}

/** What a cell says when it says several things. */
const parts = (cell = ''): string[] => cell.split(/[,;]/).map(tidy).filter(Boolean);

/**
 * How many first passwords from a file can be found out: they hold a name of
 * their student, are nothing but a number or a date, or are had by several.
 */
export function guessable(people: readonly RosterPerson[]): number {
  const said = people.filter(({ known, password }) => known === null && password !== null);
  const times = new Map<string, number>();
  for (const { password } of said) times.set(plain(password ?? ''), (times.get(plain(password ?? '')) ?? 0) + 1);
  return said.filter(({ name, userName, password }) => {
    const bare = plain(password ?? '');
    const names = [...name.split(/\s+/), userName].map(plain).filter((one) => one.length > 2);
    return /^\p{N}+$/u.test(bare) || (times.get(bare) ?? 0) > 1 || names.some((one) => bare.includes(one));
  }).length;
}

const tidy = (text: string): string => text.normalize('NFC').replace(/\s+/g, ' ').trim();

/** A user name that nobody has, by a recipe: of the name in plain Latin, with a number when it is taken. */
export function freeUserName(
  name: string,
  taken: ReadonlySet<string>,
  recipe: UserNameRecipe = 'first-initial',
): string {
  const latin = name
    .normalize('NFD')
    .replace(/[^A-Za-z ]/g, '')
    .trim()
    .toLowerCase()
    .split(/\s+/)
    .filter(Boolean);
  const base =
    recipe === 'numbered' ? '' : userNameOf(latin[0]?.slice(0, 40) ?? '', latin.at(-1)?.slice(0, 40) ?? '', recipe);
  const free = (n: number): string => (n === 1 && base.length > 1 ? base : `${base || 'student'}${n}`);
  let n = 1;
  while (taken.has(free(n))) n += 1;
  return free(n);
}

/** Of a first and a last name, which are the same where there is one. */
function userNameOf(first: string, last: string, recipe: Exclude<UserNameRecipe, 'numbered'>): string {
  if (first === last) return first;
  if (recipe === 'initial-last') return `${first.charAt(0)}${last}`;
  return `${first}.${recipe === 'first-last' ? last : last.charAt(0)}`;
}
