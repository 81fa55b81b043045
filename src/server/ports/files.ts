import { mkdir, open, readFile, rename, writeFile } from 'node:fs/promises';
import path from 'node:path';
import { randomUUID } from 'node:crypto';

/** Bytes by name. A folder by default; another store implements the same three calls. */
export interface Files {
  put: (name: string, bytes: Uint8Array) => Promise<void>;
  /** Null when there is no such file. */
  get: (name: string) => Promise<Uint8Array | null>;
  /** The bytes from one place up to, but without, another; null when there is no such file. */
  getPart: (name: string, from: number, to: number) => Promise<Uint8Array | null>;
}

/** Files in a folder, spread over 256 sub-folders; a file appears whole or not at all. */
export function folderFiles(folder: string): Files {
  const place = (name: string): string => {
    if (!/^[a-f0-9]{64}$/.test(name)) throw new RangeError(`Expected a content hash as file name, found "${name}"`);
    return path.join(folder, name.slice(0, 2), name);
  };
  return {
    async put(name, bytes) {
      const target = place(name);
      await mkdir(path.dirname(target), { recursive: true });
      const draft = `${target}.${randomUUID()}`;
      await writeFile(draft, bytes);
      await rename(draft, target);
    },
    get: (name) => nullWithout(readFile(place(name))),
    getPart: (name, from, to) =>
      nullWithout(
        (async () => {
          const file = await open(place(name));
          try {
            const part = new Uint8Array(to - from);
            const { bytesRead } = await file.read(part, 0, to - from, from);
            return part.subarray(0, bytesRead);
          } finally {
            await file.close();
          }
        })(),
      ),
  };
}

/** What a read gives, or null when the file is not there. */
async function nullWithout<T>(reading: Promise<T>): Promise<T | null> {
  try {
    return await reading;
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return null;
    throw error;
  }
}
