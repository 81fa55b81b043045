import type { Change } from '@/core/exams/amendments';
import type { AnswerGroup } from '@/core/results/answer-groups';

export const sameResponse = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

/** The share that is meant for an answer; null while nothing is. */
export function shareFor(changes: readonly Change[], slot: string, group: AnswerGroup): string | null {
  const found = changes.find((c) => c.what === 'answer' && c.slot === slot && sameResponse(c.response, group.response));
  return found?.what === 'answer' ? found.share : null;
}

/** The changes with a share for one answer; without any for it when the share is null. */
export function withShare(changes: readonly Change[], slot: string, response: unknown, share: string | null): Change[] {
  const others = changes.filter((c) => !(c.what === 'answer' && c.slot === slot && sameResponse(c.response, response)));
  return share === null ? others : [...others, { what: 'answer', slot, response, share, feedback: '' }];
}

/** The changes with one about the whole question, or without it. Only one of the two makes sense. */
export function withWhole(changes: readonly Change[], what: 'everyone' | 'drop'): Change[] {
  const on = changes.some((c) => c.what === what);
  const others = changes.filter((c) => c.what === 'answer' || c.what === 'wording');
  return on ? others : [...others, { what }];
}

/** The changes with one of how many marks the question counts, or without it. */
export function withMarks(changes: readonly Change[], marks: string | null): Change[] {
  const others = changes.filter((c) => c.what !== 'marks');
  return marks === null ? others : [...others, { what: 'marks', marks }];
}

/** The changes with a wording given to a point; without it when it was meant already. */
export function withWording(changes: readonly Change[], slot: string, point: string, wording: string): Change[] {
  const same = (c: Change): boolean =>
    c.what === 'wording' && c.slot === slot && c.point === point && c.wording === wording;
  return changes.some(same) ? changes.filter((c) => !same(c)) : [...changes, { what: 'wording', slot, point, wording }];
}
