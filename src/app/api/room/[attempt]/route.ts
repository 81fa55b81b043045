import { MOST_BATCH_BYTES } from '@/core/sittings/unsent';
import { saveAnswers } from '@/server/sittings/save-answers';
import { forWriting, readJson } from '../../door';
import { respond } from '../../respond';

/** Twice what a batch weighs at most: a single answer with all its form may be heavier than a batch. */
const MOST_BODY_BYTES = 2 * MOST_BATCH_BYTES;

/** Takes a batch of answers; an empty one only asks for the clock. */
export function POST(request: Request, { params }: { params: Promise<{ attempt: string }> }): Promise<Response> {
  return forWriting(request, async (ctx) => {
    const batch = await readJson(request, MOST_BODY_BYTES);
    return respond(await saveAnswers(ctx, { ...Object(batch), attempt: (await params).attempt }));
  });
}
