import { refuse } from '@/core/base/result';
import { MAX_FILE_BYTES, readForBringingIn } from '@/server/exchange/bring-in';
import { forBuilding } from '../door';
import { readBody } from '../read-body';
import { respond } from '../respond';

/** Reads questions from a file, the body of the request; its name is said in ?name=. Keeps nothing yet. */
export function POST(request: Request): Promise<Response> {
  return forBuilding(request, async (ctx) => {
    const bytes = await readBody(request, MAX_FILE_BYTES);
    if (!bytes) return respond(refuse('file-too-large', { values: { most: MAX_FILE_BYTES / 1048576 } }));
    return respond(await readForBringingIn(ctx, { name: new URL(request.url).searchParams.get('name') ?? '', bytes }));
  });
}
