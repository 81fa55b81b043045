import { z } from 'zod';
import { partId } from '../../rules/placing/placed';

export const MOST_AREAS = 30;
export const MOST_CORNERS = 40;

const percent = z.number().min(0).max(100);
export const point = z.object({ x: percent, y: percent });
export type Point = z.infer<typeof point>;

export const SHAPES = ['round', 'rectangle', 'free'] as const;
export type Shape = (typeof SHAPES)[number];

export const area = z.object({
  id: partId,
  shape: z.enum(SHAPES),
  /** The middle, and how wide and high it is, in percent of the picture's width and height. */
  x: percent,
  y: percent,
  width: percent,
  height: percent,
  /** Of a free shape, in the order of its edge, in percent of its own width and height from its upper left. */
  corners: z.array(point).min(3).max(MOST_CORNERS).optional(),
  /** Whether a point belongs here; a wrong area only says something to those who point at it. */
  right: z.boolean(),
  /** How many times a right one counts; once when left out. */
  weight: z.int().min(1).max(99).optional(),
  feedback: z.string().max(1000),
});
export type Area = z.infer<typeof area>;

const DIAMOND: readonly Point[] = [
  { x: 50, y: 0 },
  { x: 100, y: 50 },
  { x: 50, y: 100 },
  { x: 0, y: 50 },
];

/** Where the corners of a free shape lie, in percent of the picture. */
export const cornersOf = ({ x, y, width, height, corners = [...DIAMOND] }: Area): Point[] =>
  corners.map((corner) => ({
    x: x + (corner.x / 100 - 0.5) * width,
    y: y + (corner.y / 100 - 0.5) * height,
  }));

const tenths = (value: number): number => Math.round(Math.min(100, Math.max(0, value)) * 10) / 10;

/** An area with its edge along these points of the picture, as a free shape. */
export function alongEdge(area: Area, edge: readonly Point[]): Area {
  const [xs, ys] = [edge.map((one) => tenths(one.x)), edge.map((one) => tenths(one.y))];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const [width, height] = [Math.max(...xs) - left, Math.max(...ys) - top];
  const corners = fewer(edge, MOST_CORNERS).map((one) => ({
    x: width === 0 ? 50 : (100 * (tenths(one.x) - left)) / width,
    y: height === 0 ? 50 : (100 * (tenths(one.y) - top)) / height,
  }));
  const box = { x: left + width / 2, y: top + height / 2, width, height };
  return { ...area, shape: 'free', ...box, corners: corners.length < 3 ? [...DIAMOND] : corners };
}

/** The same line with at most so many points: where it bends least, they go (Ramer 1972 and Douglas and Peucker 1973, from memory). */
export function fewer(line: readonly Point[], most: number): Point[] {
  for (let within = 0.2; ; within *= 1.5) {
    const kept = bends(line, within);
    if (kept.length <= most) return kept;
  }
}

/** The points without which the line would lie further off than `within`. */
function bends(line: readonly Point[], within: number): Point[] {
  const [first, last] = [line[0], line.at(-1)];
  if (!first || !last || line.length < 3) return [...line];
  let at = 0;
  let most = within;
  line.forEach((one, i) => {
    const off = offLine(one, first, last);
    if (off > most) [at, most] = [i, off];
  });
  if (at === 0) return [first, last];
  return [...bends(line.slice(0, at + 1), within).slice(0, -1), ...bends(line.slice(at), within)];
}

/** How far a point lies from the piece of line between two others. */
function offLine({ x, y }: Point, a: Point, b: Point): number {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const length = dx * dx + dy * dy;
  const along = length === 0 ? 0 : Math.min(1, Math.max(0, ((x - a.x) * dx + (y - a.y) * dy) / length));
  return Math.hypot(x - a.x - along * dx, y - a.y - along * dy);
}

const edgesOf = (corners: readonly Point[]): [Point, Point][] =>
  corners.flatMap((corner, i) => {
    const next = corners[(i + 1) % corners.length];
    return next ? [[corner, next] satisfies [Point, Point]] : [];
  });

/** Whether a point lies in an area, its edge included. */
export function inside(area: Area, at: Point): boolean {
  const { x, y, width, height, shape } = area;
  const across = Math.abs(at.x - x) / (width / 2);
  const along = Math.abs(at.y - y) / (height / 2);
  if (shape === 'rectangle') return across <= 1 && along <= 1;
  if (shape === 'round') return across ** 2 + along ** 2 <= 1;
  const edges = edgesOf(cornersOf(area));
  // A line from the point to the left crosses the edge an odd number of times (even-odd rule).
  const crossed = edges.filter(
    ([a, b]) => a.y > at.y !== b.y > at.y && at.x < a.x + ((at.y - a.y) / (b.y - a.y)) * (b.x - a.x),
  );
  return crossed.length % 2 === 1 || edges.some(([a, b]) => offLine(at, a, b) < 1e-9);
}

/** How far a point lies from the edge of an area, in percent of the picture's width; 0 inside. `ratio`: width over height. */
export function distanceTo(area: Area, at: Point, ratio: number): number {
  if (inside(area, at)) return 0;
  const { x, y, width, height, shape } = area;
  const [dx, dy] = [Math.abs(at.x - x), Math.abs(at.y - y) / ratio];
  if (shape === 'rectangle') return Math.hypot(Math.max(0, dx - width / 2), Math.max(0, dy - height / 2 / ratio));
  if (shape === 'free') {
    const flat = (one: Point): Point => ({ x: one.x, y: one.y / ratio });
    return Math.min(...edgesOf(cornersOf(area)).map(([a, b]) => offLine(flat(at), flat(a), flat(b))));
  }
  // Along the line to the middle; on an ellipse a little more than the shortest way.
  const edges = Math.hypot(dx / (width / 2), dy / (height / 2 / ratio));
  return Math.hypot(dx, dy) * (1 - 1 / edges);
}

/** A point in an area: its middle, or where the middle of a free shape is hollow, some other. */
export function pointIn(area: Area): Point {
  const middle = { x: area.x, y: area.y };
  if (inside(area, middle)) return middle;
  const [a, ...rest] = cornersOf(area);
  const ears = rest.slice(1).flatMap((c, i) => {
    const b = rest[i];
    return a && b ? [{ x: (a.x + b.x + c.x) / 3, y: (a.y + b.y + c.y) / 3 }] : [];
  });
  return ears.find((one) => inside(area, one)) ?? a ?? middle;
}
