import { type Exact, stored } from '@/core/base/exact';
import { ok, type Result, refuse } from '@/core/base/result';
import type { TraceStep } from '@/core/rules/marking';
import { readNumber } from '@/core/rules/number/read';
import { type Judgement, judge, type Rubric } from '@/core/rules/rubric/rubric';

/** What a person gives for an answer. */
export interface Earned {
  /** Exact marks as text. */
  value: string;
  trace: TraceStep[];
}

/** Marks as they were typed, no more than there are. */
export function typedMarks(typed: string, worth: Exact): Result<Earned> {
  const reading = readNumber(typed);
  if (!reading || reading.rest !== '') return refuse('mark-not-a-number', { at: ['marks'] });
  if (reading.value.compare(0) < 0 || reading.value.compare(worth) > 0) {
    return refuse('mark-out-of-range', { at: ['marks'], values: { most: worth.toFraction(true) } });
  }
  return ok({ value: stored(reading.value), trace: [{ code: 'by-a-person' }] });
}

/** Marks by what was found for every criterion of a rubric. */
export function judgedMarks(rubric: Rubric, judgement: Judgement, worth: Exact): Result<Earned> {
  const { share, open, trace } = judge(rubric, judgement);
  if (share === null) return refuse('criteria-open', { at: ['judgement'], values: { count: open.length } });
  return ok({ value: stored(share.mul(worth)), trace: [{ code: 'by-a-person' }, ...trace] });
}
