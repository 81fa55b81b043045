import { describe, expect, it } from 'vitest';
import { nextTry, ONCE, type Tried, type Tries } from './tries';

const MINUTE = 60_000;
const tried = (id: string, startedAt: number, handedInAt: number | null, aside = false): Tried => ({
  id,
  startedAt: startedAt * MINUTE,
  handedInAt: handedInAt === null ? null : handedInAt * MINUTE,
  aside,
});
const three: Tries = { most: 3, apart: 10, counts: 'best', same: false };

describe('the next attempt', () => {
  it.each<[string, Tried[], Tries, number, object]>([
    ['is the first for who has none', [], ONCE, 0, { is: 'new', number: 1 }],
    ['is the one that is open', [tried('a', 0, null)], ONCE, 5, { is: 'open', attempt: 'a' }],
    ['is none when all are used', [tried('a', 0, 20)], ONCE, 30, { is: 'used up', attempt: 'a' }],
    ['comes later when it is too soon', [tried('a', 0, 20)], three, 29, { is: 'later', from: 30 * MINUTE, number: 2 }],
    ['comes when enough time has passed', [tried('a', 0, 20)], three, 30, { is: 'new', number: 2 }],
    [
      'counts the time from the last',
      [tried('b', 30, 50), tried('a', 0, 20)],
      three,
      55,
      { is: 'later', from: 60 * MINUTE, number: 3 },
    ],
    [
      'ends with the last',
      [tried('c', 60, 70), tried('b', 30, 50), tried('a', 0, 20)],
      three,
      99,
      { is: 'used up', attempt: 'c' },
    ],
    [
      'never ends without a bound',
      [tried('a', 0, 20)],
      { ...three, most: null, apart: 0 },
      20,
      { is: 'new', number: 2 },
    ],
    ['is not used up by one set aside', [tried('a', 0, 20, true)], ONCE, 20, { is: 'new', number: 1 }],
    [
      'is open though others are set aside',
      [tried('a', 0, 20, true), tried('b', 21, null)],
      ONCE,
      25,
      { is: 'open', attempt: 'b' },
    ],
  ])('%s', (_, attempts, tries, now, expected) => {
    expect(nextTry(attempts, tries, now * MINUTE)).toEqual(expected);
  });
});
