import type { KindWords } from '../contract';
import { nothingToLookFor } from '../looks-for-words';

export const words: KindWords = {
  name: 'pages and files',
  sign: '❐',
  findings: {
    ...nothingToLookFor,
  },
};
