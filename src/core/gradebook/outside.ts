import { type Exact, exact, round } from '../base/exact';
import type { BookColumn } from './book';
import { cellOf, type ColumnFacts, type RawCell } from './cell';
import type { FinalGrade } from './reckon';

/**
 * What an outside gradebook is told of a student in one of its line items, in
 * the words of its interface (1EdTech Assignment and Grade Services 2.0,
 * "Score publish service"; from memory of the specification). Marks are plain
 * numbers there, here to six places. Without `scoreGiven` the student has no
 * score, and one that was told before is taken away.
 */
export interface OutsideScore {
  scoreGiven?: number;
  /** What this student's paper was worth; more than 0. */
  scoreMaximum: number;
  activityProgress: 'Initialized' | 'Submitted' | 'Completed';
  gradingProgress: 'NotReady' | 'PendingManual' | 'FullyGraded';
}

const PLACES = 6;
const plain = (value: Exact): number => Number(round(value, PLACES));

/** A student who has no score there; what was told before goes. */
const without = (of: Exact): OutsideScore => ({
  scoreMaximum: plain(of),
  activityProgress: 'Initialized',
  gradingProgress: 'NotReady',
});

/**
 * What is told of a cell: its marks, zero where what is missing counts zero,
 * that marks are still being given, or that there is no score. Null where the
 * column is worth nothing, because an outside gradebook takes no such item.
 */
export function outsideScore(
  raw: RawCell,
  { column, ...facts }: ColumnFacts & { column: BookColumn },
): OutsideScore | null {
  const cell = cellOf(raw, facts);
  const of = cell.is === 'marks' ? cell.of : exact(facts.of ?? raw.score?.of ?? '0');
  if (of.compare(0) <= 0) return null;
  if (cell.is === 'marks')
    return {
      scoreGiven: Math.max(0, plain(cell.marks)),
      scoreMaximum: plain(of),
      activityProgress: 'Completed',
      gradingProgress: 'FullyGraded',
    };
  if (cell.is === 'pencil')
    return { scoreMaximum: plain(of), activityProgress: 'Submitted', gradingProgress: 'PendingManual' };
  if (cell.is === 'none' && cell.due && column.missing === 'zero')
    return { ...without(of), scoreGiven: 0, gradingProgress: 'FullyGraded' };
  return without(of);
}

const HUNDRED = exact(100);

/** What is told of a final grade: its percent as it is shown, of 100. */
export function outsideFinal(final: Pick<FinalGrade, 'shown'> | null): OutsideScore {
  if (final === null) return without(HUNDRED);
  return {
    scoreGiven: Number(final.shown),
    scoreMaximum: 100,
    activityProgress: 'Completed',
    gradingProgress: 'FullyGraded',
  };
}

/** Whether an outside gradebook has to be told: something that it does not know, and not that there is nothing where nothing was told. */
export function isNews(score: OutsideScore, told: OutsideScore | null): boolean {
  if (told === null) return score.scoreGiven !== undefined || score.gradingProgress === 'PendingManual';
  return (
    score.scoreGiven !== told.scoreGiven ||
    score.scoreMaximum !== told.scoreMaximum ||
    score.activityProgress !== told.activityProgress ||
    score.gradingProgress !== told.gradingProgress
  );
}
