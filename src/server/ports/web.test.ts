import { once } from 'node:events';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { expect, it } from 'vitest';
import { isInside } from './inside';
import { ask, checkedAddress, openWeb } from './web';

/** Special-purpose addresses of the IANA registries (RFC 6890), and those that hold another in themselves. */
it.each([
  '0.0.0.0',
  '10.0.0.1',
  '100.64.0.1',
  '127.9.9.9',
  '169.254.0.1',
  '172.16.0.1',
  '172.31.255.255',
  '192.0.2.7',
  '192.168.1.1',
  '224.0.0.1',
  '255.255.255.255',
  '::',
  '::1',
  '::127.0.0.1',
  '::7f00:1',
  '::ffff:192.168.0.1',
  '0:0:0:0:0:ffff:7f00:1',
  '64:ff9b::7f00:1',
  '2001:0:7f00:1::',
  '2001:db8::1',
  '2002:7f00:1::',
  'fc00::1',
  'fd12::1',
  'fe80::1',
  'fec0::1',
  'ff02::1',
])('%s lies inside', async (ip) => {
  expect(isInside(ip)).toBe(true);
  const host = ip.includes(':') ? `[${ip}]` : ip;
  expect(await checkedAddress(`http://${host}/a.png`)).toMatchObject({ ok: false, refusal: { code: 'web-inside' } });
});

it.each([
  '1.1.1.1',
  '100.63.0.1',
  '172.15.0.1',
  '172.32.0.1',
  '192.169.0.1',
  '223.255.255.255',
  '2001:4860:4860::8888',
])('%s lies outside', (ip) => {
  expect(isInside(ip)).toBe(false);
});

it('asks at the place that was checked, whatever the name stands for by then', async () => {
  const server = createServer((request, response) => response.end(`for ${request.headers.host}`)).listen(
    0,
    '127.0.0.1',
  );
  await once(server, 'listening');
  const { port } = server.address() as AddressInfo;
  const url = new URL(`http://name-that-nobody-has.invalid:${port}/picture.png`);
  const response = await ask({ url, place: { address: '127.0.0.1', family: 4 } });
  const chunks: Buffer[] = [];
  for await (const chunk of (response ?? []) as AsyncIterable<Buffer>) chunks.push(chunk);
  expect(Buffer.concat(chunks).toString()).toBe(`for name-that-nobody-has.invalid:${port}`);
  server.close();
});

it('sends to a known host inside what it is given, and follows nowhere; to no other', async () => {
  const server = createServer((request, response) => {
    const chunks: Buffer[] = [];
    request.on('data', (chunk: Buffer) => chunks.push(chunk));
    request.on('end', () => {
      const said = `${request.method} ${request.headers.authorization} ${Buffer.concat(chunks).toString()}`;
      if (request.url === '/moved') response.writeHead(302, { location: 'http://127.0.0.1:1/' });
      if (request.url === '/much') response.write('x'.repeat(3_000_000));
      response.end(said);
    });
  }).listen(0, '127.0.0.1');
  await once(server, 'listening');
  const host = `127.0.0.1:${(server.address() as AddressInfo).port}`;
  const { send } = openWeb(new Set([host]));
  const message = { method: 'POST', headers: { authorization: 'Bearer x' }, body: '{"scoreGiven":8}' } as const;
  expect(await send({ ...message, address: `http://${host}/scores` })).toMatchObject({
    ok: true,
    value: { status: 200, body: 'POST Bearer x {"scoreGiven":8}' },
  });
  expect(await send({ ...message, address: `http://${host}/moved` })).toMatchObject({ value: { status: 302 } });
  const refused = async (address: string, known: string[] = []) => {
    const result = await openWeb(new Set(known)).send({ ...message, address });
    return result.ok ? 'sent' : result.refusal.code;
  };
  expect(await refused(`http://${host}/much`, [host])).toBe('web-too-large');
  expect(await refused(`http://${host}/scores`)).toBe('web-address');
  expect(await refused(`https://127.0.0.1/scores`, [host])).toBe('web-inside');
  expect(await refused(`http://me:secret@${host}/scores`, [host])).toBe('web-address');
  expect(await refused('nonsense')).toBe('web-address');
  server.close();
  server.closeAllConnections();
  expect(await refused(`http://${host}/scores`, [host])).toBe('web-unreachable');
});
