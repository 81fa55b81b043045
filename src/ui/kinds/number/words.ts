import type { KindWords } from '../contract';

export const words: KindWords = {
  name: 'number',
  sign: '1.2',
  findings: {
    'unit-not-listed': (v) => `The key’s unit ${v.unit} is not in the list to choose from.`,
  },
};
