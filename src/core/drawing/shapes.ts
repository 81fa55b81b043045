/**
 * A drawing is a list of shapes on a paper that is 1,000 units wide. x runs to
 * the right and y downwards from the upper left corner, so that a drawing is
 * the same on a phone, on a screen and on paper (docs/formats.md, "Drawings").
 */
export const PAPER_WIDTH = 1000;

/** The most points of one drawing, all shapes together. */
export const MOST_POINTS = 20_000;
export const MOST_SHAPES = 2_000;

/** The few colours there are; each is told from the others when it is printed in grey. Red is the pen of whoever marks. */
export const COLOURS = {
  black: '#1a1f2b',
  blue: '#1d4fa8',
  green: '#3f9a63',
  orange: '#e08a1e',
  red: '#b2322b',
} as const;
export type Colour = keyof typeof COLOURS;
/** Those of whoever answers. */
export const STUDENT_COLOURS = ['black', 'blue', 'green', 'orange'] as const satisfies readonly Colour[];

/** How thick a line is, in units. */
export const WIDTHS = { fine: 2.5, medium: 5, thick: 10 } as const;
export type Width = keyof typeof WIDTHS;

/** The marker is so much wider than a pen, and lets through what lies below. */
export const MARKER = { wider: 4, opacity: 0.35 } as const;

interface Drawn {
  /** Its name in this drawing, which remarks speak of. */
  id: string;
  colour: Colour;
  width: Width;
}
interface Ends {
  x1: number;
  y1: number;
  x2: number;
  y2: number;
}

/** A line that was drawn freely. */
export interface Stroke extends Drawn {
  is: 'pen' | 'marker';
  /** x, y, x, y …; one point is a dot. */
  points: number[];
}
/** What goes from one place to another. */
export interface Spanned extends Drawn, Ends {
  is: 'line' | 'arrow' | 'box' | 'ellipse';
}
/** Words, from the beginning of their line on. */
export interface Lettering extends Drawn {
  is: 'text';
  x1: number;
  y1: number;
  text: string;
}
export type Shape = Stroke | Spanned | Lettering;

/** Points of a drawing, as its limit counts them: two for what goes from one place to another. */
export function pointCount(shapes: readonly Shape[]): number {
  return shapes.reduce((sum, one) => sum + ('points' in one ? one.points.length / 2 : 2), 0);
}

/** A name that no shape has: the next number in base 36. */
export function freshShapeId(shapes: readonly Shape[]): string {
  const numbers = shapes.map(({ id }) => Number.parseInt(id, 36)).filter(Number.isFinite);
  return (shapes.length === 0 ? 1 : Math.max(0, ...numbers) + 1).toString(36);
}
