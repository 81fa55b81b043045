import { createHash, randomBytes } from 'node:crypto';
import { rmSync } from 'node:fs';
import path from 'node:path';
import { createQuestion } from '../../src/server/bank/create-question';
import { must } from '../../src/core/base/result';
import type { Context } from '../../src/server/context';
import { hashPassword } from '../../src/server/auth/password';
import { openDatabase } from '../../src/server/db/database';
import { enrolments, members, sessions } from '../../src/server/db/schema/people';
import { createExam, freshPlan, revisionToPlace } from '../../src/server/exams/exams';
import { installDepartment } from '../../src/server/people/install';
import { folderFiles } from '../../src/server/ports/files';
import { openMarker } from '../../src/server/jobs/marker';
import { standInMailer } from '../../src/server/ports/mailer-port';
import { standInRecogniser } from '../../src/server/ports/recogniser';
import { standInWeb } from '../../src/server/ports/web-stand-in';
import { enterSitting } from '../../src/server/sittings/enter';
import { scheduleSitting } from '../../src/server/sittings/schedule';
import { installation } from '../../src/demo/department';
import { sampleQuestion } from '../../tests/drivers/samples';

export interface Writer {
  attempt: string;
  cookie: string;
}

export const CROWD_PASSWORD = 'gusts before noon';

/** A fresh database with so many students, each signed in and in the room of one sitting of ten questions. */
export async function crowd(folder: string, students: number): Promise<Writer[]> {
  rmSync(folder, { recursive: true, force: true });
  const { mkdirSync } = await import('node:fs');
  mkdirSync(folder, { recursive: true });
  const db = await openDatabase(`file:${path.join(folder, 'zonda.db')}`);
  const now = Date.now();
  const out = {
    db,
    files: folderFiles(path.join(folder, 'files')),
    web: standInWeb(),
    mailer: standInMailer,
    recogniser: standInRecogniser(),
    converter: { convert: () => Promise.resolve(null) },
    marker: openMarker(),
    now,
  };
  const installed = await installDepartment(out, {
    ...installation,
    people: installation.people.slice(0, 5),
    courses: [{ code: 'LOAD', title: 'Load', term: 'now', staff: [], students: [] }],
  });
  const course = installed.courses.get('LOAD') ?? '';
  const teacher: Context = { ...out, actor: { id: installed.people.get('odalys') ?? '', role: 'lead' } };
  const plan = await freshPlan(teacher, 'Load');
  for (let i = 0; i < 10; i++) {
    const { id } = must(
      await createQuestion(teacher, {
        bank: installed.banks.get('Turbine systems') ?? '',
        body: sampleQuestion(`Sample ${i}`),
      }),
    );
    const { revision } = must(await revisionToPlace(teacher, id));
    plan.sections[0]?.items.push({ id: `item${i}`, question: id, revision, marks: null, bonus: false });
  }
  const exam = must(await createExam(teacher, { title: 'Load', course, plan })).id;
  const sitting = must(
    await scheduleSitting(teacher, { exam, course, opensAt: now - 1000, closesAt: now + 3 * 3_600_000, minutes: 120 }),
  ).id;
  const passwordHash = await hashPassword(CROWD_PASSWORD);
  const writers: Writer[] = [];
  for (let i = 0; i < students; i++) {
    const token = randomBytes(32).toString('base64url');
    await db.transaction(async (tx) => {
      await tx.insert(members).values({
        id: `m${i}`,
        userName: `m${i}`,
        name: `Student ${i}`,
        role: 'student',
        passwordHash,
        createdAt: now,
      });
      await tx.insert(enrolments).values({ course, member: `m${i}` });
      await tx.insert(sessions).values({
        tokenHash: createHash('sha256').update(token).digest('hex'),
        member: `m${i}`,
        expiresAt: now + 12 * 3_600_000,
      });
    });
    const { attempt } = must(await enterSitting({ ...out, actor: { id: `m${i}`, role: 'student' } }, sitting));
    writers.push({ attempt, cookie: `zonda-session=${token}` });
  }
  db.close();
  return writers;
}
