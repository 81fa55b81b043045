import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { exact, stored } from '../../base/exact';
import { canStand, different, firstAccepted, inOrder, nearKey } from './placed';
import { type Given, markPlaced, PLACING_SCHEMES, type PlacingScheme, type Wanted } from './rules';

const wanted = (id: string, ...accepts: string[]): Wanted => ({ id, name: id, accepts, feedback: `not at ${id}` });
const given = (at: string, what: string): Given => ({ at, what, name: what });
const share = (scheme: PlacingScheme, all: Wanted[], ...placed: Given[]): string => {
  const marking = markPlaced(all, placed, scheme);
  return marking.state === 'marked' ? stored(marking.share) : 'waits';
};

describe('marks of what was placed', () => {
  const all = [wanted('1', 'gearbox'), wanted('2', 'brake', 'lock'), wanted('3', 'tower'), wanted('4')];

  it('come by parts, with or without deductions, or for the whole (common practice, no source)', () => {
    const two = [given('1', 'gearbox'), given('2', 'lock'), given('3', 'brake')];
    expect([
      share('by-part', all, ...two),
      share('by-part-deductions', all, ...two),
      share('whole', all, ...two),
    ]).toEqual(['2/3', '1/3', '0']);
    const right = [given('1', 'gearbox'), given('2', 'brake'), given('3', 'tower')];
    for (const scheme of PLACING_SCHEMES) expect(share(scheme, all, ...right)).toBe('1');
    // What belongs nowhere, put somewhere.
    expect(share('whole', all, ...right, given('4', 'paint'))).toBe('0');
    expect(share('by-part-deductions', all, ...right, given('4', 'paint'))).toBe('2/3');
  });

  it('say place by place how they came about, and what a teacher says to a wrong one', () => {
    const marking = markPlaced(all, [given('1', 'tower'), given('2', 'lock')], 'by-part');
    expect(marking).toMatchObject({ state: 'marked', feedback: 'not at 1' });
    expect(marking.trace.map(({ code }) => code)).toEqual([
      'placed-counted',
      'placed-wrong',
      'placed-right',
      'placed-missing',
    ]);
  });

  it('never fall for one more right one, never rise for one more wrong one, and stay between none and all', () => {
    const one = fc.record({
      at: fc.constantFrom('1', '2', '3', '4'),
      what: fc.constantFrom('gearbox', 'brake', 'tower'),
    });
    fc.assert(
      fc.property(
        fc.uniqueArray(one, { selector: ({ at }) => at }),
        fc.constantFrom(...PLACING_SCHEMES),
        (placed, scheme) => {
          const so = (put: typeof placed): number =>
            exact(share(scheme, all, ...put.map(({ at, what }) => given(at, what)))).valueOf();
          const [last, ...rest] = placed;
          expect(so(placed)).toBeGreaterThanOrEqual(0);
          expect(so(placed)).toBeLessThanOrEqual(1);
          if (!last) return;
          const right = all.find(({ id }) => id === last.at)?.accepts.includes(last.what) ?? false;
          if (right) expect(so(placed)).toBeGreaterThanOrEqual(so(rest));
          else expect(so(placed)).toBeLessThanOrEqual(so(rest));
        },
      ),
    );
  });

  it('of 10,000 sheets with 12 places take less than two seconds of work', () => {
    const twelve = Array.from({ length: 12 }, (_, i) => wanted(`p${i}`, `n${i}`));
    const before = process.cpuUsage().user;
    for (let sheet = 0; sheet < 10_000; sheet++)
      markPlaced(
        twelve,
        twelve.map(({ id }, i) => given(id, `n${(i * sheet) % 12}`)),
        'by-part-deductions',
      );
    expect((process.cpuUsage().user - before) / 1e6).toBeLessThan(2);
  });
});

describe('what was placed', () => {
  const board = {
    items: ['a', 'b'],
    places: [
      { id: '1', most: 1 },
      { id: '2', most: null },
    ],
    again: false,
  };

  it('can only be what a sheet allows', () => {
    const at = (...pairs: string[]) => pairs.map((p) => ({ item: p[0] ?? '', place: p[1] ?? '' }));
    expect([canStand(board, at()), canStand(board, at('a1', 'b2')), canStand(board, at('a2', 'b2'))]).toEqual([
      true,
      true,
      true,
    ]);
    for (const not of [at('c1'), at('a3'), at('a1', 'b1'), at('a1', 'a2'), at('a2', 'a2')])
      expect(canStand(board, not)).toBe(false);
    expect(canStand({ ...board, again: true }, at('a1', 'a2'))).toBe(true);
    expect(canStand({ ...board, again: true }, at('a2', 'a2'))).toBe(false);
  });

  it('is the same in whatever order it was made; answers near a key are different ones', () => {
    const key = [
      { item: 'a', place: '1' },
      { item: 'b', place: '2' },
    ];
    expect(inOrder([...key].reverse())).toEqual(inOrder(key));
    expect(different([key, [...key].reverse(), []])).toHaveLength(1);
    expect(nearKey(key)).toHaveLength(4);
    expect(nearKey([])).toEqual([]);
    expect(
      firstAccepted(
        [
          { id: '1', accepts: ['a'] },
          { id: '2', accepts: ['a', 'b'] },
        ],
        false,
      )?.placed,
    ).toEqual(key);
    expect(firstAccepted([{ id: '1', accepts: [] }], false)).toBeNull();
  });
});
