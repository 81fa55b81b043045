import { afterEach, beforeEach, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { listExams, openExam, savePlan } from '@/server/exams/exams';
import { keepExam } from '@/server/exams/keep-exam';
import { scheduleSitting } from '@/server/sittings/schedule';
import { MINUTE, TestDepartment } from '../drivers/department';

/** Locking, archiving and handing over exams. */
let dept: TestDepartment;
let exam: string;
beforeEach(async () => {
  dept = await TestDepartment.open();
  ({ exam } = await dept.sitting(1));
});
afterEach(() => dept.close());

const keep = (change: object, who = 'teacher') => keepExam(dept.as(who), { exam, ...change });
const save = async (who: string) => {
  const { plan, version } = must(await openExam(dept.as(who), exam));
  return savePlan(dept.as(who), { exam, base: version, plan: { ...plan, title: `By ${who}` } });
};
const listed = async (archived: boolean) => must(await listExams(dept.as('stranger'), archived)).map(({ id }) => id);

it('a locked exam is changed by nobody, its owner included, until it is unlocked', async () => {
  must(await save('stranger'));
  must(await keep({ locked: true }));
  for (const who of ['teacher', 'stranger', 'lead'])
    expect(await save(who)).toMatchObject({ refusal: { code: 'exam-locked' } });
  must(await keep({ locked: false }));
  expect((await save('stranger')).ok).toBe(true);
});

it('an archived exam is out of the list and is not scheduled, and comes back', async () => {
  const schedule = () =>
    scheduleSitting(dept.as('teacher'), {
      exam,
      course: dept.course,
      opensAt: dept.now,
      closesAt: dept.now + 60 * MINUTE,
      minutes: 30,
    });
  must(await keep({ archived: true }));
  expect([await listed(false), await listed(true)]).toEqual([[], [exam]]);
  expect(await schedule()).toMatchObject({ refusal: { code: 'exam-archived' } });
  must(await keep({ archived: false }));
  expect([await listed(false), (await schedule()).ok]).toEqual([[exam], true]);
});

it('is kept by its owner and the lead alone, and handed over to whoever builds exams', async () => {
  for (const who of ['stranger', 'marker', 'ada']) expect((await keep({ locked: true }, who)).ok).toBe(false);
  for (const who of ['marker', 'ada']) expect((await keep({ owner: dept.id(who) })).ok).toBe(false);
  must(await keep({ owner: dept.id('stranger') }));
  expect(must(await openExam(dept.as('stranger'), exam))).toMatchObject({ owner: { name: 'stranger' }, keeps: true });
  expect((await keep({ archived: true })).ok).toBe(false);
  must(await keep({ owner: dept.id('teacher') }, 'lead'));
  expect((await keep({ locked: true })).ok).toBe(true);
});
