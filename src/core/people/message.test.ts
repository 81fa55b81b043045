import { expect, it } from 'vitest';
import { filledMessage, readAddress } from './message';

const values = {
  name: 'Ada [exam]',
  exam: 'Certificate',
  course: 'WT-1',
  opens: 'Mon',
  closes: 'Tue',
  minutes: '30',
  address: 'https://zonda.example/my',
};

it('fills in each name wherever it stands, once, and leaves other brackets', () => {
  expect(filledMessage('[name]: [exam] [exam], [2 marks] [Name]', values)).toBe(
    'Ada [exam]: Certificate Certificate, [2 marks] [Name]',
  );
});

it.each([
  ['ada@kestrel.example', true],
  [' ada.b+c@sub.kestrel.example ', true],
  ['ada', false],
  ['ada@kestrel', false],
  ['ada@@kestrel.example', false],
  ['a b@kestrel.example', false],
  ['ada@kestrel.example, ben@kestrel.example', false],
  ['ada@kestrel.example\nBcc: x@y.example', false],
  [`${'a'.repeat(250)}@k.example`, false],
])('“%s” is an address: %s', (typed, is) => {
  expect(readAddress(typed) !== null).toBe(is);
});
