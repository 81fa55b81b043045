import { refuse } from '@/core/base/result';
import { maybeContext } from '@/server/auth/request';
import { saveAnswers } from '@/server/sittings/save-answers';
import { fromOurPages, respond } from '../../respond';

/** Takes a batch of answers; an empty one only asks for the clock. */
export async function POST(request: Request, { params }: { params: Promise<{ attempt: string }> }): Promise<Response> {
  const ctx = await maybeContext();
  if (!ctx) return respond(refuse('not-signed-in'));
  if (!fromOurPages(request)) return respond(refuse('forbidden'));
  const text = await request.text();
  if (text.length > 2_000_000) return respond(refuse('bad-input'));
  try {
    return respond(await saveAnswers(ctx, { ...JSON.parse(text), attempt: (await params).attempt }));
  } catch (error) {
    if (error instanceof SyntaxError) return respond(refuse('bad-input'));
    throw error;
  }
}
