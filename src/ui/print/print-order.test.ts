import { describe, expect, it } from 'vitest';
import { papersOrder, printAddress, printOrder } from './print-order';

describe('what an address says is to be printed', () => {
  it('is the paper for all, unless more is said', () => {
    expect(printOrder({})).toEqual({
      what: 'paper',
      versions: 1,
      apart: 'order',
      version: 0,
      size: 'normal',
      without: '',
    });
  });

  it.each([
    [{ what: 'everything' }, { what: 'paper' }],
    [{ versions: '99' }, { versions: 1 }],
    [
      { versions: 'x', version: '3' },
      { versions: 1, version: 0 },
    ],
    [
      { versions: '2', version: '5' },
      { versions: 2, version: 1 },
    ],
    [{ versions: ['2', '3'] }, { versions: 1 }],
    [{ version: '-1' }, { version: 0 }],
    [
      { size: 'huge', apart: '<script>' },
      { size: 'normal', apart: 'order' },
    ],
    [{ without: 'x'.repeat(5000) }, { without: '' }],
  ])('%j is read as %j', (sent, read) => {
    expect(printOrder(sent)).toMatchObject(read);
  });

  it('comes back from the address that it makes', () => {
    const order = printOrder({
      what: 'key',
      versions: '3',
      apart: 'draws',
      version: '2',
      size: 'large',
      without: 'a,b',
    });
    const search = Object.fromEntries(new URLSearchParams(printAddress(order)));
    expect(printOrder(search)).toEqual(order);
    expect(printOrder(Object.fromEntries(new URLSearchParams(printAddress(order, { version: 0 })))).version).toBe(0);
    expect(papersOrder(order)).toEqual({ count: 3, apart: 'draws', version: 2, without: ['a', 'b'] });
    expect(papersOrder(printOrder({})).without).toEqual([]);
  });
});
