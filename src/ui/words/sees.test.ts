import { expect, it } from 'vitest';
import { ON_RELEASE } from '@/core/exams/sees';
import { seesSentence } from './sees';

it('the table of what is seen when reads as a sentence', () => {
  expect(seesSentence(ON_RELEASE)).toBe(
    'They see marks, right or not, the key, explanations and remarks when you release the results.',
  );
  expect(
    seesSentence({ marks: 'handed in', right: 'at once', key: 'never', explanation: 'released', remarks: 'handed in' }),
  ).toBe(
    'They see right or not as soon as they check an answer; marks and remarks when they have handed in; explanations when you release the results; the key never.',
  );
});
