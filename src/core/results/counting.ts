import type { Tries } from '../sittings/tries';
import { meanScore, type Policy, type Score } from './score';

/** The score of one handed-in attempt. */
export interface AttemptScore {
  attempt: string;
  handedInAt: number;
  score: Score;
}

/**
 * What several attempts of one participant come to: the best of them (of equal
 * ones the last), the last, or their mean, which stands with the last. Null
 * when there is none.
 */
export function countingScore(
  scores: readonly AttemptScore[],
  counts: Tries['counts'],
  policy: Policy,
): AttemptScore | null {
  const inOrder = [...scores].sort((a, b) => a.handedInAt - b.handedInAt);
  const last = inOrder.at(-1);
  if (!last || inOrder.length === 1 || counts === 'last') return last ?? null;
  if (counts === 'mean')
    return {
      ...last,
      score: meanScore(
        inOrder.map(({ score }) => score),
        policy,
      ),
    };
  return inOrder.reduce((best, one) => (one.score.percent.compare(best.score.percent) >= 0 ? one : best));
}
