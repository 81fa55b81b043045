import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { flawsOf } from './looks';
import { type Corners, cssMatrix, isSheet, projected, projection, ratioOf } from './straighten';

const corners = (...xy: number[]): Corners =>
  [0, 2, 4, 6].map((i) => ({ x: xy[i] ?? 0, y: xy[i + 1] ?? 0 })) as unknown as Corners;
const SQUARE = corners(0, 0, 1, 0, 1, 1, 0, 1);

describe('a photographed page is straightened', () => {
  it('by a map that takes each corner to its place', () => {
    const coordinate = fc.double({ min: 0, max: 0.3, noNaN: true });
    fc.assert(
      fc.property(fc.array(coordinate, { minLength: 8, maxLength: 8 }), (d) => {
        const [a = 0, b = 0, c = 0, e = 0, f = 0, g = 0, h = 0, i = 0] = d;
        const seen = corners(a, b, 1 - c, e, 1 - f, 1 - g, h, 1 - i);
        const map = projection(seen, SQUARE);
        expect(isSheet(seen)).toBe(true);
        seen.forEach((corner, at) => {
          const there = map && projected(map, corner);
          expect(there?.x).toBeCloseTo(SQUARE[at]?.x ?? 0, 6);
          expect(there?.y).toBeCloseTo(SQUARE[at]?.y ?? 0, 6);
        });
      }),
      { numRuns: 200, seed: 20261129 },
    );
  });

  it('as geometry has it: straight lines stay straight, and the crossing of the diagonals is the middle', () => {
    const seen = corners(0.1, 0.1, 0.8, 0.2, 0.9, 0.9, 0.2, 0.7);
    const map = projection(seen, SQUARE);
    // The diagonals of the seen sheet: y = x, and from (0.8, 0.2) to (0.2, 0.7), y = 0.2 + (0.8 − x)·5/6.
    const x = (0.2 + (0.8 * 5) / 6) / (1 + 5 / 6);
    const middle = map && projected(map, { x, y: x });
    expect(middle?.x).toBeCloseTo(0.5, 9);
    expect(middle?.y).toBeCloseTo(0.5, 9);
  });

  it('in the notation of CSS: nothing to do is the identity, a half is a scale', () => {
    expect(cssMatrix(projection(SQUARE, SQUARE) ?? [])).toBe('matrix3d(1,0,0,0,0,1,0,0,0,0,1,0,0,0,0,1)');
    expect(cssMatrix(projection(SQUARE, corners(0, 0, 0.5, 0, 0.5, 0.5, 0, 0.5)) ?? [])).toBe(
      'matrix3d(0.5,0,0,0,0,0.5,0,0,0,0,1,0,0,0,0,1)',
    );
  });

  it('only where the corners are those of a sheet', () => {
    expect(isSheet(corners(0, 0, 1, 1, 1, 0, 0, 1))).toBe(false);
    expect(isSheet(corners(0, 0, 0, 1, 1, 1, 1, 0))).toBe(false);
    expect(isSheet(corners(0, 0, 0, 0, 1, 1, 0, 1))).toBe(false);
    expect(projection(corners(0, 0, 1, 0, 2, 0, 0, 1), SQUARE)).toBeNull();
    expect(ratioOf(corners(0, 0, 2, 0, 2, 1, 0, 1))).toBe(2);
  });
});

describe('a photographed page is looked over', () => {
  const picture = (of: (x: number, y: number) => number): number[] =>
    Array.from({ length: 64 * 64 }, (_, i) => of(i % 64, Math.floor(i / 64)));
  it.each([
    ['written lines', (x: number, y: number) => (y % 8 === 0 && x % 5 < 3 ? 30 : 220), []],
    ['a dark one', (x: number, y: number) => (y % 8 === 0 && x % 5 < 3 ? 0 : 50), ['dark']],
    ['a blurred one', (x: number, y: number) => 180 + 40 * Math.sin(x / 12) * Math.cos(y / 12), ['blurred']],
    ['nothing at all', () => 0, ['dark', 'blurred']],
  ] as const)('%s', (_, of, flaws) => expect(flawsOf(picture(of), 64, 64)).toEqual(flaws));
  it('however small it is', () => {
    expect(flawsOf([], 0, 0)).toEqual(['dark', 'blurred']);
    expect(flawsOf([255], 1, 1)).toEqual(['blurred']);
  });
});
