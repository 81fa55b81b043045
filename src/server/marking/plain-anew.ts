import { stored } from '@/core/base/exact';
import type { NewMark } from '@/core/results/mark-anew';
import type { Score } from '@/core/results/score';
import type { AttemptAnew } from './attempts-anew';

/** A score in plain values, which travel between threads and to the browser. */
export interface PlainScore {
  /** Exact marks as text. */
  marks: string;
  percent: string;
  passed: boolean;
  grade: string | null;
  range: number;
  waiting: number;
}

export interface PlainAnew {
  attempt: string;
  changes: NewMark[];
  kept: NewMark[];
  before: PlainScore;
  after: PlainScore;
}

export interface PlainChunk {
  attempts: PlainAnew[];
  total: number;
}

const plain = ({ marks, percent, passed, grade, range, waiting }: Score): PlainScore => ({
  marks: stored(marks),
  percent: stored(percent),
  passed,
  grade,
  range,
  waiting,
});

export function plainChunk({ attempts, total }: { attempts: AttemptAnew[]; total: number }): PlainChunk {
  return {
    total,
    attempts: attempts.map(({ attempt, changes, kept, before, after }) => ({
      attempt,
      changes,
      kept,
      before: plain(before),
      after: plain(after),
    })),
  };
}
