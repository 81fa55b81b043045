import { hearAnswer } from '@/server/sittings/heard';
import { forWriting, readJson } from '../../../door';
import { respond } from '../../../respond';

const MOST_BYTES = 200;

/** A student asks what was understood of what they said. */
export function POST(request: Request, { params }: { params: Promise<{ attempt: string }> }): Promise<Response> {
  return forWriting(request, async (ctx) =>
    respond(await hearAnswer(ctx, (await params).attempt, await readJson(request, MOST_BYTES))),
  );
}
