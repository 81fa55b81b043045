import { expect, it } from 'vitest';
import { pageAllowed } from './pages';

it('lets our own pages and allowed hosts stand in a sheet, and nothing that looks like them', () => {
  const hosts = ['example.org'];
  for (const good of [
    '/simulations/blade-pitch',
    'https://example.org',
    'https://sim.example.org/a?b',
    'https://EXAMPLE.org/',
  ])
    expect(pageAllowed(good, hosts)).toBe(true);
  for (const bad of [
    'http://example.org/',
    'https://badexample.org/',
    'https://example.org.evil.example/',
    'https://example.org@evil.example/',
    'https://evil.example/#https://example.org/',
    'javascript:alert(1)',
    '/bank',
    '//example.org/',
    '',
  ])
    expect(pageAllowed(bad, hosts)).toBe(false);
});
