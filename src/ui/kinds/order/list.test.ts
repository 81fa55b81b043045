import { describe, expect, it } from 'vitest';
import { BORDER, inList, movedInList } from './list';

const list = inList(['a', 'b', 'c'], ['d', 'c', 'b', 'a', 'e'], true);

describe('a list with a border', () => {
  it('has below it what is not in the order', () => {
    expect(list).toEqual(['a', 'b', 'c', BORDER, 'd', 'e']);
    expect(inList(['b', 'a'], ['a', 'b'], false)).toEqual(['b', 'a']);
  });

  it('moves things within the order, out of it, and back', () => {
    expect(movedInList(list, 0, 1)).toEqual(['b', 'a', 'c']);
    expect(movedInList(list, 2, 3)).toEqual(['a', 'b']);
    expect(movedInList(list, 0, 5)).toEqual(['b', 'c']);
    expect(movedInList(list, 4, 3)).toEqual(['a', 'b', 'c', 'd']);
    // What stands last below the border comes back with one step too.
    expect(movedInList(list, 5, 4)).toEqual(['a', 'b', 'c', 'e']);
    expect(movedInList(list, 5, 0)).toEqual(['e', 'a', 'b', 'c']);
  });

  it('keeps one thing in the order, and knows what is nowhere', () => {
    expect(movedInList(['a', BORDER, 'b'], 0, 1)).toBeNull();
    for (const [from, to] of [
      [0, -1],
      [3, 1],
      [4, 5],
      [5, 6],
      [9, 0],
    ])
      expect(movedInList(list, from ?? 0, to ?? 0)).toBeNull();
  });
});
