'use client';
import { createContext, useContext } from 'react';
import { ok, type Refusal, type Result } from '@/core/base/result';
import type { HandedFile } from '@/core/content/handed-file';
import type { Understood } from '@/core/speech/understood';

/** How far a file is on its way (0 to 1), or why it is not taken. */
export type FileProgress = { share: number } | { refusal: Refusal };

interface Keeper {
  keep: (file: File) => Promise<Result<HandedFile>>;
  /** Files that have not arrived yet, by their hashes. */
  onTheirWay: ReadonlyMap<string, FileProgress>;
  /**
   * Has somebody listen to what was said in an answer that has this recording. Null while that cannot be had, as without
   * a connection; where nobody listens before it is marked, it is missing.
   */
  hear?: (recording: HandedFile) => Promise<Result<Understood> | null>;
}

/** Where a sheet is only tried nothing is kept; a file is known by its name then. */
export const nowhere: Keeper = {
  async keep(file) {
    const name = file.name.slice(0, 200) || 'file';
    return ok({ hash: await hashOf(await file.arrayBuffer()), name, size: Math.max(1, file.size), attempt: '' });
  },
  onTheirWay: new Map(),
};

/** The SHA-256 of bytes, in hexadecimal digits: the name under which a file is known. */
export async function hashOf(bytes: ArrayBuffer): Promise<string> {
  const digest = await crypto.subtle.digest('SHA-256', bytes);
  return [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
}

/** What keeps a file that stands beside an answer. */
export const FileKeeper = createContext<Keeper>(nowhere);

export const useFileKeeper = (): Keeper => useContext(FileKeeper);
