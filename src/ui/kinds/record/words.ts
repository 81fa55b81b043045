import type { KindWords } from '../contract';
import { nothingToLookFor } from '../looks-for-words';

export const words: KindWords = {
  name: 'recording',
  sign: '∿',
  findings: {
    ...nothingToLookFor,
    'recording-long': ({ most = '' }) => `Longer than ${most} minutes may not fit into one file.`,
  },
};
