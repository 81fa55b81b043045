import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { borderlineGroup, borderlineRegression, contrastingGroups } from '@/core/analysis/borderline';
import { consistency } from '@/core/analysis/consistency';
import { logGamma, studentBelow, studentQuantile } from '@/core/analysis/distributions';
import { angoff, hofstee, nedelsky, panel } from '@/core/analysis/judges';
import { agrees } from './compare';
import { passMarkRows } from './pass-marks';

describe('pass marks', () => {
  it('are what R says, in 132 figures of eight methods', () => {
    const rows = passMarkRows(path.join(import.meta.dirname, 'fixtures', 'passmarks.json'));
    expect(rows).toHaveLength(132);
    expect(rows.filter((row) => !agrees(row))).toEqual([]);
  });

  it('say nothing where nothing can be said', () => {
    expect([panel([]), angoff([]), nedelsky([4], []), hofstee([], [1, 2])]).toEqual([null, null, null, null]);
    expect(hofstee([{ cut: [1, 2], failing: [0, 5] }], [])).toBeNull();
    expect(angoff([[0.5, 0.5]])).toMatchObject({ cut: 1, spread: null });
    expect(borderlineRegression([3, 3, 3], [1, 2, 3], 3)).toBeNull();
    expect(borderlineRegression([1, 2], [1, 2], 3)).toBeNull();
    expect(borderlineRegression([1, 2, 3], [5, 5, 5], 2)).toMatchObject({ at: 5, rSquared: 0, error: 0 });
    expect(borderlineGroup([1, 2], [1, 2], 3)).toBeNull();
    expect(contrastingGroups([], [1])).toBeNull();
    // A mark that parts them wholly, and marks that tell nothing.
    expect(contrastingGroups([1, 2], [3, 4])).toMatchObject({ logistic: null, misplaced: 0, cuts: [3] });
    expect(contrastingGroups([1, 2], [1, 2])?.logistic).toBeNull();
    expect(consistency(10, [], 5)).toBeNull();
    expect(consistency(10, [5, 5, 5], 5)).toBeNull();
    expect(consistency(10, [4, 5, 6], 5)?.decided).toBeNull();
    // Options that somebody rules out wholly leave one all the same.
    expect(nedelsky([4], [[9]])?.cut).toBe(1);
  });

  it('stay within the limits where no score is near them', () => {
    const limits = [{ cut: [40, 60] as const, failing: [10, 20] as const }];
    expect(hofstee(limits, [1, 2, 3])).toMatchObject({ cut: 40, failing: 100, crosses: 'above' });
    expect(hofstee(limits, [90, 95])).toMatchObject({ cut: 60, failing: 0, crosses: 'below' });
    expect(hofstee([{ cut: [50, 50], failing: [10, 10] }], [40, 60])).toMatchObject({ cut: 50, failing: 50 });
  });

  it('stand on distributions as tables have them', () => {
    // Abramowitz and Stegun, table 26.10 (t at 0.975) and 6.1 (Γ(1/2) = √π; Γ(1.5) = √π/2).
    for (const [freedom, t] of [
      [1, 12.706],
      [2, 4.303],
      [7, 2.365],
      [30, 2.042],
      [120, 1.98],
    ] as const)
      expect(studentQuantile(0.975, freedom)).toBeCloseTo(t, 3);
    expect(studentQuantile(0.025, 7)).toBeCloseTo(-2.365, 3);
    expect(studentBelow(0, 5)).toBeCloseTo(0.5, 12);
    expect(logGamma(0.5)).toBeCloseTo(Math.log(Math.PI) / 2, 12);
    expect(logGamma(1.5)).toBeCloseTo(Math.log(Math.PI) / 2 - Math.LN2, 12);
    expect(logGamma(11)).toBeCloseTo(Math.log(3628800), 10);
  });
});
