import { z } from 'zod';

/** A file that a student hands in: its bytes by their hash, and the attempt that it came with. */
export const handedFile = z.object({
  hash: z.string().regex(/^[a-f0-9]{64}$/),
  name: z.string().min(1).max(200),
  /** In bytes. */
  size: z.number().int().min(1),
  /** Empty where nothing is kept, as when a sheet is only tried. */
  attempt: z.string().max(40),
});
export type HandedFile = z.infer<typeof handedFile>;
