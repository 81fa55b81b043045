import { createServer } from 'node:http';
import path from 'node:path';
import { performance } from 'node:perf_hooks';
import { createClient } from '@libsql/client';
import { Server } from '../../tests/drivers/server';
import { crowd, type Writer } from './crowd';
import { say } from './figures';

const AT_ONCE = 50;
const SECONDS = 8;

/** Requests a second that a server answers when so many clients ask one after another. */
async function rate(send: (i: number) => Promise<Response>): Promise<number> {
  const end = performance.now() + SECONDS * 1000;
  let done = 0;
  await Promise.all(
    Array.from({ length: AT_ONCE }, async (_, i) => {
      while (performance.now() < end) {
        const response = await send(i);
        await response.text();
        if (response.ok) done += 1;
      }
    }),
  );
  return done / SECONDS;
}

/** Saves through the application against a bare HTTP server that does the same insert. */
export async function saveRatio(): Promise<void> {
  const writers = await crowd(path.resolve('.test/load'), AT_ONCE);
  const seqs = writers.map(() => 0);
  const server = new Server(3400, 'load');
  await server.start();
  const ours = await rate((i) => {
    const { attempt, cookie } = writers[i] as Writer;
    seqs[i] = (seqs[i] ?? 0) + 1;
    const entries = [{ seq: seqs[i], item: 'item1', slot: 'c', value: { text: `answer ${seqs[i]}` }, age: 0 }];
    return fetch(`${server.base}/api/room/${attempt}`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Cookie: cookie, Origin: server.base },
      body: JSON.stringify({ device: `device-${i}`.padEnd(10, '-'), entries }),
    });
  });
  await server.kill();

  const db = createClient({ url: `file:${path.resolve('.test/load/zonda.db')}`, concurrency: 1 });
  let seq = 0;
  const bare = createServer((request, response) => {
    let body = '';
    request.on('data', (chunk: Buffer) => {
      body += chunk.toString();
    });
    request.on('end', async () => {
      const { attempt, value } = JSON.parse(body) as { attempt: string; value: unknown };
      seq += 1;
      await db.execute({
        sql: "INSERT INTO answers (attempt, device, seq, item, slot, value, written_at, received_at) VALUES (?, 'bare', ?, 'item1', 'c', ?, ?, ?)",
        args: [attempt, seq, JSON.stringify(value), Date.now(), Date.now()],
      });
      response.end('{"ok":true}');
    });
  });
  await new Promise<void>((done) => bare.listen(3401, done));
  const theirs = await rate((i) =>
    fetch('http://localhost:3401/', {
      method: 'POST',
      body: JSON.stringify({ attempt: (writers[i] as Writer).attempt, value: { text: 'answer' } }),
    }),
  );
  bare.close();
  db.close();
  say({ 'saves a second': ours, 'bare server': theirs, 'ratio (bare ÷ ours)': theirs / ours });
}
