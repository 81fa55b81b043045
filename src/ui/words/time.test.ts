import { expect, it } from 'vitest';
import { dayAndTime, dayOnly, forField, fromField, fromNow, timeLeft, timeOnly } from './time';

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

it.each([
  ['UTC', '2026-11-25T09:30', Date.UTC(2026, 10, 25, 9, 30)],
  ['America/New_York', '2026-11-25T09:30', Date.UTC(2026, 10, 25, 14, 30)],
  ['Asia/Kolkata', '2026-01-01T00:15', Date.UTC(2025, 11, 31, 18, 45)],
  // The last Sundays of March and October 2026 change the clocks of the Union (Directive 2000/84/EC): at 01:00 UTC.
  ['Europe/Berlin', '2026-03-29T01:59', Date.UTC(2026, 2, 29, 0, 59)],
  ['Europe/Berlin', '2026-03-29T03:00', Date.UTC(2026, 2, 29, 1, 0)],
  ['Europe/Berlin', '2026-10-25T02:30', Date.UTC(2026, 9, 25, 0, 30)],
  ['Europe/Berlin', '2026-10-25T03:30', Date.UTC(2026, 9, 25, 2, 30)],
])('a date-and-time field in %s: %s', (zone, text, at_) => {
  expect(fromField(text, zone)).toBe(at_);
  expect(forField(at_, zone)).toBe(text);
});

it('a time that the clocks leave out is an hour later, and nonsense is no instant', () => {
  expect(fromField('2026-03-29T02:30', 'Europe/Berlin')).toBe(Date.UTC(2026, 2, 29, 1, 30));
  expect(fromField('soon', 'UTC')).toBeNaN();
});
