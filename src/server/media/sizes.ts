import { createHash } from 'node:crypto';
import sharp from 'sharp';

/** A picture is kept as it came, and beside it in sizes made from it. */
export type Size = 'screen' | 'small';

const WIDTHS: Record<Size, number> = { screen: 2000, small: 320 };

/** The name under which a size of a picture is kept. */
export function sizeName(hash: string, size: Size): string {
  return createHash('sha256').update(`${hash} ${size}`).digest('hex');
}

/**
 * A bitmap in its sizes: turned upright, without what the camera wrote into it
 * (place, time, device), never larger than it was. Drawings and moving
 * pictures stay as they are.
 */
export async function sizesOf(bytes: Uint8Array, mime: string): Promise<[Size, Uint8Array][]> {
  if (mime === 'image/svg+xml' || mime === 'image/gif') return [];
  const sizes: [Size, Uint8Array][] = [];
  for (const size of ['screen', 'small'] as const) {
    try {
      const made = await sharp(bytes, { limitInputPixels: false, failOn: 'truncated' })
        .rotate()
        .resize({ width: WIDTHS[size], withoutEnlargement: true })
        .toBuffer();
      sizes.push([size, new Uint8Array(made)]);
    } catch {
      // A picture that cannot be made smaller is served as it came.
      return [];
    }
  }
  return sizes;
}
