import { describe, expect, it } from 'vitest';
import { dealt } from './deal';

const people = Array.from({ length: 25 }, (_, i) => `p${i}`);

describe('dealing groups', () => {
  it.each([
    [4, 7],
    [5, 5],
    [24, 2],
    [25, 1],
    [100, 1],
    [1, 25],
    [0, 25],
  ])('25 people in groups of %i make %i groups, of nearly one size, with everybody once', (size, count) => {
    const groups = dealt(people, size, 3);
    expect(groups).toHaveLength(count);
    expect(groups.flat().sort()).toEqual([...people].sort());
    const sizes = groups.map((one) => one.length);
    expect(Math.max(...sizes) - Math.min(...sizes)).toBeLessThanOrEqual(1);
  });

  it('is another one with another seed, and nobody makes no group', () => {
    expect(dealt(people, 4, 1)).toEqual(dealt(people, 4, 1));
    expect(dealt(people, 4, 1)).not.toEqual(dealt(people, 4, 2));
    expect(dealt([], 4, 1)).toEqual([]);
  });
});
