import { describe, expect, it } from 'vitest';
import { measureWork } from '../../../tests/drivers/work';
import {
  freeUserName,
  guessable,
  guessColumns,
  type KnownPerson,
  readRoster,
  type UserNameRecipe,
} from './roster-rows';

const known: KnownPerson[] = [
  { id: 'm1', name: 'Ada Vale', userName: 'ada.v', student: true, inCourse: true },
  { id: 'm2', name: 'Ben Orr', userName: 'ben.o', student: true, inCourse: false },
  { id: 't1', name: 'Tess Moor', userName: 'tess', student: false, inCourse: false },
];
const read = (rows: string[][], of = known) => readRoster(rows, guessColumns(rows), of);

describe('columns', () => {
  it.each([
    [
      'plain headings',
      [['Name', 'User name', 'Subjects', 'Group']],
      { header: 0, columns: { name: 0, userName: 1, subjects: 2, group: 3 } },
    ],
    ['two names', [['Surname', 'First name']], { header: 0, columns: { familyName: 0, givenName: 1 } }],
    // OneRoster 1.1 users.csv, from memory: the headings as in the reference sample.
    [
      'OneRoster users.csv',
      [
        [
          'sourcedId',
          'status',
          'dateLastModified',
          'enabledUser',
          'orgSourcedIds',
          'role',
          'username',
          'userIds',
          'givenName',
          'familyName',
        ],
      ],
      { header: 0, columns: { role: 5, userName: 6, givenName: 8, familyName: 9 } },
    ],
    [
      'three lines above the headings',
      [['Kestrel Ridge Institute'], ['Autumn'], [''], ['Student', 'Login'], ['Ada', 'ada']],
      { header: 3, columns: { name: 0, userName: 1 } },
    ],
    ['no headings: the first column is the name', [['Ada Vale'], ['Ben Orr']], { header: -1, columns: { name: 0 } }],
    ['nothing', [], { header: -1, columns: { name: 0 } }],
  ])('%s', (_, rows, expected) => {
    expect(guessColumns(rows)).toEqual(expected);
  });
});

describe('rows', () => {
  it('become students: known ones by user name, whatever its capitals, or by the name in the course', () => {
    const { people, bad } = read([
      ['Name', 'User name', 'Subjects', 'Group'],
      ['Ada Vale', '', 'Rope; Blades, Rope', 'Crew 1'],
      ['Ben Orr jr', 'BEN.O', '', ''],
      ['', '', '', ''],
      ['Cleo Ness', '', '', ''],
    ]);
    expect(bad).toEqual([]);
    expect(people).toEqual([
      {
        row: 2,
        name: 'Ada Vale',
        userName: 'ada.v',
        email: null,
        subjects: ['Rope', 'Blades'],
        group: 'Crew 1',
        password: null,
        known: 'm1',
      },
      {
        row: 3,
        name: 'Ben Orr jr',
        userName: 'ben.o',
        email: null,
        subjects: [],
        group: null,
        password: null,
        known: 'm2',
      },
      {
        row: 5,
        name: 'Cleo Ness',
        userName: 'cleo.n',
        email: null,
        subjects: [],
        group: null,
        password: null,
        known: null,
      },
    ]);
  });

  it.each([
    ['no name', ['', 'x.y'], 'no-name'],
    ['a name that is a page', ['x'.repeat(201), ''], 'name-long'],
    ['a user name with signs', ['Dawn Fell', 'dawn fell'], 'user-name-odd'],
    ['a user name that is a formula', ['Dawn Fell', '=cmd()'], 'user-name-odd'],
    ['the user name of a teacher', ['Dawn Fell', 'TESS'], 'user-name-taken'],
  ])('%s', (_, cells, why) => {
    expect(read([['Name', 'User name'], cells]).bad).toMatchObject([{ row: 2, why }]);
  });

  it('say where messages reach somebody; an address that cannot be one is a bad row', () => {
    const rows = [
      ['Name', 'E-mail'],
      ['Ada Vale', 'Ada.V@kestrel.example'],
      ['Cleo Ness', ''],
      ['Dawn Fell', 'dawn at home'],
    ];
    expect(read(rows).people.map(({ email }) => email)).toEqual(['Ada.V@kestrel.example', null]);
    expect(read(rows).bad).toMatchObject([{ row: 4, why: 'email-odd' }]);
  });

  it('that name somebody twice are bad from the second on', () => {
    expect(
      read([
        ['Name', 'Login'],
        ['A B', 'ab'],
        ['C D', 'AB'],
      ]).bad,
    ).toMatchObject([{ row: 3, why: 'user-name-twice' }]);
    expect(read([['Name'], ['Ada Vale'], ['Ada Vale']]).bad).toMatchObject([{ row: 3, why: 'name-twice' }]);
    // Two who are called the same are two, when nobody of the name is known.
    expect(read([['Name'], ['New One'], ['New One']]).people.map(({ userName }) => userName)).toEqual([
      'new.o',
      'new.o2',
    ]);
    const two = [...known, { ...(known[0] as KnownPerson), id: 'm9', userName: 'ada.v2' }];
    expect(read([['Name'], ['Ada Vale']], two).bad).toMatchObject([{ why: 'name-twice' }]);
  });

  it('of other roles are left out and said so', () => {
    const rows = [
      ['role', 'username', 'givenName', 'familyName'],
      ['teacher', 't.x', 'Tim', 'Xu'],
      ['student', 'l.brandão', 'Luís', 'Brandão'],
    ];
    expect(read(rows).bad).toMatchObject([{ row: 2, why: 'not-a-student', name: 'Tim Xu' }]);
    expect(read(rows).people).toMatchObject([{ name: 'Luís Brandão', userName: 'l.brandão' }]);
  });

  it('in great number are read quickly, hostile names too', () => {
    const rows = [
      ['Name'],
      ...Array.from({ length: 5000 }, (_, i) => [i % 2 ? 'Same Name' : `${' '.repeat(200)}\u202eX${'a'.repeat(150)}`]),
    ];
    const work = measureWork();
    const { people, bad } = read(rows);
    expect(people.length + bad.length).toBe(5000);
    expect(new Set(people.map(({ userName }) => userName)).size).toBe(people.length);
    expect(work()).toBeLessThan(5000);
  });
});

describe('made user names', () => {
  it.each([
    ['Aino Virtala', 'aino.v'],
    ['Élodie Garnonne', 'elodie.g'],
    ['Thuy', 'thuy'],
    ['أمينة الزهراوي', 'student1'],
    ['יונתן', 'student1'],
    ['X', 'x1'],
    ["O'Neill de la Cruz", 'oneill.c'],
  ])('%s: %s', (name, expected) => {
    expect(freeUserName(name, new Set())).toBe(expected);
  });

  it.each<[UserNameRecipe, string, string]>([
    ['first-last', 'Aino Virtala', 'aino.virtala'],
    ['initial-last', 'Élodie Garnonne', 'egarnonne'],
    ['initial-last', 'Thuy', 'thuy'],
    ['first-last', 'יונתן', 'student1'],
    ['numbered', 'Aino Virtala', 'student1'],
  ])('by %s %s is %s', (recipe, name, expected) => {
    expect(freeUserName(name, new Set(), recipe)).toBe(expected);
  });

  it('are counted on when they are taken', () => {
    expect(freeUserName('Aino Virtala', new Set(['aino.v', 'aino.v2']))).toBe('aino.v3');
    expect(freeUserName('יונתן', new Set(['student1']))).toBe('student2');
  });
});

describe('first passwords of a file', () => {
  const of = (...rows: [name: string, password: string][]) => read([['Name', 'First password'], ...rows]);

  it('are for new students alone, and long enough', () => {
    const { people, bad } = of(['Ada Vale', 'known-already'], ['Cleo Ness', 'kite-9-mast'], ['Dawn Fell', 'short']);
    expect(people.map(({ password }) => password)).toEqual([null, 'kite-9-mast']);
    expect(bad).toMatchObject([{ row: 4, why: 'password-short' }]);
  });

  it.each<[string, [string, string][], number]>([
    ['drawn ones cannot be guessed', [['Cleo Ness', 'bafo-kiru-mepa']], 0],
    ['a date of birth can', [['Cleo Ness', '2009-04-17']], 1],
    ['a name with a number can', [['Cleo Ness', 'ness2026!!']], 1],
    [
      'one that several have can',
      [
        ['Cleo Ness', 'kestrel-ridge'],
        ['Dawn Fell', 'Kestrel Ridge'],
      ],
      2,
    ],
  ])('%s', (_, rows, count) => {
    expect(guessable(of(...rows).people)).toBe(count);
  });
});
