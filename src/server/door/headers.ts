import type { IncomingHttpHeaders } from 'node:http';

/** Headers under which the door tells what it knows of a request. Whatever a request says there itself is taken away. */
export const SOURCE = 'x-zonda-source';
export const SECURE = 'x-zonda-secure';
/** The number that scripts of this answer carry. */
export const NONCE = 'x-zonda-nonce';

/** What only a proxy before us may say. */
const FORWARDED = ['forwarded', 'x-forwarded-for', 'x-forwarded-host', 'x-forwarded-port', 'x-forwarded-proto'];

/**
 * Writes into the headers of a request from where it comes and whether it came
 * by HTTPS, and tells it. With a proxy before us its word counts, of several
 * addresses the one that it added last; without one, what a request says about
 * being forwarded is a lie and goes.
 */
export function announce(
  headers: IncomingHttpHeaders,
  { address, proxy }: { address: string; proxy: boolean },
): { source: string; secure: boolean } {
  const last = (name: string): string | undefined =>
    String(headers[name] ?? '')
      .split(',')
      .at(-1)
      ?.trim();
  const source = (proxy && last('x-forwarded-for')) || address;
  const secure = proxy && last('x-forwarded-proto') === 'https';
  if (!proxy) for (const name of FORWARDED) delete headers[name];
  headers[SOURCE] = source;
  headers[SECURE] = secure ? 'yes' : 'no';
  return { source, secure };
}
