import { refuse } from '@/core/base/result';
import { maybeContext } from '@/server/auth/request';
import { keepBroughtIn } from '@/server/exchange/keep';
import { readBody } from '../../read-body';
import { fromOurPages, respond } from '../../respond';

const MOST = 20 * 1024 * 1024;

/** Keeps a batch of questions that were brought in. */
export async function POST(request: Request): Promise<Response> {
  const ctx = await maybeContext();
  if (!ctx) return respond(refuse('not-signed-in'));
  if (!fromOurPages(request)) return respond(refuse('forbidden'));
  const bytes = await readBody(request, MOST);
  if (!bytes) return respond(refuse('bad-input'));
  try {
    return respond(await keepBroughtIn(ctx, JSON.parse(new TextDecoder().decode(bytes))));
  } catch (error) {
    if (error instanceof SyntaxError) return respond(refuse('bad-input'));
    throw error;
  }
}
