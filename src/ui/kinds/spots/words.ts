import type { KindWords } from '../contract';

export const words: KindWords = {
  name: 'point on a picture',
  sign: '◎',
  findings: {
    'spots-no-picture': () => 'There is no picture to point at yet. Choose one on the sheet.',
    'spots-no-area': () => 'No area is right yet. Draw one on the picture.',
    'spots-most-too-few': (v) => `${v.most} points may be set, but ${v.right} areas are right.`,
    'spots-area-small': (v) => `Area ${v.number} is so small that nobody could point at it.`,
  },
  traces: {
    'spot-in': (v) => `point ${v.number} is right`,
    'spot-near': (v) => `point ${v.number}: near it, ${v.percent} % of its part`,
    'spot-off': (v) => `point ${v.number} is not`,
  },
};
