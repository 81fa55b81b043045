import { refuse } from '@/core/base/result';
import { addFile, MAX_SHEET_FILE_BYTES } from '@/server/media/add-file';
import { forBuilding } from '../door';
import { readBody } from '../read-body';
import { respond } from '../respond';

/** Takes a file for a sheet as the body of the request, called as ?name= says. */
export function POST(request: Request): Promise<Response> {
  return forBuilding(request, async (ctx) => {
    const bytes = await readBody(request, MAX_SHEET_FILE_BYTES);
    if (!bytes) {
      const size = Math.ceil(Number(request.headers.get('content-length') ?? MAX_SHEET_FILE_BYTES) / 1048576);
      return respond(refuse('sheet-file-too-large', { values: { size, most: MAX_SHEET_FILE_BYTES / 1048576 } }));
    }
    return respond(await addFile(ctx, bytes, new URL(request.url).searchParams.get('name') ?? ''));
  });
}
