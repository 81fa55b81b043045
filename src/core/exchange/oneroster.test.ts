import { describe, expect, it } from 'vitest';
import { guessColumns, readRoster } from '../people/roster-rows';
import { oneRosterRows } from './oneroster';

const rows = (text: string): string[][] => text.split('\n').map((line) => line.split(','));

/** OneRoster 1.2, headings from memory: users.csv without roles, which stand in roles.csv. */
const PACKAGE = new Map([
  [
    'users.csv',
    rows(
      'sourcedId,status,dateLastModified,enabledUser,username,userIds,givenName,familyName\n' +
        'u1,active,,true,ada.v,,Ada,Vale\nu2,active,,true,ben.o,,Ben,Orr\nu3,active,,true,tess,,Tess,Moor\nu4,tobedeleted,,true,gone,,Gone,By',
    ),
  ],
  [
    'roles.csv',
    rows(
      'sourcedId,status,dateLastModified,userSourcedId,roleType,role\nr1,,,u1,primary,student\nr2,,,u2,primary,student\nr3,,,u3,primary,teacher\nr4,,,u2,secondary,aide',
    ),
  ],
  ['classes.csv', rows('sourcedId,status,dateLastModified,title\nc1,,,Rotors A\nc2,,,Safety\nc3,tobedeleted,,Old')],
  [
    'enrollments.csv',
    rows(
      'sourcedId,status,dateLastModified,classSourcedId,schoolSourcedId,userSourcedId,role\ne1,,,c1,s,u1,student\ne2,,,c2,s,u1,student\ne3,,,c2,s,u2,student\ne4,tobedeleted,,c1,s,u2,student\ne5,,,c1,s,u3,teacher',
    ),
  ],
]);

describe('an OneRoster package', () => {
  const read = oneRosterRows(PACKAGE) ?? [];

  it('of version 1.2 has its roles and classes beside its users; what is to be deleted is not there', () => {
    expect(read.map((cells) => [cells[0], ...cells.slice(-2)])).toEqual([
      ['sourcedId', 'class', 'role'],
      ['u1', 'Rotors A; Safety', 'student'],
      ['u2', 'Safety', 'student'],
      ['u3', 'Rotors A', 'teacher'],
    ]);
  });

  it('becomes the students of one class', () => {
    const mapping = guessColumns(read);
    const column = read[0]?.indexOf('class') ?? -1;
    const of = (value: string): string[] =>
      readRoster(read, { ...mapping, only: { column, value } }, []).people.map(({ name }) => name);
    expect([of('Rotors A'), of('Safety'), of('Elsewhere')]).toEqual([['Ada Vale'], ['Ada Vale', 'Ben Orr'], []]);
    expect(readRoster(read, mapping, []).bad).toMatchObject([{ name: 'Tess Moor', why: 'not-a-student' }]);
  });

  it('of version 1.1 keeps the roles that its users have', () => {
    const users = rows('sourcedId,status,role,username,givenName,familyName\nu1,,student,ada.v,Ada,Vale');
    expect(oneRosterRows(new Map([['users.csv', users]]))).toEqual(users);
  });

  it('without users is none; without roles, those of its classes are taken', () => {
    expect(oneRosterRows(new Map())).toBeNull();
    const { 0: users, 2: classes, 3: enrolled } = [...PACKAGE];
    const bare = new Map([users, classes, enrolled].filter((one) => one !== undefined));
    expect((oneRosterRows(bare) ?? []).map((cells) => cells.at(-1))).toEqual(['role', 'student', 'student', 'teacher']);
  });
});
