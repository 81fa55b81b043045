import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, beforeAll, expect, it } from 'vitest';
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
  expect(await printPage(page)).toBe(null);
});

it('prints a page of ours for whoever asks, in pages as its style says; several one after the other', async () => {
  servedAt(`http://localhost:${(server.address() as AddressInfo).port}`);
  expect(canPrint()).toBe(true);
  const [one, two] = await Promise.all([printPage(page), printPage({ ...page, path: '/other' })]);
  for (const pdf of [one, two]) {
    expect(pdf?.subarray(0, 5).toString()).toBe('%PDF-');
    expect(pdf && pagesOf(pdf)).toBe(3);
    // A5 in points (ISO 216: 148 × 210 mm).
    expect(pdf?.toString('latin1')).toMatch(/\/MediaBox\s*\[0 0 (419|420)[.\d]* (595|594)/);
  }
  expect(new Set(cookies)).toEqual(new Set(['session=abc']));
});
