import { expect, it } from 'vitest';
import { readUserName } from './user-name';

it.each([
  [' Aino.V ', 'aino.v'],
  ['mira@kestrel-ridge.example', 'mira@kestrel-ridge.example'],
  ['7b', '7b'],
  // Two ways of writing one letter are one user name.
  ['Ame\u0301lie', 'am\u00e9lie'],
  ['x'.repeat(99), 'x'.repeat(99)],
])('%j is kept as %j', (typed, kept) => {
  expect(readUserName(typed)).toBe(kept);
});

it.each(['', 'a', 'two words', '-dash', '.point', 'a<b', 'a\u0000b', 'x'.repeat(100)])('%j is none', (typed) => {
  expect(readUserName(typed)).toBeNull();
});
