import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { choiceFigures } from '@/core/analysis/choices';
import { complementOfError, differently, inBands, sizeOf } from '@/core/analysis/differently';
import { discrimination, groupSize, itemFigures, thirds } from '@/core/analysis/items';
import { inverse } from '@/core/analysis/matrix';
import { quantile } from '@/core/analysis/numbers';
import { rasch } from '@/core/analysis/rasch';
import { alpha, betweenItems, kr21, lambdas, splitHalf } from '@/core/analysis/reliability';
import { seeded } from '@/core/base/random';
import { agrees } from './compare';
import { itemRows } from './item-analysis';

describe('the analysis of items', () => {
  it('is what R and its packages say, in 1,362 figures of six data sets', () => {
    const rows = itemRows(path.join(import.meta.dirname, 'fixtures', 'item-analysis'));
    expect(rows).toHaveLength(1362);
    expect(rows.filter((row) => !agrees(row))).toEqual([]);
  });

  it('says nothing where nothing can be said', () => {
    const alike = [
      [1, 0],
      [1, 0],
    ];
    for (const scores of [[], [[1]], [[1, 0, 1]], alike]) {
      expect([alpha(scores), splitHalf(scores), lambdas(scores), rasch(scores)]).toEqual([null, null, null, null]);
      expect(itemFigures(scores).every(({ withRest }) => withRest === null)).toBe(true);
    }
    expect(betweenItems(alike)).toBeNull();
    expect(kr21(5, 2, 0)).toBeNull();
    // Wholly the same items: nothing of one is its own.
    const twins = [0, 1, 1, 0, 1].map((x) => [x, x, 1 - x]);
    expect(lambdas(twins)).toMatchObject({ six: null, sixOfCorrelations: null });
    expect(
      rasch([
        [1, 0],
        [1, 0],
        [1, 1],
      ]),
    ).toBeNull();
    expect(differently([1, 0], [true, true], [1, 1])).toBeNull();
    expect(differently([1, 1], [true, false], [1, 1])).toBeNull();
    // All of one group are right and all of the other wrong: no odds, but no doubt either.
    const parted = [1, 1, 1, 1, 1, 0, 0, 0, 0, 0];
    const figures = differently(parted, parted.map(Boolean), new Array(10).fill(1));
    expect(figures).toMatchObject({ oddsRatio: Infinity, delta: -Infinity });
    expect(figures && sizeOf(figures)).toBe('C');
    expect(inBands([5, 1, 2, 2, 3, 4], 3)).toEqual([2, 0, 1, 1, 1, 2]);
    expect(inBands([], 5)).toEqual([]);
    expect(choiceFigures(['A', 'B'], ['A', 'A'], { all: [1, 1], rest: [0, 0], share: 0.27 })[1]).toMatchObject({
      chosen: 0,
      withRest: null,
      meanTotal: null,
    });
  });

  it('counts those with one total at the cut alike, whatever their order', () => {
    const all = [3, 2, 2, 2, 1];
    expect(thirds(all, 2)).toEqual({ upper: [1, 1 / 3, 1 / 3, 1 / 3, 0], lower: [0, 1 / 3, 1 / 3, 1 / 3, 1] });
    expect([groupSize(100, 0.27), groupSize(1, 0.27), groupSize(3, 1 / 3)]).toEqual([27, 1, 1]);
    const scores = Array.from({ length: 60 }, (_, p) =>
      Array.from({ length: 5 }, (_i, i) => ((p * 7 + i * 3) % 5 > i ? 1 : 0)),
    );
    const turned = scores.toReversed();
    discrimination(scores, 0.27).forEach((d, i) => expect(d).toBeCloseTo(discrimination(turned, 0.27)[i] ?? NaN, 12));
  });

  it('finds the difficulties that made the answers, with errors that fit', () => {
    const random = seeded(5);
    const made = [-2, -1, -0.5, 0, 0, 0.5, 1, 2];
    const scores = Array.from({ length: 2000 }, () => {
      const ability = 2 * (random() + random() + random() - 1.5);
      return made.map((b) => (random() < 1 / (1 + Math.exp(b - ability)) ? 1 : 0));
    });
    const found = rasch(scores);
    made.forEach((b, i) => {
      const { difficulty = NaN, error = NaN, infit, outfit } = found?.items[i] ?? {};
      expect(Math.abs(difficulty - b)).toBeLessThan(4 * error);
      expect(Math.abs((infit ?? NaN) - 1)).toBeLessThan(0.15);
      expect(Math.abs((outfit ?? NaN) - 1)).toBeLessThan(0.3);
    });
  });

  it('reckons what it stands on as tables have it', () => {
    // Abramowitz and Stegun, table 7.1.
    for (const [x, value] of [
      [0, 1],
      [0.5, 0.4795001222],
      [1, 0.1572992071],
      [2, 0.004677735],
      [3, 0.0000220905],
    ] as const)
      expect(complementOfError(x)).toBeCloseTo(value, 10);
    expect(quantile([1, 2, 3, 4], 0.25)).toBe(1.75);
    expect(
      inverse([
        [0, 2],
        [1, 0],
      ]),
    ).toEqual([
      [0, 1],
      [0.5, 0],
    ]);
    expect(
      inverse([
        [1, 2],
        [2, 4],
      ]),
    ).toBeNull();
    const size = (delta: number, chance: number) => sizeOf({ delta, chance, oddsRatio: 1, chiSquare: 0 });
    expect([size(0.9, 0.001), size(-1.2, 0.01), size(1.6, 0.01), size(3, 0.2)]).toEqual(['A', 'B', 'C', 'A']);
  });
});
