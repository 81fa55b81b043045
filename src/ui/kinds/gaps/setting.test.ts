import { describe, expect, it } from 'vitest';
import { gaps, type GapsSetup } from '@/core/kinds/gaps/gaps';
import { withGap, withoutGap, withText } from './setting';

const written = withText(gaps.fresh(), 'The shaft turns the shaft.');
const taken = (setup: GapsSetup): string => setup.gaps.map(({ from, to }) => setup.text.slice(from, to)).join('|');
const tiles = (setup: GapsSetup): string => setup.tiles.map(({ text }) => text).join('|');

describe('setting gaps', () => {
  it('makes a tile of the words that are taken out, without the spaces round them', () => {
    const one = withGap(written, { from: 3, to: 10 });
    expect([taken(one), tiles(one)]).toEqual(['shaft', 'shaft']);
  });

  it('uses the tile that says the same', () => {
    const two = withGap(withGap(written, { from: 4, to: 9 }), { from: 20, to: 25 });
    expect([taken(two), tiles(two)]).toEqual(['shaft|shaft', 'shaft']);
    const back = withoutGap(two, two.gaps[0]?.id ?? '');
    expect([taken(back), tiles(back)]).toEqual(['shaft', 'shaft']);
  });

  it('puts a longer stretch in the place of those that it covers', () => {
    const one = withGap(withGap(written, { from: 4, to: 9 }), { from: 4, to: 15 });
    expect([taken(one), tiles(one)]).toEqual(['shaft turns', 'shaft turns']);
  });

  it('lets the tile follow the words, and takes it out with them', () => {
    const one = withGap(written, { from: 10, to: 15 });
    expect(tiles(withText(one, 'The shaft drives the shaft.'))).toBe('drives');
    expect(tiles(withText(one, 'The shaft  the shaft.'))).toBe('');
  });
});
