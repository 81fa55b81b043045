import { refuse } from '@/core/base/result';
import { MOST_BATCH_BYTES } from '@/core/sittings/unsent';
import { maybeContext } from '@/server/auth/request';
import { saveAnswers } from '@/server/sittings/save-answers';
import { readBody } from '../../read-body';
import { fromOurPages, respond } from '../../respond';

/** Twice what a batch weighs at most: a single answer with all its form may be heavier than a batch. */
const MOST_BODY_BYTES = 2 * MOST_BATCH_BYTES;

/** Takes a batch of answers; an empty one only asks for the clock. */
export async function POST(request: Request, { params }: { params: Promise<{ attempt: string }> }): Promise<Response> {
  const ctx = await maybeContext();
  if (!ctx) return respond(refuse('not-signed-in'));
  if (!fromOurPages(request)) return respond(refuse('forbidden'));
  const bytes = await readBody(request, MOST_BODY_BYTES);
  if (!bytes) return respond(refuse('bad-input'));
  try {
    const batch: unknown = JSON.parse(new TextDecoder().decode(bytes));
    return respond(await saveAnswers(ctx, { ...Object(batch), attempt: (await params).attempt }));
  } catch (error) {
    if (error instanceof SyntaxError) return respond(refuse('bad-input'));
    throw error;
  }
}
