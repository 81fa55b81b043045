import ExcelJS from 'exceljs';
import { type Exact, exact } from '@/core/base/exact';
import type { BookCategory, BookColumn } from '@/core/gradebook/book';
import { cellOf } from '@/core/gradebook/cell';
import type { Line } from '@/core/gradebook/reckon';
import { gradeRow, type RowGrade } from '@/core/gradebook/row';
import type { ColumnView, Gradebook } from './gradebook';

/**
 * The gradebook as a workbook that reckons by itself: marks as they were given
 * on the first sheet, and formulas on the others, which come to the same
 * grades when a mark is changed there. Each formula carries its value, so that
 * it can be read where nothing reckons.
 */
export async function gradebookXlsx(book: Gradebook): Promise<Uint8Array> {
  return new Uint8Array(await new Sheets(book).write());
}

/** Rows above the first student. */
const HEAD = 2;
/** Columns before the first of the marks. */
const SIDE = 2;

/** A formula, and what it comes to. */
const formula = (text: string, result: number | string | boolean | null): ExcelJS.CellFormulaValue => ({
  formula: text,
  ...(result === null ? { result: '' } : { result }),
});

const valueOf = (exactly: Exact | null): number | null => exactly?.valueOf() ?? null;

function letter(column: number): string {
  let [at, text] = [column, ''];
  while (at > 0) {
    text = String.fromCharCode(65 + ((at - 1) % 26)) + text;
    at = Math.floor((at - 1) / 26);
  }
  return text;
}

/** Columns in the order of a workbook: those of a category side by side, what comes on top behind, what does not count last. */
function inOrder({ book, columns }: Gradebook): { category: BookCategory | null; facts: ColumnView }[] {
  const rank = ({ column }: ColumnView): number => {
    const at = book.categories.findIndex(({ id }) => id === column.category);
    if (!column.counts || (at < 0 && book.categories.length > 0)) return Infinity;
    return 2 * Math.max(0, at) + (column.extra ? 1 : 0);
  };
  return columns
    .map((facts) => ({ facts, rank: rank(facts) }))
    .toSorted((a, b) => (a.rank === b.rank ? 0 : a.rank - b.rank))
    .map(({ facts, rank: own }) => ({
      facts,
      category: own === Infinity ? null : (book.categories[Math.floor(own / 2)] ?? null),
    }));
}

class Sheets {
  private readonly workbook = new ExcelJS.Workbook();
  private readonly order;
  private readonly grades: RowGrade[];
  private readonly at: ReadonlyMap<string, number>;

  constructor(private readonly gradebook: Gradebook) {
    this.order = inOrder(gradebook);
    this.grades = gradebook.rows.map((row) => gradeRow(gradebook, row.cells, row.final.entry));
    this.at = new Map(this.order.map(({ facts }, i) => [facts.column.id, i + SIDE + 1]));
  }

  async write(): Promise<ExcelJS.Buffer> {
    this.marks();
    this.maxima();
    this.counted();
    this.percents();
    this.kept();
    this.scale();
    this.final();
    return this.workbook.xlsx.writeBuffer();
  }

  /** A sheet with a row for each student and a column for each of the book. */
  private grid(name: string, cell: (facts: ColumnView, place: string, row: number) => ExcelJS.CellValue): void {
    const sheet = this.workbook.addWorksheet(name, { views: [{ state: 'frozen', xSplit: SIDE, ySplit: HEAD }] });
    sheet.addRow([
      '',
      '',
      ...this.order.map(({ category, facts }) => category?.name ?? (facts.column.counts ? '' : 'outside')),
    ]);
    sheet.addRow(['Name', 'User name', ...this.order.map(({ facts }) => facts.title)]).font = { bold: true };
    this.gradebook.rows.forEach((row, r) => {
      sheet.addRow([
        row.name,
        row.userName,
        ...this.order.map(({ facts }, c) => cell(facts, `${letter(c + SIDE + 1)}${r + HEAD + 1}`, r)),
      ]);
    });
    sheet.columns.forEach((column, i) => {
      column.width = i === 0 ? 30 : 14;
    });
  }

  private raw(facts: ColumnView, row: number) {
    const cell = this.gradebook.rows[row]?.cells[this.gradebook.columns.indexOf(facts)];
    return cell ? cellOf(cell, facts) : null;
  }

  private line(facts: ColumnView, row: number): Line | undefined {
    const { categories = [], outside = [] } = this.grades[row]?.reckoning ?? {};
    return [...categories.flatMap(({ lines }) => lines), ...outside].find(({ column }) => column === facts.column.id);
  }

  private marks(): void {
    this.grid('Marks', (facts, _, row) => {
      const cell = this.raw(facts, row);
      if (cell?.is === 'excused') return 'excused';
      return cell?.is === 'marks' ? cell.marks.valueOf() : null;
    });
  }

  private maxima(): void {
    this.grid('Maxima', (facts, _, row) => {
      const cell = this.raw(facts, row);
      const own = cell?.is === 'marks' ? cell.of : facts.of === null ? null : exact(facts.of);
      return valueOf(own ?? this.line(facts, row)?.of ?? null);
    });
  }

  /** What counts of a cell: its own marks, zero where missing counts so, or those of the column in its place. */
  private counted(): void {
    this.grid('Counted', (facts, place, row) => {
      const { column } = facts;
      const line = this.line(facts, row);
      const own = `Marks!${place}`;
      const nothing = column.missing === 'zero' && facts.due ? '0' : '""';
      const plain = `IF(ISNUMBER(${own}),${own},${nothing})`;
      const instead =
        column.replacedBy && this.gradebook.columns.find(({ column: one }) => one.id === column.replacedBy?.column);
      const text = instead ? this.replaced(column, instead.column, place, plain) : plain;
      return formula(`IF(${own}="excused","",${text})`, valueOf(line?.marks ?? null));
    });
  }

  private replaced(column: BookColumn, instead: BookColumn, place: string, plain: string): string {
    const row = place.replace(/^[A-Z]+/, '');
    const other = `${letter(this.at.get(instead.id) ?? 0)}${row}`;
    // Missing marks that count zero replace nothing; a replacement of its own does.
    const there = instead.replacedBy ? `ISNUMBER(Counted!${other})` : `ISNUMBER(Marks!${other})`;
    const share = `Counted!${other}/Maxima!${other}*Maxima!${place}`;
    const better = column.replacedBy?.when === 'better' ? `MAX(${share},N(${plain}))` : share;
    return `IF(${there},IF(N(Maxima!${other})>0,${better},${plain}),${plain})`;
  }

  private percents(): void {
    this.grid('Percents', (facts, place, row) => {
      const { marks = null, of = null } = this.line(facts, row) ?? {};
      const percent = marks && of && !of.equals(0) ? marks.mul(100).div(of) : null;
      return formula(
        `IF(AND(ISNUMBER(Counted!${place}),N(Maxima!${place})>0),100*Counted!${place}/Maxima!${place},"")`,
        valueOf(percent),
      );
    });
  }

  /** The cells of a category in a row, from its first column to its last: those that can be left out, or those on top. */
  private range(category: BookCategory | null, extra: boolean, row: number | string, sheet: string): string | null {
    const places = this.order
      .map((one, i) => ({ ...one, i }))
      .filter(({ category: own, facts }) => {
        const inside = facts.column.counts && (this.gradebook.book.categories.length === 0 || own !== null);
        return inside && own?.id === category?.id && facts.column.extra === extra;
      })
      .map(({ i }) => letter(i + SIDE + 1));
    const [first, last] = [places[0], places.at(-1)];
    return first && last ? `${sheet}!$${first}${row}:$${last}${row}` : null;
  }

  /** 1 where a cell is not left out: fewer others are better, or as good and later, than the category keeps. */
  private kept(): void {
    this.grid('Kept', (facts, place, row) => {
      const line = this.line(facts, row);
      const category = this.order.find((one) => one.facts === facts)?.category ?? null;
      const counts = line?.part === 'counts' || line?.part === 'missing';
      const number = place.replace(/^[A-Z]+/, '');
      const own = `Percents!${place}`;
      const all = this.range(category, false, number, 'Percents');
      const keep = category?.keep ?? { is: 'all' };
      if (!facts.column.counts || facts.column.extra || keep.is === 'all' || !all)
        return formula(`IF(ISNUMBER(${own}),1,0)`, counts ? 1 : 0);
      const most = keep.is === 'best' ? `MIN(${keep.n},COUNT(${all}))` : `MAX(1,COUNT(${all})-${keep.n})`;
      const [end = ''] = all.split(':').slice(1);
      const after = letter((this.at.get(facts.column.id) ?? 0) + 1);
      const isLast = end === `$${letter(this.at.get(facts.column.id) ?? 0)}${number}`;
      const later = isLast ? '0' : `COUNTIF(Percents!${after}${number}:${end},${own})`;
      const better = `SUMPRODUCT(ISNUMBER(${all})*(${all}>${own}))`;
      return formula(`IF(ISNUMBER(${own}),IF(${better}+${later}<${most},1,0),0)`, counts ? 1 : 0);
    });
  }

  private scale(): void {
    const sheet = this.workbook.addWorksheet('Scale');
    sheet.addRow(['From %', 'Grade', '', 'Pass mark %', exact(this.gradebook.policy.passPercent).valueOf()]);
    for (const { from, grade } of this.gradebook.policy.grades) sheet.addRow([exact(from).valueOf(), grade]);
  }

  /** Percent of a category in a row; empty while nothing in it counts. */
  private categoryText(category: BookCategory | null, row: number): string {
    const on = (sheet: string, extra: boolean): string | null => this.range(category, extra, row, sheet);
    const [kept, marks, maxima, percents] = ['Kept', 'Counted', 'Maxima', 'Percents'].map((sheet) => on(sheet, false));
    if (!kept) return '""';
    const top = on('Percents', true);
    const plus = (sheet: string): string => (top ? `+SUM(${on(sheet, true)})` : '');
    return category?.average === 'percents'
      ? `IF(SUM(${kept})>0,(SUMPRODUCT(${kept},${percents})${plus('Percents')})/SUM(${kept}),"")`
      : `IF(SUM(${kept})>0,100*(SUMPRODUCT(${kept},${marks})${plus('Counted')})/SUMPRODUCT(${kept},${maxima}),"")`;
  }

  private final(): void {
    const { book, policy, rows } = this.gradebook;
    const groups: (BookCategory | null)[] = book.categories.length > 0 ? book.categories : [null];
    const sheet = this.workbook.addWorksheet('Final', { views: [{ state: 'frozen', xSplit: SIDE, ySplit: HEAD }] });
    sheet.addRow(['', 'Weight', ...groups.map((group) => (group ? exact(group.weight).valueOf() : 1))]);
    sheet.addRow([
      'Name',
      'User name',
      ...groups.map((group) => group?.name ?? 'All columns'),
      'By hand %',
      'Final %',
      'Grade',
      'Passed',
    ]).font = {
      bold: true,
    };
    const [first, last] = [letter(SIDE + 1), letter(SIDE + groups.length)];
    const [hand, final] = [letter(SIDE + groups.length + 1), letter(SIDE + groups.length + 2)];
    const lastStep = policy.grades.length + 1;
    rows.forEach((row, r) => {
      const at = r + HEAD + 1;
      const grade = this.grades[r];
      const parts = `${first}${at}:${last}${at}`;
      const weights = `${first}$1:${last}$1`;
      const there = `SUMPRODUCT(ISNUMBER(${parts})*${weights})`;
      const byHand = row.final.entry?.is === 'final' ? exact(row.final.entry.percent).valueOf() : null;
      const { first: early, places } = policy.rounding;
      const decided = early ? `ROUND(${final}${at},${places})` : `${final}${at}`;
      // Fractions of a spreadsheet are binary: what is on a boundary is taken to be there.
      const near = `ROUND(${decided},9)`;
      const short = groups.flatMap((group, i) => {
        const asked = group?.passPercent ?? null;
        const cell = `${letter(SIDE + 1 + i)}${at}`;
        return asked === null ? [] : [`IF(ISNUMBER(${cell}),ROUND(${cell},9)>=${exact(asked).valueOf()},FALSE)`];
      });
      const passes = [`${near}>=Scale!$E$1`, ...(byHand === null ? short : [])].join(',');
      const scale = `Scale!$A$2:$A$${lastStep},Scale!$B$2:$B$${lastStep}`;
      // Who does not pass by a category has the highest grade below the pass mark.
      const lookup = `IF(AND(${passes}),LOOKUP(${near},${scale}),LOOKUP(MIN(${near},Scale!$E$1-0.000000001),${scale}))`;
      sheet.addRow([
        row.name,
        row.userName,
        ...groups.map((group, i) =>
          formula(this.categoryText(group, at), valueOf(grade?.reckoning.categories[i]?.percent ?? null)),
        ),
        byHand,
        formula(
          `IF(ISNUMBER(${hand}${at}),${hand}${at},IF(${there}>0,SUMPRODUCT(${weights},${parts})/${there},""))`,
          valueOf(grade?.stands?.percent ?? null),
        ),
        formula(
          `IF(ISNUMBER(${final}${at}),${policy.grades.length > 0 ? lookup : '""'},"")`,
          grade?.stands?.grade ?? null,
        ),
        formula(
          `IF(ISNUMBER(${final}${at}),IF(AND(${passes}),"yes","no"),"")`,
          grade?.stands ? (grade.stands.passed ? 'yes' : 'no') : null,
        ),
      ]);
    });
    sheet.columns.forEach((column, i) => {
      column.width = i === 0 ? 30 : 14;
    });
  }
}
