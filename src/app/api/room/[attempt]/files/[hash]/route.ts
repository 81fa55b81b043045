import { refuse } from '@/core/base/result';
import { PIECE_BYTES } from '@/core/content/file-limits';
import { addFilePiece, readHandedFile } from '@/server/sittings/handed-files';
import { forSignedIn, forWriting } from '../../../../door';
import { readBody } from '../../../../read-body';
import { respond } from '../../../../respond';

interface Named {
  params: Promise<{ attempt: string; hash: string }>;
}

/** Takes the next piece of a file beside an answer as the body of the request; the address says what it is a piece of. */
export function PUT(request: Request, { params }: Named): Promise<Response> {
  return forWriting(request, async (ctx) => {
    const bytes = await readBody(request, PIECE_BYTES);
    if (!bytes) return respond(refuse('bad-input'));
    const said = new URL(request.url).searchParams;
    const [size, from, age] = ['size', 'from', 'age'].map((name) => Number(said.get(name)));
    const name = said.get('name') ?? '';
    return respond(await addFilePiece(ctx, { ...(await params), name, size, from, age }, bytes));
  });
}

/** Gives a handed-in file to be saved. It is never shown as a page of ours: it comes from outside. */
export function GET(_: Request, { params }: Named): Promise<Response> {
  return forSignedIn(async (ctx) => {
    const { attempt, hash } = await params;
    const file = await readHandedFile(ctx, attempt, hash);
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
  });
}
