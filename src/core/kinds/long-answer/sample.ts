import type { KindSample } from '../contract';
import { pointOf, setOf } from '../../rules/text/points';
import { longAnswer, type LongAnswerSetup } from './long-answer';

/** Its words count, so that a machine marks it. */
const keyed = (word: string): LongAnswerSetup => {
  const fresh = longAnswer.fresh();
  return {
    ...fresh,
    example: `Then it turns. It needs a ${word}.`,
    counts: true,
    rules: {
      ...fresh.rules,
      rules: [{ when: 'points', sets: [setOf([pointOf('p1', [word])])], refuse: [], feedback: 'Secret feedback' }],
    },
  };
};

export const sample: KindSample<LongAnswerSetup> = { setup: keyed('secretkeyword'), otherKeys: [keyed('brake')] };
