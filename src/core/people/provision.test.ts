import { expect, it } from 'vitest';
import { holds, NO_PROVISION, providesNothing, secondsWithExtraTime, withExtraTime } from './provision';

it.each([
  [30, 25, 0, 38],
  [60, 0, 0, 60],
  [45, 33, 0, 60],
  [60, 25, 10, 85],
  [1, 0, 5, 6],
])(
  '%s minutes with %s %% and %s more are %s: percent are rounded up to whole minutes',
  (minutes, percent, more, all) => {
    expect(withExtraTime(minutes, { percent, minutes: more })).toBe(all);
  },
);

it('seconds of a single question grow to the second, not to the minute', () => {
  expect([
    secondsWithExtraTime(90, { percent: 25, minutes: 0 }),
    secondsWithExtraTime(40, { percent: 0, minutes: 2 }),
  ]).toEqual([113, 160]);
});

it('a provision holds up to its last moment', () => {
  expect([holds({ until: null }, 9), holds({ until: 9 }, 9), holds({ until: 9 }, 10)]).toEqual([true, true, false]);
});

it('a provision without anything in it provides nothing', () => {
  expect(providesNothing(NO_PROVISION)).toBe(true);
  for (const one of [
    { extraTimePercent: 1 },
    { extraMinutes: 1 },
    { largePrint: true },
    { readAloud: true },
    { breakMinutes: 1 },
    { glosses: true },
    { secondLanguage: true },
  ])
    expect(providesNothing({ ...NO_PROVISION, ...one })).toBe(false);
});
