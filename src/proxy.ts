import { randomBytes } from 'node:crypto';
import { type NextRequest, NextResponse } from 'next/server';
import { NONCE, SECURE } from '@/server/door/headers';
import { fromOurPages } from '@/server/door/origin';
import { contentPolicy } from '@/server/door/policy';

/** Pages; what is fetched by pages has its own doors. */
export const config = { matcher: '/((?!api/|media/|_next/).*)' };

const READS = ['GET', 'HEAD'];
const YEAR = 365 * 86_400;

/** Every page passes here: writing only from our own pages, and what it may load. */
export function proxy(request: NextRequest): NextResponse {
  if (!READS.includes(request.method) && !fromOurPages(request)) return new NextResponse(null, { status: 403 });
  const secure = request.headers.get(SECURE) === 'yes';
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
