'use client';
import { useEffect, useState } from 'react';
import type { HandedFile } from '@/core/content/handed-file';
import { type Flaw, flawsOf } from '@/core/pictures/looks';

/** A page as the browser can show it, no larger than a screen wants. */
export interface ShownPage {
  url: string;
  width: number;
  height: number;
  flaws: Flaw[];
}

/** What is known of a page: being looked at, a picture, or nothing that a browser shows. */
export type PageLook = 'looking' | ShownPage | 'no picture';

const PICTURE = /\.(?:jpe?g|png|webp)$/i;
const LARGEST = 1600;
const SMALL = 256;

/** Pictures by the hashes of their files, as far as this page has shown them. */
const known = new Map<string, Promise<ShownPage | null>>();

/** Takes a file that was chosen here, so that it is shown before it has travelled. */
export function showChosen(hash: string, file: Blob, name: string): void {
  if (PICTURE.test(name)) known.set(hash, readPicture(file));
}

/** A picture made smaller, and looked over; null when the browser cannot read it. */
async function readPicture(blob: Blob): Promise<ShownPage | null> {
  try {
    const bitmap = await createImageBitmap(blob);
    const shrink = Math.min(1, LARGEST / Math.max(bitmap.width, bitmap.height));
    const canvas = drawn(bitmap, bitmap.width * shrink, bitmap.height * shrink);
    const small = drawn(bitmap, SMALL, (SMALL * bitmap.height) / bitmap.width);
    bitmap.close();
    const { data, width, height } = pixelsOf(small);
    const grey = Array.from({ length: width * height }, (_, i) => {
      const [r = 0, g = 0, b = 0] = data.subarray(4 * i, 4 * i + 3);
      // Luma of Rec. ITU-R BT.601.
      return 0.299 * r + 0.587 * g + 0.114 * b;
    });
    const shown = await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.85 });
    return {
      url: URL.createObjectURL(shown),
      width: canvas.width,
      height: canvas.height,
      flaws: flawsOf(grey, width, height),
    };
  } catch {
    return null;
  }
}

function drawn(bitmap: ImageBitmap, width: number, height: number): OffscreenCanvas {
  const canvas = new OffscreenCanvas(Math.max(1, Math.round(width)), Math.max(1, Math.round(height)));
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  return canvas;
}

function pixelsOf(canvas: OffscreenCanvas): ImageData {
  const context = canvas.getContext('2d');
  return context?.getImageData(0, 0, canvas.width, canvas.height) ?? new ImageData(1, 1);
}

async function fetched({ attempt, hash }: Pick<HandedFile, 'attempt' | 'hash'>): Promise<ShownPage | null> {
  const response = await fetch(`/api/room/${attempt}/files/${hash}`).catch(() => null);
  return response?.ok ? readPicture(await response.blob()) : null;
}

/** Begins to fetch a page that has arrived, unless it was before; null where it is no picture. */
export function fetchPage(file: Pick<HandedFile, 'hash' | 'name' | 'attempt'>): Promise<ShownPage | null> | null {
  const { hash, name, attempt } = file;
  if (!PICTURE.test(name)) return null;
  const mine = known.get(hash) ?? (attempt === '' ? null : fetched(file));
  if (mine) known.set(hash, mine);
  return mine;
}

/** A handed-in page as a picture: from what was chosen here, else from the server once it is there. */
export function useShownPage(file: HandedFile, arrived: boolean): PageLook {
  const { hash, name, attempt } = file;
  const [look, setLook] = useState<{ hash: string; page: ShownPage | null } | null>(null);
  const picture = PICTURE.test(name);
  useEffect(() => {
    if (!picture) return;
    let here = true;
    const mine = arrived || known.has(hash) ? fetchPage({ hash, name, attempt }) : null;
    if (!mine) return;
    void mine.then((page) => {
      // What could not be fetched may be there later.
      if (!page) known.delete(hash);
      if (here) setLook({ hash, page });
    });
    return () => {
      here = false;
    };
  }, [hash, name, attempt, arrived, picture]);
  if (!picture) return 'no picture';
  if (look?.hash !== hash) return 'looking';
  return look.page ?? 'no picture';
}
