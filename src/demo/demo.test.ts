import { expect, it } from 'vitest';
import { choose } from './write';

it('where the right option stands in the author’s order tells nothing either', () => {
  const places = [0, 0, 0, 0];
  for (let i = 0; i < 200; i++) {
    const { slot } = choose(`right ${i}`, ['one', 'two', 'three']);
    const at = (slot.setup as { options: { key: boolean }[] }).options.findIndex(({ key }) => key);
    places[at] = (places[at] ?? 0) + 1;
  }
  for (const times of places) expect(times).toBeGreaterThan(25);
});
