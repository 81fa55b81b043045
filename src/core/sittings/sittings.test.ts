import { describe, expect, it } from 'vitest';
import { accepts, isOverdue, writtenAt } from './attempt';
import { whoCanGetIn } from './entry';
import { endOf, GRACE, MOST_GIVEN_BACK, ON_ITS_WAY, UNHEARD } from './time';

const MINUTE = 60_000;

describe('the deadline', () => {
  const allowance = { startedAt: 0, minutes: 30, closesAt: 120 * MINUTE, extraMinutes: 0 };
  it.each([
    ['own working time inside the window', allowance, [], 30],
    ['cut by the common end when begun late', { ...allowance, closesAt: 20 * MINUTE }, [], 20],
    ['extra time moves the common end', { ...allowance, minutes: 38, extraMinutes: 8, closesAt: 30 * MINUTE }, [], 38],
    ['an outage is given back', allowance, [{ from: 10 * MINUTE, to: 12 * MINUTE }], 32],
    ['an outage that began before counts from the start', allowance, [{ from: -5 * MINUTE, to: 2 * MINUTE }], 32],
    ['an outage after the end changes nothing', allowance, [{ from: 40 * MINUTE, to: 60 * MINUTE }], 30],
    [
      'a second outage in the time given back counts too',
      allowance,
      [
        { from: 29 * MINUTE, to: 38 * MINUTE },
        { from: 38.5 * MINUTE, to: 39 * MINUTE },
      ],
      39.5,
    ],
  ])('%s', (_, given, outages, minutes) => {
    expect(endOf(given, outages)).toEqual({ deadline: minutes * MINUTE, ungiven: 0 });
  });

  it.each([
    ['ten minutes of a long one', [{ from: 2, to: 27 }], 40, 15],
    [
      'ten minutes of all together',
      [
        { from: 2, to: 10 },
        { from: 11, to: 19 },
      ],
      40,
      6,
    ],
    ['what was left when it began, where that is less', [{ from: 26, to: 86 }], 90, 0],
    ['nothing of what ended with data brought back', [{ from: 2, to: 10, restored: true }], 30, 8],
  ])('gives back %s', (_, outages, minutes, ungiven) => {
    const inMinutes = outages.map((o) => ({ ...o, from: o.from * MINUTE, to: o.to * MINUTE }));
    expect(endOf(allowance, inMinutes)).toEqual({ deadline: minutes * MINUTE, ungiven: ungiven * MINUTE });
    expect(MOST_GIVEN_BACK).toBe(10 * MINUTE);
  });

  it.each([
    ['is given back whole', [{ from: 10, to: 40 }], [], 60, 0],
    ['moves the common end too', [{ from: 5, to: 100 }], [], 125, 0],
    ['that began before counts from the start', [{ from: -5, to: 2 }], [], 32, 0],
    ['after the end changes nothing', [{ from: 31, to: 50 }], [], 30, 0],
    [
      'for one inside one for all counts once',
      [
        { from: 10, to: 20 },
        { from: 12, to: 15 },
      ],
      [],
      40,
      0,
    ],
    [
      'and one that overlaps it count as one',
      [
        { from: 10, to: 20 },
        { from: 15, to: 25 },
      ],
      [],
      45,
      0,
    ],
    ['holds what an outage would take', [{ from: 10, to: 30 }], [{ from: 12, to: 29 }], 50, 0],
    ['that ends in an outage: the rest of it is given back', [{ from: 10, to: 20 }], [{ from: 15, to: 25 }], 45, 0],
    [
      'in the time that another gave counts',
      [
        { from: 29, to: 39 },
        { from: 39.5, to: 41 },
      ],
      [],
      41.5,
      0,
    ],
  ])('a pause %s', (_, paused, outages, minutes, ungiven) => {
    const inMinutes = (all: { from: number; to: number }[]) =>
      all.map(({ from, to }) => ({ from: from * MINUTE, to: to * MINUTE }));
    const end = endOf(allowance, inMinutes(outages), inMinutes(paused));
    expect(end).toEqual({ deadline: minutes * MINUTE, ungiven: ungiven * MINUTE });
  });

  it('the time left stands still while a pause lasts, whenever it is asked', () => {
    for (const now of [10, 11, 300]) {
      const { deadline } = endOf(allowance, [], [{ from: 10 * MINUTE, to: now * MINUTE }]);
      expect(deadline - now * MINUTE).toBe(20 * MINUTE);
    }
  });
});

describe('answers near the end', () => {
  const state = { startedAt: 0, deadline: 1_000_000, handedInAt: null };
  const offline = (now: number) => ({ now, heardAt: state.deadline - UNHEARD - 1 });
  const online = (now: number) => ({ now, heardAt: state.deadline - 1 });
  it('count when written before the deadline and on their way, or within the grace from who had been offline', () => {
    expect(accepts(state, { age: 0 }, online(state.deadline))).toBe(true);
    expect(accepts(state, { age: ON_ITS_WAY }, online(state.deadline + ON_ITS_WAY))).toBe(true);
    expect(accepts(state, { age: 10_000 }, online(state.deadline + 10_000))).toBe(false);
    expect(accepts(state, { age: 10_000 }, offline(state.deadline + 10_000))).toBe(true);
    expect(accepts(state, { age: 0 }, offline(state.deadline + 1))).toBe(false);
    expect(accepts(state, { age: GRACE * 2 }, offline(state.deadline + GRACE + 1))).toBe(false);
    expect(accepts({ ...state, handedInAt: 5 }, { age: 0 }, online(10))).toBe(false);
  });

  it('are never dated before the start or into the future, whatever the device says', () => {
    expect(writtenAt({ age: 9e12 }, state, 500)).toBe(0);
    expect(writtenAt({ age: -3_600_000 }, state, 500)).toBe(500);
  });

  it('the clock hands in only after the grace', () => {
    expect(isOverdue(state, state.deadline + GRACE)).toBe(false);
    expect(isOverdue(state, state.deadline + GRACE + 1)).toBe(true);
    expect(isOverdue({ ...state, handedInAt: 3 }, 9e9)).toBe(false);
  });
});

describe('who can get in', () => {
  const door = { opensAt: 100, closesAt: 200, endedAt: null, questions: 5, students: 3, link: false };
  it.each([
    [door, 150, 'open'],
    [door, 99, 'not-yet'],
    [door, 200, 'over'],
    [{ ...door, endedAt: 120 }, 150, 'ended'],
    [{ ...door, students: 0 }, 150, 'no-students'],
    [{ ...door, students: 0, link: true }, 150, 'open'],
    [{ ...door, questions: 0 }, 150, 'no-questions'],
    [{ ...door, byHand: true }, 150, 'by-hand'],
    [{ ...door, byHand: true }, 200, 'over'],
    [{ ...door, byHand: true, endedAt: 120 }, 150, 'ended'],
  ])('case %#', (facts, now, expected) => {
    const who = whoCanGetIn(facts, now);
    expect(who.open ? 'open' : who.reason).toBe(expected);
  });
});
