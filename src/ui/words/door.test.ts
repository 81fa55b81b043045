import { describe, expect, it } from 'vitest';
import { whoCanGetIn } from '@/core/sittings/entry';
import { type DoorFacts, doorText } from './door';

const MINUTE = 60_000;
const opensAt = Date.UTC(2026, 10, 30, 9, 0);
const facts: DoorFacts = {
  course: 'WT-110',
  students: 38,
  some: false,
  link: false,
  groups: null,
  code: null,
  before: null,
  opensAt,
  closesAt: opensAt + 120 * MINUTE,
  zone: 'UTC',
};
const said = (
  part: Partial<typeof facts> & { groups?: { count: number; alone: number } | null },
  at: number,
  door = {},
) => {
  const now = opensAt + at * MINUTE;
  const all = { ...facts, ...part };
  return doorText(whoCanGetIn({ ...all, endedAt: null, questions: 3, ...door }, now), all, now);
};

describe('the line that says who can get in', () => {
  it('now', () => {
    expect(said({}, 5)).toBe('Open: all 38 students of WT-110 can get in now, until 11:00. Nobody else can.');
  });

  it('says of whom it is, and what has to be typed', () => {
    expect(said({ some: true, students: 2 }, 5)).toContain('Open: 2 chosen students of WT-110 can get in now');
    expect(said({ link: true }, 5)).toContain('whoever has the link, and the students of WT-110 can get in');
    expect(said({ before: 'Mid-term' }, 5)).toBe(
      'Open: all 38 students of WT-110 can get in now once they have handed in Mid-term, until 11:00. Nobody else can.',
    );
    expect(said({ before: 'Mid-term' }, -60)).toContain(
      'for all 38 students of WT-110 once they have handed in Mid-term.',
    );
    expect(said({ code: 'rope 27' }, 5)).toContain('can get in now with the code rope 27');
  });

  it('of groups says how many there are, and who is in none', () => {
    expect(said({ groups: { count: 2, alone: 0 } }, 5)).toBe(
      'Open: 2 groups of WT-110, each together, can get in now, until 11:00. Nobody else can.',
    );
    expect(said({ groups: { count: 1, alone: 30 } }, 5)).toContain('30 students are in no group and cannot get in.');
    expect(said({ groups: { count: 1, alone: 1 } }, -60)).toContain('1 student is in no group and cannot get in.');
  });

  it('says when it opens, or that somebody opens it', () => {
    expect(said({}, -60)).toBe(
      'Nobody can get in yet: it opens Mon 30 Nov, 09:00, in 1 h, for all 38 students of WT-110.',
    );
    expect(said({}, 5, { byHand: true })).toContain('it opens when you say so, for all 38 students of WT-110');
  });

  it('says why nobody can any more', () => {
    expect(said({}, 121)).toContain('Nobody can get in any more');
    expect(said({}, 5, { endedAt: opensAt })).toBe('Nobody can get in: you have ended it.');
    expect(said({ students: 0 }, 5)).toContain('has no students');
    expect(said({}, 5, { questions: 0 })).toContain('has no questions');
  });
});
