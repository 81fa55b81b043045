import { createHash, randomBytes } from 'node:crypto';
import path from 'node:path';
import { performance } from 'node:perf_hooks';
import { createClient } from '@libsql/client';
import { Server } from '../../tests/drivers/server';
import { crowd } from './crowd';
import { percentile, say } from './figures';

/** A page that watches looks so often in any case, in milliseconds. */
const LOOKS = 10_000;
const TIMES = 20;

/** What it costs to watch a sitting in which so many write: one look at the page, and what that is of a core. */
export async function watch(students: number): Promise<void> {
  const writers = await crowd(path.resolve('.test/load'), students);
  const db = createClient({ url: `file:${path.resolve('.test/load/zonda.db')}` });
  const token = randomBytes(32).toString('base64url');
  await db.execute({
    sql: "INSERT INTO sessions (token_hash, member, expires_at) SELECT ?, id, ? FROM members WHERE role = 'lead'",
    args: [createHash('sha256').update(token).digest('hex'), Date.now() + 3_600_000],
  });
  const [row] = (await db.execute('SELECT id FROM sittings')).rows;
  db.close();
  const server = new Server(3400, 'load');
  await server.start();
  for (const [i, { attempt, cookie }] of writers.entries()) {
    const entries = Array.from({ length: 10 }, (_, n) => ({
      seq: n + 1,
      item: `item${n}`,
      slot: 'c',
      value: { text: `answer ${n}` },
      age: 0,
    }));
    const saved = await fetch(`${server.base}/api/room/${attempt}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Cookie: cookie, Origin: server.base },
      body: JSON.stringify({ device: `device-${i}`.padEnd(10, '-'), entries }),
    });
    if (!saved.ok) throw new Error(`An answer was not taken: ${saved.status}`);
  }
  const times: number[] = [];
  let size = 0;
  for (let i = 0; i < TIMES; i++) {
    const from = performance.now();
    // As the page asks for itself again.
    const page = await fetch(`${server.base}/sittings/${String(row?.id)}`, {
      headers: { Cookie: `zonda-session=${token}`, RSC: '1' },
    });
    size = (await page.text()).length;
    if (!page.ok) throw new Error(`The page answered ${page.status}`);
    times.push(performance.now() - from);
  }
  await server.kill();
  const median = percentile(times, 0.5);
  say({
    students,
    'one look ms, median': median,
    'p95 ms': percentile(times, 0.95),
    'kB of a look': size / 1000,
    'of a core, %': (median / LOOKS) * 100,
  });
}
