import type { KindSample } from '../contract';
import { longAnswer, type LongAnswerSetup } from './long-answer';

/** Its words count, so that a machine marks it. */
const keyed = (word: string): LongAnswerSetup => {
  const fresh = longAnswer.fresh();
  const groups = [{ need: 'all' as const, words: [word], share: '1' }];
  return {
    ...fresh,
    example: `Then it turns. It needs a ${word}.`,
    counts: true,
    rules: { ...fresh.rules, rules: [{ when: 'keywords', groups, feedback: 'Secret feedback' }] },
  };
};

export const sample: KindSample<LongAnswerSetup> = { setup: keyed('secretkeyword'), otherKeys: [keyed('brake')] };
