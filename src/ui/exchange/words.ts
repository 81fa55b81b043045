import type { BadRow } from '@/core/exchange/rows';
import type { BroughtItem } from '@/server/exchange/bring-in';

/** What of a question that is brought in wants a look. */
export const DOUBT_WORDS: Record<BroughtItem['doubts'][number], string> = {
  'no-key': 'No option is marked as right.',
  'no-answer': 'No answer stands with it.',
  'no-marks': 'No marks stand with it; it gets 1.',
  'one-option': 'Only one option was found.',
  'no-words': 'No words were found.',
  'picture-missing': 'A picture is not in the archive.',
};

export const ROW_PROBLEM_WORDS: Record<BadRow['problem'], string> = {
  'kind-unknown': 'This kind is not known: choice, short text or number.',
  'question-empty': 'The question is empty.',
  'key-empty': 'The key is empty.',
  'marks-unreadable': 'These are no marks between 0 and 1000.',
  'difficulty-unreadable': 'Difficulty is 1, 2 or 3.',
  'demand-unknown': 'Demand is know, use or judge.',
  'not-ready': 'The key does not fit the kind: a choice needs two options and a star before the right one.',
};
