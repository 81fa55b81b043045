import { refuse } from '@/core/base/result';
import { PIECE_BYTES } from '@/core/content/file-limits';
import { addFilePiece, handedFileFacts, readHandedFile } from '@/server/sittings/handed-files';
import { secondForm } from '@/server/sittings/second-form';
import { partAsked } from '@/app/part-asked';
import { forSignedIn, forWriting } from '../../../../door';
import { readBody } from '../../../../read-body';
import { respond } from '../../../../respond';

/** What comes from outside is never a page of ours, and kept nowhere. */
const OF_OTHERS = {
  'Content-Security-Policy': "default-src 'none'; sandbox",
  'X-Content-Type-Options': 'nosniff',
  'Cache-Control': 'private, no-store',
};

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

/** A recording as every browser plays it; not found where that cannot be made. */
function asSecondForm(bytes: Uint8Array | null, to: 'voice' | 'film'): Response {
  if (!bytes) return new Response(null, { status: 404 });
  const headers = { ...OF_OTHERS, 'Content-Type': to === 'voice' ? 'audio/mpeg' : 'video/mp4' };
  return new Response(Buffer.from(bytes), { headers });
}

/** Gives a handed-in file to be saved, whole or in the part that is asked for. It is never shown as a page of ours: it comes from outside. */
export function GET(request: Request, { params }: Named): Promise<Response> {
  return forSignedIn(async (ctx) => {
    const { attempt, hash } = await params;
    const second = new URL(request.url).searchParams.get('second');
    if (second === 'voice' || second === 'film')
      return asSecondForm(await secondForm(ctx, { attempt, hash }, second), second);
    const facts = await handedFileFacts(ctx, attempt, hash);
    if (!facts) return new Response(null, { status: 404 });
    const part = partAsked(request, facts.size);
    if (part === 'none')
      return new Response(null, { status: 416, headers: { 'Content-Range': `bytes */${facts.size}` } });
    const file = await readHandedFile(ctx, attempt, hash, part === 'all' ? undefined : part);
    if (!file) return new Response(null, { status: 404 });
    const headers = new Headers({
      'Content-Type': 'application/octet-stream',
      'Content-Disposition': `attachment; filename*=UTF-8''${encodeURIComponent(file.name)}`,
      ...OF_OTHERS,
      'Accept-Ranges': 'bytes',
    });
    if (part !== 'all') headers.set('Content-Range', `bytes ${part.from}-${part.to - 1}/${facts.size}`);
    return new Response(Buffer.from(file.bytes), { status: part === 'all' ? 200 : 206, headers });
  });
}
