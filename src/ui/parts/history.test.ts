import { expect, it } from 'vitest';
import { changed, redone, startHistory, undone } from './history';

it('quick changes under one tag are one step; others are steps of their own', () => {
  let h = startHistory('');
  h = changed(h, 'a', 'text', 1000);
  h = changed(h, 'ab', 'text', 1500);
  h = changed(h, 'ab!', 'marks', 1600);
  h = changed(h, 'ab!c', 'text', 9000);
  const seen = [h.present];
  for (let i = 0; i < 4; i++) seen.push((h = undone(h)).present);
  expect(seen).toEqual(['ab!c', 'ab!', 'ab', '', '']);
  expect(redone(redone(h)).present).toBe('ab!');
});

it('a new change after undo forgets what could be redone', () => {
  const h = changed(undone(changed(startHistory(1), 2, '', 0)), 3, '', 5);
  expect([h.present, redone(h).present, undone(h).present]).toEqual([3, 3, 1]);
});
