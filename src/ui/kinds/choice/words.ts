import type { KindWords } from '../contract';

export const words: KindWords = {
  name: 'choice',
  sign: '◉',
  findings: {
    'choice-no-key': () => 'No option is marked as right. Mark it at its left.',
    'choice-two-keys': () => 'Two options are right, but only one can be chosen.',
    'choice-one-option': () => 'One option is no choice. Add another.',
    'choice-no-distractor': () => 'Every option is right. Add a wrong one.',
    'choice-most-too-few': (v) => `${v.keys} are right, but only ${v.most} can be chosen.`,
    'choice-no-menu': () => 'A drop-down shows one line of words and takes one answer; this stands as a list.',
  },
  traces: {
    'choices-chosen': (_, e) => (e.length === 0 ? 'nothing chosen' : `chosen: ${e.join('; ')}`),
    'choices-counted': (v) => `${v.right} right of ${v.keys}${Number(v.wrong) > 0 ? `, ${v.wrong} wrong` : ''}`,
    'choices-too-many': (v) => `more chosen than ${v.keys === 1 ? 'one' : v.keys}`,
    'choices-deducted': (v) => (Number(v.wrong) > 0 ? 'each wrong choice takes a part back' : 'nothing taken back'),
  },
};
