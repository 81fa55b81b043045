import { z } from 'zod';
import type { Paper } from './paper';
import {
  type Colour,
  COLOURS,
  MOST_POINTS,
  MOST_SHAPES,
  PAPER_WIDTH,
  pointCount,
  type Shape,
  type Width,
  WIDTHS,
} from './shapes';

// A little of a shape may lie beyond the paper.
const unit = z
  .number()
  .min(-PAPER_WIDTH)
  .max(4 * PAPER_WIDTH);
const drawn = {
  id: z.string().regex(/^[a-z0-9]{1,12}$/),
  colour: z.enum(Object.keys(COLOURS) as [Colour, ...Colour[]]),
  width: z.enum(Object.keys(WIDTHS) as [Width, ...Width[]]),
};
const path = z
  .array(unit)
  .min(2)
  .max(2 * MOST_POINTS)
  .refine((points) => points.length % 2 === 0);

const shape: z.ZodType<Shape> = z.discriminatedUnion('is', [
  z.object({ is: z.enum(['pen', 'marker']), ...drawn, points: path }),
  z.object({ is: z.enum(['line', 'arrow', 'box', 'ellipse']), ...drawn, x1: unit, y1: unit, x2: unit, y2: unit }),
  z.object({ is: z.literal('text'), ...drawn, x1: unit, y1: unit, text: z.string().min(1).max(300) }),
]);

/** The shapes of one drawing, each with a name of its own, with no more points than it may have. */
export const shapesSchema = z
  .array(shape)
  .max(MOST_SHAPES)
  .refine((shapes) => pointCount(shapes) <= MOST_POINTS)
  .refine((shapes) => new Set(shapes.map(({ id }) => id)).size === shapes.length);

const bound = z.number().min(-1e9).max(1e9);
const axis = z.object({
  name: z.string().max(60),
  from: bound,
  to: bound,
  step: z.number().positive().max(1e9),
  scale: z.enum(['even', 'log']),
});

export const paperSchema: z.ZodType<Paper> = z.discriminatedUnion('is', [
  z.object({ is: z.enum(['blank', 'squared', 'dotted', 'lined', 'polar']) }),
  z.object({ is: z.literal('axes'), x: axis, y: axis }),
  z.object({
    is: z.literal('picture'),
    media: z.string().regex(/^[0-9a-f]{64}$/),
    description: z.string().max(2000),
  }),
  z.object({ is: z.literal('text'), text: z.string().max(5000) }),
]);
