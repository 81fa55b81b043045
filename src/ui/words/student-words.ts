import type { StudentWords, Worded } from '@/core/exams/student-words';
import type { Outcome } from '@/server/results/slots-seen';

/** What stands on a student's screens where neither exam nor department says otherwise. */
export const PLAIN_WORDS: Record<Worded, string> = {
  begin: 'Begin',
  handIn: 'Hand in',
  goOn: 'Go on for good',
  later: 'Come back to this later',
  hint: 'Hint',
  check: 'Check',
  again: 'Keep what is right, try the rest again',
  key: 'See the key',
  right: 'right',
  part: 'partly right',
  wrong: 'not right',
  passed: 'passed',
  notPassed: 'not passed',
};

export const wordsWith = (own: StudentWords): Record<Worded, string> => ({ ...PLAIN_WORDS, ...own });

/** How an answer came out, where marks are not told. */
export function outcomeText(outcome: Outcome, words: Record<Worded, string>): string {
  return outcome === 'waits' ? 'waits for a person' : words[outcome];
}
