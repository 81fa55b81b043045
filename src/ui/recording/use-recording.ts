'use client';
import { useEffect, useState } from 'react';
import type { HandedFile } from '@/core/content/handed-file';

/** Recordings made on this page, by the hashes of their files. */
const made = new Map<string, Blob>();

/** Takes a recording that was made or chosen here, so that it can be heard before it has travelled. */
export function hearHere(hash: string, blob: Blob): void {
  made.set(hash, blob);
}

/** A recording of this page. */
export const recordedHere = (hash: string): Blob | undefined => made.get(hash);

const TYPES: Record<string, string> = {
  webm: 'video/webm',
  mp4: 'video/mp4',
  m4v: 'video/mp4',
  mov: 'video/quicktime',
  ogv: 'video/ogg',
  ogg: 'audio/ogg',
  oga: 'audio/ogg',
  opus: 'audio/ogg',
  mp3: 'audio/mpeg',
  m4a: 'audio/mp4',
  wav: 'audio/wav',
  flac: 'audio/flac',
  aac: 'audio/aac',
};

async function fetched({ attempt, hash, name }: HandedFile): Promise<Blob | null> {
  if (attempt === '') return null;
  const response = await fetch(`/api/room/${attempt}/files/${hash}`).catch(() => null);
  if (!response?.ok) return null;
  const ending = /\.([^.]+)$/.exec(name.toLowerCase())?.[1] ?? '';
  return new Blob([await response.arrayBuffer()], { type: TYPES[ending] ?? 'application/octet-stream' });
}

/** Where the server has another form of a recording that has arrived. */
export const secondForm = ({ attempt, hash }: HandedFile, film: boolean): string | undefined =>
  attempt === '' ? undefined : `/api/room/${attempt}/files/${hash}?second=${film ? 'film' : 'voice'}`;

/** The address of a recording for a player: of this device, else from the server once it is there; null until then, and where it cannot be had. */
export function useRecording(file: HandedFile | null, arrived: boolean): string | null {
  const [url, setUrl] = useState<{ hash: string; url: string } | null>(null);
  const { hash = '', name = '', attempt = '', size = 1 } = file ?? {};
  useEffect(() => {
    if (hash === '') return;
    let [here, address] = [true, ''];
    const ofThisPage = made.get(hash);
    const blob = ofThisPage ? Promise.resolve(ofThisPage) : arrived ? fetched({ hash, name, attempt, size }) : null;
    void blob?.then((found) => {
      if (!here || !found) return;
      address = URL.createObjectURL(found);
      setUrl({ hash, url: address });
    });
    return () => {
      here = false;
      if (address) URL.revokeObjectURL(address);
    };
  }, [hash, name, attempt, size, arrived]);
  return url?.hash === hash ? url.url : null;
}
