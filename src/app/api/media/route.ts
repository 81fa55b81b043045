import { refuse } from '@/core/base/result';
import { addMedia, MAX_PICTURE_BYTES } from '@/server/media/add-media';
import { forBuilding } from '../door';
import { readBody } from '../read-body';
import { respond } from '../respond';

/** Takes a picture as the body of the request; stops reading when it is too large. */
export function POST(request: Request): Promise<Response> {
  return forBuilding(request, async (ctx) => {
    const bytes = await readBody(request, MAX_PICTURE_BYTES);
    if (!bytes) {
      const size = Math.ceil(Number(request.headers.get('content-length') ?? MAX_PICTURE_BYTES) / 1048576);
      return respond(refuse('picture-too-large', { values: { size, most: MAX_PICTURE_BYTES / 1048576 } }));
    }
    return respond(await addMedia(ctx, bytes));
  });
}
