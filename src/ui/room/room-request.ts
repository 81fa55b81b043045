import { type Result, refuse } from '@/core/base/result';

/** What a request of the room came to. The connection and who is signed in are told apart from what the server says. */
export type RoomReply<T> = { state: 'answered'; result: Result<T> } | { state: 'offline' | 'signed-out' };

/** Asks the server about an attempt. A reply that is none of ours, and a fault of the server, count as no connection. */
export async function askRoom<T>(address: string, init: RequestInit, milliseconds: number): Promise<RoomReply<T>> {
  try {
    const response = await fetch(`/api/room/${address}`, { ...init, signal: AbortSignal.timeout(milliseconds) });
    // Somebody else may be signed in now: what was written here is not theirs to lose.
    if ([401, 403, 404].includes(response.status)) return { state: 'signed-out' };
    // Asked to come back later, which is what one does without a connection.
    if (response.status >= 500 || response.status === 429) return { state: 'offline' };
    // What stands between may take less than the server, and says so in its own words.
    if (response.status === 413) return { state: 'answered', result: refuse('bad-input') };
    const reply: unknown = await response.json();
    return isOurs(reply) ? { state: 'answered', result: reply as Result<T> } : { state: 'offline' };
  } catch {
    return { state: 'offline' };
  }
}

/** A network that wants a sign-in of its own, or watches over what passes, replies with a page, and with success. */
function isOurs(reply: unknown): boolean {
  return typeof reply === 'object' && reply !== null && 'ok' in reply && typeof reply.ok === 'boolean';
}
