import { expect, it } from 'vitest';
import { goalsFromLines, linesFromGoals } from './goal-lines';

it('reads a line as a code and words, and writes it back', () => {
  const goals = goalsFromLines('WT1 names the parts\n\n  WT2\tworks out power, with units \n');
  expect(goals).toEqual([
    { code: 'WT1', words: 'names the parts' },
    { code: 'WT2', words: 'works out power, with units' },
  ]);
  expect(goalsFromLines(linesFromGoals(goals))).toEqual(goals);
});

it('reads a CSV with quotes by its columns', () => {
  expect(goalsFromLines('E1,"names parts, all of them"\r\nE2,x')).toEqual([
    { code: 'E1', words: 'names parts, all of them' },
    { code: 'E2', words: 'x' },
  ]);
});
