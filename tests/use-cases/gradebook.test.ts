import { execFile } from 'node:child_process';
import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { existsSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { promisify } from 'node:util';
import ExcelJS from 'exceljs';
import Papa from 'papaparse';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { textIn, readZip } from '@/core/exchange/zip';
import { FINAL, type Book, type BookColumn, NEW_BOOK, sittingColumn } from '@/core/gradebook/book';
import type { BookEntry } from '@/core/gradebook/cell';
import { gradeRow } from '@/core/gradebook/row';
import { cellHistory, putCells } from '@/server/gradebook/entries';
import { gradebookCsv } from '@/server/gradebook/export';
import { type Gradebook, openGradebook } from '@/server/gradebook/gradebook';
import { oneRosterResults } from '@/server/gradebook/one-roster';
import { openAgain, saveBook, signOff } from '@/server/gradebook/settings';
import { gradebookXlsx } from '@/server/gradebook/workbook';
import { unenrol } from '@/server/people/roster';
import { TestDepartment } from '../drivers/department';
import { freshColumn } from '../fixtures/book-column';

const SOFFICE = '/usr/bin/soffice';
let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

const hand = (id: string, of: string, more: Partial<BookColumn> = {}): BookColumn =>
  freshColumn(id, { from: { is: 'hand', title: id, of }, ...more });
const open = async (who = 'teacher'): Promise<Gradebook> => must(await openGradebook(dept.as(who), dept.course));
const idOf = (who: string): string => dept.as(who).actor.id;
const marks = (n: string): BookEntry => ({ is: 'marks', marks: n });

async function keep(book: Partial<Book>): Promise<void> {
  const { version } = await open();
  must(await saveBook(dept.as('teacher'), { course: dept.course, base: version, book: { ...NEW_BOOK, ...book } }));
}

/** Puts entries in over whatever stands there. */
async function put(cells: [who: string, column: string, entry: BookEntry | null][], reason = 'as agreed') {
  const book = await open();
  const changes = cells.map(([who, column, entry]) => {
    const row = book.rows.find(({ member }) => member === idOf(who));
    const at = book.columns.findIndex((one) => one.column.id === column);
    const last = column === FINAL ? row?.final.last : row?.cells[at]?.last;
    return { column, member: idOf(who), entry, base: last ?? 0 };
  });
  return putCells(dept.as('teacher'), { course: dept.course, changes, reason });
}

const finals = async (): Promise<(string | undefined)[]> => {
  const book = await open();
  return book.rows.map((row) => gradeRow(book, row.cells, row.final.entry).stands?.shown);
};

describe('what is put in by hand', () => {
  it('stands in its cell with its history, and counts', async () => {
    await keep({ columns: [hand('talk', '10')] });
    must(await put([['ada', 'talk', marks('8')]], ''));
    must(await put([['ada', 'talk', marks('9')]], 'I had misread my notes'));
    expect(await finals()).toEqual(['90.0', undefined]);
    const history = must(
      await cellHistory(dept.as('teacher'), { course: dept.course, column: 'talk', member: idOf('ada') }),
    );
    expect(history.map(({ entry, reason, by }) => [entry, reason, by])).toEqual([
      [marks('9'), 'I had misread my notes', 'teacher'],
      [marks('8'), '', 'teacher'],
    ]);
    must(await put([['ada', 'talk', null]], ''));
    expect(await finals()).toEqual([undefined, undefined]);
  });

  it('says why where it takes the place of what was reckoned', async () => {
    const { sitting } = await dept.sitting(1);
    await dept.sit('ada', sitting, { item0: { c: { text: 'the wind' } } });
    dept.pass(600);
    const column = sittingColumn(sitting);
    expect(await put([['ada', column, { is: 'excused' }]], ' ')).toMatchObject({ refusal: { code: 'reason-asked' } });
    expect(await put([['ada', FINAL, { is: 'final', percent: '70' }]], '')).toMatchObject({
      refusal: { code: 'reason-asked' },
    });
    must(await put([['ada', FINAL, { is: 'final', percent: '70' }]]));
    expect(await finals()).toEqual(['70.0', undefined]);
    expect(await put([['ada', FINAL, marks('70')]])).toMatchObject({ refusal: { code: 'bad-input' } });
    expect(await put([['ada', 'gone', marks('70')]])).toMatchObject({ refusal: { code: 'column-gone' } });
  });

  it('is neither below zero nor beyond what any column can hold, whatever a page sends', async () => {
    await keep({ columns: [hand('talk', '10')] });
    for (const n of ['-1', '2001', '9'.repeat(150), '1/0'])
      expect(await put([['ada', 'talk', marks(n)]]), n).toMatchObject({ refusal: { code: 'bad-input' } });
    expect(await put([['ada', FINAL, { is: 'final', percent: '101' }]])).toMatchObject({
      refusal: { code: 'bad-input' },
    });
  });

  it('is all put in or nothing, and never over what a colleague has put in meanwhile', async () => {
    await keep({ columns: [hand('talk', '10')] });
    const change = (who: string, n: string) => ({ column: 'talk', member: idOf(who), entry: marks(n), base: 0 });
    must(await putCells(dept.as('lead'), { course: dept.course, changes: [change('ben', '3')], reason: '' }));
    const mine = { course: dept.course, changes: [change('ada', '5'), change('ben', '6')], reason: '' };
    expect(await putCells(dept.as('teacher'), mine)).toMatchObject({
      refusal: { code: 'cell-changed', at: ['changes', 1], values: { by: 'lead', who: 'ben' } },
    });
    expect(await finals()).toEqual([undefined, '30.0']);
    const twice = { ...mine, changes: [change('ada', '5'), change('ada', '6')] };
    expect(await putCells(dept.as('teacher'), twice)).toMatchObject({ refusal: { code: 'bad-input' } });
    for (const who of ['marker', 'ada'])
      expect(await putCells(dept.as(who), mine), who).toMatchObject({ refusal: { code: 'forbidden' } });
  });

  it('stays with a student who has left, whose row is marked so', async () => {
    await keep({ columns: [hand('talk', '10')] });
    must(await put([['ben', 'talk', marks('8')]], ''));
    must(await unenrol(dept.as('teacher'), { course: dept.course, member: idOf('ben') }));
    expect((await open()).rows.map(({ name, left }) => [name, left])).toEqual([
      ['ada', false],
      ['ben', true],
    ]);
  });
});

describe('the rules of a course', () => {
  it('are refused where they make no sense, and where somebody has changed them meanwhile', async () => {
    const input = { course: dept.course, base: 0, book: { ...NEW_BOOK, columns: [hand('a', '10')] } };
    const circle = hand('a', '10', { replacedBy: { column: 'a', when: 'always' } });
    expect(await saveBook(dept.as('teacher'), { ...input, book: { ...NEW_BOOK, columns: [circle] } })).toMatchObject({
      refusal: { code: 'replacement-circle' },
    });
    must(await saveBook(dept.as('teacher'), input));
    expect(await saveBook(dept.as('lead'), input)).toMatchObject({ refusal: { code: 'changed-elsewhere' } });
    expect(await saveBook(dept.as('marker'), input)).toMatchObject({ refusal: { code: 'forbidden' } });
  });

  it('take no number that is none, and none beyond measure', async () => {
    const category = { id: 'c', name: 'C', average: 'points', keep: { is: 'all' }, passPercent: null };
    for (const weight of ['1/0', 'x', '-1', '9'.repeat(100), '']) {
      const book = { ...NEW_BOOK, categories: [{ ...category, weight }] };
      expect(await saveBook(dept.as('teacher'), { course: dept.course, base: 0, book }), weight).toMatchObject({
        refusal: { code: 'bad-input' },
      });
    }
    const named = { ...NEW_BOOK, columns: [hand('final', '10')] };
    expect(await saveBook(dept.as('teacher'), { course: dept.course, base: 0, book: named })).toMatchObject({
      refusal: { code: 'bad-input' },
    });
  });

  it('are kept with the grades when a course is signed off, until it is opened again', async () => {
    await keep({ columns: [hand('talk', '10')] });
    must(await put([['ada', 'talk', marks('8')]], ''));
    expect(must(await signOff(dept.as('teacher'), dept.course))).toEqual({ students: 1 });
    const signed = await open();
    expect(signed.signed).toMatchObject({ by: 'teacher', grades: { [idOf('ada')]: { percent: '80', passed: true } } });
    // What would come to something else meanwhile goes out as it was signed.
    const moved = { ...signed, policy: { ...signed.policy, grades: [{ from: '0', grade: 'Z' }] } };
    const rows = Papa.parse<string[]>(gradebookCsv(moved).slice(1), { skipEmptyLines: true }).data;
    expect(rows.find(([name]) => name === 'ada')?.slice(-3)).toEqual(['80', 'C', 'yes']);
    expect(textIn(readZip(oneRosterResults(moved, dept.now)), 'results.csv')).toMatch(/final-.*,80(\.0+)?,.*,C\r/);
    expect(await put([['ada', 'talk', marks('9')]], '')).toMatchObject({ refusal: { code: 'book-signed' } });
    expect(await signOff(dept.as('teacher'), dept.course)).toMatchObject({ refusal: { code: 'book-signed' } });
    const again = { course: dept.course, base: signed.version, book: signed.book };
    expect(await saveBook(dept.as('teacher'), again)).toMatchObject({ refusal: { code: 'book-signed' } });
    must(await openAgain(dept.as('teacher'), dept.course));
    must(await put([['ada', 'talk', marks('9')]], ''));
    expect(await finals()).toEqual(['90.0', undefined]);
  });
});

/** A book with everything in it that can be said of a column or a category. */
async function everything(): Promise<Gradebook> {
  const category = (id: string, more: Partial<Book['categories'][number]> = {}): Book['categories'][number] => ({
    id,
    name: `Category ${id}`,
    weight: '30',
    average: 'points',
    keep: { is: 'all' },
    passPercent: null,
    ...more,
  });
  await keep({
    categories: [
      category('home', { keep: { is: 'dropLowest', n: 1 }, average: 'percents' }),
      category('lab', { keep: { is: 'best', n: 2 }, weight: '50', passPercent: '40' }),
      category('exam', { weight: '40' }),
    ],
    columns: [
      hand('h1', '7', { category: 'home' }),
      hand('h2', '9', { category: 'home' }),
      hand('h3', '11', { category: 'home', missing: 'zero' }),
      hand('bonus', '5', { category: 'home', extra: true }),
      hand('l1', '10', { category: 'lab' }),
      hand('l2', '20', { category: 'lab' }),
      hand('l3', '30', { category: 'lab' }),
      hand('sum', '60', { category: 'exam', replacedBy: { column: 'resit', when: 'better' } }),
      hand('resit', '40', { category: 'exam', counts: false }),
      hand('=1+1', '10', { counts: false }),
    ],
    grades: [
      { from: '0', grade: 'F' },
      { from: '50', grade: 'C' },
      { from: '75', grade: 'A' },
    ],
    passPercent: '50',
  });
  must(
    await put(
      [
        ['ada', 'h1', marks('5')],
        ['ada', 'h2', marks('6')],
        ['ada', 'h3', marks('22/3')],
        ['ada', 'bonus', marks('1')],
        ['ada', 'l1', marks('5')],
        ['ada', 'l2', marks('10')],
        ['ada', 'l3', marks('15')],
        ['ada', 'sum', marks('30')],
        ['ada', 'resit', marks('31')],
        ['ben', 'h1', marks('7')],
        ['ben', 'h2', { is: 'excused' }],
        ['ben', 'l1', marks('3')],
        ['ben', 'l2', marks('4')],
        ['ben', 'sum', marks('60')],
        ['ben', 'resit', marks('10')],
        ['ben', '=1+1', marks('10')],
      ],
      '',
    ),
  );
  return open();
}

describe('what is taken out', () => {
  it('is a workbook whose formulas carry the grades', async () => {
    const book = await everything();
    const bytes = await gradebookXlsx(book);
    const workbook = new ExcelJS.Workbook();
    await workbook.xlsx.load(bytes as unknown as ArrayBuffer);
    const final = workbook.getWorksheet('Final');
    const head = (final?.getRow(2).values ?? []) as string[];
    const column = head.indexOf('Final %');
    expect(final?.getRow(3).getCell(column).formula).toContain('SUMPRODUCT');
    const expected = book.rows.map((row) => gradeRow(book, row.cells, null).stands);
    expect(expected.map((one) => one?.grade)).toEqual(['C', 'F']);
    expected.forEach((one, r) => {
      expect(final?.getRow(r + 3).getCell(column).result).toBeCloseTo(one?.percent.valueOf() ?? NaN, 9);
    });
  });

  it.skipIf(!existsSync(SOFFICE))(
    'is reckoned anew by LibreOffice, where it is on the machine, to the same grades',
    async () => {
      const book = await everything();
      const expected = book.rows.map((row) => gradeRow(book, row.cells, null).stands);
      const again = await recalculated(await gradebookXlsx(book));
      const [, , ...rows] = Papa.parse<string[]>(again.trim()).data;
      expect(rows.map((cells) => cells.slice(-2))).toEqual(
        expected.map((one) => [one?.grade, one?.passed ? 'yes' : 'no']),
      );
      rows.forEach((cells, r) => expect(Number(cells.at(-3))).toBeCloseTo(expected[r]?.percent.valueOf() ?? NaN, 6));
    },
    60_000,
  );

  it('is a table in which no title runs as a formula', async () => {
    const csv = gradebookCsv(await everything());
    expect(csv).toContain("'=1+1 (of 10)");
    expect(csv).not.toMatch(/(^|,|")=1\+1/);
  });

  it('is a OneRoster package with the required columns, whose results are of its own line items and users', async () => {
    const book = await everything();
    const files = readZip(oneRosterResults(book, dept.now));
    const headings = JSON.parse(
      await readFile(path.join(import.meta.dirname, '../reference/fixtures/oneroster-csv.json'), 'utf8'),
    ) as {
      headers: Record<string, string[]>;
      score_status: string[];
    };
    const read = (name: string) => {
      const { data, meta } = Papa.parse<Record<string, string>>((textIn(files, name) ?? '').trim(), { header: true });
      expect(meta.fields, name).toEqual(headings.headers[name]);
      return data;
    };
    const manifest = read('manifest.csv');
    for (const { propertyName = '', value } of manifest.filter((one) => one.propertyName?.startsWith('file.')))
      expect(files.has(`${propertyName.slice(5)}.csv`), propertyName).toBe(value === 'bulk');
    const [users, items, results, categories] = ['users.csv', 'lineItems.csv', 'results.csv', 'categories.csv'].map(
      read,
    );
    const ids = (rows: Record<string, string>[] = []) => new Set(rows.map(({ sourcedId }) => sourcedId));
    for (const { lineItemSourcedId, studentSourcedId, scoreStatus, score } of results ?? []) {
      expect(ids(items).has(lineItemSourcedId)).toBe(true);
      expect(ids(users).has(studentSourcedId)).toBe(true);
      expect(headings.score_status).toContain(scoreStatus);
      expect(score).toMatch(scoreStatus === 'fully graded' ? /^\d+(\.\d+)?$/ : /^$/);
    }
    for (const { categorySourcedId } of items ?? []) expect(ids(categories).has(categorySourcedId)).toBe(true);
    expect(ids(results).size).toBe(results?.length);
    expect(results?.find(({ sourcedId }) => sourcedId === `h2-${idOf('ben')}`)).toMatchObject({
      scoreStatus: 'exempt',
    });
  });
});

/** The sheet of final grades as CSV, after LibreOffice has reckoned the workbook anew. */
async function recalculated(bytes: Uint8Array): Promise<string> {
  const folder = await mkdtemp(path.join(tmpdir(), 'zonda-book-'));
  try {
    // Without the values that are kept with the formulas, nothing can be read but what is reckoned.
    const workbook = new ExcelJS.Workbook();
    await workbook.xlsx.load(bytes as unknown as ArrayBuffer);
    for (const sheet of workbook.worksheets)
      sheet.eachRow((row) =>
        row.eachCell((cell) => cell.formula && (cell.value = { formula: cell.formula } as ExcelJS.CellFormulaValue)),
      );
    await writeFile(path.join(folder, 'book.xlsx'), new Uint8Array(await workbook.xlsx.writeBuffer()));
    const profile = `-env:UserInstallation=file://${folder}/profile`;
    const filter = 'csv:Text - txt - csv (StarCalc):44,34,76,1,,0,false,false,false,false,false,-1';
    await promisify(execFile)(SOFFICE, [
      profile,
      '--headless',
      '--convert-to',
      filter,
      '--outdir',
      folder,
      path.join(folder, 'book.xlsx'),
    ]);
    return await readFile(path.join(folder, 'book-Final.csv'), 'utf8');
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}
