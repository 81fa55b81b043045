import { expect, it } from 'vitest';
import { dayAndTime, dayOnly, fromNow, timeLeft, timeOnly } from './time';

const at = Date.UTC(2026, 8, 7, 0, 5);

it('instants are written in the zone asked for', () => {
  expect([dayAndTime(at, 'UTC'), timeOnly(at, 'UTC'), dayOnly(at, 'UTC')]).toEqual([
    'Mon 7 Sep, 00:05',
    '00:05',
    '7 Sep 2026',
  ]);
  expect(dayAndTime(at, 'America/New_York')).toBe('Sun 6 Sep, 20:05');
});

it.each([
  [3_600_000, '60 min'],
  [300_001, '6 min'],
  [300_000, '5:00'],
  [61_000, '1:01'],
  [1, '0:01'],
  [-5, '0:00'],
])('%i ms left read as %s', (left, words) => {
  expect(timeLeft(left)).toBe(words);
});

it('distances are told in the unit that fits', () => {
  expect([
    fromNow(at + 7 * 86_400_000, at),
    fromNow(at - 7_200_000, at),
    fromNow(at + 90_000, at),
    fromNow(at, at),
  ]).toEqual(['in 7 days', '2 h ago', 'in 2 min', 'now']);
});
