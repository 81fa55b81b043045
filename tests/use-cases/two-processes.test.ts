import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { must } from '@/core/base/result';
import { mendings } from '@/server/db/schema/exams';
import { jobs } from '@/server/db/schema/jobs';
import { beating, beginJob, runningJob } from '@/server/jobs/jobs';
import { applyMending } from '@/server/marking/mend';
import { enterSitting } from '@/server/sittings/enter';
import { saveAnswers } from '@/server/sittings/save-answers';
import { TestDepartment } from '../drivers/department';

let dept: TestDepartment;
let folder: string;
let other: ChildProcess | null = null;
beforeEach(async () => {
  dept = await TestDepartment.open();
  folder = mkdtempSync(path.join(tmpdir(), 'zonda-second-'));
});
afterEach(async () => {
  if (other) {
    const gone = once(other, 'exit');
    other.kill('SIGKILL');
    await gone;
  }
  other = null;
  dept.close();
  rmSync(folder, { recursive: true, force: true });
});

/** Starts a second process on the database of the department; resolves when its clock has ticked once. */
async function startOther(): Promise<void> {
  const script = path.resolve(import.meta.dirname, '../drivers/second-process.ts');
  other = spawn(process.execPath, ['--import', 'tsx', script], {
    env: { ...process.env, ZONDA_DATABASE_URL: dept.out.db.url, ZONDA_DATA: folder },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  for await (const line of other.stdout ?? []) if (String(line).includes('ticking')) return;
}

it('a mending that one process works on is left alone by another that starts, and put away when its process is silent', async () => {
  const { sitting, items } = await dept.sitting(1);
  const { db } = dept.out;
  await db.transaction(async (tx) => {
    expect(await beginJob(tx, { id: 'long', kind: 'mending', subject: sitting })).toBe(true);
    await tx.insert(mendings).values({
      id: 'long',
      sitting,
      item: items[0] ?? '',
      changes: [{ what: 'drop' }],
      reason: '',
      state: 'running',
      by: dept.id('teacher'),
      at: 1,
    });
  });
  const stop = vi.fn();
  const heart = beating(db, 'long', { progress: { done: 3, total: 9 }, stop });
  await startOther();

  // Students save meanwhile; the two writers wait for each other.
  const { attempt } = must(await enterSitting(dept.as('ada'), sitting));
  for (let seq = 1; seq <= 60; seq++) {
    const entries = [{ seq, item: 'item0', slot: 'c', value: { text: `take ${seq}` }, age: 0 }];
    expect(must(await saveAnswers(dept.as('ada'), { attempt, device: 'device-one', entries })).saved).toEqual([seq]);
    await new Promise((done) => setTimeout(done, 60));
  }
  const stateOf = async () =>
    (await db.read.select({ state: mendings.state }).from(mendings).where(eq(mendings.id, 'long')))[0]?.state;
  expect(await stateOf()).toBe('running');
  await heart.beat();
  expect(await runningJob(db.read, 'long')).toMatchObject({ done: 3, total: 9 });
  expect(
    await applyMending(dept.as('teacher'), {
      sitting,
      item: 'item0',
      changes: [{ what: 'drop' }],
      reason: '',
      overPersons: false,
    }),
  ).toMatchObject({ refusal: { code: 'mending-runs' } });
  expect(stop).not.toHaveBeenCalled();

  heart.end();
  await db.transaction((tx) =>
    tx
      .update(jobs)
      .set({ beatAt: Date.now() - 60_000 })
      .where(eq(jobs.id, 'long')),
  );
  await vi.waitFor(async () => expect(await stateOf()).toBe('cancelled'), { timeout: 30_000, interval: 200 });
  // Whoever was only slow learns that it is over.
  await heart.beat();
  expect(stop).toHaveBeenCalledOnce();
});
