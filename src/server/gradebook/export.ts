import Papa from 'papaparse';
import { exact, percentOf, round, shown } from '@/core/base/exact';
import { type BookCell, type Gradebook, toldGrade } from './gradebook';

type Value = string | number | null;

/** The marks of a cell as a number; text for what is excused, null for nothing. */
function marksIn({ score, entry }: BookCell): Value {
  if (entry?.is === 'excused') return 'excused';
  const marks = entry?.is === 'marks' ? entry.marks : score?.marks;
  return marks === undefined ? null : exact(marks).valueOf();
}

/** Percent, grade and pass of a cell, as its sitting decides; what was put in by hand has the percent alone. */
function besideMarks(cell: BookCell, of: string | null): Value[] {
  const { score, entry } = cell;
  const marks = entry?.is === 'marks' ? entry.marks : entry ? undefined : score?.marks;
  const whole = score?.of ?? of;
  const percent =
    marks === undefined || whole === null ? null : Number(round(percentOf(exact(marks), exact(whole)), 1));
  if (entry || !score) return [percent, null, null];
  return [percent, score.grade, score.waiting > 0 ? 'not final' : score.passed ? 'yes' : 'no'];
}

/** RFC 4180 text with a byte order mark, so that spreadsheets read it as UTF-8; text that a spreadsheet would run as a formula is defused. */
export function gradebookCsv(book: Gradebook): string {
  const fields = [
    'Name',
    'User name',
    ...book.columns.flatMap(({ title, of }) => [
      of === null ? `${title} marks` : `${title} (of ${shown(exact(of))})`,
      `${title} %`,
      `${title} grade`,
      `${title} passed`,
    ]),
    'Final %',
    'Final grade',
    'Final passed',
  ];
  const data = book.rows.map((row) => {
    const told = toldGrade(book, row);
    const cells = row.cells.flatMap((cell, i): Value[] => {
      const marks = marksIn(cell);
      return [
        typeof marks === 'number' ? Number(marks.toFixed(4)) : marks,
        ...besideMarks(cell, book.columns[i]?.of ?? null),
      ];
    });
    const final = told ? [Number(told.shown), told.grade, told.passed ? 'yes' : 'no'] : [null, null, null];
    return [row.name, row.userName, ...cells, ...final];
  });
  return `\ufeff${Papa.unparse({ fields, data }, { newline: '\r\n', escapeFormulae: true })}\r\n`;
}
