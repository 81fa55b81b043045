import type { KindWords } from '../contract';

export const words: KindWords = {
  name: 'formula with places',
  sign: '▢/▢',
  findings: {
    'no-places': () => 'The formula has no place to fill. Choose a part of it and make it one.',
    'place-without-key': (v) => `Place ${v.number} has no key. Write into it what is right.`,
  },
  traces: {
    place: (v) => `place ${v.number}`,
    'places-empty': () => 'a place is empty',
  },
};
