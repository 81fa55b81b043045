import { describe, expect, it } from 'vitest';
import { guessMarks, proposeBlock, proposeFile, readBlock } from './bring-in';
import { readTyped } from './cell';

const people = [
  { member: '1', name: 'Ada Lind', userName: 'alind' },
  { member: '2', name: 'Ben Ode', userName: 'bode' },
  { member: '3', name: 'Ben Ode', userName: 'bode2' },
];
const columns = [
  { id: 'p', title: 'Presentation', of: '10' },
  { id: 'h', title: 'Homework 1', of: '20' },
];
const nothing = () => null;

describe('a typed cell', () => {
  it.each([
    ['7', '7'],
    [' 7,5 ', '15/2'],
    ['80 %', '8'],
    ['33,3%', '333/100'],
    ['12', '12'],
  ])('%s is read', (typed, marks) => {
    expect(readTyped(typed, '10')).toEqual({ ok: true, entry: { is: 'marks', marks } });
  });

  it.each([
    ['seven', 'not-a-number'],
    ['1.234,5', 'not-a-number'],
    ['1,2,3', 'not-a-number'],
    ['1e3', 'not-a-number'],
    ['1/2', 'not-a-number'],
    ['-1', 'below-zero'],
    ['100', 'too-many'],
    ['=1+1', 'not-a-number'],
  ])('%s is refused', (typed, why) => {
    expect(readTyped(typed, '10')).toEqual({ ok: false, why });
  });

  it('is emptied, excused, or a percent of nothing known', () => {
    expect([readTyped('', '10'), readTyped('–', '10')]).toEqual([
      { ok: true, entry: null },
      { ok: true, entry: null },
    ]);
    expect(readTyped('Excused', null)).toEqual({ ok: true, entry: { is: 'excused' } });
    expect(readTyped('50 %', null)).toEqual({ ok: false, why: 'not-a-number' });
    // Where nothing says of how many marks it is, still not beyond all measure.
    expect(readTyped('9'.repeat(300), null)).toEqual({ ok: false, why: 'too-many' });
    expect(readTyped('9'.repeat(300), '0')).toEqual({ ok: false, why: 'too-many' });
  });
});

describe('a pasted block', () => {
  it('is read as spreadsheets copy it', () => {
    expect(readBlock('1\t2\r\n3\t4\r\n')).toEqual([
      ['1', '2'],
      ['3', '4'],
    ]);
    expect(readBlock('"a\tb"\t"say ""x"""\n')).toEqual([['a\tb', 'say "x"']]);
    expect(readBlock('5')).toEqual([['5']]);
    expect(readBlock('')).toEqual([]);
  });

  it('changes what differs, and tells what is wrong or reaches beyond the table', () => {
    const standing = (member: string) => (member === '1' ? ({ is: 'marks', marks: '7' } as const) : null);
    const { changes, bad } = proposeBlock(
      [
        ['7', 'x'],
        ['8', '30', '9'],
        ['', '', ''],
        ['5', ''],
      ],
      { members: ['1', '2', '3'], columns },
      standing,
    );
    expect(changes).toEqual([
      { column: 'p', member: '2', entry: { is: 'marks', marks: '8' } },
      { column: 'h', member: '2', entry: { is: 'marks', marks: '30' } },
    ]);
    expect(bad).toEqual([
      { row: 1, text: 'x', why: 'not-a-number' },
      { row: 2, text: '9', why: 'outside' },
      { row: 4, text: '5', why: 'outside' },
    ]);
  });
});

describe('a file of marks', () => {
  const rows = [
    ['Kestrel', '', ''],
    ['Name', 'homework 1 (of 20)', 'Presentation %', 'PRESENTATION'],
    ['Ada Lind', '18,5', '70', ''],
    ['Ben Ode', '3', '', '4'],
    ['bode2', '4', '', '6'],
    ['Nobody', '1', '', '1'],
    ['ALIND', '2', '', '2'],
  ];

  it('is matched by headings and by who is in it', () => {
    expect(guessMarks(rows, people, columns)).toEqual({ header: 1, who: 0, marks: { 1: 'h', 3: 'p' } });
    expect(guessMarks([['alind', '5']], people, columns)).toEqual({ header: -1, who: 0, marks: {} });
    expect(guessMarks([], people, columns)).toEqual({ header: -1, who: 0, marks: {} });
  });

  it('takes whom it knows for certain, once, and tells of all others', () => {
    const { changes, bad } = proposeFile(rows, guessMarks(rows, people, columns), { people, columns }, nothing);
    expect(changes).toEqual([
      { column: 'h', member: '1', entry: { is: 'marks', marks: '37/2' } },
      { column: 'h', member: '3', entry: { is: 'marks', marks: '4' } },
      { column: 'p', member: '3', entry: { is: 'marks', marks: '6' } },
    ]);
    expect(bad.map(({ row, why }) => [row, why])).toEqual([
      [4, 'two-students'],
      [6, 'unknown-student'],
      [7, 'student-twice'],
    ]);
  });
});
