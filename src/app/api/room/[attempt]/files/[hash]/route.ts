import { maybeContext } from '@/server/auth/request';
import { readHandedFile } from '@/server/sittings/handed-files';

/** Gives a handed-in file to be saved. It is never shown as a page of ours: it comes from outside. */
export async function GET(
  _: Request,
  { params }: { params: Promise<{ attempt: string; hash: string }> },
): Promise<Response> {
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
