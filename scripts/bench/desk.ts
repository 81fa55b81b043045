import { performance } from 'node:perf_hooks';
import { must } from '../../src/core/base/result';
import { agreementOf, pairTable } from '../../src/core/agreement/two-raters';
import { answersNow, attempts } from '../../src/server/db/schema/attempts';
import { marks } from '../../src/server/db/schema/marks';
import { members } from '../../src/server/db/schema/people';
import { alikeAnswers } from '../../src/server/marking/alike';
import { openDesk, readAnswers } from '../../src/server/marking/desk';
import { keepParticipant } from '../../src/server/people/participants';
import { TestDepartment } from '../../tests/drivers/department';
import { percentile, say } from './figures';

const timed = async <T>(act: () => Promise<T> | T): Promise<[T, number]> => {
  const begin = performance.now();
  const value = await act();
  return [value, performance.now() - begin];
};

/** A desk with so many answers: how long it takes to open, to fetch the next ones, and to find those that are alike. The baseline reads the same rows and does nothing else. */
export async function deskBench(count: number): Promise<void> {
  const dept = await TestDepartment.open();
  const { sitting } = await dept.sitting(1);
  const { db } = dept.out;
  for (let from = 0; from < count; from += 200) {
    await db.transaction(async (tx) => {
      for (let i = from; i < Math.min(count, from + 200); i++) {
        const id = `m${i}`;
        await tx
          .insert(members)
          .values({ id, userName: id, name: id, role: 'student', passwordHash: '-', createdAt: 1 });
        await keepParticipant(tx, { is: 'member', id });
        const when = { startedAt: dept.now, handedInAt: dept.now + 1, seenAt: dept.now };
        await tx.insert(attempts).values({
          ...{ id: `a${i}`, sitting, participant: id, script: i + 10, seed: i, minutes: 30, handedInBy: 'student' },
          ...when,
        });
        const place = { attempt: `a${i}`, item: 'item0', slot: 'c' };
        const text = `the blades of turbine ${i % 977} turn out of the wind because it is too strong`;
        await tx.insert(answersNow).values({
          ...{ ...place, value: { text }, device: 'bench-device', seq: 1, writtenAt: 1, receivedAt: 1, keptAt: 1 },
        });
        await tx
          .insert(marks)
          .values({ ...place, marks: null, trace: [{ code: 'no-rule-matched' }], feedback: '', at: 1 });
      }
    });
  }
  const marker = dept.as('marker');
  const [, baseline] = await timed(() => db.read.select().from(marks));
  await openDesk(marker, sitting, 'item0');
  const opens: number[] = [];
  for (let i = 0; i < 5; i++) opens.push((await timed(async () => must(await openDesk(marker, sitting, 'item0'))))[1]);
  const { lines } = must(await openDesk(marker, sitting, 'item0'));
  const nexts: number[] = [];
  for (let i = 0; i < 20; i++) {
    const of = lines.slice(i * 20, i * 20 + 20).map(({ attempt, slot }) => ({ attempt, slot }));
    nexts.push((await timed(async () => must(await readAnswers(marker, { sitting, item: 'item0', of }))))[1]);
  }
  const [alike, alikeMs] = await timed(async () =>
    must(await alikeAnswers(marker, { sitting, item: 'item0', slot: 'c', attempt: 'a0' })),
  );
  const pairs = Array.from({ length: 2000 }, (_, i) => [i % 21, (i * 7) % 21] as const);
  const [, agreeMs] = await timed(() => agreementOf(pairTable(pairs, (a, b) => a - b)));
  say({
    answers: lines.length,
    'desk opens, ms (median)': percentile(opens, 0.5),
    'to reading the rows alone': percentile(opens, 0.5) / baseline,
    'twenty answers fetched, ms (p95)': percentile(nexts, 0.95),
    'alike found': alike.alike.length,
    'alike, ms': alikeMs,
    'agreement of 2,000 × 2, ms': agreeMs,
  });
  await dept.close();
}
