import { expect, it } from 'vitest';
import { addressesIn } from './addresses';

const parts = (text: string): (string | [string])[] =>
  addressesIn(text).map(({ text: part, address }) => (address === null ? part : [address]));

it('finds addresses, without the sign that ends the sentence', () => {
  expect(parts('Chapter 4: https://kestrel-ridge.example/a?b=1, and week 6.')).toEqual([
    'Chapter 4: ',
    ['https://kestrel-ridge.example/a?b=1'],
    ', and week 6.',
  ]);
  expect(parts('(http://a.example/x)')).toEqual(['(', ['http://a.example/x'], ')']);
  expect(parts('https://a.example https://b.example')).toEqual([['https://a.example'], ' ', ['https://b.example']]);
});

it('leads nowhere but into the web', () => {
  for (const text of ['javascript:alert(1)', 'data:text/html,x', 'ftp://a.example', 'https://', 'www.a.example'])
    expect(addressesIn(text)).toEqual([{ text, address: null }]);
  expect(parts('')).toEqual([]);
});
