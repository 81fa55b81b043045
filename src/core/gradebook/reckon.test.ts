import { describe, expect, it } from 'vitest';
import { exact, stored } from '../base/exact';
import {
  type Book,
  type BookCategory,
  type BookColumn,
  bookFindings,
  NEW_BOOK,
  usualColumn,
  withSittings,
} from './book';
import { cellOf } from './cell';
import { type Cell, finalGrade, neededIn, reckon } from './reckon';

const marks = (got: string, of = '10'): Cell => ({ is: 'marks', marks: exact(got), of: exact(of) });
const none: Cell = { is: 'none', of: exact('10'), due: true };
const column = (id: string, more: Partial<BookColumn> = {}): BookColumn => ({ ...usualColumn(id, null), id, ...more });
const category = (id: string, more: Partial<BookCategory> = {}): BookCategory => ({
  id,
  name: id,
  weight: '50',
  average: 'points',
  keep: { is: 'all' },
  passPercent: null,
  ...more,
});
const book = (columns: BookColumn[], categories: BookCategory[] = []): Book => ({ ...NEW_BOOK, columns, categories });
const percent = (b: Book, cells: Record<string, Cell>, options = {}): string | null => {
  const got = reckon(b, new Map(Object.entries(cells)), options).percent;
  return got && stored(got);
};

describe('the final percent', () => {
  it('counts what is there, excuses what is excused, and makes missing zero where that is said', () => {
    const b = book([column('a'), column('b')]);
    expect(percent(b, { a: marks('5') })).toBe('50');
    expect(percent(b, { a: marks('5'), b: { is: 'excused' } })).toBe('50');
    expect(percent(b, { a: marks('5'), b: none })).toBe('50');
    expect(percent(b, { a: marks('5'), b: { is: 'pencil' } })).toBe('50');
    const zero = book([column('a'), column('b', { missing: 'zero' })]);
    expect(percent(zero, { a: marks('5'), b: none })).toBe('25');
    expect(percent(zero, { a: marks('5'), b: { is: 'none', of: exact('10'), due: false } })).toBe('50');
    expect(percent(zero, { a: marks('5'), b: { is: 'excused' } })).toBe('50');
    expect(percent(b, { a: marks('5'), b: none }, { nothingMore: true })).toBe('25');
    expect(percent(b, {})).toBeNull();
  });

  it('keeps the best, drops the lowest, and never the last one', () => {
    const three = [column('a', { category: 'c' }), column('b', { category: 'c' }), column('d', { category: 'c' })];
    const cells = { a: marks('2'), b: marks('8'), d: marks('6') };
    expect(percent(book(three, [category('c', { keep: { is: 'dropLowest', n: 1 } })]), cells)).toBe('70');
    expect(percent(book(three, [category('c', { keep: { is: 'best', n: 1 } })]), cells)).toBe('80');
    expect(percent(book(three, [category('c', { keep: { is: 'dropLowest', n: 9 } })]), cells)).toBe('80');
    expect(percent(book(three, [category('c', { keep: { is: 'best', n: 9 } })]), cells)).toBe('160/3');
    const lines = reckon(
      book(three, [category('c', { keep: { is: 'dropLowest', n: 1 } })]),
      new Map(Object.entries(cells)),
    ).categories[0]?.lines;
    expect(lines?.map(({ part }) => part)).toEqual(['left out', 'counts', 'counts']);
  });

  it('adds extra credit on top, by points and by percents', () => {
    const columns = [column('a', { category: 'c' }), column('x', { category: 'c', extra: true })];
    const cells = { a: marks('8'), x: marks('1', '5') };
    expect(percent(book(columns, [category('c')]), cells)).toBe('90');
    expect(percent(book(columns, [category('c', { average: 'percents' })]), cells)).toBe('100');
    // Alone it is a share of nothing.
    expect(percent(book(columns, [category('c')]), { x: marks('1', '5') })).toBeNull();
  });

  it('takes a later column in another’s place, always or where it is better, in the measure of the first', () => {
    const resit = (when: 'always' | 'better'): Book =>
      book([column('a', { replacedBy: { column: 'r', when } }), column('b'), column('r', { counts: false })]);
    const low = { a: marks('8'), b: marks('0'), r: marks('1', '4') };
    expect(percent(resit('better'), low)).toBe('40');
    expect(percent(resit('always'), low)).toBe('25/2');
    expect(percent(resit('better'), { ...low, r: marks('4', '4') })).toBe('50');
    // Who was not there the first time, and who is excused.
    expect(percent(resit('better'), { b: marks('0'), a: none, r: marks('4', '4') })).toBe('50');
    expect(percent(resit('always'), { b: marks('0'), a: { is: 'excused' }, r: marks('4', '4') })).toBe('0');
  });

  it('ends where replacements go in a circle, and says so', () => {
    const circle = book([
      column('a', { replacedBy: { column: 'b', when: 'always' } }),
      column('b', { replacedBy: { column: 'a', when: 'always' } }),
    ]);
    expect(percent(circle, { a: marks('2'), b: marks('4') })).not.toBeNull();
    expect(bookFindings(circle).map(({ code }) => code)).toEqual(['replacement-circle', 'replacement-circle']);
    expect(bookFindings(book([column('a', { replacedBy: { column: 'a', when: 'always' } })]))).toMatchObject([
      { code: 'replacement-circle' },
    ]);
  });

  it('says nothing of columns and weights of zero', () => {
    expect(percent(book([column('a')]), { a: marks('0', '0') })).toBeNull();
    expect(percent(book([column('a'), column('b')]), { a: marks('0', '0'), b: marks('5') })).toBe('50');
    const weightless = book([column('a', { category: 'c' })], [category('c', { weight: '0' })]);
    expect(percent(weightless, { a: marks('5') })).toBeNull();
    expect(bookFindings(weightless)).toMatchObject([{ code: 'weights-zero', weight: 'stops' }]);
  });

  it('notices what does not fit together', () => {
    const odd = book([column('a'), column('b', { category: 'gone' })], [category('c', { weight: '30' })]);
    expect(bookFindings(odd).map(({ code }) => code)).toEqual([
      'column-without-category',
      'category-unknown',
      'weights-not-hundred',
      'category-empty',
    ]);
    const grades = [
      { from: '0', grade: 'low' },
      { from: '0', grade: 'high' },
    ];
    expect(bookFindings({ ...NEW_BOOK, grades })).toMatchObject([{ code: 'boundary-order' }]);
  });
});

describe('a sitting that is for others', () => {
  it('is missing to nobody else, and counts for whoever sat it all the same', () => {
    const facts = { of: '10', due: true };
    expect(cellOf({ score: null, entry: null, notAsked: true }, facts)).toEqual({ is: 'none', of: null, due: false });
    const score = { marks: '4', of: '10', stands: true };
    expect(cellOf({ score, entry: null, notAsked: true }, facts)).toMatchObject({ is: 'marks' });
    const zero = book([column('a'), column('b', { missing: 'zero' })]);
    const b = cellOf({ score: null, entry: null, notAsked: true }, facts);
    expect(percent(zero, { a: marks('5'), b })).toBe('50');
    expect(percent(zero, { a: marks('5'), b }, { nothingMore: true })).toBe('50');
  });
});

describe('the final grade', () => {
  const policy = {
    grades: [
      { from: '0', grade: 'E' },
      { from: '40', grade: 'C' },
      { from: '80', grade: 'A' },
    ],
    passPercent: '40',
    rounding: { mode: 'half_up' as const, places: 1, first: false },
  };

  it('needs what each category asks for, besides the whole', () => {
    const b = book(
      [column('a', { category: 'c' }), column('b', { category: 'd' })],
      [category('c'), category('d', { passPercent: '50' })],
    );
    const got = (cells: Record<string, Cell>) => finalGrade(reckon(b, new Map(Object.entries(cells))), policy);
    expect(got({ a: marks('10'), b: marks('8') })).toMatchObject({ shown: '90.0', grade: 'A', passed: true });
    expect(got({ a: marks('10'), b: marks('4') })).toMatchObject({ grade: 'E', passed: false, short: ['d'] });
    expect(got({ a: marks('10') })).toMatchObject({ passed: false, short: ['d'] });
    expect(got({})).toBeNull();
  });

  it('says what is needed to reach a percent, to the hundredth of a mark', () => {
    const b = book([column('a'), column('b'), column('f')]);
    const cells = new Map<string, Cell>([
      ['a', marks('3')],
      ['b', marks('6')],
    ]);
    const needed = (of: string, target: string): string | null => {
      const got = neededIn(b, cells, { column: 'f', of: exact(of), percent: exact(target) });
      return got && stored(got);
    };
    expect(needed('10', '60')).toBe('9');
    expect(needed('30', '60')).toBe('21');
    expect(needed('10', '90')).toBeNull();
    expect(needed('10', '10')).toBe('0');
    expect(needed('7', '100/3')).toBe('0');
    expect(needed('1/3', '45')).toBe('3/20');
    // A hundredth less is not enough.
    const third = neededIn(b, cells, { column: 'f', of: exact('10'), percent: exact('40') });
    expect(third && stored(third)).toBe('3');
  });
});

describe('a book', () => {
  it('has a column for each sitting, in the category that is the only one, and none of what is gone', () => {
    const first = withSittings(book([], [category('c')]), ['one', 'two']);
    expect(first.columns.map(({ id, category: own }) => [id, own])).toEqual([
      ['s-one', 'c'],
      ['s-two', 'c'],
    ]);
    expect(withSittings(first, ['two']).columns.map(({ id }) => id)).toEqual(['s-two']);
    expect(withSittings(first, ['one', 'two'])).toEqual(first);
  });
});
