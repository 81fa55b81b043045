import type { Result } from '@/core/base/result';
import type { Context } from '../context';
import { addMedia } from './add-media';
import { addFile } from './add-file';
import { addCaptions, addRecording } from './add-recording';

/** Keeps whatever may stand on a sheet: a picture, a recording, captions, a file. The refusal is that of a picture. */
export async function addAnyMedia(ctx: Context, bytes: Uint8Array): Promise<Result<{ media: string }>> {
  const picture = await addMedia(ctx, bytes);
  if (picture.ok) return picture;
  const recording = await addRecording(ctx, bytes, null);
  if (recording.ok) return recording;
  const captions = await addCaptions(ctx, bytes);
  if (captions.ok) return captions;
  const file = await addFile(ctx, bytes, '');
  return file.ok ? file : picture;
}
