import { type Result, refuse } from '@/core/base/result';
import type { AddedFile } from '@/server/media/add-file';
import type { AddedMedia } from '@/server/media/add-media';
import type { AddedRecording } from '@/server/media/add-recording';

const MOST = 50;

/** Sends a picture to the server. What is plainly too large is refused here, before it travels. */
export async function uploadPicture(file: Blob): Promise<Result<AddedMedia>> {
  if (file.size > MOST * 1048576)
    return refuse('picture-too-large', { values: { size: Math.ceil(file.size / 1048576), most: MOST } });
  return send('/api/media', file);
}

/** Sends a sound or a film; `as` is said when the browser has just recorded it, `about` what it is. */
export function uploadRecording(file: Blob, as: 'sound' | null, about = ''): Promise<Result<AddedRecording>> {
  const said = new URLSearchParams({ ...(as ? { as } : {}), ...(about ? { about } : {}) });
  return send(`/api/recordings?${said}`, file);
}

export function uploadCaptions(file: Blob): Promise<Result<{ media: string }>> {
  return send('/api/recordings?as=captions', file);
}

/** Sends whatever may stand on a sheet: what calls itself a picture, a sound or a film as that, anything else as a file. */
export async function uploadAny(
  file: File,
): Promise<Result<(AddedMedia & { medium: 'picture' }) | AddedRecording | AddedFile>> {
  if (/^(audio|video)\//.test(file.type)) return uploadRecording(file, null);
  if (!file.type.startsWith('image/')) return send(`/api/files?name=${encodeURIComponent(file.name)}`, file);
  const added = await uploadPicture(file);
  return added.ok ? { ok: true, value: { ...added.value, medium: 'picture' } } : added;
}

async function send<T>(address: string, body: Blob): Promise<Result<T>> {
  try {
    const response = await fetch(address, { method: 'POST', body });
    return (await response.json()) as Result<T>;
  } catch {
    return refuse('offline');
  }
}
