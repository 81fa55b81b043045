/** A point of the plane: x to the right, y downwards. */
export interface Point {
  x: number;
  y: number;
}

/** The four corners of a sheet, from the upper left on, clockwise. */
export type Corners = readonly [Point, Point, Point, Point];

/** A projective map of the plane, row by row: nine numbers of which the last is 1. */
export type Projection = readonly number[];

/**
 * The projective map that takes four points to four others (Heckbert,
 * Fundamentals of Texture Mapping, 1989, section 2.2.3: eight linear equations
 * for eight numbers). Null where three of the points lie on a line.
 */
export function projection(from: Corners, to: Corners): Projection | null {
  const rows = from.flatMap(({ x, y }, i) => {
    const { x: u, y: v } = to[i] ?? { x: 0, y: 0 };
    return [
      [x, y, 1, 0, 0, 0, -x * u, -y * u, u],
      [0, 0, 0, x, y, 1, -x * v, -y * v, v],
    ];
  });
  const solved = solve(rows);
  return solved ? [...solved, 1] : null;
}

/** Where a projective map takes a point. */
export function projected(
  [a = 0, b = 0, c = 0, d = 0, e = 0, f = 0, g = 0, h = 0, i = 1]: Projection,
  { x, y }: Point,
): Point {
  const w = g * x + h * y + i;
  return { x: (a * x + b * y + c) / w, y: (d * x + e * y + f) / w };
}

/** The map as `matrix3d` of CSS Transforms Level 2: sixteen numbers, column by column. */
export function cssMatrix([a = 0, b = 0, c = 0, d = 0, e = 0, f = 0, g = 0, h = 0, i = 1]: Projection): string {
  return `matrix3d(${[a, d, 0, g, b, e, 0, h, 0, 0, 1, 0, c, f, 0, i].map((n) => Number(n.toPrecision(10))).join(',')})`;
}

/** Whether four corners go round in one direction without crossing, none of them flat or pressed in. */
export function isSheet(corners: Corners): boolean {
  const turns = corners.map((at, i) => {
    const next = corners[(i + 1) % 4] ?? at;
    const after = corners[(i + 2) % 4] ?? at;
    return (next.x - at.x) * (after.y - next.y) - (next.y - at.y) * (after.x - next.x);
  });
  return turns.every((turn) => turn > 1e-6);
}

/** Width over height of the sheet that stands between the corners: of opposite edges the longer ones. */
export function ratioOf([a, b, c, d]: Corners): number {
  const length = (p: Point, q: Point): number => Math.hypot(p.x - q.x, p.y - q.y);
  return Math.max(length(a, b), length(d, c)) / Math.max(length(a, d), length(b, c));
}

/** Gauss' elimination with the largest pivot; null where the equations do not decide. */
function solve(equations: readonly (readonly number[])[]): number[] | null {
  const rows = equations.map((row) => [...row]);
  const size = rows.length;
  for (let column = 0; column < size; column++) {
    let best = column;
    for (let row = column + 1; row < size; row++)
      if (Math.abs(rows[row]?.[column] ?? 0) > Math.abs(rows[best]?.[column] ?? 0)) best = row;
    const [pivot, here] = [rows[best], rows[column]];
    if (!pivot || !here || Math.abs(pivot[column] ?? 0) < 1e-12) return null;
    rows[best] = here;
    rows[column] = pivot;
    for (let row = 0; row < size; row++) {
      const other = rows[row];
      if (row === column || !other) continue;
      const factor = (other[column] ?? 0) / (pivot[column] ?? 1);
      for (let at = column; at <= size; at++) other[at] = (other[at] ?? 0) - factor * (pivot[at] ?? 0);
    }
  }
  return rows.map((row, i) => (row[size] ?? 0) / (row[i] ?? 1));
}
