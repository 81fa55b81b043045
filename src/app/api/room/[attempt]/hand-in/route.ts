import { refuse } from '@/core/base/result';
import { maybeContext } from '@/server/auth/request';
import { handIn } from '@/server/sittings/hand-in';
import { fromOurPages, respond } from '../../../respond';

export async function POST(request: Request, { params }: { params: Promise<{ attempt: string }> }): Promise<Response> {
  const ctx = await maybeContext();
  if (!ctx) return respond(refuse('not-signed-in'));
  if (!fromOurPages(request)) return respond(refuse('forbidden'));
  return respond(await handIn(ctx, (await params).attempt));
}
