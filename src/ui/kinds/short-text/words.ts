import type { KindWords } from '../contract';

export const words: KindWords = {
  name: 'short text',
  sign: 'ab',
};
