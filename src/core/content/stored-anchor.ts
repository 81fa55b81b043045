import { z } from 'zod';
import { shapesSchema } from '../drawing/stored';
import { type Anchor, READ_AS } from './anchors';

const part = z.number().min(0).max(1);
const second = z
  .number()
  .min(0)
  .max(24 * 3600);
const sign = z.number().int().min(0).max(1_000_000);
/** A file by its hash, with the number of a page of it behind `#` where it has several; empty where there is but one thing to look at. */
const page = z.string().regex(/^([0-9a-f]{64}(#[1-9]\d{0,3})?)?$/);

/** An anchor as it is stored beside its remark. */
export const anchorSchema: z.ZodType<Anchor> = z.discriminatedUnion('at', [
  z.object({ at: z.literal('whole') }),
  z.object({ at: z.literal('words'), from: sign, to: sign, quote: z.string().min(1).max(2000) }),
  z.object({ at: z.literal('spot'), page, x: part, y: part, w: part, h: part }),
  z.object({ at: z.literal('shapes'), ids: z.array(z.string().max(12)).min(1).max(200) }),
  z.object({ at: z.literal('drawn'), page, shapes: shapesSchema }),
  z.object({ at: z.literal('seconds'), from: second, to: second }),
  z.object({ at: z.literal('read'), word: z.number().int().min(0).max(5000), as: z.enum(READ_AS) }),
]);
