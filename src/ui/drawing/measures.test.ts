import { describe, expect, it } from 'vitest';
import type { Paper } from '@/core/drawing/paper';
import { measureOf } from './measures';

const axes: Paper = {
  is: 'axes',
  x: { name: 'wind', from: 0, to: 30, step: 5, scale: 'even' },
  y: { name: 'n', from: 1, to: 1000, step: 1, scale: 'log' },
};

describe('places on a paper in words', () => {
  it('are values of the axes, and found again from them', () => {
    const { said, placed, length } = measureOf(axes, 600);
    const place = placed({ x: 15, y: 10 });
    expect(place).not.toBeNull();
    expect(said(place ?? { x: 0, y: 0 })).toEqual({ x: 15, y: 10 });
    // There is no place for nothing on a logarithmic axis.
    expect(placed({ x: 15, y: 0 })).toBeNull();
    expect(length({ x: 90, y: 520 }, { x: 970, y: 30 })).toBe('from 0 | 1 to 30 | 1000: 30 across, 999 up');
  });

  it('are squares elsewhere, and lengths with their angle', () => {
    const { said, placed, length } = measureOf({ is: 'squared' }, 600);
    expect(said({ x: 100, y: 50 })).toEqual({ x: 4, y: 2 });
    expect(placed({ x: 4, y: 2 })).toEqual({ x: 100, y: 50 });
    expect(length({ x: 0, y: 100 }, { x: 75, y: 0 })).toBe('5.0 squares long, at 53°');
  });
});
