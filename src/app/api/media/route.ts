import { refuse } from '@/core/base/result';
import { maybeContext } from '@/server/auth/request';
import { addMedia, MAX_PICTURE_BYTES } from '@/server/media/add-media';
import { fromOurPages, respond } from '../respond';

/** Takes a picture as the body of the request; stops reading when it is too large. */
export async function POST(request: Request): Promise<Response> {
  const ctx = await maybeContext();
  if (!ctx) return respond(refuse('not-signed-in'));
  if (!fromOurPages(request)) return respond(refuse('forbidden'));
  const tooLarge = (size: number): Response =>
    respond(
      refuse('picture-too-large', { values: { size: Math.ceil(size / 1048576), most: MAX_PICTURE_BYTES / 1048576 } }),
    );
  const said = Number(request.headers.get('content-length') ?? 0);
  if (said > MAX_PICTURE_BYTES) return tooLarge(said);
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of request.body ?? []) {
    chunks.push(chunk);
    size += chunk.length;
    if (size > MAX_PICTURE_BYTES) return tooLarge(size);
  }
  return respond(await addMedia(ctx, Buffer.concat(chunks)));
}
