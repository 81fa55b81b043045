import { refuse } from '@/core/base/result';
import { PIECE_BYTES } from '@/core/content/file-limits';
import { maybeContext } from '@/server/auth/request';
import { addFilePiece, readHandedFile } from '@/server/sittings/handed-files';
import { readBody } from '../../../../read-body';
import { fromOurPages, respond } from '../../../../respond';

interface Named {
  params: Promise<{ attempt: string; hash: string }>;
}

/** Takes the next piece of a file beside an answer as the body of the request; the address says what it is a piece of. */
export async function PUT(request: Request, { params }: Named): Promise<Response> {
  const ctx = await maybeContext();
  if (!ctx) return respond(refuse('not-signed-in'));
  if (!fromOurPages(request)) return respond(refuse('forbidden'));
  const bytes = await readBody(request, PIECE_BYTES);
  if (!bytes) return respond(refuse('bad-input'));
  const said = new URL(request.url).searchParams;
  const [size, from, age] = ['size', 'from', 'age'].map((name) => Number(said.get(name)));
  const name = said.get('name') ?? '';
  return respond(await addFilePiece(ctx, { ...(await params), name, size, from, age }, bytes));
}

/** Gives a handed-in file to be saved. It is never shown as a page of ours: it comes from outside. */
export async function GET(_: Request, { params }: Named): Promise<Response> {
  const { attempt, hash } = await params;
  const ctx = await maybeContext();
  const file = ctx && (await readHandedFile(ctx, attempt, hash));
  if (!file) return new Response(null, { status: 404 });
  return new Response(Buffer.from(file.bytes), {
    headers: {
      'Content-Type': 'application/octet-stream',
      'Content-Disposition': `attachment; filename*=UTF-8''${encodeURIComponent(file.name)}`,
      'Content-Security-Policy': "default-src 'none'; sandbox",
      'X-Content-Type-Options': 'nosniff',
      'Cache-Control': 'private, no-store',
    },
  });
}
