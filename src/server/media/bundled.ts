import { readFile } from 'node:fs/promises';
import path from 'node:path';
import { BUNDLED, SPOKEN_NUMBERS } from '@/core/content/bundled';

const sounds = new Map(Object.entries(SPOKEN_NUMBERS).map(([words, hash]) => [hash, words]));

/** A picture or a sound that comes with the application; null when this is none of them. */
export async function bundledMedia(hash: string): Promise<{ bytes: Uint8Array; mime: string } | null> {
  const picture = BUNDLED.get(hash);
  if (picture) return { bytes: Buffer.from(picture.content), mime: picture.mime };
  const words = sounds.get(hash);
  if (words === undefined) return null;
  const file = path.join(process.cwd(), 'src/server/media/bundled', `${words}.wav`);
  return { bytes: await readFile(file), mime: 'audio/wav' };
}
