import { expect, it } from 'vitest';
import { marksText, marksWords, plural } from './marks';

it.each([
  ['2', '2'],
  ['3/2', '1½'],
  ['1/3', '⅓'],
  ['-1/2', '−½'],
  ['5/7', '0.71'],
  ['5/2', '2½'],
  ['0', '0'],
])('%s reads as %s', (exact, text) => {
  expect(marksText(exact)).toBe(text);
});

it('one mark is a mark', () => {
  expect([marksWords('1'), marksWords('1/2'), plural(1, 'answer waits', 'answers wait')]).toEqual([
    '1 mark',
    '½ marks',
    '1 answer waits',
  ]);
});
