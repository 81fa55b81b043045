import { createHash } from 'node:crypto';
import { fileTypeFromBuffer } from 'file-type';
import sharp from 'sharp';
import { ok, type Result, refuse } from '@/core/base/result';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN } from '../context';
import { keepMediaRow } from './keep-rows';
import { sizeName, sizesOf } from './sizes';

/** The largest picture that is taken; students get one that is scaled for screens. */
export const MAX_PICTURE_BYTES = 50 * 1024 * 1024;
const MAX_PIXELS = 150_000_000;
const BITMAPS = new Set(['image/png', 'image/jpeg', 'image/gif', 'image/webp', 'image/avif']);

/** What an SVG must not hold: it could run, load or pull in something. */
const ACTIVE_SVG =
  /<\s*script|<\s*foreignObject|<\s*iframe|<!ENTITY|\son[a-z]+\s*=|javascript:|(?:href|src)\s*=\s*["']\s*(?!#|data:image\/(?:png|jpeg|gif|webp))/i;

export interface AddedMedia {
  media: string;
  /** Width over height. */
  ratio: number;
  width: number;
}

/**
 * Keeps a picture, checked by its bytes and not by its name. The same bytes are
 * stored once. Scripts in an SVG, other files and oversized pictures are refused.
 */
export async function addMedia(
  ctx: Context,
  bytes: Uint8Array,
  about: { description?: string; licence?: string; source?: string } = {},
): Promise<Result<AddedMedia>> {
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  if (bytes.length === 0) return refuse('picture-empty');
  if (bytes.length > MAX_PICTURE_BYTES) {
    return refuse('picture-too-large', {
      values: { size: Math.ceil(bytes.length / 1048576), most: MAX_PICTURE_BYTES / 1048576 },
    });
  }
  const mime = await pictureMime(bytes);
  if (!mime) return refuse('picture-not-one');
  if (mime === 'image/svg+xml' && ACTIVE_SVG.test(Buffer.from(bytes).toString('utf8'))) return refuse('picture-active');
  const size = await sizeOf(bytes);
  if (!size) return refuse('picture-not-one');
  if (size.width * size.height > MAX_PIXELS) return refuse('picture-too-many-pixels', { values: size });

  const hash = createHash('sha256').update(bytes).digest('hex');
  await ctx.files.put(hash, bytes);
  for (const [size, made] of await sizesOf(bytes, mime)) await ctx.files.put(sizeName(hash, size), made);
  await ctx.db.transaction(async (tx) => {
    const added = { addedBy: ctx.actor.id, addedAt: ctx.now };
    await keepMediaRow(tx, { hash, mime, size: bytes.length, ...size, ...about, ...added });
  });
  return ok({ media: hash, ratio: size.width / size.height, width: size.width });
}

async function pictureMime(bytes: Uint8Array): Promise<string | null> {
  const type = await fileTypeFromBuffer(bytes);
  if (type && BITMAPS.has(type.mime)) return type.mime;
  const start = Buffer.from(bytes.subarray(0, 2000)).toString('utf8');
  return (!type || type.mime === 'application/xml') && /<svg[\s>]/i.test(start) ? 'image/svg+xml' : null;
}

async function sizeOf(bytes: Uint8Array): Promise<{ width: number; height: number } | null> {
  try {
    const { width, height, orientation } = await sharp(bytes, { limitInputPixels: false }).metadata();
    if (!width || !height) return null;
    return orientation && orientation >= 5 ? { width: height, height: width } : { width, height };
  } catch {
    return null;
  }
}
