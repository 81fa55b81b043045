import { randomBytes } from 'node:crypto';
import { type NextRequest, NextResponse } from 'next/server';
import { sessionIn } from '@/server/auth/cookie';
import { NONCE, REQUEST, SECURE } from '@/server/door/headers';
import { fromOurPages } from '@/server/door/origin';
import { contentPolicy } from '@/server/door/policy';
import { takeTurn } from '@/server/door/share';
import { whenGone } from '@/server/door/watch';

/** Pages; what is fetched by pages has its own doors. */
export const config = { matcher: '/((?!api/|media/|_next/).*)' };

const READS = ['GET', 'HEAD'];
const YEAR = 365 * 86_400;

/** Every page passes here: writing only from our own pages, a turn of its session, and what it may load. */
export async function proxy(request: NextRequest): Promise<NextResponse> {
  if (!READS.includes(request.method) && !fromOurPages(request)) return new NextResponse(null, { status: 403 });
  const secure = request.headers.get(SECURE) === 'yes';
  const session = sessionIn(request.cookies, secure);
  if (session) {
    const leave = await takeTurn(session);
    if (!leave) return new NextResponse('Too much at once. Wait a moment, then load the page again.', { status: 429 });
    whenGone(Number(request.headers.get(REQUEST)), leave);
  }
  const nonce = randomBytes(16).toString('base64');
  const policy = contentPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set('content-security-policy', policy);
  headers.set(NONCE, nonce);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('Content-Security-Policy', policy);
  if (secure) response.headers.set('Strict-Transport-Security', `max-age=${YEAR}; includeSubDomains`);
  return response;
}
