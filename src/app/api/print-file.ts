import type { Result } from '@/core/base/result';
import { sessionCookie } from '@/server/auth/cookie';
import { sessionToken } from '@/server/auth/request';
import { printPage } from '@/server/ports/printer';
import { respond } from './respond';

/** The page beside this address as a PDF file of this title, printed for whoever asks. */
export async function printFile(request: Request, title: Result<string>): Promise<Response> {
  if (!title.ok) return respond(title);
  const { pathname, search } = new URL(request.url);
  // The browser comes to us directly, never by HTTPS.
  const cookie = { name: sessionCookie(false), value: (await sessionToken()) ?? '' };
  const printed = await printPage({ path: `${pathname.replace(/\/pdf$/, '')}${search}`, cookie });
  if (!printed.ok) return respond(printed);
  const name = encodeURIComponent(`${title.value}.pdf`);
  return new Response(new Uint8Array(printed.value), {
    headers: {
      'Content-Type': 'application/pdf',
      'Content-Disposition': `attachment; filename*=UTF-8''${name}`,
      'Cache-Control': 'no-store',
    },
  });
}
