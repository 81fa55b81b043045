import { XMLParser } from 'fast-xml-parser';
import { describe, expect, it } from 'vitest';
import { boundsOf, distanceTo, measured, moved, shapeAt, simplified } from './geometry';
import { type Axis, paperMarks, placeOn, soundAxis, SQUARE, valueOn } from './paper';
import { freshShapeId, MOST_POINTS, pointCount, type Shape } from './shapes';
import { paperSchema, shapesSchema } from './stored';
import { drawingSvg } from './svg';
import { measureWork } from '../../../tests/drivers/work';

const pen = (points: number[], id = '1'): Shape => ({ is: 'pen', id, colour: 'black', width: 'medium', points });
const spanned = (is: 'line' | 'arrow' | 'box' | 'ellipse', id = '2'): Shape => ({
  is,
  id,
  colour: 'blue',
  width: 'fine',
  x1: 100,
  y1: 300,
  x2: 300,
  y2: 100,
});
const text = (words: string): Shape => ({
  is: 'text',
  id: '9',
  colour: 'green',
  width: 'fine',
  x1: 10,
  y1: 50,
  text: words,
});

describe('shapes of a drawing', () => {
  it('are stored within limits: points in pairs, names of their own, so many and no more', () => {
    const good = [pen([1, 2, 3, 4]), spanned('box')];
    expect(shapesSchema.safeParse(good).success).toBe(true);
    expect(shapesSchema.safeParse([pen([1, 2, 3])]).success).toBe(false);
    expect(shapesSchema.safeParse([pen([])]).success).toBe(false);
    expect(shapesSchema.safeParse([pen([1, 2]), pen([3, 4])]).success).toBe(false);
    expect(shapesSchema.safeParse([pen([Number.NaN, 2])]).success).toBe(false);
    const half = Array.from({ length: MOST_POINTS }, () => 5);
    expect(shapesSchema.safeParse([pen(half, '1'), pen(half, '2')]).success).toBe(true);
    expect(shapesSchema.safeParse([pen(half, '1'), pen(half, '2'), pen([1, 1], '3')]).success).toBe(false);
    expect(pointCount(good)).toBe(4);
  });

  it('get names that no other has', () => {
    expect(freshShapeId([])).toBe('1');
    expect(freshShapeId([pen([1, 1], 'z')])).toBe('10');
    expect(freshShapeId([pen([1, 1], '3'), pen([1, 1], '1')])).toBe('4');
  });

  it('are found where they are drawn, the uppermost first', () => {
    const shapes = [spanned('box', 'below'), spanned('line', 'above')];
    expect(shapeAt(shapes, 200, 200, 5)?.id).toBe('above');
    expect(shapeAt(shapes, 100, 200, 5)?.id).toBe('below');
    expect(shapeAt(shapes, 150, 180, 5)).toBeNull();
    expect(distanceTo(spanned('ellipse'), 200, 100)).toBe(0);
    expect(distanceTo(spanned('ellipse'), 200, 200)).toBeGreaterThan(90);
    expect(distanceTo(text('wind'), 20, 40)).toBe(0);
    expect(distanceTo(pen([50, 50]), 50, 90)).toBeCloseTo(37.5, 6);
  });

  it('are moved as a whole', () => {
    expect(moved(pen([1, 2, 3, 4]), 10, -1)).toMatchObject({ points: [11, 1, 13, 3] });
    expect(boundsOf(moved(spanned('arrow'), 5, 5))).toEqual({ x1: 105, y1: 105, x2: 305, y2: 305 });
    expect(moved(text('a'), -5, 1)).toMatchObject({ x1: 5, y1: 51 });
  });

  it('measure what they span', () => {
    expect(measured({ x1: 0, y1: 40, x2: 30, y2: 0 })).toEqual({
      length: 50,
      angle: (Math.atan2(4, 3) * 180) / Math.PI,
    });
    expect(measured({ x1: 0, y1: 0, x2: 10, y2: 0 })).toEqual({ length: 10, angle: 0 });
  });
});

describe('a path made of fewer points', () => {
  it('keeps corners and drops what lies between on a line', () => {
    const straight = Array.from({ length: 50 }, (_, i) => [i, 0]).flat();
    expect(simplified([...straight, 49, 50], 0.5)).toEqual([0, 0, 49, 0, 49, 50]);
    expect(simplified([7, 8], 0.5)).toEqual([7, 8]);
    expect(simplified([5, 5, 5, 5, 5, 5], 0.5)).toEqual([5, 5, 5, 5]);
  });

  it('is nowhere farther from what was drawn than said', () => {
    const drawn = Array.from({ length: 3000 }, (_, i) => [i / 3, 100 + 60 * Math.sin(i / 40)]).flat();
    const simple = simplified(drawn, 0.8);
    expect(simple.length).toBeLessThan(drawn.length / 8);
    const line: Shape = { ...pen(simple), width: 'fine' };
    for (let i = 0; i < drawn.length; i += 2) {
      // The pen is 2.5 units thick, half of it to each side; and points are kept to a tenth.
      expect(distanceTo(line, drawn[i] ?? 0, drawn[i + 1] ?? 0)).toBeLessThanOrEqual(0.8 + 0.1);
    }
  });

  it('does not lose its breath over the longest path there can be', () => {
    const zigzag = Array.from({ length: MOST_POINTS }, (_, i) => [i % 1000, (i % 2) * 500]).flat();
    const work = measureWork();
    simplified(zigzag, 0.8);
    expect(work()).toBeLessThan(3000);
  });
});

describe('papers', () => {
  const even: Axis = { name: 'v in m/s', from: 0, to: 25, step: 5, scale: 'even' };
  const log: Axis = { name: 'n', from: 1, to: 1000, step: 1, scale: 'log' };

  it('have forty squares on their width', () => {
    const { lines } = paperMarks({ is: 'squared' }, 500);
    expect(lines.filter(({ x1, x2 }) => x1 === x2)).toHaveLength(41);
    expect(lines.filter(({ y1, y2 }) => y1 === y2)).toHaveLength(500 / SQUARE + 1);
    expect(paperMarks({ is: 'polar' }, 600).rings).toHaveLength(10);
    expect(paperMarks({ is: 'blank' }, 600)).toEqual({ lines: [], rings: [], dots: [], figures: [] });
  });

  it('have figures at each step of an even axis and at powers of ten of a logarithmic one', () => {
    const { figures, lines } = paperMarks({ is: 'axes', x: even, y: log }, 600);
    const said = figures.map(({ text: words }) => words);
    expect(said).toEqual(['0', '5', '10', '15', '20', '25', '1', '10', '100', '1000', 'v in m/s', 'n']);
    // 6 columns; 9 lines for each of three decades, and that of 1000.
    expect(lines).toHaveLength(6 + 28);
    expect(placeOn(log, 10)).toBeCloseTo(1 / 3, 12);
    expect(valueOn(log, 2 / 3)).toBeCloseTo(100, 9);
    expect(valueOn(even, placeOn(even, 7.5))).toBeCloseTo(7.5, 12);
  });

  it('do not draw an axis that is none, or that has lines without end', () => {
    for (const axis of [
      { ...even, to: -1 },
      { ...even, step: 1e-6 },
      { ...log, from: 0 },
      { ...log, from: 5, to: 5 },
    ]) {
      expect(soundAxis(axis)).toBe(false);
      expect(paperMarks({ is: 'axes', x: axis, y: even }, 600).lines).toEqual([]);
    }
    const wide: Axis = { name: '', from: 1e-9, to: 1e9, step: 1, scale: 'log' };
    expect(paperMarks({ is: 'axes', x: wide, y: even }, 600).lines.length).toBeLessThan(300);
    expect(paperSchema.safeParse({ is: 'axes', x: { ...even, step: 0 }, y: even }).success).toBe(false);
  });
});

describe('a drawing as SVG', () => {
  it('is well-formed XML with an element for each shape, whatever is written in it', () => {
    const hostile = '<script>alert("1")</script> & \u0000\u0007 ‏عنفة';
    const shapes = [pen([1, 2, 3, 4]), spanned('ellipse'), spanned('box', '3'), spanned('arrow', '4'), text(hostile)];
    const svg = drawingSvg(shapes, { is: 'polar' }, 600);
    const { svg: root } = new XMLParser({ ignoreAttributes: false, attributeNamePrefix: '' }).parse(svg) as {
      svg: Record<string, unknown>;
    };
    expect(root.viewBox).toBe('0 0 1000 600');
    expect(root.script).toBeUndefined();
    expect(root.rect).toMatchObject({ x: '100', y: '100', width: '200', height: '200' });
    expect(root.ellipse).toMatchObject({ cx: '200', rx: '100', 'stroke-width': '2.5' });
    expect(svg).not.toContain('\u0000');
    expect(svg).toContain('عنفة');
  });
});
