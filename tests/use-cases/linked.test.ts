import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { seeded } from '@/core/base/random';
import { attempts } from '@/server/db/schema/attempts';
import { participants, sittings } from '@/server/db/schema/exams';
import { marks } from '@/server/db/schema/marks';
import { courses } from '@/server/db/schema/people';
import { openDeeper } from '@/server/results/open-analysis';
import { scheduleSitting } from '@/server/sittings/schedule';
import { TestDepartment } from '../drivers/department';
import { handInAndMark } from '../drivers/hand-in';
import { numberQuestion } from '../drivers/samples';

let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

const DIFFICULTIES = [-1.2, -0.7, -0.2, 0.2, 0.7, 1.2];

/** Eighty scripts like one that is there, each question right by the Rasch model. */
async function many(attempt: string, harder: readonly number[], ability: number): Promise<void> {
  const next = seeded(9);
  await dept.out.db.transaction(async (tx) => {
    const [row] = await tx.select().from(attempts).where(eq(attempts.id, attempt));
    const given = await tx.select().from(marks).where(eq(marks.attempt, attempt));
    if (!row) throw new Error('The script is there');
    const ids = Array.from({ length: 80 }, (_, i) => `${attempt}-${i}`);
    const { sitting } = row;
    await tx.insert(participants).values(ids.map((id) => ({ id, is: 'guest' as const, sitting, name: id })));
    await tx.insert(attempts).values(ids.map((id, i) => ({ ...row, id, participant: id, script: 100 + i })));
    const earned = ids.flatMap((id) => {
      const own = ability + (next() + next() + next() - 1.5) * 1.5;
      return given.map(({ id: _, ...mark }) => {
        const at = Number(mark.item.replace('item', ''));
        const right = next() < 1 / (1 + Math.exp((harder[at] ?? 0) - own));
        return { ...mark, attempt: id, marks: right ? '2' : '0' };
      });
    });
    await tx.insert(marks).values(earned);
  });
}

it('an earlier sitting stands on the same scale by what both had; who may not see it learns nothing of it', async () => {
  const { sitting: early, items, exam } = await dept.sitting(6, 30, numberQuestion);
  const given = Object.fromEntries(items.map((item) => [item, { a: { number: '42', unit: '' } }]));
  const first = await dept.sit('ada', early, given);
  must(await handInAndMark(dept.as('ada'), first));
  await many(first, DIFFICULTIES, 0);
  dept.pass(60 * 24);
  const times = { opensAt: dept.now, closesAt: dept.now + 7_200_000, minutes: 30 };
  const { id: late } = must(await scheduleSitting(dept.as('teacher'), { exam, course: dept.course, ...times }));
  const second = await dept.sit('ben', late, given);
  must(await handInAndMark(dept.as('ben'), second));
  // These are abler by a logit, and the third question is far harder for them.
  await many(
    second,
    DIFFICULTIES.map((one, i) => (i === 2 ? one + 3.5 : one)),
    1,
  );

  const linked = async (sitting: string) => must(await openDeeper(dept.as('teacher'), sitting, null)).linked;
  const [found, ...others] = await linked(late);
  expect(others).toEqual([]);
  expect(found).toMatchObject({ sitting: early, common: 6 });
  expect(found?.drifting.map(({ item, harder }) => [item, harder > 2])).toEqual([['item2', true]]);
  expect(found?.abler).toBeGreaterThan(0.6);
  expect(found?.abler).toBeLessThan(1.4);
  // Nothing is before the first.
  expect(await linked(early)).toEqual([]);

  // Of a course that is not the teacher's, nothing is told.
  await dept.out.db.transaction(async (tx) => {
    await tx.insert(courses).values({ id: 'elsewhere', code: 'WT-9', title: 'Elsewhere', term: 'then' });
    await tx.update(sittings).set({ course: 'elsewhere' }).where(eq(sittings.id, early));
  });
  expect(await linked(late)).toEqual([]);
});
