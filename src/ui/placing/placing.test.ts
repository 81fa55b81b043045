import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { canStand, type Putting } from '@/core/rules/placing/placed';
import { type Board, giveBack, placeByNumber, put } from './placing';

const single: Board = { most: () => 1, again: false };
const many: Board = { most: () => null, again: false };
const at = (...pairs: string[]): Putting[] =>
  pairs.map((pair) => ({ item: pair.split('@')[0] ?? '', place: pair.split('@')[1] ?? '' }));
const sorted = (placed: Putting[]): string[] => placed.map(({ item, place }) => `${item}@${place}`).sort();

describe('putting', () => {
  it('gives back to the list what stood on a full place', () => {
    const { placed, out } = put(single, at('gearbox@1'), { item: 'brake', from: null }, '1');
    expect(sorted(placed)).toEqual(['brake@1']);
    expect(out).toEqual({ item: 'gearbox', to: null });
  });

  it('changes two about when the hand came from a place', () => {
    const { placed, out } = put(single, at('gearbox@1', 'brake@2'), { item: 'brake', from: '2' }, '1');
    expect(sorted(placed)).toEqual(['brake@1', 'gearbox@2']);
    expect(out).toEqual({ item: 'gearbox', to: '2' });
  });

  it('moves what may be used once, also when it is taken from the list again', () => {
    expect(sorted(put(many, at('ice@a'), { item: 'ice', from: null }, 'b').placed)).toEqual(['ice@b']);
  });

  it('uses again what may be used again, and moves it only from where it was taken', () => {
    const again: Board = { most: () => 1, again: true };
    expect(sorted(put(again, at('bolt@1'), { item: 'bolt', from: null }, '2').placed)).toEqual(['bolt@1', 'bolt@2']);
    expect(sorted(put(again, at('bolt@1', 'bolt@2'), { item: 'bolt', from: '2' }, '3').placed)).toEqual([
      'bolt@1',
      'bolt@3',
    ]);
  });

  it('on the place where it stands changes nothing', () => {
    expect(put(single, at('gearbox@1'), { item: 'gearbox', from: '1' }, '1')).toEqual({
      placed: at('gearbox@1'),
      out: null,
    });
  });

  it('is undone by giving back', () => {
    expect(sorted(giveBack(at('a@1', 'b@2'), { item: 'a', from: '1' }))).toEqual(['b@2']);
  });

  it('always leaves what can be handed in, whatever is taken and put', () => {
    const items = ['a', 'b', 'c', 'd'];
    const places = ['1', '2', '3'];
    const act = fc.record({ item: fc.nat(3), place: fc.nat(2), fromPlace: fc.boolean(), back: fc.boolean() });
    fc.assert(
      fc.property(fc.array(act, { maxLength: 40 }), fc.boolean(), fc.boolean(), (acts, again, oneEach) => {
        const board: Board = { most: () => (oneEach ? 1 : null), again };
        let placed: Putting[] = [];
        for (const { item, place, fromPlace, back } of acts) {
          const taken = items[item] ?? 'a';
          const stands = placed.find((one) => one.item === taken);
          const hand = { item: taken, from: (fromPlace && stands?.place) || null };
          placed = back ? giveBack(placed, hand) : put(board, placed, hand, places[place] ?? '1').placed;
          const room = places.map((id) => ({ id, most: oneEach ? 1 : null }));
          expect(canStand({ items, places: room, again }, placed)).toBe(true);
        }
      }),
    );
  });
});

describe('the number of a place', () => {
  const places = Array.from({ length: 12 }, (_, i) => `p${i}`);
  it('goes on while there is such a place, and begins anew when there is none', () => {
    expect(placeByNumber('', '1', places)).toEqual({ typed: '1', at: 0 });
    expect(placeByNumber('1', '2', places)).toEqual({ typed: '12', at: 11 });
    expect(placeByNumber('1', '5', places)).toEqual({ typed: '5', at: 4 });
    expect(placeByNumber('', '0', places)).toBeNull();
  });
});
