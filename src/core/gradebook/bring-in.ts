import { sameValue } from '../base/same-value';
import { type BookEntry, readTyped } from './cell';

/** A column that marks can be put into. */
export interface Fillable {
  id: string;
  title: string;
  of: string | null;
}

export interface Person {
  member: string;
  name: string;
  userName: string;
}

/** A change of one cell that is proposed, before anybody says yes. */
export interface Proposed {
  column: string;
  member: string;
  entry: BookEntry | null;
}

/** Something of a block or a file that is not taken, where it stands (row from 1), and why. */
export interface NotTaken {
  row: number;
  text: string;
  why: 'not-a-number' | 'below-zero' | 'too-many' | 'unknown-student' | 'two-students' | 'student-twice' | 'outside';
}

export interface Proposal {
  changes: Proposed[];
  bad: NotTaken[];
}

/** The lines and cells of a block as spreadsheets copy it: tabs between cells, a line a row; quoted cells may hold both. */
export function readBlock(text: string): string[][] {
  const rows: string[][] = [];
  let row: string[] = [];
  let cell = '';
  let quoted = false;
  const endRow = (): void => {
    rows.push([...row, cell]);
    [row, cell] = [[], ''];
  };
  const plain = text.replace(/\r\n?/g, '\n');
  for (let i = 0; i < plain.length; i += 1) {
    const sign = plain[i] ?? '';
    if (quoted && sign === '"' && plain[i + 1] === '"') [cell, i] = [`${cell}"`, i + 1];
    else if (sign === '"' && (quoted || cell === '')) quoted = !quoted;
    else if (!quoted && sign === '\t') [row, cell] = [[...row, cell], ''];
    else if (!quoted && sign === '\n') endRow();
    else cell += sign;
  }
  if (cell !== '' || row.length > 0) endRow();
  return rows;
}

/** What stands in a cell now. */
export type Standing = (member: string, column: string) => BookEntry | null;

/** The changes that a block makes, put down with its first cell at the first of the rows and columns given. What reaches beyond them is told. */
export function proposeBlock(
  block: readonly (readonly string[])[],
  to: { members: readonly string[]; columns: readonly Fillable[] },
  standing: Standing,
): Proposal {
  const changes: Proposed[] = [];
  const bad: NotTaken[] = [];
  block.forEach((cells, r) => {
    const member = to.members[r];
    cells.forEach((text, c) => {
      const column = to.columns[c];
      if (member === undefined || column === undefined) {
        if (text.trim() !== '') bad.push({ row: r + 1, text, why: 'outside' });
        return;
      }
      propose(text, column, member, r + 1);
    });
  });
  return { changes, bad };

  function propose(text: string, column: Fillable, member: string, row: number): void {
    const read = readTyped(text, column.of);
    if (!read.ok) bad.push({ row, text, why: read.why });
    else if (!sameValue(read.entry, standing(member, column.id)))
      changes.push({ column: column.id, member, entry: read.entry });
  }
}

/** Which column of a file names the students, and which hold marks of which column of the book. */
export interface MarksMapping {
  /** The row with the headings, from 0; −1 where there is none. */
  header: number;
  who: number;
  marks: Readonly<Record<number, string>>;
}

const plainWords = (text: string): string =>
  text
    .normalize('NFKC')
    .toLowerCase()
    .replace(/\(.*\)|%|marks/g, '')
    .replace(/[^\p{L}\p{N}]/gu, '');

/** What the columns of a file seem to be: the one in which most cells are a student, and those that are called as a column of the book. */
export function guessMarks(
  rows: readonly (readonly string[])[],
  people: readonly Person[],
  columns: readonly Fillable[],
): MarksMapping {
  const known = new Set(people.flatMap(({ name, userName }) => [plainWords(name), userName.toLowerCase()]));
  const width = Math.max(0, ...rows.map((cells) => cells.length));
  const hits = Array.from(
    { length: width },
    (_, c) =>
      rows.filter((cells) => known.has(plainWords(cells[c] ?? '')) || known.has((cells[c] ?? '').trim().toLowerCase()))
        .length,
  );
  const who = hits.indexOf(Math.max(0, ...hits));
  const first = rows.findIndex((cells) => {
    const cell = cells[who] ?? '';
    return known.has(plainWords(cell)) || known.has(cell.trim().toLowerCase());
  });
  const header = Math.max(-1, first - 1);
  const taken = new Set<string>();
  const marks: Record<number, string> = {};
  (rows[header] ?? []).forEach((heading, c) => {
    // A column of percents beside one of marks is not the marks.
    if (c === who || /%/.test(heading)) return;
    const found = columns.find(
      ({ id, title }) => !taken.has(id) && plainWords(title) === plainWords(heading) && plainWords(heading) !== '',
    );
    if (!found) return;
    taken.add(found.id);
    marks[c] = found.id;
  });
  return { header, who: Math.max(0, who), marks };
}

type Called = Person | 'two-students' | 'unknown-student';

/** Tells who is called so: by the user name, or by the name where only one has it. */
export function knownAs(people: readonly Person[]): (called: string) => Called {
  const byUserName = new Map(people.map((one) => [one.userName.toLowerCase(), one]));
  const byName = new Map<string, Called>();
  for (const one of people) {
    const name = plainWords(one.name);
    byName.set(name, byName.has(name) ? 'two-students' : one);
  }
  return (called) => byUserName.get(called.toLowerCase()) ?? byName.get(plainWords(called)) ?? 'unknown-student';
}

/** The changes that a file makes. A student is known by the user name, or by the name where only one has it. */
export function proposeFile(
  rows: readonly (readonly string[])[],
  { header, who, marks }: MarksMapping,
  { people, columns }: { people: readonly Person[]; columns: readonly Fillable[] },
  standing: Standing,
): Proposal {
  const changes: Proposed[] = [];
  const bad: NotTaken[] = [];
  const met = new Set<string>();
  const whoIs = knownAs(people);
  rows.forEach((cells, r) => {
    const called = (cells[who] ?? '').trim();
    if (r <= header || called === '') return;
    const person = whoIs(called);
    const row = r + 1;
    if (typeof person === 'string') {
      bad.push({ row, text: called, why: person });
      return;
    }
    if (met.has(person.member)) {
      bad.push({ row, text: called, why: 'student-twice' });
      return;
    }
    met.add(person.member);
    for (const [at, id] of Object.entries(marks)) {
      const column = columns.find((one) => one.id === id);
      const text = cells[Number(at)] ?? '';
      // An empty cell of a file says nothing.
      if (!column || text.trim() === '') continue;
      const read = readTyped(text, column.of);
      if (!read.ok) bad.push({ row, text, why: read.why });
      else if (!sameValue(read.entry, standing(person.member, id)))
        changes.push({ column: id, member: person.member, entry: read.entry });
    }
  });
  return { changes, bad };
}
