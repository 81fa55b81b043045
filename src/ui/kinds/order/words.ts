import type { KindWords } from '../contract';

export const words: KindWords = {
  name: 'put in order',
  sign: '⇅',
  findings: {
    'order-one': () => 'There is one thing only. Write at least two, in the right order.',
  },
  traces: {
    'order-place': (v) => `${v.right} of ${v.of} exactly in their place`,
    'order-neighbours': (v) => `${v.right} of ${v.of} follow one another as they should`,
    'order-run': (v) => `${v.right} of ${v.of} are in the right order among themselves`,
    'order-whole': (v) => (v.right === v.of ? 'all in their place' : 'not all in their place'),
  },
};
