import { refuse } from '@/core/base/result';
import { loadSealed, MOST_SEALED } from '@/server/exchange/sealed-files';
import { forBuilding } from '../door';
import { readBody } from '../read-body';
import { respond } from '../respond';

/** Keeps a sealed file, the body of the request, until it is opened. */
export function POST(request: Request): Promise<Response> {
  return forBuilding(request, async (ctx) => {
    const bytes = await readBody(request, MOST_SEALED);
    if (!bytes) return respond(refuse('file-too-large', { values: { most: MOST_SEALED / 1048576 } }));
    return respond(await loadSealed(ctx, bytes));
  });
}
