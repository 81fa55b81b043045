import { eq } from 'drizzle-orm';
import type { Outside } from '../context';
import { media } from '../db/schema/bank';
import { bundledMedia } from './bundled';
import { type Size, sizeName } from './sizes';

/** The bytes of a picture in a size, or as it came, and how to serve them; null when there is none. Its hash is what opens it. */
export async function readMedia(
  out: Outside,
  hash: string,
  size: Size = 'screen',
): Promise<{ bytes: Uint8Array; mime: string } | null> {
  if (!/^[a-f0-9]{64}$/.test(hash)) return null;
  const bundled = await bundledMedia(hash);
  if (bundled) return bundled;
  const [row] = await out.db.read.select({ mime: media.mime }).from(media).where(eq(media.hash, hash));
  const bytes = row && ((await out.files.get(sizeName(hash, size))) ?? (await out.files.get(hash)));
  return row && bytes ? { bytes, mime: row.mime } : null;
}

/** What is known of stored bytes, to serve them in parts; null when there are none. */
export async function mediaFacts(out: Outside, hash: string): Promise<{ mime: string; size: number } | null> {
  if (!/^[a-f0-9]{64}$/.test(hash)) return null;
  const bundled = await bundledMedia(hash);
  if (bundled) return { mime: bundled.mime, size: bundled.bytes.length };
  const [row] = await out.db.read
    .select({ mime: media.mime, size: media.size })
    .from(media)
    .where(eq(media.hash, hash));
  return row ?? null;
}
