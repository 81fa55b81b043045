import { z } from 'zod';
import { ok, type Result, refuse } from '../base/result';

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

/** The largest file that can be handed in, in bytes, and how many an attempt can hold. */
export const MOST_FILE_BYTES = 20 * 1024 * 1024;
export const MOST_FILES = 60;

/** A file travels in pieces of so many bytes, the last one being what is left: a bad network loses a piece, not the file. */
export const PIECE_BYTES = 256 * 1024;

/** Whether a file of so many bytes can be handed in. */
export function fileSize(bytes: number): Result<number> {
  if (bytes === 0) return refuse('file-empty');
  const megabytes = (size: number): number => Math.ceil(size / 1048576);
  if (bytes <= MOST_FILE_BYTES) return ok(bytes);
  return refuse('handed-file-too-large', { values: { size: megabytes(bytes), most: megabytes(MOST_FILE_BYTES) } });
}
