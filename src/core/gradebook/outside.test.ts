import { describe, expect, it } from 'vitest';
import { freshColumn } from '../../../tests/fixtures/book-column';
import type { RawCell } from './cell';
import { isNews, outsideFinal, type OutsideScore, outsideScore } from './outside';

const facts = (more: Parameters<typeof freshColumn>[1] = {}, of: string | null = '20', due = true) => ({
  column: freshColumn('talk', more),
  of,
  due,
});
const cell = (more: Partial<RawCell> = {}): RawCell => ({ score: null, entry: null, ...more });
const scored = (marks: string, of: string, stands = true): RawCell => cell({ score: { marks, of, stands } });

describe('what an outside gradebook is told of a cell', () => {
  const NOTHING = { scoreMaximum: 20, activityProgress: 'Initialized', gradingProgress: 'NotReady' };

  it.each<[string, RawCell, ReturnType<typeof facts>, OutsideScore | object | null]>([
    [
      'marks, in the measure of their paper',
      scored('37/3', '25'),
      facts(),
      { scoreGiven: 12.333333, scoreMaximum: 25, activityProgress: 'Completed', gradingProgress: 'FullyGraded' },
    ],
    [
      'marks by hand before those of a sitting, and beyond the maximum',
      { ...scored('3', '20'), entry: { is: 'marks', marks: '22' } },
      facts(),
      { scoreGiven: 22, scoreMaximum: 20, activityProgress: 'Completed', gradingProgress: 'FullyGraded' },
    ],
    [
      'that marks are still being given',
      scored('3', '20', false),
      facts(),
      { scoreMaximum: 20, activityProgress: 'Submitted', gradingProgress: 'PendingManual' },
    ],
    ['nothing of who is excused', cell({ entry: { is: 'excused' } }), facts({ missing: 'zero' }), NOTHING],
    ['nothing of what is not there yet', cell(), facts({ missing: 'zero' }, '20', false), NOTHING],
    ['nothing of what is missing and counts nothing', cell(), facts(), NOTHING],
    ['nothing of who is not asked', cell({ notAsked: true }), facts({ missing: 'zero' }), null],
    [
      'zero for what is missing and counts zero',
      cell(),
      facts({ missing: 'zero' }),
      { scoreGiven: 0, scoreMaximum: 20, activityProgress: 'Initialized', gradingProgress: 'FullyGraded' },
    ],
    [
      'less than nothing as nothing',
      scored('-2', '20'),
      facts(),
      { scoreGiven: 0, scoreMaximum: 20, activityProgress: 'Completed', gradingProgress: 'FullyGraded' },
    ],
    ['nothing at all of a column that is worth nothing', scored('0', '0'), facts({}, '0'), null],
    ['nothing at all where nobody knows what it is worth', cell(), facts({}, null), null],
  ])('%s', (_, raw, column, expected) => {
    const told = outsideScore(raw, column);
    if (raw.notAsked) expect(told?.scoreGiven).toBeUndefined();
    else expect(told).toEqual(expected);
  });

  it('of a final grade is its percent as it is shown', () => {
    expect(outsideFinal({ shown: '66.67' })).toMatchObject({ scoreGiven: 66.67, scoreMaximum: 100 });
    expect(outsideFinal(null).scoreGiven).toBeUndefined();
  });
});

describe('what is news', () => {
  const given = outsideScore(scored('12', '20'), facts()) as OutsideScore;
  const none = outsideFinal(null);

  it('is what is not known there; that there is nothing, only where something was told', () => {
    expect(isNews(given, null)).toBe(true);
    expect(isNews(given, { ...given })).toBe(false);
    expect(isNews({ ...given, scoreGiven: 13 }, given)).toBe(true);
    expect(isNews({ ...given, scoreMaximum: 25 }, given)).toBe(true);
    expect(isNews(none, null)).toBe(false);
    expect(isNews(none, given)).toBe(true);
    expect(isNews(none, none)).toBe(false);
  });
});
