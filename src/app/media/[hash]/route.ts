import { readMedia } from '@/server/media/read-media';
import { outside } from '@/server/outside';

/** Serves a picture, small with ?size=small. Its bytes never change, and nothing in it may run or load. */
export async function GET(request: Request, { params }: { params: Promise<{ hash: string }> }): Promise<Response> {
  const small = new URL(request.url).searchParams.get('size') === 'small';
  const found = await readMedia(await outside(), (await params).hash, small ? 'small' : 'screen');
  if (!found) return new Response(null, { status: 404 });
  return new Response(Buffer.from(found.bytes), {
    headers: {
      'Content-Type': found.mime,
      'Cache-Control': 'public, max-age=31536000, immutable',
      'Content-Security-Policy': "default-src 'none'; style-src 'unsafe-inline'; img-src data:; sandbox",
    },
  });
}
