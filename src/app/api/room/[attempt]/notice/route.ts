import { confirmNotice } from '@/server/sittings/notices';
import { forWriting, readJson } from '../../../door';
import { respond } from '../../../respond';

const MOST_BYTES = 200;

/** A student has read what the teacher said. */
export function POST(request: Request, { params }: { params: Promise<{ attempt: string }> }): Promise<Response> {
  return forWriting(request, async (ctx) =>
    respond(await confirmNotice(ctx, (await params).attempt, await readJson(request, MOST_BYTES))),
  );
}
