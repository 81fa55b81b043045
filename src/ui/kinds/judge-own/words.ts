import type { KindWords } from '../contract';

export const words: KindWords = {
  name: 'own judgement',
  sign: '⚖',
  findings: {
    'own-needs-levels': () => 'One’s own work is judged by levels; a rubric with one column has none to choose from.',
  },
};
