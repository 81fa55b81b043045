import { ofSeed } from '@/core/exams/lot';
import { type ChildProcess, spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { must } from '@/core/base/result';
import { stored } from '@/core/base/exact';
import { markPlaced } from '@/core/exams/mark-placed';
import { paperQuestions } from '@/core/exams/paper';
import type { Context } from '@/server/context';
import { openDatabase } from '@/server/db/database';
import { mendings } from '@/server/db/schema/marks';
import { listeningTo } from '@/server/events/listening';
import { changed, newestVersion, type Topic } from '@/server/events/versions';
import { jobs } from '@/server/db/schema/jobs';
import { beating, beginJob, runningJob } from '@/server/jobs/jobs';
import { applyMending, takeBackMending } from '@/server/marking/mend';
import { enterSitting } from '@/server/sittings/enter';
import { paperOf } from '@/server/sittings/pinned';
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

it('a mending that another process applied holds for the next who hands in here, and no longer when it is taken back there', async () => {
  const { sitting, items } = await dept.sitting(1);
  const [item = ''] = items;
  const { db } = dept.out;
  const marksOf = async (): Promise<(string | null)[]> => {
    const attempt = { sitting, ...ofSeed(1) };
    const { paper } = await paperOf(db.read, attempt);
    const [first] = paperQuestions(paper);
    if (!first) throw new Error('It has a question');
    return [...markPlaced(first, { c: { text: 'wire' } }).values()].map(({ marks }) => marks && stored(marks));
  };
  expect(await marksOf()).toEqual(['0', '0', null]);
  // As another process leaves it behind: in the database, and nowhere else.
  const second = await openDatabase(db.url);
  const changes = [{ what: 'answer', slot: 'c', response: { text: 'wire' }, share: '1', feedback: '' }];
  const mending = { id: 'far', sitting, item, changes, reason: '', by: dept.id('teacher'), at: 1, appliedAt: 1 };
  await second.transaction(async (tx) => {
    await tx.insert(mendings).values({ ...mending, state: 'applied' });
    await changed(tx, `sitting:${sitting}`);
  });
  expect(await marksOf()).toEqual(['0', '0', '1']);
  const there: Context = { ...dept.as('teacher'), db: second };
  must(await takeBackMending(there, 'far'));
  expect(await marksOf()).toEqual(['0', '0', null]);
  second.close();
});

it('what another process changes is heard here, once, by those who listen to it', async () => {
  const second = await openDatabase(dept.out.db.url);
  const heard = vi.fn();
  const other = vi.fn();
  const stop = await listeningTo(dept.out.db.read).on(['course:wind', 'course:water'], 0, heard);
  const stopOther = await listeningTo(dept.out.db.read).on(['course:sun'], 0, other);
  await new Promise((done) => setTimeout(done, 600));
  await second.transaction((tx) => changed(tx, 'course:wind', 'course:water'));
  await vi.waitFor(() => expect(heard).toHaveBeenCalledTimes(1), { timeout: 5000 });
  await second.transaction((tx) => changed(tx, 'course:wind'));
  await vi.waitFor(() => expect(heard).toHaveBeenCalledTimes(2), { timeout: 5000 });
  stop();
  await second.transaction((tx) => changed(tx, 'course:wind', 'course:sun'));
  await vi.waitFor(() => expect(other).toHaveBeenCalledTimes(1), { timeout: 5000 });
  expect(heard).toHaveBeenCalledTimes(2);
  stopOther();
  second.close();
});

it('whoever comes to listen late is told of what changed since the page was made, and of nothing else', async () => {
  const { read } = dept.out.db;
  const change = (...topics: Topic[]) => dept.out.db.transaction((tx) => changed(tx, ...topics));
  await change('room:a');
  const version = await newestVersion(read);
  const [early, late, elsewhere, now] = [vi.fn(), vi.fn(), vi.fn(), vi.fn()];
  const stops = [await listeningTo(read).on(['room:a'], version, early)];
  await change('room:a', 'room:b');
  const newest = await newestVersion(read);
  stops.push(await listeningTo(read).on(['room:b', 'rooms:x'], version, late));
  stops.push(await listeningTo(read).on(['room:c'], version, elsewhere));
  stops.push(await listeningTo(read).on(['room:b'], newest, now));
  expect(late.mock.calls).toEqual([[newest]]);
  await vi.waitFor(() => expect(early).toHaveBeenCalledTimes(1), { timeout: 5000 });
  await new Promise((done) => setTimeout(done, 600));
  expect([late, elsewhere, now].map(({ mock }) => mock.calls.length)).toEqual([1, 0, 0]);
  for (const stop of stops) stop();
});
