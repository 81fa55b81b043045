import { ofSeed } from '@/core/exams/lot';
import { performance } from 'node:perf_hooks';
import { setTimeout as sleep } from 'node:timers/promises';
import { must } from '../../src/core/base/result';
import { markPlaced } from '../../src/core/exams/mark-placed';
import { paperQuestions } from '../../src/core/exams/paper';
import { answersNow, attempts } from '../../src/server/db/schema/attempts';
import { marks, mendings } from '../../src/server/db/schema/marks';
import { keepParticipant } from '../../src/server/people/participants';
import { members } from '../../src/server/db/schema/people';
import { startMarkingAnew } from '../../src/server/jobs/mark-anew';
import { keepMarks } from '../../src/server/marking/keep-marks';
import { enterSitting } from '../../src/server/sittings/enter';
import { paperOf } from '../../src/server/sittings/pinned';
import { saveAnswers } from '../../src/server/sittings/save-answers';
import { TestDepartment } from '../../tests/drivers/department';
import { percentile, say } from './figures';

/** Fourteen questions of three slots. */
const QUESTIONS = 14;
const EVERY = 20;

/** A whole sitting marked anew in its thread, while others go on saving; the baseline marks the same answers and does nothing else. */
export async function markingAnew(count: number): Promise<void> {
  const dept = await TestDepartment.open();
  const { sitting, items } = await dept.sitting(QUESTIONS);
  const { db } = dept.out;
  const slots: Record<string, (i: number) => unknown> = {
    a: (i) => ({ chosen: [`o${(i % 3) + 1}`] }),
    b: (i) => ({ number: `${73_000 + (i % 400)} kW`, unit: '' }),
    c: (i) => ({ text: i % 3 === 0 ? 'Secretkeyword' : `answer ${i % 50} that says something else` }),
  };
  for (let from = 0; from < count; from += 100) {
    await db.transaction(async (tx) => {
      for (let i = from; i < Math.min(count, from + 100); i++) {
        const id = `m${i}`;
        await tx
          .insert(members)
          .values({ id, userName: id, name: id, role: 'student', passwordHash: '-', createdAt: 1 });
        await keepParticipant(tx, { is: 'member', id });
        await tx.insert(attempts).values({
          id: `a${i}`,
          sitting,
          participant: id,
          script: i + 10,
          seed: i,
          startedAt: dept.now,
          minutes: 30,
          handedInAt: dept.now + 1,
          handedInBy: 'student',
          seenAt: dept.now,
        });
        const places = items.flatMap((item) =>
          Object.entries(slots).map(([slot, value]) => ({ item, slot, value: value(i) })),
        );
        const common = { attempt: `a${i}` };
        await tx.insert(answersNow).values(
          places.map((place, seq) => ({
            ...common,
            ...place,
            device: 'bench-device',
            seq,
            writtenAt: 1,
            receivedAt: 1,
            keptAt: 1,
          })),
        );
        await tx.insert(marks).values(
          places.map(({ item, slot }) => ({
            ...common,
            item,
            slot,
            marks: '0',
            trace: [],
            feedback: '',
            remark: '',
            at: 1,
          })),
        );
      }
    });
  }
  const { paper } = await paperOf(db.read, { sitting, ...ofSeed(0) });
  const bare = performance.now();
  for (let i = 0; i < count; i++)
    for (const item of paperQuestions(paper))
      markPlaced(item, Object.fromEntries(Object.entries(slots).map(([slot, value]) => [slot, value(i)])));
  const baseline = performance.now() - bare;

  const { attempt } = must(await enterSitting(dept.as('ada'), sitting));
  const saves: number[] = [];
  let over = false;
  const saving = (async () => {
    for (let seq = 1; !over; seq++) {
      const from = performance.now();
      const entries = [{ seq, item: items[0] ?? '', slot: 'c', value: { text: `answer ${seq}` }, age: 0 }];
      must(await saveAnswers(dept.as('ada'), { attempt, device: 'bench-writer', entries }));
      saves.push(performance.now() - from);
      await sleep(EVERY);
    }
  })();

  const id = 'bench';
  const by = dept.id('teacher');
  await db.transaction((tx) =>
    tx
      .insert(mendings)
      .values({ id, sitting, item: items[0] ?? '', changes: [], reason: '', state: 'running', by, at: 1 }),
  );
  const begun = performance.now();
  let written = 0;
  const order = {
    sitting,
    mendings: items.map((item) => ({
      item,
      changes: [
        {
          what: 'answer' as const,
          slot: 'c',
          response: { text: 'answer 7 that says something else' },
          share: '1',
          feedback: '',
        },
      ],
    })),
    overPersons: false,
  };
  const job = startMarkingAnew(db.url, order, async ({ attempts: found }) => {
    await db.transaction((tx) => keepMarks(tx, id, found, 1));
    written += found.reduce((n, one) => n + one.changes.length, 0);
  });
  await job.finished;
  const took = performance.now() - begun;
  over = true;
  await saving;
  say({
    attempts: count,
    'slots each': QUESTIONS * Object.keys(slots).length,
    'marked anew in s': took / 1000,
    'marks written': written,
    'marking alone s': baseline / 1000,
    'ratio to marking alone': took / baseline,
    'saves meanwhile': saves.length,
    'their p95 ms': percentile(saves, 0.95),
  });
  dept.close();
}
