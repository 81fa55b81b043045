import ExcelJS from 'exceljs';
import Papa from 'papaparse';
import type { Gradebook } from './gradebook';

type Value = string | number | null;

/** The gradebook as rows of a table; percents and marks as numbers. */
function table(book: Gradebook): { head: string[]; rows: Value[][] } {
  const head = ['Name', 'User name'];
  for (const { title, of } of book.columns)
    head.push(
      of === null ? `${title} marks` : `${title} (of ${of})`,
      `${title} %`,
      `${title} grade`,
      `${title} passed`,
    );
  head.push('Final %', 'Final grade');
  const rows = book.rows.map((row) => {
    const values: Value[] = [row.name, row.userName];
    for (const cell of row.cells) {
      if (cell)
        values.push(
          Number(cell.marks),
          Number(cell.percent),
          cell.grade,
          cell.waiting > 0 ? 'not final' : cell.passed ? 'yes' : 'no',
        );
      else values.push(null, null, null, null);
    }
    values.push(row.final ? Number(row.final.percent) : null, row.final?.grade ?? null);
    return values;
  });
  return { head, rows };
}

/** RFC 4180 text with a byte order mark, so that spreadsheets read it as UTF-8; text that a spreadsheet would run as a formula is defused. */
export function gradebookCsv(book: Gradebook): string {
  const { head, rows } = table(book);
  return `\ufeff${Papa.unparse({ fields: head, data: rows }, { newline: '\r\n', escapeFormulae: true })}\r\n`;
}

export async function gradebookXlsx(book: Gradebook): Promise<Uint8Array> {
  const { head, rows } = table(book);
  const workbook = new ExcelJS.Workbook();
  const sheet = workbook.addWorksheet(book.course.code.replace(/[\\/*?:[\]]/g, ' ').slice(0, 31), {
    views: [{ state: 'frozen', xSplit: 1, ySplit: 1 }],
  });
  sheet.addRow(head).font = { bold: true };
  sheet.addRows(rows);
  sheet.columns.forEach((column, i) => {
    column.width = i === 0 ? 32 : 16;
  });
  return new Uint8Array(await workbook.xlsx.writeBuffer());
}
