import { expect, it } from 'vitest';
import { NO_PROVISION, type Provision } from '@/core/people/provision';
import { extraTimeText, provisionText } from './provision';

it.each([
  [0, 0, ''],
  [25, 0, '25 %'],
  [0, 1, '1 minute'],
  [25, 10, '25 % and 10 minutes'],
])('%s %% and %s minutes of extra time read “%s”', (percent, minutes, text) => {
  expect(extraTimeText({ percent, minutes })).toBe(text);
});

it.each<[Partial<Provision>, string]>([
  [{}, ''],
  [{ extraTimePercent: 25 }, '25 % extra time'],
  [{ breakMinutes: 15, glosses: true, secondLanguage: true }, '15 minutes of breaks, words explained, second language'],
  [{ largePrint: true, readAloud: true }, 'large print, read aloud'],
  [
    { extraMinutes: 5, largePrint: true, until: Date.UTC(2027, 6, 1, 12) },
    '5 minutes extra time, large print, until 1 Jul 2027',
  ],
])('%j reads “%s”', (part, text) => {
  expect(provisionText({ ...NO_PROVISION, ...part }, 'UTC')).toBe(text);
});
