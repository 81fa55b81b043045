import { execFileSync } from 'node:child_process';
import { setTimeout as sleep } from 'node:timers/promises';
import { expect, test } from '@playwright/test';
import { Attacker } from '../drivers/attacker';
import { onStage } from '../drivers/stage';

/** What one student sends must not hold up another. Times are far above what is measured on an idle machine, and far below what was seen once. */
const stage = onStage('attack-all');
let attacker: Attacker;
let honest: Attacker;
test.beforeAll(async () => {
  attacker = await Attacker.enter(stage, 12);
  honest = await Attacker.enter(stage, 14);
});

const at = (took: readonly number[], share: number): number => took[Math.floor(took.length * share)] ?? Infinity;

/** Asks again and again, so many at a time, until the others have been asked about. */
async function flood(path: string, init: RequestInit, until: Promise<unknown>): Promise<Map<number, number>> {
  const statuses = new Map<number, number>();
  let over = false;
  void until.finally(() => (over = true));
  await Promise.all(
    Array.from({ length: 200 }, async () => {
      while (!over) {
        const status = await attacker.send(path, init).then(
          async (response) => (await response.arrayBuffer(), response.status),
          () => 0,
        );
        statuses.set(status, (statuses.get(status) ?? 0) + 1);
      }
    }),
  );
  return statuses;
}

for (const [what, path, init] of [
  ['saves', () => `/api${attacker.room}`, { method: 'POST', body: '{"device":"device-attack","entries":[]}' }],
  ['pages', () => attacker.room, {}],
] as const) {
  test(`two hundred ${what} at a time of one student do not hold up another`, async () => {
    const took = honest.pace(30);
    const statuses = await flood(path(), init, took);
    expect(at(await took, 0.9)).toBeLessThan(2000);
    expect(statuses.get(429)).toBeGreaterThan(0);
    expect(statuses.get(500)).toBeUndefined();
  });
}

test('whoever asked for too much is served again a moment later', async () => {
  await expect(async () => expect((await attacker.save([])).status).toBe(200)).toPass({ timeout: 20_000 });
});

test('a body without an end is not read', async () => {
  const weighs = (): number => {
    const [rss] = execFileSync('ps', ['-o', 'rss=', '-p', String(stage.server.pid)])
      .toString()
      .trim()
      .split('\n');
    return Number(rss) / 1024;
  };
  const before = weighs();
  for (const path of [`/api${attacker.room}`, attacker.room, '/api/bring-in', '/api/media', '/api/take-out']) {
    let sent = 0;
    const body = new ReadableStream<Uint8Array>({
      pull(stream) {
        sent += 1;
        if (sent > 200) return stream.close();
        stream.enqueue(new Uint8Array(1024 * 1024));
      },
    });
    const status = await attacker.send(path, { method: 'POST', body, duplex: 'half' }).then(
      (response) => response.status,
      () => 0,
    );
    expect([path, status]).not.toEqual([path, 500]);
  }
  expect(weighs() - before).toBeLessThan(300);
});

test('answers that were made to take for ever are handed in, and nobody waits for them', async () => {
  // Somebody whose share is whole.
  const hostileOne = await Attacker.enter(stage, 22);
  const page = await (await hostileOne.send(hostileOne.room)).text();
  // The ids of everything on the paper, as anybody reads them from the page.
  const items = [...new Set([...page.matchAll(/\\"id\\":\\"([0-9a-f-]{36})\\"/g)].map(([, id]) => id ?? ''))];
  const hostile = ['0<1<2<3', 'x+1+0*\\sum_{n=1}^{2000}{n!}', `${'\\sin('.repeat(60)}x`, 'gearbox '.repeat(600)];
  let seq = 0;
  let taken = 0;
  for (const item of items)
    for (const slot of ['a', 'b', 'c', 'd'])
      for (const text of hostile) {
        const values = [{ formula: text }, { text }, { number: text, unit: '' }];
        const saved = await hostileOne.save(values.map((value) => ({ seq: ++seq, item, slot, value, age: 0 })));
        const result = (await saved.json().catch(() => null)) as { value?: { saved: number[] } } | null;
        taken += result?.value?.saved.length ?? 0;
      }
  expect(taken).toBeGreaterThan(3);
  const took = honest.pace(30);
  // All that saving may have used up the share; then it comes back after a while, as it is asked to.
  const handedIn = async (): Promise<number> => {
    const { status } = await hostileOne.send(`/api${hostileOne.room}/hand-in`, { method: 'POST' });
    if (status !== 429) return status;
    await sleep(2000);
    return handedIn();
  };
  const status = handedIn();
  expect(at(await took, 0.9)).toBeLessThan(1000);
  expect(await status).toBe(200);
});
