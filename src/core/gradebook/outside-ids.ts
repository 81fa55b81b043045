import { type NotTaken, type Person, knownAs, readBlock } from './bring-in';

/** What a platform calls a student. */
export interface OutsideId {
  member: string;
  outsideId: string;
}

/**
 * Reads a block of lines that name students and their ids on a platform, as spreadsheets copy it (tabs), or with commas
 * or semicolons. In each line one cell is a student's user name or name, and the last other cell that is not empty is the
 * id. Lines that name nobody are told, the first one not: it may be the headings.
 */
export function readOutsideIds(text: string, people: readonly Person[]): { ids: OutsideId[]; bad: NotTaken[] } {
  const ids: OutsideId[] = [];
  const bad: NotTaken[] = [];
  const met = new Set<string>();
  const whoIs = knownAs(people);
  readBlock(text).forEach((read, r) => {
    const cells = (read.length > 1 ? read : (read[0] ?? '').split(/[,;]/)).map((cell) => cell.trim());
    const said = cells.filter((cell) => cell !== '');
    if (said.length === 0) return;
    const found = cells.map((cell) => (cell === '' ? 'unknown-student' : whoIs(cell)));
    const at = found.findIndex((one) => typeof one !== 'string');
    const person = found[at];
    const outsideId = cells.findLast((cell, i) => i !== at && cell !== '');
    const row = r + 1;
    if (person === undefined || typeof person === 'string' || outsideId === undefined) {
      const why = found.includes('two-students') ? 'two-students' : 'unknown-student';
      if (row > 1 || why === 'two-students') bad.push({ row, text: said.join(' '), why });
    } else if (met.has(person.member)) bad.push({ row, text: said.join(' '), why: 'student-twice' });
    else {
      met.add(person.member);
      ids.push({ member: person.member, outsideId });
    }
  });
  return { ids, bad };
}
