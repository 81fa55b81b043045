import { afterEach, beforeEach, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { openExam } from '@/server/exams/exams';
import { examView } from '@/server/exams/exam-view';
import { admitGuest } from '@/server/people/participants';
import { enterSitting } from '@/server/sittings/enter';
import { saveAnswers } from '@/server/sittings/save-answers';
import { scheduleSitting } from '@/server/sittings/schedule';
import { handInAndMark } from '../drivers/hand-in';
import { MINUTE, TestDepartment } from '../drivers/department';

/** The time that questions take, learned from those who sat them. */
let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

it('is the median of those who sat a question, when they are enough; an exam is reckoned by it', async () => {
  const { exam } = await dept.sitting(2, 60);
  const view = async () => {
    const { plan } = must(await openExam(dept.as('teacher'), exam));
    return must(await examView(dept.as('teacher'), { plan, course: dept.course, exam })).items;
  };
  const thumb = await view();
  const { id } = must(
    await scheduleSitting(dept.as('teacher'), {
      exam,
      course: dept.course,
      opensAt: dept.now,
      closesAt: dept.now + 600 * MINUTE,
      minutes: 60,
      who: 'link',
    }),
  );
  const sat = async (minutes: number): Promise<void> => {
    const { guest } = must(await admitGuest(dept.out, id, { name: 'Rowan', code: '', source: `203.0.113.${minutes}` }));
    const ctx = () => ({ ...dept.out, actor: guest });
    const { attempt } = must(await enterSitting(ctx(), id));
    for (const [seq, item] of ['item0', 'item1'].entries()) {
      dept.pass(item === 'item0' ? minutes : 1);
      const entries = [{ seq: seq + 1, item, slot: 'c', value: { text: 'some words' }, age: 0 }];
      must(await saveAnswers(ctx(), { attempt, device: 'device-of-rowan', entries }));
    }
    await handInAndMark(ctx(), attempt);
  };
  for (const minutes of [3, 4, 5, 6, 7, 8, 9]) await sat(minutes);
  expect(await view()).toEqual(thumb);
  await sat(10);
  const taken = await view();
  expect(Object.values(taken).map(({ minutes, measured }) => [minutes, measured])).toEqual([
    [6.5, true],
    [1, true],
  ]);
});
