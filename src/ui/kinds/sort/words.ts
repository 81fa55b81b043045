import type { KindWords } from '../contract';

export const words: KindWords = {
  name: 'sort into groups',
  sign: '⊟',
  findings: {
    'sort-one-group': () => 'There is one group only. Name at least two.',
    'sort-few-items': () => 'Fewer than two items belong to a group.',
    'sort-empty-group': (v) => `Nothing belongs to “${v.text}”.`,
  },
};
