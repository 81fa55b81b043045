import type { KindWords } from '../contract';

export const words: KindWords = {
  name: 'scale',
  sign: '├┼┤',
  findings: {
    'scale-without-length': (v) => `From ${v.from} to ${v.to} there is nothing to choose. Set its ends.`,
    'scale-steps-miss-end': (v) => `The steps do not end at ${v.to}. Choose another step or another end.`,
    'scale-no-key': () => 'No value is right yet: every answer will wait for a person.',
    'scale-key-off': (v) => `From ${v.least} to ${v.most} does not lie on the scale.`,
  },
  traces: {
    'scale-right': (v) => `${v.value} is among the right values`,
    'scale-off': (v) => `${v.value} is not among the right values`,
  },
};
