import type { IncomingMessage, ServerResponse } from 'node:http';
import { sessionIn } from '../auth/cookie';
import { cookiesOf } from './cookies';
import { announce } from './headers';
import { isProven } from './proven';
import { type Share, Shares } from './share';

/** A browser opens six connections; a room at its busiest sends some three requests a second, the bank's list fetches ahead by the dozen. */
const SESSION: Share = { atOnce: 6, waiting: 60, rush: 150, perSecond: 25 };
/** Pieces of files come one after another, as fast as the network takes them: some hundred for a file. */
const PIECES: Share = { atOnce: 4, waiting: 20, rush: 600, perSecond: 60 };
/** Streams of events stay open; each open page takes one. */
const STREAMS: Share = { atOnce: 12, waiting: 0, rush: 60, perSecond: 1 };
/** Who is not signed in, by address: a whole class may come from one at the same moment. */
const ADDRESS: Share = { atOnce: 20, waiting: 1000, rush: 2000, perSecond: 100 };
/** Scripts and styles, by address. */
const STATIC: Share = { atOnce: 100, waiting: 2000, rush: 6000, perSecond: 600 };

/** How long a refused client is asked to wait, in seconds. */
const AGAIN_IN = 2;

export interface DoorOptions {
  /** Whether a proxy stands before us and says from where requests come. */
  proxy: boolean;
  now?: () => number;
}

/** What stands before the application: says of every request from where it comes, and gives everybody their share. */
export function openDoor({ proxy, now = Date.now }: DoorOptions) {
  const shares = new Shares();
  return async (
    request: IncomingMessage,
    response: ServerResponse,
    next: () => Promise<void> | void,
  ): Promise<void> => {
    const { source, secure } = announce(request.headers, { address: request.socket.remoteAddress ?? '', proxy });
    const { who, share } = accountOf(request, source, secure, now());
    const leave = await shares.takeTurn(who, share, now());
    if (!leave) {
      response.writeHead(429, { 'Retry-After': AGAIN_IN, Connection: 'close', 'Content-Type': 'text/plain' });
      response.end('Too much is asked for at once. Wait a moment, then load the page again.');
      return;
    }
    // Who has gone while waiting has nothing to be answered.
    if (response.destroyed) return leave();
    response.once('close', leave);
    await next();
  };
}

function accountOf(
  request: IncomingMessage,
  source: string,
  secure: boolean,
  now: number,
): { who: string; share: Share } {
  const path = request.url ?? '';
  if (path.startsWith('/_next/')) return { who: `static ${source}`, share: STATIC };
  const token = sessionIn(cookiesOf(request), secure);
  // Made-up sessions are no way to more shares.
  if (!token || !isProven(token, now)) return { who: `address ${source}`, share: ADDRESS };
  if (path.startsWith('/api/events')) return { who: `events ${token}`, share: STREAMS };
  if (request.method === 'PUT') return { who: `pieces ${token}`, share: PIECES };
  return { who: `session ${token}`, share: SESSION };
}
