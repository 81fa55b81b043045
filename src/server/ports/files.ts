import { type FileHandle, mkdir, open, readFile, rename, rm } from 'node:fs/promises';
import path from 'node:path';
import { randomUUID } from 'node:crypto';

/** Bytes by name. A folder by default; another store implements the same four calls. */
export interface Files {
  /** Resolves when the bytes would outlast a power cut. */
  put: (name: string, bytes: Uint8Array) => Promise<void>;
  /** Null when there is no such file. */
  get: (name: string) => Promise<Uint8Array | null>;
  /** The bytes from one place up to, but without, another; null when there is no such file. */
  getPart: (name: string, from: number, to: number) => Promise<Uint8Array | null>;
  /** Does nothing when there is no such file. */
  remove: (name: string) => Promise<void>;
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
      await onDisk(draft, 'w', (file) => file.writeFile(bytes));
      await rename(draft, target);
      await onDisk(path.dirname(target), 'r');
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
    remove: (name) => rm(place(name), { force: true }),
  };
}

/** Opens a file or a folder, and closes it when what it holds is on the disk. */
async function onDisk(name: string, flags: 'r' | 'w', work?: (file: FileHandle) => Promise<void>): Promise<void> {
  const file = await open(name, flags);
  try {
    await work?.(file);
    await file.sync();
  } finally {
    await file.close();
  }
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
