import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createClient } from '@libsql/client';
import { expect, it } from 'vitest';
import { must } from '@/core/base/result';
import type { Outside } from '@/server/context';
import { openDatabase } from '@/server/db/database';
import { openMarker } from '@/server/jobs/marker';
import { folderFiles } from '@/server/ports/files';
import { standInMailer } from '@/server/ports/mailer-port';
import { standInRecogniser } from '@/server/ports/recogniser';
import { addMedia } from '@/server/media/add-media';
import { readMedia } from '@/server/media/read-media';
import { currentAnswers, findAttempt } from '@/server/sittings/attempts';
import { giveBackLost } from '@/server/sittings/change-sitting';
import { enterSitting } from '@/server/sittings/enter';
import { beat, besideFile } from '@/server/sittings/heartbeat';
import { saveAnswers } from '@/server/sittings/save-answers';
import { MINUTE, TestDepartment } from '../drivers/department';

const PICTURE = new TextEncoder().encode('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>');

it('a backup taken in the middle of an exam comes back as operations.md says: whole, and giving no time by itself', async () => {
  const dept = await TestDepartment.open();
  const folder = mkdtempSync(path.join(tmpdir(), 'zonda-restore-'));
  const alive = besideFile(path.join(folder, 'alive'));
  const pulse = (out: Outside, aliveAt: number | null = null) =>
    out.db.transaction((tx) => beat(tx, alive, out.now, aliveAt));
  const { sitting } = await dept.sitting(1, 60);
  const attempt = must(await enterSitting(dept.as('ada'), sitting)).attempt;
  const write = async (out: Outside, seq: number, text: string) => {
    const entry = { seq, item: 'item0', slot: 'c', value: { text }, age: 0 };
    const actor = { id: dept.id('ada'), role: 'student' as const };
    return must(await saveAnswers({ ...out, actor }, { attempt, device: 'device-one', entries: [entry] })).saved;
  };
  await write(dept.out, 1, 'before the backup');
  const { media } = must(await addMedia(dept.as('teacher'), PICTURE));
  await pulse(dept.out);

  // The backup, while the server runs.
  const client = createClient({ url: dept.out.db.url });
  await client.execute(`VACUUM INTO '${path.join(folder, 'zonda.db')}'`);
  client.close();
  cpSync(path.join(path.dirname(dept.out.db.url.replace('file:', '')), 'files'), path.join(folder, 'files'), {
    recursive: true,
  });

  // The server goes on, and is lost.
  dept.pass(4);
  await write(dept.out, 2, 'after the backup');
  await pulse(dept.out, dept.now - 2000);
  const { now } = dept;
  const before = (await findAttempt(dept.out.db.read, attempt, dept.now))?.state.deadline ?? 0;
  await dept.close();

  const url = `file:${path.join(folder, 'zonda.db')}`;
  const out: Outside = {
    db: await openDatabase(url),
    files: folderFiles(path.join(folder, 'files')),
    web: dept.out.web,
    mailer: standInMailer,
    recogniser: standInRecogniser(),
    converter: { convert: () => Promise.resolve(null) },
    marker: openMarker(),
    now: now + 3 * MINUTE,
  };
  await pulse(out);
  expect((await currentAnswers(out.db.read, attempt)).item0?.c).toEqual({ version: 1, text: 'before the backup' });
  expect(new Uint8Array((await readMedia(out, media))?.bytes ?? [])).toEqual(PICTURE);
  const restored = await findAttempt(out.db.read, attempt, dept.now);
  expect([restored?.state.deadline, restored?.ungiven]).toEqual([before, 7 * MINUTE]);
  // The room sends again what it had written; the teacher gives the time.
  expect(await write(out, 2, 'after the backup')).toEqual([2]);
  must(await giveBackLost({ ...out, actor: { id: dept.id('lead'), role: 'lead' } }, sitting));
  expect((await findAttempt(out.db.read, attempt, dept.now))?.state.deadline).toBe(before + 7 * MINUTE);
  await out.marker.close();
  out.db.close();
  rmSync(folder, { recursive: true, force: true });
});
