import { expect, test } from '@playwright/test';
import { Attacker } from '../drivers/attacker';
import { onStage } from '../drivers/stage';

/** What a student’s account must not come to: another’s work, the key, more time, somebody else’s name. */
const stage = onStage('attack-read');
let attacker: Attacker;
let other: Attacker;
test.beforeAll(async () => {
  attacker = await Attacker.enter(stage, 16);
  other = await Attacker.enter(stage, 18);
});

const namesIn = (page: string): string[] =>
  [...page.matchAll(/\\"options\\":\[(.*?)\]/g)].flatMap(([, options]) =>
    [...(options ?? '').matchAll(/\\"id\\":\\"([a-z0-9]+)\\"/g)].map(([, id]) => id ?? ''),
  );

test('two sheets of one paper have no name in common, and no name of the author’s is taken', async () => {
  const [mine, theirs] = await Promise.all(
    [attacker, other].map(async (one) => namesIn(await (await one.send(one.room)).text())),
  );
  expect(mine?.length).toBeGreaterThan(10);
  expect(mine?.filter((name) => theirs?.includes(name))).toEqual([]);
  const page = await (await attacker.send(attacker.room)).text();
  const item = /\\"id\\":\\"([0-9a-f-]{36})\\"/.exec(page)?.[1];
  const saved = await attacker.save([{ seq: 1, item, slot: 'a', value: { chosen: ['o0'] }, age: 0 }]);
  expect(await saved.json()).toMatchObject({ value: { saved: [], refused: [{ seq: 1, why: 'unfit' }] } });
});

test('another’s room, files and result are not there', async () => {
  const foreign = other.room;
  expect((await attacker.send(foreign)).status).toBe(404);
  const [save, handIn] = [
    await attacker.send(`/api${foreign}`, { method: 'POST', body: '{"device":"device-attack","entries":[]}' }),
    await attacker.send(`/api${foreign}/hand-in`, { method: 'POST' }),
  ];
  expect([save.status, handIn.status]).toEqual([403, 403]);
  expect((await attacker.send(foreign.replace('/room/', '/my/'))).status).toBe(404);
});

test('pictures need a session', async () => {
  const [picture] = /\/media\/[0-9a-f]{64}/.exec(await (await attacker.send(attacker.room)).text()) ?? [];
  expect(picture).toBeDefined();
  expect((await fetch(`${stage.base}${picture}`)).status).toBe(404);
  expect((await attacker.send(picture ?? '')).status).toBe(200);
});

test('a script that comes into a page some other way does not run', async () => {
  const policy = (await fetch(`${stage.base}/sign-in`)).headers.get('content-security-policy') ?? '';
  const [, scripts] = /script-src ([^;]*)/.exec(policy) ?? [];
  expect(scripts).toMatch(/'nonce-[^']{20,}'/);
  expect(scripts).not.toContain('unsafe');
  const page = await (await stage.browser.newContext()).newPage();
  await page.goto(`${stage.base}/sign-in`);
  const refused = page.waitForEvent('console', (message) => message.text().includes('Content Security Policy'));
  await page.evaluate(() => {
    document.body.insertAdjacentHTML('beforeend', '<img src="/none" onerror="window.ran = true">');
  });
  await refused;
  expect(await page.evaluate(() => 'ran' in window)).toBe(false);
});

test('what a request says about itself counts for nothing', async () => {
  const elsewhere = { origin: 'https://elsewhere.example', 'x-forwarded-host': 'elsewhere.example' };
  for (const path of [attacker.room, `/api${attacker.room}`, '/sign-in'])
    expect([path, (await attacker.send(path, { method: 'POST', headers: elsewhere })).status]).toEqual([path, 403]);
  const nowhere = await fetch(`${stage.base}/sign-in`, { method: 'POST' });
  expect(nowhere.status).toBe(403);
  const said = await fetch(`${stage.base}/sign-in`, { headers: { 'x-forwarded-proto': 'https' } });
  expect(said.headers.get('strict-transport-security')).toBeNull();
});

test('a room that was handed in cannot be read any more, nor written', async () => {
  expect((await other.send(`/api${other.room}/hand-in`, { method: 'POST' })).status).toBe(200);
  expect(namesIn(await (await other.send(other.room)).text())).toEqual([]);
  const saved = await other.save([{ seq: 9, item: 'x', slot: 'a', value: { chosen: [] }, age: 60_000 }]);
  expect(await saved.json()).toMatchObject({ value: { saved: [] } });
});
