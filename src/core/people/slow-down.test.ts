import { expect, it } from 'vitest';
import { afterTry, type Tries, waitBeforeTry } from './slow-down';

const after = (n: number): Tries => {
  let tries: Tries | null = null;
  for (let i = 0; i < n; i++) tries = afterTry(tries, 1000);
  return tries ?? { wrong: 0, lastAt: 0 };
};

it.each([
  [0, 0],
  [4, 0],
  [5, 15_000],
  [6, 30_000],
  [30, 900_000],
])('after %i wrong tries the account waits %i ms', (wrong, wait) => {
  expect(waitBeforeTry(wrong === 0 ? null : after(wrong), 1000)).toBe(wait);
});

it('the wait runs down, and an hour of quiet forgets', () => {
  expect(waitBeforeTry(after(5), 1000 + 14_000)).toBe(1000);
  expect(waitBeforeTry(after(5), 1000 + 15_000)).toBe(0);
  expect(waitBeforeTry(after(30), 1000 + 3_600_001)).toBe(0);
  expect(afterTry(after(30), 1000 + 3_600_001).wrong).toBe(1);
});
