import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';

/** Why a zip archive is not read. */
export class ZipRefused extends Error {
  constructor(readonly reason: 'not-a-zip' | 'too-large' | 'bad-path') {
    super(reason);
  }
}

/** A zip archive may unpack to so much, in bytes. */
const MOST = 200 * 1024 * 1024;
const MOST_FILES = 20_000;

/**
 * Unpacks a zip archive in memory. Refused before anything is unpacked: one
 * that would grow past the limit, and names that lead out of it. Throws ZipRefused.
 */
export function readZip(bytes: Uint8Array, most = MOST): Map<string, Uint8Array> {
  let size = 0;
  let files = 0;
  try {
    const unpacked = unzipSync(bytes, {
      filter({ name, originalSize }) {
        if (name.split(/[\\/]/).includes('..') || /^([\\/]|[a-z]:)/i.test(name)) throw new ZipRefused('bad-path');
        size += originalSize;
        files += 1;
        if (size > most || files > MOST_FILES) throw new ZipRefused('too-large');
        return !name.endsWith('/');
      },
    });
    return new Map(Object.entries(unpacked));
  } catch (error) {
    throw error instanceof ZipRefused ? error : new ZipRefused('not-a-zip');
  }
}

/** Packs files into a zip archive; texts as UTF-8. Already packed kinds of files are stored as they are. */
export function writeZip(files: ReadonlyMap<string, Uint8Array | string>): Uint8Array {
  const entries = [...files].map(([name, content]) => {
    const bytes = typeof content === 'string' ? strToU8(content) : content;
    return [name, [bytes, { level: typeof content === 'string' ? 6 : 0 }]] as const;
  });
  return zipSync(Object.fromEntries(entries) as Parameters<typeof zipSync>[0]);
}

export function textIn(files: ReadonlyMap<string, Uint8Array>, name: string): string | null {
  const bytes = files.get(name);
  return bytes ? strFromU8(bytes) : null;
}
