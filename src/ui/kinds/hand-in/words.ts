import type { KindWords } from '../contract';

export const words: KindWords = {
  name: 'pages and files',
  sign: '⎘',
  findings: {
    'no-example': () =>
      'Nothing says yet what whoever marks should look for. A few words help everybody to mark alike.',
  },
};
