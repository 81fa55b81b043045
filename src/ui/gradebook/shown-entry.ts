import { exact, percentOf, shown } from '@/core/base/exact';
import type { BookCell } from '@/server/gradebook/gradebook';

/** What cells show: marks, a percent, or the grade that the sitting's own scale gives. */
export const MEASURES = ['marks', 'percent', 'grade'] as const;
export type Measure = (typeof MEASURES)[number];

type Shown = Pick<BookCell, 'score' | 'entry'>;

/** What stands in a cell; empty where there is nothing. */
export function shownEntry({ score, entry }: Shown, { of }: { of: string | null }, measure: Measure): string {
  if (entry?.is === 'excused') return 'exc.';
  if (measure === 'grade' && entry === null && score) return score.grade ?? (score.passed ? 'passed' : 'not passed');
  const marks = entry?.is === 'marks' ? entry.marks : score?.marks;
  const whole = score?.of ?? of;
  if (marks === undefined) return '';
  if (measure === 'percent' && whole !== null) return shown(percentOf(exact(marks), exact(whole)), 1);
  return shown(exact(marks));
}
