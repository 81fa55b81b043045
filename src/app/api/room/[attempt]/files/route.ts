import { refuse } from '@/core/base/result';
import { MOST_FILE_BYTES } from '@/core/content/handed-file';
import { maybeContext } from '@/server/auth/request';
import { addHandedFile, tooLarge } from '@/server/sittings/handed-files';
import { readBody } from '../../../read-body';
import { fromOurPages, respond } from '../../../respond';

/** Takes a file beside an answer as the body of the request; stops reading when it is too large. */
export async function POST(request: Request, { params }: { params: Promise<{ attempt: string }> }): Promise<Response> {
  const ctx = await maybeContext();
  if (!ctx) return respond(refuse('not-signed-in'));
  if (!fromOurPages(request)) return respond(refuse('forbidden'));
  const bytes = await readBody(request, MOST_FILE_BYTES);
  if (!bytes) return respond(tooLarge(Number(request.headers.get('content-length') ?? MOST_FILE_BYTES)));
  const name = new URL(request.url).searchParams.get('name') ?? '';
  return respond(await addHandedFile(ctx, { attempt: (await params).attempt, name, bytes }));
}
