import type { KindWords } from '../contract';

export const words: KindWords = {
  name: 'match pairs',
  sign: '⇄',
  findings: {
    'match-few': () => 'Fewer than two pairs. Write what belongs together in one line.',
    'match-shared': () => 'A partner belongs to several, but may be used once. Let it be used again.',
  },
};
