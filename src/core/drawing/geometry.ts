import { type Shape, WIDTHS } from './shapes';

/** A rectangle by its two corners, in units of the paper. */
export interface Bounds {
  x1: number;
  y1: number;
  x2: number;
  y2: number;
}

/** How high letters of a text are, in units; by the width of its pen. */
export const LETTERS = { fine: 24, medium: 32, thick: 48 } as const;

/** The smallest rectangle round a shape; that of a text is reckoned from its letters. */
export function boundsOf(shape: Shape): Bounds {
  if (shape.is === 'text') {
    const high = LETTERS[shape.width];
    return { x1: shape.x1, y1: shape.y1 - high, x2: shape.x1 + 0.55 * high * shape.text.length, y2: shape.y1 };
  }
  if ('points' in shape) {
    let [x1, y1, x2, y2] = [Infinity, Infinity, -Infinity, -Infinity];
    for (let i = 0; i < shape.points.length; i += 2) {
      const [x = 0, y = 0] = [shape.points[i], shape.points[i + 1]];
      x1 = Math.min(x1, x);
      x2 = Math.max(x2, x);
      y1 = Math.min(y1, y);
      y2 = Math.max(y2, y);
    }
    return { x1, y1, x2, y2 };
  }
  return {
    x1: Math.min(shape.x1, shape.x2),
    y1: Math.min(shape.y1, shape.y2),
    x2: Math.max(shape.x1, shape.x2),
    y2: Math.max(shape.y1, shape.y2),
  };
}

/** How far a point is from the segment between two others. */
function fromSegment(x: number, y: number, ax: number, ay: number, bx: number, by: number): number {
  const [dx, dy] = [bx - ax, by - ay];
  const length = dx * dx + dy * dy;
  const along = length === 0 ? 0 : Math.min(1, Math.max(0, ((x - ax) * dx + (y - ay) * dy) / length));
  return Math.hypot(x - ax - along * dx, y - ay - along * dy);
}

/** How far a point is from a line through points x, y, x, y …, in units. */
function fromPath(points: readonly number[], x: number, y: number): number {
  let least = Math.hypot(x - (points[0] ?? 0), y - (points[1] ?? 0));
  for (let i = 2; i < points.length; i += 2) {
    least = Math.min(
      least,
      fromSegment(x, y, points[i - 2] ?? 0, points[i - 1] ?? 0, points[i] ?? 0, points[i + 1] ?? 0),
    );
  }
  return least;
}

/** The outline of an ellipse as a path of 48 points; near enough for a pointer. */
function ellipsePath({ x1, y1, x2, y2 }: Bounds): number[] {
  return Array.from({ length: 49 }, (_, i) => {
    const angle = (2 * Math.PI * i) / 48;
    return [(x1 + x2) / 2 + ((x2 - x1) / 2) * Math.cos(angle), (y1 + y2) / 2 + ((y2 - y1) / 2) * Math.sin(angle)];
  }).flat();
}

/** How far a point is from what is drawn of a shape, in units; 0 on the line, and anywhere within a text. */
export function distanceTo(shape: Shape, x: number, y: number): number {
  const bounds = boundsOf(shape);
  const { x1, y1, x2, y2 } = bounds;
  if (shape.is === 'text') {
    return Math.hypot(Math.max(x1 - x, 0, x - x2), Math.max(y1 - y, 0, y - y2));
  }
  const path =
    'points' in shape
      ? shape.points
      : shape.is === 'box'
        ? [x1, y1, x2, y1, x2, y2, x1, y2, x1, y1]
        : shape.is === 'ellipse'
          ? ellipsePath(bounds)
          : [shape.x1, shape.y1, shape.x2, shape.y2];
  return Math.max(0, fromPath(path, x, y) - WIDTHS[shape.width] / 2);
}

/** The uppermost shape that a pointer touches, which reaches so many units round it; null for none. */
export function shapeAt(shapes: readonly Shape[], x: number, y: number, reach: number): Shape | null {
  for (let i = shapes.length - 1; i >= 0; i--) {
    const shape = shapes[i];
    if (!shape) continue;
    const { x1, y1, x2, y2 } = boundsOf(shape);
    const near = reach + WIDTHS[shape.width];
    if (x < x1 - near || x > x2 + near || y < y1 - near || y > y2 + near) continue;
    if (distanceTo(shape, x, y) <= reach) return shape;
  }
  return null;
}

/** A shape moved by so many units. */
export function moved<S extends Shape>(shape: S, dx: number, dy: number): S {
  if ('points' in shape) return { ...shape, points: shape.points.map((v, i) => tenth(v + (i % 2 === 0 ? dx : dy))) };
  const at = { ...shape, x1: tenth(shape.x1 + dx), y1: tenth(shape.y1 + dy) };
  return 'x2' in at ? { ...at, x2: tenth(at.x2 + dx), y2: tenth(at.y2 + dy) } : at;
}

/** Units are kept to a tenth: a third of a pixel on the widest screen. */
export const tenth = (value: number): number => Math.round(value * 10) / 10;

/**
 * A path with fewer points that is nowhere farther than `tolerance` from the
 * one given (Douglas and Peucker, 1973, Cartographica 10). Its work grows with
 * the square of the points at worst; paths longer than `PIECE` points are
 * taken in pieces, so that it stays bounded.
 */
export function simplified(points: readonly number[], tolerance: number): number[] {
  const count = points.length / 2;
  const kept: number[] = [];
  for (let from = 0; from < count; from += PIECE) {
    const piece = points.slice(2 * from, 2 * Math.min(count, from + PIECE + 1));
    const simple = simplifiedPiece(piece, tolerance);
    kept.push(...(from === 0 ? simple : simple.slice(2)));
  }
  return kept.map(tenth);
}

const PIECE = 500;

function simplifiedPiece(points: readonly number[], tolerance: number): number[] {
  const count = points.length / 2;
  if (count <= 2) return [...points];
  const x = (i: number): number => points[2 * i] ?? 0;
  const y = (i: number): number => points[2 * i + 1] ?? 0;
  const keep = new Set([0, count - 1]);
  const open: [number, number][] = [[0, count - 1]];
  for (let span = open.pop(); span; span = open.pop()) {
    const [first, last] = span;
    const [ax, ay, bx, by] = [x(first), y(first), x(last), y(last)];
    let [farthest, place] = [tolerance, -1];
    for (let i = first + 1; i < last; i++) {
      const away = fromSegment(x(i), y(i), ax, ay, bx, by);
      if (away > farthest) {
        farthest = away;
        place = i;
      }
    }
    if (place < 0) continue;
    keep.add(place);
    open.push([first, place], [place, last]);
  }
  return [...keep].sort((a, b) => a - b).flatMap((i) => [x(i), y(i)]);
}

/** The length from one place to another in units, and its angle in degrees, anticlockwise from the right, −180 to 180. */
export function measured({ x1, y1, x2, y2 }: Bounds): { length: number; angle: number } {
  const degrees = (Math.atan2(y1 - y2, x2 - x1) * 180) / Math.PI;
  return { length: Math.hypot(x2 - x1, y2 - y1), angle: Object.is(degrees, -0) ? 0 : degrees };
}
