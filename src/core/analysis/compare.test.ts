import { describe, expect, it } from 'vitest';
import { seeded } from '../base/random';
import { measureWork } from '../../../tests/drivers/work';
import { alikeWrong, MOST_COMPARED } from './alike-wrong';
import { apart, sizeOfEffect } from './compare';

describe('two groups', () => {
  it('are apart by their means over the pooled deviation, corrected for few', () => {
    // By hand: means 6 and 4, variances 2.5 each, so d = 2/√2.5; m = 8, J = 1 − 3/31.
    const got = apart([4, 5, 6, 7, 8], [2, 3, 4, 5, 6]);
    const g = (1 - 3 / 31) * (2 / Math.sqrt(2.5));
    expect(got?.difference).toBe(2);
    expect(got?.effect).toBeCloseTo(g, 12);
    const error = Math.sqrt(10 / 25 + g ** 2 / 20);
    expect(got?.interval[0]).toBeCloseTo(g - 1.959964 * error, 5);
    expect(got?.interval[1]).toBeCloseTo(g + 1.959964 * error, 5);
    expect(apart([1], [1, 2])).toBeNull();
    expect(apart([3, 3], [3, 3])).toBeNull();
    expect([0.1, -0.3, 0.6, -1].map(sizeOfEffect)).toEqual(['none', 'small', 'middling', 'large']);
  });
});

describe('common wrong answers', () => {
  const ITEMS = 30;
  /** A class in which each answers on their own; wrong answers fall on four options. */
  function group(persons: number, seed: number): (string | null)[][] {
    const random = seeded(seed);
    return Array.from({ length: persons }, () =>
      Array.from({ length: ITEMS }, () => (random() < 0.6 ? null : 'abcd'.charAt(Math.floor(random() * 4)))),
    );
  }

  it('point at who copied, and at nobody where all answered on their own', () => {
    let pointed = 0;
    for (let seed = 1; seed <= 20; seed += 1) pointed += alikeWrong(group(40, seed))?.length ?? 0;
    // By 0.05 of a pair for each group one is to be expected in twenty groups.
    expect(pointed).toBeLessThanOrEqual(4);
    const copied = group(40, 7);
    copied[12] = [...(copied[3] ?? [])];
    const [first, ...others] = alikeWrong(copied) ?? [];
    expect(first?.persons).toEqual([3, 12]);
    expect(first?.same).toBe(first?.bothWrong);
    expect(first?.bothWrong).toBeGreaterThan(5);
    expect(others).toEqual([]);
  });

  it('say nothing of a wrong answer that all give, and of nobody', () => {
    expect(alikeWrong([])).toEqual([]);
    const common = Array.from({ length: 20 }, () => new Array<string | null>(10).fill('a'));
    expect(alikeWrong(common)).toEqual([]);
  });

  it('are reckoned in bounded time for as many as are compared, and not for more', () => {
    const many = group(MOST_COMPARED, 3);
    const work = measureWork();
    expect(alikeWrong(many)).not.toBeNull();
    expect(work()).toBeLessThan(8000);
    expect(alikeWrong([...many, ...many.slice(0, 1)])).toBeNull();
  });

  it('reckon the tail exactly: two independent answers of one in two', () => {
    // Three items, all wrong for all four, two answers each half: Σp² = ½, all three the same: ⅛ of six pairs.
    const wrong = [
      ['a', 'a', 'a'],
      ['a', 'a', 'a'],
      ['b', 'b', 'b'],
      ['b', 'b', 'b'],
    ];
    expect(alikeWrong(wrong, 10)?.map(({ expected }) => expected)).toEqual([0.75, 0.75]);
  });
});
