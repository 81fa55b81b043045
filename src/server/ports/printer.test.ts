import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { canPrint, printPage, servedAt } from './printer';

let server: Server;
const cookies: (string | undefined)[] = [];

beforeAll(async () => {
  server = createServer((request, response) => {
    cookies.push(request.headers.cookie);
    response.setHeader('Content-Type', 'text/html');
    response.end('<style>@page { size: A5 } p { break-after: page }</style><p>one</p><p>two</p><h1>three</h1>');
  });
  await new Promise<void>((done) => server.listen(0, 'localhost', done));
});
afterAll(() => server.close());

/** How many pages a PDF file has: page objects of PDF 32000-1:2008, 7.7.3.3. */
const pagesOf = (pdf: Buffer): number => pdf.toString('latin1').match(/\/Type\s*\/Page\b(?!s)/g)?.length ?? 0;
const page = { path: '/exam?version=1', cookie: { name: 'session', value: 'abc' } };

it('prints nothing before it is known from where', async () => {
  expect(canPrint()).toBe(false);
  expect(await printPage(page)).toMatchObject({ ok: false, refusal: { code: 'no-printer' } });
});

it('prints a page of ours for whoever asks, in pages as its style says; several one after the other', async () => {
  servedAt(`http://localhost:${(server.address() as AddressInfo).port}`);
  expect(canPrint()).toBe(true);
  const printed = await Promise.all([printPage(page), printPage({ ...page, path: '/other' })]);
  for (const pdf of printed.map(must)) {
    expect(pdf.subarray(0, 5).toString()).toBe('%PDF-');
    expect(pagesOf(pdf)).toBe(3);
    // A5 in points (ISO 216: 148 × 210 mm).
    expect(pdf.toString('latin1')).toMatch(/\/MediaBox\s*\[0 0 (419|420)[.\d]* (595|594)/);
  }
  expect(new Set(cookies)).toEqual(new Set(['session=abc']));
});

it('of many who ask at once, those whom nobody can serve soon are told so', async () => {
  const all = await Promise.all(Array.from({ length: 7 }, () => printPage(page)));
  const refused = all.filter((one) => !one.ok);
  expect(refused).toMatchObject([{ refusal: { code: 'too-much-at-once' } }, { refusal: { code: 'too-much-at-once' } }]);
}, 60_000);
