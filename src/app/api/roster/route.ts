import { refuse } from '@/core/base/result';
import { readRosterFile } from '@/server/people/bring-in-roster';
import { forBuilding } from '../door';
import { readBody } from '../read-body';
import { respond } from '../respond';

const MOST_BYTES = 5 * 1024 * 1024;

/** Reads the rows of a file, the body of the request, for the course in ?course=. Keeps nothing. */
export function POST(request: Request): Promise<Response> {
  return forBuilding(request, async (ctx) => {
    const bytes = await readBody(request, MOST_BYTES);
    if (!bytes) return respond(refuse('file-too-large', { values: { most: MOST_BYTES / 1048576 } }));
    const search = new URL(request.url).searchParams;
    const file = { name: search.get('name') ?? '', bytes };
    return respond(await readRosterFile(ctx, search.get('course') ?? '', file));
  });
}
