import { describe, expect, it } from 'vitest';
import { stored } from '../../base/exact';
import { sample } from './sample';
import { type Area, alongEdge, cornersOf, distanceTo, fewer, inside, MOST_CORNERS, type Point, pointIn } from './areas';
import { spots, type SpotsSetup } from './spots';

const area = (part: Partial<Area>): Area => ({
  id: 'a',
  shape: 'round',
  x: 50,
  y: 50,
  width: 20,
  height: 40,
  right: true,
  feedback: '',
  ...part,
});
const setup: SpotsSetup = {
  ...sample.setup,
  areas: [
    area({ id: 'a', x: 20 }),
    area({ id: 'b', x: 80, shape: 'rectangle' }),
    area({ id: 'c', y: 90, width: 10, height: 10, right: false, feedback: 'That is the tower.' }),
  ],
};
const share = (scheme: SpotsSetup['scheme'], ...points: [number, number][]): string => {
  const marking = spots.marked.mark({ ...setup, scheme }, { points: points.map(([x, y]) => ({ x, y })) });
  return marking.state === 'marked' ? stored(marking.share) : 'waits';
};

describe('an area', () => {
  it('holds what lies in it, its edge included', () => {
    const round = area({});
    expect([inside(round, { x: 60, y: 50 }), inside(round, { x: 50, y: 70 })]).toEqual([true, true]);
    expect([inside(round, { x: 60, y: 70 }), inside(area({ shape: 'rectangle' }), { x: 60, y: 70 })]).toEqual([
      false,
      true,
    ]);
    expect(inside(area({ width: 0, height: 0 }), { x: 51, y: 50 })).toBe(false);
  });
});

/** An L: the lower left of a square is full, its upper right is not. */
const L: Point[] = [
  { x: 20, y: 20 },
  { x: 30, y: 20 },
  { x: 30, y: 50 },
  { x: 60, y: 50 },
  { x: 60, y: 60 },
  { x: 20, y: 60 },
];

describe('a free shape', () => {
  const free = alongEdge(area({}), L);
  it('holds what lies within its edge, hollows left out', () => {
    expect([free.x, free.y, free.width, free.height]).toEqual([40, 40, 40, 40]);
    const at = (x: number, y: number): boolean => inside(free, { x, y });
    expect([at(25, 25), at(25, 55), at(55, 55), at(20, 40), at(30, 40)]).toEqual([true, true, true, true, true]);
    expect([at(40, 40), at(55, 25), at(19, 40), at(61, 55), at(40, 61)]).toEqual(Array(5).fill(false));
    expect(inside(free, pointIn(free))).toBe(true);
  });

  it('goes along when its box is moved and stretched', () => {
    const moved = { ...free, x: 50, width: 80 };
    expect(cornersOf(moved)[0]).toEqual({ x: 10, y: 20 });
    expect([inside(moved, { x: 25, y: 25 }), inside(moved, { x: 50, y: 40 })]).toEqual([true, false]);
  });

  it('is as far away as the nearest piece of its edge', () => {
    expect(distanceTo(free, { x: 45, y: 40 }, 1)).toBeCloseTo(10, 9);
    expect(distanceTo(free, { x: 45, y: 40 }, 2)).toBeCloseTo(5, 9);
    expect(distanceTo(free, { x: 25, y: 40 }, 1)).toBe(0);
  });

  it('drawn with a hundred points keeps its form with few', () => {
    const drawn = Array.from({ length: 2000 }, (_, i) => ({
      x: 50 + 30 * Math.cos((i * Math.PI) / 1000),
      y: 50 + 20 * Math.sin((i * Math.PI) / 1000),
    }));
    const round = alongEdge(area({}), drawn);
    expect(round.corners?.length).toBeLessThanOrEqual(MOST_CORNERS);
    for (const one of drawn) {
      const by = (share: number): Point => ({ x: 50 + (one.x - 50) * share, y: 50 + (one.y - 50) * share });
      expect([inside(round, by(0.95)), inside(round, by(1.05))]).toEqual([true, false]);
    }
    expect(fewer(L, 40)).toEqual(L);
  });

  it('of no extent is one that nobody can point at, and breaks nothing', () => {
    const none = alongEdge(area({}), [{ x: 30, y: 30 }]);
    expect([none.width, none.height, inside(none, { x: 31, y: 30 })]).toEqual([0, 0, false]);
    expect(spots.readiness({ ...setup, areas: [none] }).map(({ code }) => code)).toEqual(['spots-area-small']);
  });
});

describe('points', () => {
  it('count as often as their area is worth', () => {
    const worth: SpotsSetup = {
      ...setup,
      areas: [{ ...area({ id: 'a', x: 20 }), weight: 3 }, area({ id: 'b', x: 80 })],
    };
    const earned = (scheme: SpotsSetup['scheme'], ...xs: number[]): string => {
      const marking = spots.marked.mark({ ...worth, scheme }, { points: xs.map((x) => ({ x, y: 50 })) });
      return marking.state === 'marked' ? stored(marking.share) : 'waits';
    };
    expect([earned('by-part', 20), earned('by-part', 80), earned('by-part', 20, 80)]).toEqual(['3/4', '1/4', '1']);
    expect(earned('by-part-deductions', 20, 50)).toBe('1/2');
    expect(earned('whole', 20, 80)).toBe('1');
  });

  it('count an area once, and are wrong elsewhere', () => {
    expect(share('by-part', [20, 50], [80, 50])).toBe('1');
    expect(share('by-part', [20, 50], [22, 50])).toBe('1/2');
    expect(share('by-part-deductions', [20, 50], [22, 50])).toBe('1/2');
    expect(share('by-part-deductions', [20, 50], [50, 10])).toBe('0');
    expect([share('whole', [20, 50]), share('whole', [20, 50], [80, 50])]).toEqual(['0', '1']);
  });

  it('beside a right area earn less with the distance, where that is wanted', () => {
    const square: SpotsSetup = {
      ...setup,
      picture: { media: 'b'.repeat(64), ratio: 2, description: '' },
      areas: [area({ id: 'a', shape: 'rectangle', x: 50, width: 20 })],
      near: 10,
    };
    const earned = (x: number, y: number): string => {
      const marking = spots.marked.mark(square, { points: [{ x, y }] });
      return marking.state === 'marked' ? stored(marking.share) : 'waits';
    };
    expect([earned(60, 50), earned(65, 50), earned(69, 50), earned(70, 50)]).toEqual(['1', '1/2', '1/10', '0']);
    // The picture is twice as wide as high: ten percent of its height are five of its width.
    expect(earned(50, 80)).toBe('1/2');
    expect(earned(66, 86)).toBe('0');
    const round = area({ x: 50, y: 50, width: 20, height: 40 });
    expect(distanceTo(round, { x: 65, y: 50 }, 2)).toBeCloseTo(5, 9);
    expect(distanceTo(round, { x: 50, y: 90 }, 2)).toBeCloseTo(10, 9);
  });

  it('in a wrong area are told what it is', () => {
    expect(spots.marked.mark(setup, { points: [{ x: 50, y: 90 }] })).toMatchObject({ feedback: 'That is the tower.' });
  });

  it('are as many as there are right areas, or as the teacher says', () => {
    const three = { points: [1, 2, 3].map((x) => ({ x, y: x })) };
    expect([spots.sheet(setup, 1).most, spots.accepts(setup, three)]).toEqual([2, false]);
    expect(spots.accepts({ ...setup, most: 3 }, three)).toBe(true);
    expect(spots.readiness({ ...setup, most: 1 }).map(({ code }) => code)).toEqual(['spots-most-too-few']);
    expect(spots.readiness({ ...setup, areas: [area({ width: 0 })] }).map(({ code }) => code)).toEqual([
      'spots-area-small',
    ]);
  });
});

describe('the picture', () => {
  const codes = (part: Partial<NonNullable<SpotsSetup['picture']>>): string[] =>
    spots
      .readiness({ ...setup, picture: { ...sample.setup.picture, media: '', ratio: 1, description: 'x', ...part } })
      .map(({ code }) => code);
  it('is to be described, and wide enough to be read where its pixels are known', () => {
    expect([codes({}), codes({ pixels: 480 }), codes({ pixels: 479 }), codes({ description: ' ' })]).toEqual([
      [],
      [],
      ['slot-picture-small'],
      ['slot-picture-undescribed'],
    ]);
  });
});
