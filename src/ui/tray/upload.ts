import { type Result, refuse } from '@/core/base/result';
import type { AddedMedia } from '@/server/media/add-media';
import type { AddedRecording } from '@/server/media/add-recording';

const MOST = 50;

/** Sends a picture to the server. What is plainly too large is refused here, before it travels. */
export async function uploadPicture(file: Blob): Promise<Result<AddedMedia>> {
  if (file.size > MOST * 1048576)
    return refuse('picture-too-large', { values: { size: Math.ceil(file.size / 1048576), most: MOST } });
  return send('/api/media', file);
}

/** Sends a sound or a film; `as` is said when the browser has just recorded it. */
export function uploadRecording(file: Blob, as: 'sound' | null): Promise<Result<AddedRecording>> {
  return send(`/api/recordings${as ? `?as=${as}` : ''}`, file);
}

export function uploadCaptions(file: Blob): Promise<Result<{ media: string }>> {
  return send('/api/recordings?as=captions', file);
}

async function send<T>(address: string, body: Blob): Promise<Result<T>> {
  try {
    const response = await fetch(address, { method: 'POST', body });
    return (await response.json()) as Result<T>;
  } catch {
    return refuse('offline');
  }
}
