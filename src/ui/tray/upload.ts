import { type Result, refuse } from '@/core/base/result';
import type { AddedMedia } from '@/server/media/add-media';

const MOST = 50;

/** Sends a picture to the server. What is plainly too large is refused here, before it travels. */
export async function uploadPicture(file: Blob): Promise<Result<AddedMedia>> {
  if (file.size > MOST * 1048576)
    return refuse('picture-too-large', { values: { size: Math.ceil(file.size / 1048576), most: MOST } });
  try {
    const response = await fetch('/api/media', { method: 'POST', body: file });
    return (await response.json()) as Result<AddedMedia>;
  } catch {
    return refuse('offline');
  }
}
