import { describe, expect, it } from 'vitest';
import { seeded } from '@/core/base/random';
import { alpha, errorAround, errorOfScore, errorVariances } from './reliability';

describe('the error of each score by itself', () => {
  it('is Lord’s where the items are right or wrong and equally hard', () => {
    // Every item is right for three of six: x(k − x)/(k − 1) with k = 4.
    const scores = [
      [1, 1, 1, 1],
      [1, 1, 1, 0],
      [1, 0, 0, 1],
      [0, 1, 0, 1],
      [0, 0, 1, 0],
      [0, 0, 0, 0],
    ];
    const lord = [4, 3, 2, 2, 1, 0].map((x) => (x * (4 - x)) / 3);
    errorVariances(scores).forEach((variance, p) => expect(variance).toBeCloseTo(lord[p] ?? NaN, 12));
  });

  it('is in all what alpha says', () => {
    const random = seeded(7);
    const scores = Array.from({ length: 40 }, () => {
      const able = random();
      return [1, 2, 3, 5].map((worth) => Math.round((able + random()) * worth) / 2);
    });
    const together = errorVariances(scores).reduce((all, one) => all + one, 0) / 39;
    expect(together).toBeCloseTo(errorOfScore(scores, alpha(scores) ?? NaN) ** 2, 10);
    expect(errorAround(scores, 0, Infinity, 1)).toBeCloseTo(Math.sqrt((together * 39) / 40), 10);
  });

  it('is not told of one item, of nobody, or where too few are near', () => {
    expect(errorVariances([[1], [0]])).toEqual([]);
    expect(errorAround([], 1, 5, 0)).toBeNull();
    expect(errorAround([[1], [0]], 1, 5, 1)).toBeNull();
    const scores = [
      [1, 2],
      [2, 1],
      [9, 9],
    ];
    expect(errorAround(scores, 3, 1, 3)).toBeNull();
    expect(errorAround(scores, 3, 1, 2)).toBeCloseTo(1, 12);
  });
});
