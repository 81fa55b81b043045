import { describe, expect, it } from 'vitest';
import { seeded } from '../base/random';
import { link, type OnBoth } from './linking';
import { mean } from './numbers';
import { rasch } from './rasch';

const both = (before: readonly number[], now: readonly number[], error = 0.2): OnBoth[] =>
  before.map((difficulty, i) => ({
    before: { difficulty, error },
    now: { difficulty: now[i] ?? 0, error },
  }));
const BEFORE = [-1.5, -0.8, -0.2, 0.1, 0.6, 1.8];

describe('two scales', () => {
  it('that differ by their zero alone are linked by it exactly', () => {
    const found = link(
      both(
        BEFORE,
        BEFORE.map((one) => one + 0.7),
      ),
    );
    expect(found?.shift).toBeCloseTo(0.7, 12);
    expect(found?.error).toBeCloseTo(0, 12);
    expect(found?.questions.some(({ drifts }) => drifts)).toBe(false);
  });

  it('are linked by the mean of the differences, with its standard error (Wright and Stone 1979)', () => {
    // Differences of 0.1, 0.2, 0.3, 0.4 and 0.5: mean 0.3, standard deviation √0.025, of five.
    const found = link(both([0, 0, 0, 0, 0], [0.1, 0.2, 0.3, 0.4, 0.5]));
    expect(found?.shift).toBeCloseTo(0.3, 12);
    expect(found?.error).toBeCloseTo(Math.sqrt(0.025 / 5), 12);
    // A question’s own: 0.2 above the link, each difficulty known to within 0.2.
    expect(found?.questions[4]?.inErrors).toBeCloseTo(0.2 / (0.2 * Math.SQRT2), 12);
  });

  it('leave a question that moved against the others out of the link, and say which', () => {
    const now = BEFORE.map((one, i) => one + 0.4 + (i === 2 ? 2 : 0));
    const found = link(both(BEFORE, now));
    expect(found?.shift).toBeCloseTo(0.4, 12);
    expect(found?.questions.map(({ drifts }) => drifts)).toEqual([false, false, true, false, false, false]);
    expect(found?.questions[2]?.harder).toBeCloseTo(2, 12);
  });

  it('call no drift what is small, or not sure', () => {
    const moved = (by: number) => BEFORE.map((one, i) => one + (i === 0 ? by : 0));
    expect(link(both(BEFORE, moved(0.5), 0.01))?.questions[0]?.drifts).toBe(false);
    expect(link(both(BEFORE, moved(2), 3))?.questions[0]?.drifts).toBe(false);
  });

  it('are not linked by too few questions that stand still', () => {
    expect(link(both(BEFORE.slice(0, 4), BEFORE.slice(0, 4)))).toBeNull();
    expect(link([])).toBeNull();
    const [, , , , fifth = 0] = BEFORE;
    expect(link(both(BEFORE.slice(0, 5), [...BEFORE.slice(0, 4), fifth + 4]))).toBeNull();
  });
});

it('scales of two simulated groups come together: the abler group is found abler by as much as it is', () => {
  const difficulties = [-2, -1.5, -1, -0.5, 0, 0.3, 0.8, 1.2, 1.6, 2];
  /** Answers by the Rasch model; the second group meets only the last eight questions, and is a logit abler. */
  const group = (ability: number, items: readonly number[], seed: number) => {
    const next = seeded(seed);
    return Array.from({ length: 800 }, () => {
      const own = ability + (next() + next() + next() - 1.5) * 1.5;
      return items.map((b) => (next() < 1 / (1 + Math.exp(b - own)) ? 1 : 0));
    });
  };
  const [early, late] = [group(0, difficulties, 1), group(1, difficulties.slice(2), 2)];
  const [before, now] = [rasch(early), rasch(late)];
  if (!before || !now) throw new Error('Both have a scale');
  const found = link(now.items.map((item, i) => ({ now: item, before: before.items[i + 2] ?? item })));
  const abilityOf = (rows: number[][], scale: NonNullable<ReturnType<typeof rasch>>): number => {
    const totals = rows.map((row) => row.reduce((a, b) => a + b, 0));
    return mean(totals.flatMap((total) => scale.abilities[total - 1] ?? []));
  };
  const abler = abilityOf(late, now) - (abilityOf(early, before) + (found?.shift ?? 0));
  // Those with nothing or all right have no ability on the scale, which brings the two a little together.
  expect(abler).toBeGreaterThan(0.8);
  expect(abler).toBeLessThan(1.15);
  expect(found?.questions.filter(({ drifts }) => drifts)).toEqual([]);
});
