import { channel } from 'node:diagnostics_channel';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { announce } from './headers';

/** The responses that are not at their end, by the numbers of their requests; on the global object, because the framework may load this module more than once in one process. */
const KEY = Symbol.for('zonda.responses');
const holder = globalThis as { [KEY]?: Map<number, ServerResponse> };
const open = (holder[KEY] ??= new Map());
let last = 0;

/** Writes into every request that arrives what the door knows of it, before anything of ours reads it. */
export function watchTheDoor(proxy: boolean): void {
  channel('http.server.request.start').subscribe((message) => {
    const { request, response } = message as { request: IncomingMessage; response: ServerResponse };
    const number = ++last;
    announce(request.headers, { address: request.socket.remoteAddress ?? '', proxy, number });
    open.set(number, response);
    response.once('close', () => open.delete(number));
  });
}

/** Calls back when the response to a request has gone, or at once when it has. */
export function whenGone(number: number, call: () => void): void {
  const response = open.get(number);
  if (response) response.once('close', call);
  else call();
}
