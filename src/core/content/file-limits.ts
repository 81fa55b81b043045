import { ok, type Result, refuse } from '../base/result';

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
