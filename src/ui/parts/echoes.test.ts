import { expect, it } from 'vitest';
import { Echoes } from './echoes';

it('what comes back late, or only the last of several, is known as one’s own', () => {
  const echoes = new Echoes('');
  for (const written of ['w', 'wi', 'win']) echoes.write(written);
  expect(echoes.isOwn('w')).toBe(true);
  echoes.write('wind');
  expect([echoes.isOwn('wind'), echoes.isOwn('wind')]).toEqual([true, true]);
});

it('what was undone comes from elsewhere, and so does what is done again', () => {
  const echoes = new Echoes('');
  echoes.write('w');
  echoes.isOwn('w');
  echoes.write('wi');
  echoes.isOwn('wi');
  expect([echoes.isOwn('w'), echoes.isOwn('wi')]).toEqual([false, false]);
  echoes.write('wii');
  expect(echoes.isOwn('wii')).toBe(true);
});
