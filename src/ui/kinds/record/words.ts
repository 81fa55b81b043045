import type { KindWords } from '../contract';

export const words: KindWords = {
  name: 'recording',
  sign: '◉',
  findings: {
    'no-example': () =>
      'Nothing says yet what whoever marks should listen for. A few words help everybody to mark alike.',
    'recording-long': ({ most = '' }) => `Longer than ${most} minutes may not fit into one file.`,
  },
};
