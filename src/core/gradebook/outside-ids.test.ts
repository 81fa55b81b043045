import { expect, it } from 'vitest';
import { measureWork } from '../../../tests/drivers/work';
import { readOutsideIds } from './outside-ids';

const people = [
  { member: 'm1', name: 'Ada Vale', userName: 'ada.v' },
  { member: 'm2', name: 'Ben Orr', userName: 'ben.o' },
  { member: 'm3', name: 'Cleo Ness', userName: 'cleo.n' },
  { member: 'm4', name: 'Cleo Ness', userName: 'cleo.n2' },
];

it.each([
  ['two columns of a spreadsheet', 'Student\tId\nAda Vale\t5323497\nben.o\tx-17', ['m1 5323497', 'm2 x-17']],
  ['the id first, and a column between', '5323497\tAda Vale\t\nx-17\tBEN.O', ['m1 5323497', 'm2 x-17']],
  ['commas and semicolons', 'ada.v,5323497\nben.o; x-17', ['m1 5323497', 'm2 x-17']],
  ['the last of several other cells', 'ada.v\tada@kestrel.example\t5323497', ['m1 5323497']],
  ['nothing', '', []],
])('%s', (_, text, expected) => {
  const { ids, bad } = readOutsideIds(text, people);
  expect(ids.map(({ member, outsideId }) => `${member} ${outsideId}`)).toEqual(expected);
  expect(bad).toEqual([]);
});

it('tells the lines that name nobody, somebody twice, or two; the headings not', () => {
  const text = 'Name\tId\nnobody\t1\nada.v\t2\nAda Vale\t3\nCleo Ness\t4\nben.o';
  expect(readOutsideIds(text, people)).toEqual({
    ids: [{ member: 'm1', outsideId: '2' }],
    bad: [
      { row: 2, text: 'nobody 1', why: 'unknown-student' },
      { row: 4, text: 'Ada Vale 3', why: 'student-twice' },
      { row: 5, text: 'Cleo Ness 4', why: 'two-students' },
      { row: 6, text: 'ben.o', why: 'unknown-student' },
    ],
  });
});

it('is quick with a page of nonsense', () => {
  const many = Array.from({ length: 500 }, (_, i) => ({ member: `m${i}`, name: `Student ${i}`, userName: `s${i}` }));
  const work = measureWork();
  readOutsideIds(`${'"'.repeat(500)}\n${'a,'.repeat(2000)}\n${'x\t1\n'.repeat(500)}`, many);
  expect(work()).toBeLessThan(300);
});
