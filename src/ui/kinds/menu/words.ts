import type { KindWords } from '../contract';

export const words: KindWords = {
  name: 'drop-down in a line',
  sign: '▾',
  findings: {
    'menu-no-key': () => 'The right word is missing.',
    'menu-formula': () => 'A drop-down shows plain words; a formula cannot stand in it.',
  },
};
