import type ExcelJS from 'exceljs';
import Papa from 'papaparse';
import { readZip, writeZip } from '@/core/exchange/zip';

/** The first sheet of a workbook as rows of text. Throws when it is none; ZipRefused when it would grow too large. */
export async function rowsFromXlsx(bytes: Uint8Array): Promise<string[][]> {
  // Packed anew of what was counted while it was unpacked: what a file says about its sizes may be a lie.
  const counted = writeZip(readZip(bytes));
  const { default: excel } = await import('exceljs');
  const workbook = new excel.Workbook();
  await workbook.xlsx.load(Buffer.from(counted) as unknown as ExcelJS.Buffer);
  const sheet = workbook.worksheets[0];
  const rows: string[][] = [];
  // Asked once: the library looks through every row for it.
  const width = Math.min(sheet?.columnCount ?? 0, 60);
  sheet?.eachRow({ includeEmpty: true }, (row, number) => {
    const cells: string[] = [];
    for (let column = 1; column <= width; column++) cells.push(textOf(row.getCell(column)));
    rows[number - 1] = cells;
  });
  return Array.from(rows, (row) => row ?? []);
}

/** A cell as it reads; of a formula only its last result. */
function textOf(cell: ExcelJS.Cell): string {
  const { value } = cell;
  if (value === null || value === undefined) return '';
  if (typeof value === 'object' && 'richText' in value) return value.richText.map((part) => part.text).join('');
  if (typeof value === 'object' && 'formula' in value) return String(value.result ?? '');
  if (typeof value === 'object' && 'text' in value) return String(value.text);
  if (value instanceof Date) return value.toISOString().slice(0, 10);
  return undefused(String(value));
}

/** Rows of a CSV text (RFC 4180; comma, semicolon or tab). */
export function rowsFromCsv(text: string): string[][] {
  // Empty lines at the end would mislead what guesses the sign between cells.
  const lines = text.replace(/^\ufeff/, '').replace(/[\r\n]+$/, '');
  const { data } = Papa.parse<string[]>(lines, { skipEmptyLines: false });
  return data.map((row) => row.map(undefused));
}

/** Takes off the sign that keeps a spreadsheet from running a text as a formula. */
function undefused(text: string): string {
  return /^'[=+\-@\t\r]/.test(text) ? text.slice(1) : text;
}

/** Rows as CSV with a byte order mark; texts that a spreadsheet would run as formulas are defused. */
export function csvFromRows(rows: readonly (readonly string[])[]): string {
  return `\ufeff${Papa.unparse(rows as string[][], { newline: '\r\n', escapeFormulae: true })}\r\n`;
}

/** Rows as a workbook with one sheet; every cell is text. */
export async function xlsxFromRows(name: string, rows: readonly (readonly string[])[]): Promise<Uint8Array> {
  const { default: excel } = await import('exceljs');
  const workbook = new excel.Workbook();
  const sheet = workbook.addWorksheet(name, { views: [{ state: 'frozen', ySplit: 1 }] });
  sheet.addRows(rows as string[][]);
  sheet.getRow(1).font = { bold: true };
  sheet.columns.forEach((column, i) => {
    column.width = i === 1 || i === 2 ? 44 : 16;
    column.numFmt = '@';
    column.alignment = { wrapText: true, vertical: 'top' };
  });
  return new Uint8Array(await workbook.xlsx.writeBuffer());
}
