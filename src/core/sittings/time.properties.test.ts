import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { endOf, MOST_GIVEN_BACK, type Stretch } from './time';

/** What holds of the end of every attempt, whatever happened to it. */
const MINUTE = 60_000;
const stretch = fc
  .tuple(fc.integer({ min: -20, max: 200 }), fc.integer({ min: 0, max: 60 }))
  .map(([from, length]): Stretch => ({ from: from * MINUTE, to: (from + length) * MINUTE }));
const stretches = fc.array(stretch, { maxLength: 6 });
const allowance = fc
  .record({
    minutes: fc.integer({ min: 1, max: 120 }),
    closes: fc.integer({ min: 1, max: 150 }),
    extra: fc.integer({ min: 0, max: 30 }),
  })
  .map(({ minutes, closes, extra }) => ({
    startedAt: 0,
    minutes,
    closesAt: closes * MINUTE,
    extraMinutes: extra,
  }));
const length = (all: readonly Stretch[]): number => all.reduce((sum, { from, to }) => sum + (to - from), 0);

describe('the end of an attempt', () => {
  it('is never before what it is without outages and pauses', () => {
    fc.assert(
      fc.property(allowance, stretches, stretches, (given, outages, pauses) => {
        expect(endOf(given, outages, pauses).deadline).toBeGreaterThanOrEqual(endOf(given, []).deadline);
      }),
    );
  });

  it('does not depend on the order in which they are told', () => {
    fc.assert(
      fc.property(allowance, stretches, stretches, (given, outages, pauses) => {
        const turned = endOf(given, [...outages].reverse(), [...pauses].reverse());
        expect(turned.deadline).toBe(endOf(given, outages, pauses).deadline);
      }),
    );
  });

  it('is moved once by an outage that two processes have noticed', () => {
    const given = { startedAt: 0, minutes: 30, closesAt: 60 * MINUTE, extraMinutes: 0 };
    const one = { from: 5 * MINUTE, to: 8 * MINUTE };
    const both = [one, { from: 6 * MINUTE, to: 8 * MINUTE }];
    expect(endOf(given, both)).toEqual(endOf(given, [one]));
    // Found by chance: two that begin together, told in either order.
    const short = { startedAt: 0, minutes: 1, closesAt: MINUTE, extraMinutes: 0 };
    const two = [
      { from: 0, to: MINUTE },
      { from: 0, to: 10 * MINUTE },
    ];
    expect(endOf(short, [...two].reverse())).toEqual(endOf(short, two));
  });

  it('moves by no more than all pauses together, and by one of them whole where it lies inside', () => {
    fc.assert(
      fc.property(allowance, stretches, (given, pauses) => {
        const moved = endOf(given, [], pauses).deadline - endOf(given, []).deadline;
        expect(moved).toBeLessThanOrEqual(length(pauses));
      }),
    );
    fc.assert(
      fc.property(allowance, stretch, (given, pause) => {
        const { deadline } = endOf(given, []);
        fc.pre(pause.from >= 0 && pause.from < deadline);
        expect(endOf(given, [], [pause]).deadline).toBe(deadline + pause.to - pause.from);
      }),
    );
  });

  it('takes a pause that is told twice, or in two pieces, for one', () => {
    fc.assert(
      fc.property(allowance, stretch, fc.nat(100), (given, pause, share) => {
        const middle = pause.from + ((pause.to - pause.from) * share) / 100;
        const pieces = [
          { from: pause.from, to: middle },
          { from: middle, to: pause.to },
        ];
        const { deadline } = endOf(given, [], [pause]);
        expect(endOf(given, [], [pause, pause]).deadline).toBe(deadline);
        expect(endOf(given, [], pieces).deadline).toBe(deadline);
      }),
    );
  });

  it('is told with what was lost and not given: nothing for an outage inside a pause', () => {
    fc.assert(
      fc.property(allowance, stretch, (given, pause) => {
        const inside = { from: pause.from, to: pause.to };
        expect(endOf(given, [inside], [pause])).toEqual(endOf(given, [], [pause]));
      }),
    );
  });

  it('gives back by itself no more than is said, but to who had time left when a long outage began', () => {
    fc.assert(
      fc.property(allowance, stretch, (given, outage) => {
        const { deadline: before } = endOf(given, []);
        const { deadline, ungiven } = endOf(given, [outage]);
        const left = Math.max(0, before - Math.max(0, outage.from));
        expect(deadline).toBeLessThanOrEqual(
          Math.max(before + MOST_GIVEN_BACK, outage.to + Math.min(left, MOST_GIVEN_BACK)),
        );
        expect(ungiven).toBeGreaterThanOrEqual(0);
      }),
    );
  });
});
