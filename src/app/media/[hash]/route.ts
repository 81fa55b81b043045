import { partAsked } from '../../part-asked';
import { maybeContext } from '@/server/auth/request';
import { FILES } from '@/server/media/add-file';
import { mediaFacts, readMedia } from '@/server/media/read-media';

const SAFE = {
  'Cache-Control': 'private, max-age=31536000, immutable',
  'Content-Security-Policy': "default-src 'none'; style-src 'unsafe-inline'; img-src data:; media-src 'self'; sandbox",
};
/** A player gets so much at a time. */
const PART = 2 * 1024 * 1024;

/** Serves those who are signed in what stands on sheets; a picture small with ?size=small, recordings in the parts that a player asks for, files to be saved. Bytes never change, and nothing in them may run or load. */
export async function GET(request: Request, { params }: { params: Promise<{ hash: string }> }): Promise<Response> {
  const { hash } = await params;
  const out = await maybeContext();
  const facts = out && (await mediaFacts(out, hash));
  if (!facts) return new Response(null, { status: 404 });
  if (/^(audio|video)\//.test(facts.mime)) {
    const asked = partAsked(request, facts.size);
    if (asked === 'none')
      return new Response(null, { status: 416, headers: { 'Content-Range': `bytes */${facts.size}` } });
    const { from, to: wanted } = asked === 'all' ? { from: 0, to: facts.size } : asked;
    const to = Math.min(wanted, from + PART);
    const part = await out.files.getPart(hash, from, to);
    if (!part) return new Response(null, { status: 404 });
    return new Response(Buffer.from(part), {
      status: 206,
      headers: {
        ...SAFE,
        'Content-Type': facts.mime,
        'Accept-Ranges': 'bytes',
        'Content-Range': `bytes ${from}-${from + part.length - 1}/${facts.size}`,
      },
    });
  }
  const small = new URL(request.url).searchParams.get('size') === 'small';
  const found = await readMedia(out, hash, small ? 'small' : 'screen');
  if (!found) return new Response(null, { status: 404 });
  const headers = new Headers({ ...SAFE, 'Content-Type': found.mime });
  // A file is taken along, never opened here.
  if (FILES.has(found.mime)) headers.set('Content-Disposition', 'attachment');
  return new Response(Buffer.from(found.bytes), { headers });
}
