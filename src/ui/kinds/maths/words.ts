import type { KindWords } from '../contract';

export const words: KindWords = {
  name: 'mathematics',
  sign: 'f(x)',
};
