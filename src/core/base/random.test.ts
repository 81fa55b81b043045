import { describe, expect, it } from 'vitest';
import { seedFor, shuffled } from './random';

describe('seeded shuffles', () => {
  const items = Array.from({ length: 20 }, (_, i) => i);

  it('give the same order for the same seed and keep every element', () => {
    expect(shuffled(items, 7)).toEqual(shuffled(items, 7));
    expect([...shuffled(items, 7)].sort((a, b) => a - b)).toEqual(items);
    expect(items[0]).toBe(0);
  });

  it('give other orders for other seeds', () => {
    const orders = new Set(Array.from({ length: 50 }, (_, seed) => shuffled(items, seed).join()));
    expect(orders.size).toBe(50);
  });

  it('put each of four options first about equally often', () => {
    const first: Record<number, number> = { 0: 0, 1: 0, 2: 0, 3: 0 };
    for (let i = 0; i < 4000; i++) {
      const option = shuffled([0, 1, 2, 3], seedFor(i, 'slot'))[0] ?? -1;
      first[option] = (first[option] ?? 0) + 1;
    }
    for (const count of Object.values(first)) expect(Math.abs(count - 1000)).toBeLessThan(130);
  });
});
