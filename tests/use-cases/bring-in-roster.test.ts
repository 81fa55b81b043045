import { afterEach, beforeEach, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { guessColumns } from '@/core/people/roster-rows';
import { signIn } from '@/server/auth/sessions';
import { xlsxFromRows } from '@/server/exchange/spreadsheet';
import { bringInRoster, readRosterFile } from '@/server/people/bring-in-roster';
import { openRoster } from '@/server/people/roster';
import { TestDepartment } from '../drivers/department';
import { measureWork } from '../drivers/work';

let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

const ROWS = [
  ['Name', 'User name', 'Subjects', 'Group'],
  ['ada', 'ada', 'Rope', 'Crew 1'],
  ['Nilufar Yoldash', '', 'Rope, Blades', 'Crew 2'],
  ['أمينة', '', '', 'Crew 2'],
];
const bringIn = (rows = ROWS, leaveBadOut = false, who = 'teacher') =>
  bringInRoster(dept.as(who), { course: dept.course, rows, mapping: guessColumns(rows), leaveBadOut });
const roster = async () => must(await openRoster(dept.as('teacher'), dept.course));
const lines = async (): Promise<string[]> => {
  const { students, groups } = await roster();
  const called = new Map(groups.map(({ id, name }) => [id, name]));
  return students.map((s) => [s.name, s.userName, s.subjects.join('+'), called.get(s.group ?? '') ?? '-'].join(' | '));
};

it('puts known and new students in; the new ones can sign in with what is told once', async () => {
  const { added, updated } = must(await bringIn());
  expect([added.map(({ userName }) => userName), updated]).toEqual([['nilufar.y', 'student1'], 1]);
  expect((await lines()).sort()).toEqual([
    'Nilufar Yoldash | nilufar.y | Rope+Blades | Crew 2',
    'ada | ada | Rope | Crew 1',
    'ben | ben |  | -',
    'أمينة | student1 |  | Crew 2',
  ]);
  for (const { userName, password } of added) {
    expect(password).toMatch(/^([a-z]{4}-){2}[a-z]{4}$/);
    const signed = await signIn(dept.out, { userName, password, source: '203.0.113.5' });
    expect(signed).toMatchObject({ ok: true, value: { member: { role: 'student' } } });
  }
  expect(new Set(added.map(({ password }) => password)).size).toBe(2);
});

it('a second time it updates and never doubles', async () => {
  must(await bringIn());
  const before = await lines();
  expect(must(await bringIn())).toEqual({ added: [], updated: 3 });
  expect(await lines()).toEqual(before);
  const moved = ROWS.map((row) => (row[0] === 'ada' ? ['Ada Vale', 'ada', 'Blades', ''] : row));
  must(await bringIn(moved));
  expect(await lines()).toContain('Ada Vale | ada | Blades | -');
  // What the file says nothing of stays.
  must(
    await bringIn([
      ['Name', 'User name'],
      ['Ada V', 'ada'],
    ]),
  );
  expect(await lines()).toContain('Ada V | ada | Blades | -');
});

it('nothing is brought in while a row is bad, unless those are left out', async () => {
  const rows = [...ROWS, ['Teacher as student', 'teacher', '', ''], ['', 'nameless', 'Rope', '']];
  const before = await lines();
  expect(await bringIn(rows)).toMatchObject({ refusal: { code: 'roster-bad-rows', values: { count: 2 } } });
  expect(await lines()).toEqual(before);
  expect(must(await bringIn(rows, true)).added).toHaveLength(2);
  expect(await bringIn([['Name'], ['']])).toMatchObject({ refusal: { code: 'roster-empty' } });
});

it('is for those who keep the roster; odd orders and too many are refused', async () => {
  for (const who of ['stranger', 'marker', 'ada']) {
    expect(await bringIn(ROWS, false, who)).toMatchObject({ refusal: { code: 'forbidden' } });
    const file = { name: 'a.csv', bytes: new TextEncoder().encode('Name\nX Y') };
    expect(await readRosterFile(dept.as(who), dept.course, file)).toMatchObject({ refusal: { code: 'forbidden' } });
  }
  for (const odd of [null, {}, { course: dept.course, rows: 'x', mapping: {}, leaveBadOut: true }])
    expect(await bringInRoster(dept.as('teacher'), odd)).toMatchObject({ ok: false });
  const many = [['Name'], ...Array.from({ length: 501 }, (_, i) => [`New ${i} Person`])];
  expect(await bringIn(many)).toMatchObject({ refusal: { code: 'roster-too-many-new' } });
});

it.each([
  ['CSV with semicolons and a mark', new TextEncoder().encode('\ufeffName;Group\r\n"Vale; Ada";Crew 1\r\n')],
  ['CSV in windows-1252', new Uint8Array([...'Name,Group\nVale; Ada,Crew 1\n'].map((c) => c.charCodeAt(0)))],
])('%s is read as rows', async (_, bytes) => {
  const rows = must(await readRosterFile(dept.as('teacher'), dept.course, { name: 'x.csv', bytes }));
  expect(rows.slice(0, 2)).toEqual([
    ['Name', 'Group'],
    ['Vale; Ada', 'Crew 1'],
  ]);
});

it('a workbook of 5,000 rows is read within five seconds; a longer file is refused, and a picture is none', async () => {
  const rows = [['Name', 'User name'], ...Array.from({ length: 4999 }, (_, i) => [`Person ${i}`, `person.${i}`])];
  const bytes = await xlsxFromRows('Roster', rows);
  const work = measureWork();
  expect(must(await readRosterFile(dept.as('teacher'), dept.course, { name: 'r.xlsx', bytes }))).toEqual(rows);
  expect(work()).toBeLessThan(5000);
  const csv = new TextEncoder().encode('a\n'.repeat(6000));
  const read = (name: string, of: Uint8Array) => readRosterFile(dept.as('teacher'), dept.course, { name, bytes: of });
  expect(await read('x.csv', csv)).toMatchObject({ refusal: { code: 'roster-too-long' } });
  const png = new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 0x0d]);
  expect(await read('x.csv', png)).toMatchObject({ ok: false });
});
