import { setImmediate as nextTurn, setTimeout as sleep } from 'node:timers/promises';
import { describe, expect, it } from 'vitest';
import { together } from './together';

describe('together', () => {
  it('puts what is asked during a round into the next one, and answers each caller', async () => {
    const rounds: number[][] = [];
    const double = together<number, number>(async (items) => {
      rounds.push(items);
      await sleep(5);
      return items.map((item) => item * 2);
    });
    const first = double(1);
    await nextTurn();
    const rest = [double(2), double(3), double(4)];
    expect(await Promise.all([first, ...rest])).toEqual([2, 4, 6, 8]);
    expect(rounds).toEqual([[1], [2, 3, 4]]);
    expect(await double(5)).toBe(10);
  });

  it('puts what is asked in one turn of the event loop into one round, though the work waits for nothing', async () => {
    const rounds: number[][] = [];
    const same = together<number, number>((items) => {
      rounds.push(items);
      return Promise.resolve(items);
    });
    // Requests that arrive together are heard one after another, each with all that follows from it.
    await Promise.all([1, 2, 3].map((item) => Promise.resolve().then(() => same(item))));
    expect(rounds).toEqual([[1, 2, 3]]);
  });

  it('gives the error of a round to its callers alone', async () => {
    const work = together<number, number>(async (items) => {
      await sleep(5);
      if (items.includes(2)) throw new Error('no');
      return items;
    });
    const first = work(1);
    await nextTurn();
    const all = await Promise.allSettled([first, work(2), work(3)]);
    expect(all.map(({ status }) => status)).toEqual(['fulfilled', 'rejected', 'rejected']);
    expect(await work(4)).toBe(4);
  });
});
