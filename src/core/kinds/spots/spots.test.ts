import { describe, expect, it } from 'vitest';
import { stored } from '../../base/exact';
import { sample } from './sample';
import { type Area, distanceTo, inside, spots, type SpotsSetup } from './spots';

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

describe('points', () => {
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
