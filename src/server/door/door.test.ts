import { EventEmitter } from 'node:events';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { describe, expect, it } from 'vitest';
import { type DoorOptions, openDoor } from './door';
import { prove } from './proven';

/** A door with a clock that stands still, and what comes to it. */
function standBefore(options: Partial<DoorOptions> = {}) {
  const now = 1_000_000;
  const door = openDoor({ proxy: false, now: () => now, ...options });
  /** Asks once; ends with the status, 200 for whoever is let in and answered at once. */
  const ask = async (
    url: string,
    { token, address = '10.0.0.1', method = 'GET' }: { token?: string; address?: string; method?: string } = {},
  ): Promise<number> => {
    const request = {
      url,
      method,
      headers: token ? { cookie: `other=1; zonda-session=${token}` } : {},
      socket: { remoteAddress: address },
    } as unknown as IncomingMessage;
    let status = 200;
    const response = Object.assign(new EventEmitter(), {
      destroyed: false,
      writeHead: (code: number) => (status = code),
      end: () => undefined,
    });
    await door(request, response as unknown as ServerResponse, () => void response.emit('close'));
    return status;
  };
  const refusedOf = async (times: number, one: (i: number) => Promise<number>): Promise<number> => {
    let refused = 0;
    for (let i = 0; i < times; i++) if ((await one(i)) === 429) refused += 1;
    return refused;
  };
  return { now, ask, refusedOf };
}

describe('the door', () => {
  it('lets in what an honest room, a bank and a class that arrives ask for', async () => {
    const { now, ask, refusedOf } = standBefore();
    prove('honest', now);
    expect(await refusedOf(100, () => ask('/api/room/x', { token: 'honest', method: 'POST' }))).toBe(0);
    expect(await refusedOf(400, () => ask('/api/room/x/files/y', { token: 'honest', method: 'PUT' }))).toBe(0);
    // Three hundred students from one address within a moment: door, password, page, and what pages load.
    expect(await refusedOf(1200, () => ask('/sign-in'))).toBe(0);
    expect(await refusedOf(5000, () => ask('/_next/static/x.js'))).toBe(0);
  });

  it('refuses a session what is beyond its share, and takes nothing of it from others at the same address', async () => {
    const { now, ask, refusedOf } = standBefore();
    prove('greedy', now);
    prove('other', now);
    expect(await refusedOf(500, () => ask('/my', { token: 'greedy' }))).toBe(350);
    expect(await refusedOf(100, () => ask('/my', { token: 'other' }))).toBe(0);
    expect(await refusedOf(100, () => ask('/sign-in'))).toBe(0);
  });

  it('takes made-up sessions for nobody’s: they share what their address has', async () => {
    const { ask, refusedOf } = standBefore();
    expect(await refusedOf(5000, (i) => ask('/my', { token: `made-up-${i}` }))).toBe(3000);
    expect(await refusedOf(100, () => ask('/my', { address: '10.0.0.2' }))).toBe(0);
  });

  it('lets so many streams stand open for a session', async () => {
    const now = 5;
    prove('listening', now);
    const door = openDoor({ proxy: false, now: () => now });
    const open: EventEmitter[] = [];
    let refused = 0;
    for (let i = 0; i < 20; i++) {
      const response = Object.assign(new EventEmitter(), {
        destroyed: false,
        writeHead: () => (refused += 1),
        end: () => undefined,
      });
      const headers = { cookie: 'zonda-session=listening' };
      const request = { url: '/api/events', method: 'GET', headers, socket: { remoteAddress: '10.0.0.1' } };
      await door(
        request as unknown as IncomingMessage,
        response as unknown as ServerResponse,
        () => void open.push(response),
      );
    }
    expect([open.length, refused]).toEqual([12, 8]);
  });
});
