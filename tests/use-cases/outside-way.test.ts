import { createPublicKey, verify } from 'node:crypto';
import { once } from 'node:events';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { FINAL } from '@/core/gradebook/book';
import type { Context } from '@/server/context';
import { compareOutside } from '@/server/platforms/compare';
import { connectOutsideBook } from '@/server/platforms/connect';
import { publicKeys } from '@/server/platforms/keys';
import { openOutsideBook } from '@/server/platforms/outside-book';
import { nameOutside } from '@/server/platforms/outside-people';
import { tryPlatform } from '@/server/platforms/platforms';
import { sendScores } from '@/server/platforms/send';
import { STAND_IN } from '@/server/ports/platform-stand-in';
import { type Message, openWeb, type Reply } from '@/server/ports/web';
import type { TestDepartment } from '../drivers/department';
import { LINE_ITEMS, OutsideCourse } from '../drivers/outside-course';

let outside: OutsideCourse;
let dept: TestDepartment;
beforeEach(async () => {
  outside = await OutsideCourse.open();
  dept = outside.dept;
});
afterEach(() => dept.close());

describe('what goes wrong on the way', () => {
  const status = (number: number): Reply => ({ status: number, headers: {}, body: '' });

  it('is tried again later and later, and given up after the sixth time; then it can be sent anew', async () => {
    await outside.connected();
    await outside.tell();
    outside.instead = ({ address }) => (/scores$/.test(address) ? status(503) : null);
    for (const [i, minutes] of [0, 1, 2, 4, 8, 16].entries()) {
      dept.pass(minutes);
      expect((await sendScores(outside.as('lead'))).failed, `try ${i + 1}`).toBe(5);
      expect((await sendScores(outside.as('lead'))).failed).toBe(0);
    }
    const { troubles } = must(await openOutsideBook(dept.as('teacher'), dept.course));
    expect(troubles).toEqual([{ code: 'platform-refused', status: 503, count: 5, failed: true }]);
    expect(await outside.column('talk')).toMatchObject({ failed: 2, waiting: 0, news: 2 });
    outside.instead = () => null;
    expect(await outside.tell()).toBe(5);
    expect(await sendScores(outside.as('lead'))).toEqual({ sent: 5, failed: 0 });
    expect(must(await openOutsideBook(dept.as('teacher'), dept.course)).troubles).toEqual([]);
  });

  it('is tried at once when somebody asks for it, and not only minutes later', async () => {
    await outside.connected();
    await outside.tell();
    outside.instead = ({ address }) => (/scores$/.test(address) ? status(503) : null);
    await sendScores(outside.as('lead'));
    outside.instead = () => null;
    expect(await sendScores(outside.as('lead'))).toEqual({ sent: 0, failed: 0 });
    expect(await outside.tell()).toBe(0);
    expect(await sendScores(outside.as('lead'))).toEqual({ sent: 5, failed: 0 });
  });

  it('is asked once where nobody is let in, however many scores and columns wait', async () => {
    await outside.connected();
    await outside.tell();
    outside.instead = () => status(401);
    expect(await sendScores(outside.as('lead'))).toEqual({ sent: 0, failed: 5 });
    expect(outside.said.filter(({ message }) => message.address === STAND_IN.tokenAddress)).toHaveLength(1);
    expect(outside.said.length).toBeLessThanOrEqual(2);
    const { troubles } = must(await openOutsideBook(dept.as('teacher'), dept.course));
    expect(troubles).toEqual([{ code: 'platform-no-access', status: 401, count: 5, failed: false }]);
  });

  it('asks for access anew where it has ended, once', async () => {
    must(await tryPlatform(outside.as('lead'), await outside.connected()));
    await outside.tell();
    let ended = true;
    outside.instead = ({ address }) => {
      if (!/resource_id/.test(address) || !ended) return null;
      ended = false;
      return status(401);
    };
    expect(await sendScores(outside.as('lead'))).toEqual({ sent: 5, failed: 0 });
  });

  it('makes a line item again that somebody has taken out there', async () => {
    await outside.connected();
    await outside.tell();
    await sendScores(outside.as('lead'));
    await outside.put('ada', 'talk', '1');
    await outside.tell();
    dept.pass(1);
    outside.instead = ({ address }) => (/scores$/.test(address) ? status(404) : null);
    await sendScores(outside.as('lead'));
    outside.instead = () => null;
    dept.pass(1);
    outside.said = [];
    await sendScores(outside.as('lead'));
    expect(outside.toThe(/resource_id=talk/)).toHaveLength(1);
    expect((await outside.compare()).differences).toEqual([]);
  });

  it('sends nothing where the platform names a place beside its own, and reads no nonsense', async () => {
    await outside.connected();
    await outside.tell();
    const elsewhere = JSON.stringify([{ id: 'https://elsewhere.example/line_items/1', resourceId: 'talk' }]);
    outside.instead = ({ address }) =>
      /resource_id/.test(address) ? { status: 200, headers: {}, body: elsewhere } : null;
    await sendScores(outside.as('lead'));
    expect(outside.said.some(({ message }) => message.address.includes('elsewhere'))).toBe(false);
    const next = '<https://elsewhere.example/line_items?page=2>; rel="next"';
    outside.instead = ({ address }) =>
      /resource_id/.test(address) ? { status: 200, headers: { link: next }, body: '[]' } : null;
    dept.pass(1);
    await sendScores(outside.as('lead'));
    expect(must(await openOutsideBook(dept.as('teacher'), dept.course)).troubles.map(({ code }) => code)).toEqual([
      'platform-elsewhere',
    ]);
    expect(outside.said.some(({ message }) => message.address.includes('elsewhere'))).toBe(false);
    outside.instead = ({ address }) =>
      /resource_id/.test(address) ? { status: 200, headers: {}, body: '<html>'.repeat(1000) } : null;
    dept.pass(2);
    await sendScores(outside.as('lead'));
    const { troubles } = must(await openOutsideBook(dept.as('teacher'), dept.course));
    expect(troubles.map(({ code }) => code).toSorted()).toEqual(['platform-unread']);
  });

  it('reads lists page by page, and ends with one that has no end', async () => {
    await outside.connected();
    await outside.tell();
    await sendScores(outside.as('lead'));
    outside.said = [];
    outside.instead = ({ address }) =>
      /results/.test(address)
        ? {
            status: 200,
            headers: { link: `<${address}>; rel="first", <${STAND_IN.under}WT-1/results?more>; rel="next"` },
            body: '[]',
          }
        : null;
    await outside.compare();
    expect(outside.toThe(/results/).length).toBeLessThanOrEqual(150);
    expect(outside.toThe(/results\?more$/).length).toBeGreaterThan(0);
  });
});

it('speaks over the network with a platform that lies inside, where the installation names its host', async () => {
  // The stand-in behind a server of its own: what it says of itself is put into the server's address.
  const server = createServer((request, response) => {
    void (async () => {
      const chunks: Buffer[] = [];
      for await (const chunk of request as AsyncIterable<Buffer>) chunks.push(chunk);
      const reply = must(
        await dept.out.web.send({
          method: request.method as Message['method'],
          address: `${STAND_IN.home}${request.url?.slice(1)}`,
          headers: { authorization: request.headers.authorization ?? '' },
          body: Buffer.concat(chunks).toString(),
        }),
      );
      response.writeHead(reply.status, { 'content-type': 'application/json' });
      response.end(reply.body.replaceAll(STAND_IN.home, home));
    })();
  }).listen(0, '127.0.0.1');
  await once(server, 'listening');
  const host = `127.0.0.1:${(server.address() as AddressInfo).port}`;
  const home = `http://${host}/`;
  await outside.connected();
  const at = (address: string): string => address.replace(STAND_IN.home, home);
  const platform = await outside.register({
    name: 'Inside',
    tokenAddress: at(STAND_IN.tokenAddress),
    under: at(STAND_IN.under),
    audience: STAND_IN.tokenAddress,
  });
  const columns = ['talk', FINAL];
  const lineItems = at(LINE_ITEMS);
  must(await connectOutsideBook(dept.as('teacher'), { course: dept.course, platform, lineItems, columns }));
  const ids = [{ member: dept.id('ada'), outsideId: 'ada there' }];
  must(await nameOutside(dept.as('teacher'), { course: dept.course, ids }));
  const inside = (known: string[]): Context => ({ ...dept.as('lead'), web: openWeb(new Set(known)) });
  expect(await tryPlatform(inside([]), platform)).toMatchObject({ refusal: { code: 'platform-address' } });
  must(await tryPlatform(inside([host]), platform));
  expect(await outside.tell()).toBe(2);
  expect(await sendScores(inside([host]))).toEqual({ sent: 2, failed: 0 });
  expect(must(await compareOutside(inside([host]), dept.course))).toEqual({ same: 2, differences: [] });
  server.close();
  server.closeAllConnections();
  expect(await compareOutside(inside([host]), dept.course)).toMatchObject({ refusal: { code: 'platform-silent' } });
});

/** RFC 7523, section 3; 1EdTech Security Framework 1.0, section 4.1.1 (from memory). */
it('shows who it is by an assertion that anybody can check with the public keys, good once', async () => {
  const platform = await outside.register();
  const ctx = outside.as('lead');
  must(await tryPlatform(ctx, platform));
  const [first] = outside.said;
  const asked = new URLSearchParams(first?.message.body ?? '');
  expect(asked.get('grant_type')).toBe('client_credentials');
  const [head = '', payload = '', signature = ''] = (asked.get('client_assertion') ?? '').split('.');
  const read = (part: string) => JSON.parse(Buffer.from(part, 'base64url').toString()) as Record<string, unknown>;
  const { keys } = await publicKeys(dept.out.db, dept.now);
  expect(keys).toHaveLength(1);
  // Nothing of a private key (RFC 7518, section 6.3.2) leaves the installation.
  expect(Object.keys(keys[0] ?? {}).toSorted()).toEqual(['alg', 'e', 'kid', 'kty', 'n', 'use']);
  expect(read(head)).toMatchObject({ alg: 'RS256', kid: keys[0]?.kid });
  const key = createPublicKey({ key: keys[0] as never, format: 'jwk' });
  expect(verify('RSA-SHA256', Buffer.from(`${head}.${payload}`), key, Buffer.from(signature, 'base64url'))).toBe(true);
  const now = Math.floor(dept.now / 1000);
  expect(read(payload)).toEqual({
    iss: STAND_IN.clientId,
    sub: STAND_IN.clientId,
    aud: STAND_IN.tokenAddress,
    iat: now,
    exp: now + 300,
    jti: expect.any(String),
  });
  // The platform takes the same assertion no second time, and none that is late or for somebody else.
  const again = await ctx.web.send(first?.message ?? ({} as Message));
  expect(must(again).status).toBe(400);
  dept.pass(10);
  const other = await outside.register({ name: 'Another', clientId: 'somebody-else' });
  expect(await tryPlatform(outside.as('lead'), other)).toMatchObject({
    ok: false,
    refusal: { code: 'platform-no-access' },
  });
});
