import { expect, it } from 'vitest';
import { announce } from './headers';

const said = {
  host: 'zonda.example',
  'x-forwarded-for': '1.1.1.1, 2.2.2.2',
  'x-forwarded-host': 'elsewhere.example',
  'x-forwarded-proto': 'https',
  forwarded: 'for=1.1.1.1',
  'x-zonda-source': 'me',
  'x-zonda-secure': 'yes',
};

it('without a proxy nothing that a request says about itself counts', () => {
  const headers = { ...said };
  announce(headers, { address: '9.9.9.9', proxy: false });
  expect(headers).toEqual({
    host: 'zonda.example',
    'x-zonda-source': '9.9.9.9',
    'x-zonda-secure': 'no',
  });
});

it('behind a proxy its word counts: the address that it saw, and how it was reached', () => {
  const headers = { ...said };
  announce(headers, { address: '127.0.0.1', proxy: true });
  expect(headers).toMatchObject({
    'x-forwarded-host': 'elsewhere.example',
    'x-zonda-source': '2.2.2.2',
    'x-zonda-secure': 'yes',
  });
  const bare = { host: 'zonda.example', 'x-zonda-source': 'me' };
  announce(bare, { address: '127.0.0.1', proxy: true });
  expect(bare).toMatchObject({ 'x-zonda-source': '127.0.0.1', 'x-zonda-secure': 'no' });
});
