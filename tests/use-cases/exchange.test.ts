import ExcelJS from 'exceljs';
import { strToU8, zipSync } from 'fflate';
import sharp from 'sharp';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { FRESH_PICTURE } from '@/core/content/document';
import { plainText } from '@/core/content/plain';
import { COLUMNS, TEMPLATE_ROWS } from '@/core/exchange/rows';
import { undoMany } from '@/server/bank/bulk';
import { createQuestion } from '@/server/bank/create-question';
import { openQuestion } from '@/server/bank/open-question';
import { OPEN_SEARCH } from '@/core/bank/searching';
import { searchQuestions } from '@/server/bank/search';
import { listShelves } from '@/server/bank/shelves';
import { type BroughtIn, readForBringingIn } from '@/server/exchange/bring-in';
import { keepBroughtIn } from '@/server/exchange/keep';
import { csvFromRows, rowsFromCsv, rowsFromXlsx, xlsxFromRows } from '@/server/exchange/spreadsheet';
import { readApart } from '@/server/exchange/read-apart';
import { takeOut } from '@/server/exchange/take-out';
import { addMedia } from '@/server/media/add-media';
import { TestDepartment } from '../drivers/department';
import { docx, paragraph, pdf, pictureRun, words } from '../drivers/documents';
import { sampleQuestion } from '../drivers/samples';

let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

const read = (bytes: Uint8Array | string, name = 'file') =>
  readForBringingIn(dept.as('teacher'), { name, bytes: typeof bytes === 'string' ? strToU8(bytes) : bytes });
const keep = ({ items }: BroughtIn, topic: string | null = null) =>
  keepBroughtIn(dept.as('teacher'), { bank: dept.bank, topic, items });
const all = async (): Promise<string[]> => {
  const search = { ...OPEN_SEARCH, sort: 'title' };
  return must(await searchQuestions(dept.as('teacher'), { ...search, from: 0 })).found.map((q) => q.id);
};
const picture = async (): Promise<Uint8Array> =>
  new Uint8Array(
    await sharp({ create: { width: 40, height: 20, channels: 3, background: 'green' } })
      .png()
      .toBuffer(),
  );

describe('a document', () => {
  it('from a word processor comes with its lists, bold keys, pictures and equations', async () => {
    const power =
      '<m:oMath><m:r><m:t>A</m:t></m:r><m:sSup><m:e><m:r><m:t>v</m:t></m:r></m:e><m:sup><m:r><m:t>3</m:t></m:r></m:sup></m:sSup></m:oMath>';
    const bytes = docx(
      [
        paragraph(words('Test in spring')),
        paragraph(`${words('What is in ')}${power}${words('? (2 marks)')}${pictureRun}`, [1, 0]),
        paragraph(words('area'), [1, 1]),
        paragraph(words('speed', true), [1, 1]),
        paragraph(words('How many blades?'), [1, 0]),
        paragraph(words('Answer: 3')),
      ],
      await picture(),
    );
    const found = must(await read(bytes, 'spring.docx'));
    expect(found).toMatchObject({ source: 'document', left: ['Test in spring'] });
    const [first, second] = found.items;
    expect(first?.body.content.content.map((b) => b.type)).toEqual(['paragraph', 'picture', 'blockSlot']);
    expect(first?.body.content.content[0]).toMatchObject({
      content: [{ text: 'What is in ' }, { type: 'formula', attrs: { latex: 'Av^{3}' } }, { text: '?' }],
    });
    expect(first?.body.slots.s1).toMatchObject({
      kind: 'choice',
      marks: '2',
      setup: {
        options: [
          { text: 'area', key: false },
          { text: 'speed', key: true },
        ],
      },
    });
    expect(second?.body.slots.s1?.kind).toBe('number');

    must(await keep(found));
    const [one = ''] = await all();
    expect(must(await openQuestion(dept.as('teacher'), one)).review).toBe('draft');
  });

  it('as PDF or as text gives the same questions', async () => {
    const lines = ['1. What turns the nacelle?', 'a) brake', '*b) yaw drive', '2. Largest share?', 'Answer: 59 %'];
    const fromPdf = must(await read(pdf(lines), 'test.pdf'));
    const fromText = must(await read(lines.join('\n'), 'test.txt'));
    expect(fromPdf.items.map((i) => [plainText(i.body.content), i.body.slots])).toEqual(
      fromText.items.map((i) => [plainText(i.body.content), i.body.slots]),
    );
    expect(fromPdf.items).toHaveLength(2);
  });

  it('that is 300 pages of words is read, and holds no question', async () => {
    const found = must(await read('The wind blows over the plain. '.repeat(25_000), 'long.txt'));
    expect(found.items).toEqual([]);
  });
});

describe('a spreadsheet', () => {
  it('written here is read here, and what is taken out comes in equal', async () => {
    const found = must(await read(await xlsxFromRows('Q', TEMPLATE_ROWS), 'q.xlsx'));
    expect([found.items.length, found.bad]).toEqual([3, []]);
    must(await keep(found));
    expect((await listShelves(dept.as('teacher')))[0]?.topics.map((t) => [t.name, t.questions])).toEqual([
      ['Topic', 0],
      ['Drive train', 1],
      ['Energy in the wind', 2],
    ]);
    for (const as of ['xlsx', 'csv'] as const) {
      const taken = must(await takeOut(dept.as('teacher'), { questions: await all(), as }));
      expect(taken.leftOut).toBe(0);
      const again = must(await read(taken.bytes, taken.name));
      const bodies = (list: BroughtIn['items']) => list.map((i) => [i.body, i.facts, i.topic]);
      expect(bodies(again.items)).toEqual(
        [...bodies(found.items)]
          .sort((a, b) => (JSON.stringify(a) < JSON.stringify(b) ? -1 : 1))
          .sort((a, b) => (titleOf(a) < titleOf(b) ? -1 : 1)),
      );
    }
  });

  it('tells every bad row with its place and reason, and takes the good ones', async () => {
    const rows = [
      ['Question', 'KIND', 'key', 'marks', 'difficulty', 'colour'],
      ['Good?', 'Number', '3 m', '', '', ''],
      ['', 'essay', '', 'many', '7', ''],
      ['', '', '', '', '', ''],
      ['No star', 'choice', 'a\nb', '1', '1', ''],
    ];
    const found = must(await read(csvFromRows(rows), 'q.csv'));
    expect(found.items.map((i) => i.number)).toEqual(['2']);
    expect(found.unknownColumns).toEqual(['colour']);
    expect(found.bad.map((b) => `${b.row} ${b.column} ${b.problem}`)).toEqual([
      '3 kind kind-unknown',
      '3 question question-empty',
      '3 key key-empty',
      '3 marks marks-unreadable',
      '3 difficulty difficulty-unreadable',
      '5 key not-ready',
    ]);
  });

  it('reads formulas by their results, and never writes a text that would run', async () => {
    const workbook = new ExcelJS.Workbook();
    workbook.addWorksheet('Q').addRow(['question']);
    workbook.worksheets[0]?.addRow([{ formula: 'A1&"!"', result: 'question!' }]);
    expect(await rowsFromXlsx(new Uint8Array(await workbook.xlsx.writeBuffer()))).toEqual([
      ['question'],
      ['question!'],
    ]);
    const dangerous = [['=1+1', '+2', '-3', '@x', 'plain']];
    const text = csvFromRows(dangerous);
    expect(text).not.toMatch(/(^|,|\ufeff)["]?[=+@]/);
    expect(rowsFromCsv(text)[0]).toEqual(dangerous[0]);
  });

  /** Cases of RFC 4180, section 2. */
  it('reads CSV as RFC 4180 writes it', () => {
    expect(rowsFromCsv('aaa,bbb,ccc\r\nzzz,yyy,xxx')).toEqual([
      ['aaa', 'bbb', 'ccc'],
      ['zzz', 'yyy', 'xxx'],
    ]);
    expect(rowsFromCsv('"aaa","b\r\nbb","ccc"\r\nzzz,yyy,xxx')).toEqual([
      ['aaa', 'b\r\nbb', 'ccc'],
      ['zzz', 'yyy', 'xxx'],
    ]);
    expect(rowsFromCsv('"aaa","b""bb","ccc"')).toEqual([['aaa', 'b"bb', 'ccc']]);
  });

  it('of 2,000 rows with the same fault is read with all of them told', async () => {
    const rows = [[...COLUMNS], ...Array.from({ length: 2000 }, () => ['choice', 'Q?', 'a\nb'])];
    const found = must(await read(csvFromRows(rows), 'q.csv'));
    expect([found.items.length, found.bad.length]).toEqual([0, 2000]);
  });
});

describe('an archive', () => {
  it('carries everything of a question to another bank, pictures too', async () => {
    const added = must(await addMedia(dept.as('teacher'), await picture()));
    const body = sampleQuestion('Whole');
    body.content.content.push({
      type: 'picture',
      attrs: {
        ...added,
        ...FRESH_PICTURE,
        description: 'green',
        labels: [{ text: 'the green part', at: { x: 20, y: 20 }, to: { x: 50, y: 50 } }],
      },
    });
    const stored = must(
      await createQuestion(dept.as('teacher'), { bank: dept.bank, body, facts: { tags: ['x'], difficulty: 3 } }),
    );
    const before = must(await openQuestion(dept.as('teacher'), stored.id));
    const taken = must(await takeOut(dept.as('teacher'), { questions: [stored.id], as: 'zip' }));

    const other = await TestDepartment.open();
    const found = must(await readForBringingIn(other.as('teacher'), { name: 'q.zip', bytes: taken.bytes }));
    expect(found.items[0]?.doubts).toEqual([]);
    const done = must(await keepBroughtIn(other.as('teacher'), { bank: other.bank, topic: null, items: found.items }));
    const search = { ...OPEN_SEARCH, sort: 'title' };
    const [there] = must(await searchQuestions(other.as('teacher'), { ...search, from: 0 })).found;
    const after = must(await openQuestion(other.as('teacher'), there?.id ?? ''));
    expect(after.body).toEqual(before.body);
    expect(after.facts).toMatchObject({ tags: ['x'], difficulty: 3 });
    must(await undoMany(other.as('teacher'), done.undo));
    expect(must(await searchQuestions(other.as('teacher'), { ...search, from: 0 })).total).toBe(0);
    other.close();
  });

  it('is taken out only by those who see the bank', async () => {
    const id = await dept.question();
    expect((await takeOut(dept.as('ada'), { questions: [id], as: 'zip' })).ok).toBe(false);
  });
});

describe('what is no file of questions', () => {
  const code = async (bytes: Uint8Array | string, name?: string): Promise<string> => {
    const result = await read(bytes, name);
    return result.ok ? 'read' : result.refusal.code;
  };

  it('is refused with a reason, whatever it calls itself', async () => {
    expect(await code('')).toBe('file-empty');
    expect(await code(await picture(), 'test.docx')).toBe('file-kind-unknown');
    expect(await code(new Uint8Array([0, 1, 2, 3]), 'test.txt')).toBe('file-kind-unknown');
    expect(await code(zipSync({ 'other.txt': strToU8('x') }), 'q.zip')).toBe('file-unreadable');
    expect(await code(zipSync({ '../questions.json': strToU8('{}') }), 'q.zip')).toBe('file-unreadable');
    expect(await code(docx([]).slice(0, 300), 'half.docx')).toMatch(/^file-/);
    const entities = docx(['<!DOCTYPE x [<!ENTITY a "b">]>']);
    expect(await code(entities, 'entities.docx')).toBe('file-unreadable');
    expect((await readForBringingIn(dept.as('ada'), { name: 'x', bytes: strToU8('1. a') })).ok).toBe(false);
  });

  it('that would unpack to far more than it is, is not unpacked', async () => {
    const zeros = new Uint8Array(210 * 1024 * 1024);
    const bomb = zipSync({ 'questions.json': [zeros, { level: 9 }] });
    expect(bomb.length).toBeLessThan(1024 * 1024);
    expect(await code(bomb, 'q.zip')).toBe('file-grows');
  });
});

function titleOf([body]: unknown[]): string {
  return plainText((body as BroughtIn['items'][number]['body']).content);
}

describe('a file that would hold up all others', () => {
  it('is given up after a while, and the thread that serves did not stand still', async () => {
    const bytes = strToU8('1. What turns?\na) the rotor\nb) the tower\n'.repeat(200_000));
    let beats = 0;
    const beating = setInterval(() => (beats += 1), 10);
    const read = await readApart('long.txt', bytes, 500);
    clearInterval(beating);
    expect(read).toMatchObject({ ok: false, refusal: { code: 'file-too-much', values: { seconds: 0.5 } } });
    expect(beats).toBeGreaterThan(20);
  });

  it('with more questions than anybody brings in is refused, and the next one is read', async () => {
    const lines = Array.from({ length: 12_000 }, (_, i) => `${(i % 99) + 1}. What is it?\na) one\nb) two\n`);
    const many = readApart('many.txt', strToU8(lines.join('')));
    const next = readApart('q.txt', strToU8('1. What turns?'));
    expect(await many).toMatchObject({ refusal: { code: 'file-too-many' } });
    expect((await next).ok).toBe(true);
  });
});
