import { describe, expect, it } from 'vitest';
import type { LateRule } from '@/core/sittings/late';
import { lateBy, lateText, lateTook } from './late';

const MINUTE = 60_000;
const due = Date.UTC(2026, 10, 30, 9, 5);
const rule: LateRule = { takes: '1/2', of: 'marks', every: 'minute', grace: 0 };
const text = (part: Partial<LateRule> | null) => lateText(part && { ...rule, ...part }, due, 'UTC');

describe('a due time', () => {
  it.each<[Partial<LateRule> | null, string]>([
    [null, 'Due Mon 30 Nov, 09:05.'],
    [{}, 'Due Mon 30 Nov, 09:05. Later, each minute begun costs ½ marks.'],
    [{ takes: '1' }, 'Due Mon 30 Nov, 09:05. Later, each minute begun costs 1 mark.'],
    [{ takes: '10', of: 'all', every: 'day' }, 'Due Mon 30 Nov, 09:05. Later, each day begun costs 10 % of all marks.'],
    [
      { takes: '5', of: 'earned', every: 'hour', grace: 15 },
      'Due Mon 30 Nov, 09:05. Later, each hour begun costs 5 % of what was earned; 15 minutes cost nothing.',
    ],
    [
      { takes: '2', grace: 1 },
      'Due Mon 30 Nov, 09:05. Later, each minute begun costs 2 marks; 1 minute costs nothing.',
    ],
  ])('%j', (part, expected) => {
    expect(text(part)).toBe(expected);
  });
});

it.each([
  [1, '1 min'],
  [59 * MINUTE, '59 min'],
  [59 * MINUTE + 1, '1 h'],
  [61 * MINUTE, '1 h 1 min'],
  [47 * 60 * MINUTE, '47 h'],
  [48 * 60 * MINUTE, '2 days'],
])('%s ms late is %s', (ms, expected) => {
  expect(lateBy(ms)).toBe(expected);
});

it('what lateness took is said in marks', () => {
  expect([lateTook('1'), lateTook('14/5'), lateTook('1/2')]).toEqual(['− 1 mark', '− 2.80 marks', '− ½ marks']);
});
