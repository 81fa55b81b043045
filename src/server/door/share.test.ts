import { expect, it } from 'vitest';
import { Shares } from './share';

const share = { atOnce: 2, waiting: 3, rush: 10, perSecond: 2 };

it('everybody has a rush, then so many a second, and nobody less for what another asks', async () => {
  const shares = new Shares();
  const ask = async (who: string, times: number, now: number): Promise<number> => {
    let answered = 0;
    for (let i = 0; i < times; i++) {
      const leave = await shares.takeTurn(who, share, now);
      if (leave) answered += 1;
      leave?.();
    }
    return answered;
  };
  expect(await ask('greedy', 50, 0)).toBe(10);
  expect(await ask('other', 5, 0)).toBe(5);
  expect(await ask('greedy', 50, 1000)).toBe(2);
  expect(await ask('greedy', 50, 3_600_000)).toBe(10);
});

it('so many requests are at work; who is too many for waiting too is turned away at once', async () => {
  const shares = new Shares();
  const turns = Array.from({ length: 8 }, () => shares.takeTurn('parallel', share, 0));
  const came = await Promise.all([turns[0], turns[1], turns[5], turns[6], turns[7]]);
  expect(came.map((leave) => leave !== null)).toEqual([true, true, false, false, false]);
  came[0]?.();
  expect(await turns[2]).not.toBeNull();
});
