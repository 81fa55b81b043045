import type { KindWords } from '../contract';
import { nothingToLookFor } from '../looks-for-words';

export const words: KindWords = {
  name: 'drawing',
  sign: '✎',
  findings: {
    ...nothingToLookFor,
    'no-description': () => 'The picture below the drawing has no description for those who cannot see it.',
    'paper-no-text': () => 'The paper shall show a text, and there is none yet.',
    'axis-unsound': ({ name = '' }) =>
      `The ${name} axis cannot be drawn: it runs from a smaller to a larger value (above zero where it is logarithmic), in at most 60 steps.`,
  },
};
