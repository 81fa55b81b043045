import { expect, it } from 'vitest';
import { Gate } from './gate';

it('lets so many through at a time, in the order of coming, and turns away who is too many', async () => {
  const gate = new Gate(2, 2);
  const came: number[] = [];
  const enter = async (n: number): Promise<(() => void) | null> => {
    const leave = await gate.enter();
    came.push(leave ? n : -n);
    return leave;
  };
  const all = [1, 2, 3, 4, 5].map(enter);
  const first = await all[0];
  await all[4];
  expect(came).toEqual([1, 2, -5]);
  first?.();
  // Leaving twice makes no second place.
  first?.();
  const third = await all[2];
  expect(came).toEqual([1, 2, -5, 3]);
  (await all[1])?.();
  (await all[3])?.();
  third?.();
  expect(came).toEqual([1, 2, -5, 3, 4]);
});
