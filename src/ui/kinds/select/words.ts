import type { KindWords } from '../contract';

export const words: KindWords = {
  name: 'select words',
  sign: '▤',
  findings: {
    'select-no-text': () => 'There is no text to select from yet.',
    'select-no-key': () => 'Nothing in the text is right yet. Click what is to be selected.',
    'select-most-too-few': (v) => `At most ${v.most} may be selected, but ${v.keys} are right.`,
    'select-all-right': () => 'Everything in the text is right: nobody can go wrong.',
  },
};
