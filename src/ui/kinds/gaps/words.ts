import type { KindWords } from '../contract';

export const words: KindWords = {
  name: 'gaps with tiles',
  sign: '▭',
  findings: {
    'gaps-no-text': () => 'There is no text yet.',
    'gaps-none': () => 'The text has no gap yet. Click the words that are to be put in.',
    'gap-empty': (v) => `Nothing belongs into gap ${v.number}.`,
    'gaps-shared': () => 'A tile belongs into several gaps, but may be used once. Let it be used again.',
    'gaps-no-distractor': () => 'Every tile belongs somewhere: the last one places itself. A distractor helps.',
  },
};
