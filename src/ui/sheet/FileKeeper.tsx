'use client';
import { createContext, useContext } from 'react';
import { ok, type Result, refuse } from '@/core/base/result';
import type { HandedFile } from '@/core/content/handed-file';

type Keeper = (file: File) => Promise<Result<HandedFile>>;

/** Where a sheet is only tried nothing is kept; a file is known by its name then. */
const nowhere: Keeper = async (file) => {
  const digest = await crypto.subtle.digest('SHA-256', await file.arrayBuffer());
  const hash = [...new Uint8Array(digest)].map((byte) => byte.toString(16).padStart(2, '0')).join('');
  return ok({ hash, name: file.name.slice(0, 200) || 'file', size: Math.max(1, file.size), attempt: '' });
};

/** What keeps a file that stands beside an answer. */
export const FileKeeper = createContext<Keeper>(nowhere);

export const useFileKeeper = (): Keeper => useContext(FileKeeper);

/** Sends files to an attempt. */
export function keeperOf(attempt: string): Keeper {
  return async (file) => {
    try {
      const address = `/api/room/${attempt}/files?name=${encodeURIComponent(file.name)}`;
      const response = await fetch(address, { method: 'POST', body: file });
      return (await response.json()) as Result<HandedFile>;
    } catch {
      return refuse('offline');
    }
  };
}
