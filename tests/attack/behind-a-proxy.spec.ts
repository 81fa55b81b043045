import { cpSync, rmSync, statSync } from 'node:fs';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import { DEMO_PASSWORD } from '../../src/demo/people';
import { PREPARED, Server } from '../drivers/server';

/** What `docs/security.md` promises when a proxy says that HTTPS was used. The tests are the proxy. */
const server = new Server(3309, 'attack-proxy', { ZONDA_PROXY: 'yes' });
const BY_HTTPS = { 'x-forwarded-proto': 'https', 'x-forwarded-for': '192.0.2.7', 'x-forwarded-host': 'zonda.example' };
test.beforeAll(async () => {
  rmSync(server.data, { recursive: true, force: true });
  cpSync(PREPARED, server.data, { recursive: true });
  await server.start();
});
test.afterAll(() => server.kill());

/** Signs in as the page's form does without scripts. */
async function signIn(headers: Record<string, string>): Promise<Response> {
  const page = await (await fetch(`${server.base}/sign-in`, { headers })).text();
  const form = new FormData();
  for (const [, name = '', value = ''] of page.matchAll(/<input type="hidden" name="([^"]+)"(?: value="([^"]*)")?/g))
    form.set(name, value.replaceAll('&quot;', '"'));
  form.set('userName', 'odalys');
  form.set('password', DEMO_PASSWORD);
  return fetch(`${server.base}/sign-in`, { method: 'POST', body: form, redirect: 'manual', headers });
}

test('reached by HTTPS the session’s cookie is bound to host and channel, and browsers keep to HTTPS', async () => {
  const signedIn = await signIn({ ...BY_HTTPS, origin: 'https://zonda.example' });
  const cookie = signedIn.headers.get('set-cookie') ?? '';
  expect(cookie).toMatch(/^__Host-zonda-session=[\w-]{40,};/);
  for (const part of ['Path=/', 'Secure', 'HttpOnly', /SameSite=lax/i]) expect(cookie).toMatch(part);
  expect(cookie).not.toMatch(/Domain=/i);
  const page = await fetch(`${server.base}/`, { headers: { ...BY_HTTPS, cookie: cookie.split(';')[0] ?? '' } });
  expect(page.headers.get('strict-transport-security')).toMatch(/max-age=31536000/);
  expect(await page.text()).toContain('Odalys Ferreira');
  // The same cookie by a plain channel is none.
  const plain = await fetch(`${server.base}/`, { headers: { cookie: cookie.split(';')[0] ?? '' }, redirect: 'manual' });
  expect([plain.status, plain.headers.get('strict-transport-security')]).toEqual([307, null]);
});

test('a page of another host writes nothing, whatever the host behind the proxy is called', async () => {
  expect((await signIn({ ...BY_HTTPS, origin: server.base })).status).toBe(403);
  expect((await signIn({ ...BY_HTTPS, origin: 'https://elsewhere.example' })).status).toBe(403);
});

test('what the server writes is nobody else’s on its machine', () => {
  // Made by this process; the folder and the database were copied here by the test.
  expect(statSync(path.join(server.data, 'alive')).mode & 0o077).toBe(0);
  expect(statSync(PREPARED).mode & 0o077).toBe(0);
});
