import { execFile } from 'node:child_process';
import path from 'node:path';
import { performance } from 'node:perf_hooks';
import { setTimeout as sleep } from 'node:timers/promises';
import { promisify } from 'node:util';
import { createClient } from '@libsql/client';
import { Server } from '../../tests/drivers/server';
import { crowd, CROWD_PASSWORD, type Writer } from './crowd';
import { percentile, say, takenByOthers } from './figures';

const EVERY = 5000;

/** Runs an attacker in a process of its own; ends with what it says. */
const attackers = (...args: string[]): Promise<string> =>
  promisify(execFile)(process.execPath, ['--import', 'tsx', 'scripts/bench/attackers.ts', ...args]).then(({ stdout }) =>
    stdout.trim(),
  );

/** Students who each save two answers every five seconds; with kills the server dies on the way and every client catches up. */
export async function load({
  students,
  seconds,
  kills,
  attacked = false,
}: {
  students: number;
  seconds: number;
  kills: number;
  /** One of the students floods, and two hundred others sign in at once. */
  attacked?: boolean;
}): Promise<void> {
  const writers = await crowd(path.resolve('.test/load'), students);
  const server = new Server(3400, 'load');
  await server.start();
  const times: number[] = [];
  /** Acknowledged changes, with their place and number. */
  const acknowledged = new Map<string, { place: string; seq: number }>();
  /** Tries that failed, by what was the matter. */
  const errors = new Map<string, number>();
  const end = Date.now() + seconds * 1000;
  const before = takenByOthers();

  const student = async ({ attempt, cookie }: Writer, i: number): Promise<void> => {
    await sleep((i / students) * EVERY);
    const waiting: { seq: number; item: string; slot: string; value: unknown; at: number }[] = [];
    let seq = 0;
    while (Date.now() < end || waiting.length > 0) {
      if (Date.now() > end + 60_000) return;
      const begun = Date.now();
      if (begun < end) {
        for (const slot of ['b', 'c']) {
          seq += 1;
          waiting.push({
            seq,
            item: `item${seq % 10}`,
            slot,
            at: begun,
            value: slot === 'b' ? { number: String(seq), unit: '' } : { text: `answer ${seq}` },
          });
        }
      }
      const from = performance.now();
      try {
        const entries = waiting.map(({ at, ...entry }) => ({ ...entry, age: Date.now() - at }));
        const response = await fetch(`${server.base}/api/room/${attempt}`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json', Cookie: cookie, Origin: server.base },
          body: JSON.stringify({ device: `device-${i}`.padEnd(10, '-'), entries }),
          signal: AbortSignal.timeout(10_000),
        });
        const result = (await response.json()) as { ok: boolean; value: { saved: number[] } };
        if (!response.ok || !result.ok) throw new Error(`status ${response.status}`);
        times.push(performance.now() - from);
        for (const { seq: n, item, slot } of waiting.filter((w) => result.value.saved.includes(w.seq)))
          acknowledged.set(`${attempt} ${n}`, { place: `${attempt} ${item} ${slot}`, seq: n });
        waiting.splice(0, waiting.length, ...waiting.filter((w) => !result.value.saved.includes(w.seq)));
      } catch (error) {
        const why = error instanceof Error ? error.message : 'unknown';
        errors.set(why, (errors.get(why) ?? 0) + 1);
      }
      await sleep(Math.max(200, EVERY - (Date.now() - begun)));
    }
  };
  const killer = async (): Promise<void> => {
    for (let k = 0; k < kills; k++) {
      await sleep((seconds * 1000) / (kills + 1));
      await server.kill();
      await sleep(500);
      await server.start();
    }
  };
  const attack = async (): Promise<void> => {
    const [greedy] = writers;
    if (!attacked || !greedy) return;
    await sleep(EVERY);
    const flood = attackers('flood', server.base, greedy.attempt, greedy.cookie, String(Math.max(5, seconds / 2)));
    await sleep(EVERY);
    say({ '200 sign-ins at once': await attackers('sign-in', server.base, '200', CROWD_PASSWORD) });
    say({ 'the flood was answered': await flood });
  };
  await Promise.all([killer(), attack(), ...writers.slice(attacked ? 1 : 0).map(student)]);
  await server.kill();

  const db = createClient({ url: `file:${path.resolve('.test/load/zonda.db')}` });
  const rows = await db.execute('SELECT attempt, seq FROM answers');
  const there = new Set(rows.rows.map((r) => `${r.attempt} ${r.seq}`));
  // What came together with something newer in its place is not in the story; the newer one is.
  const now = await db.execute('SELECT attempt, item, slot, seq FROM answers_now');
  const newest = new Map(now.rows.map((r) => [`${r.attempt} ${r.item} ${r.slot}`, Number(r.seq)]));
  const lost = [...acknowledged].filter(
    ([key, { place, seq }]) => !there.has(key) && (newest.get(place) ?? 0) < seq,
  ).length;
  db.close();
  say({
    students,
    seconds,
    kills,
    saves: times.length,
    'p50 ms': percentile(times, 0.5),
    'p95 ms': percentile(times, 0.95),
    'p99 ms': percentile(times, 0.99),
    'failed tries': [...errors].map(([why, count]) => `${count} × ${why}`).join(', ') || 0,
    acknowledged: acknowledged.size,
    'acknowledged but missing': lost,
    'in the database twice': rows.rows.length - there.size,
    'processor time taken by other machines, s': takenByOthers() - before,
  });
}
