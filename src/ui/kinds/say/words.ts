import type { KindWords } from '../contract';
import { quoted } from '../../words/quoted';

export const words: KindWords = {
  name: 'said',
  sign: '“ ”',
  findings: {
    'spoken-without-words': () => 'A sample has no words: write down what is said in it.',
    'spoken-no-right': () => 'No sample says a right answer, so none can be understood.',
    'spoken-no-other': () =>
      'Every sample says a right answer. Add what else may be said, so that it can be told apart.',
  },
  traces: {
    'not-heard': () => 'nobody has listened to it yet',
    'nothing-understood': () => 'nothing that is known was understood; a person listens',
    understood: (v, e) => `understood ${quoted(e)}, ${v.sure} % sure`,
    'not-sure-enough': () => 'not sure enough; a person listens',
  },
};
