import { afterEach, beforeEach, expect, it } from 'vitest';
import type { QuestionBody } from '@/core/bank/question';
import { must } from '@/core/base/result';
import type { ExamPlan } from '@/core/exams/plan';
import { openOwnResult } from '@/server/results/own-result';
import { releaseResults } from '@/server/results/release';
import { openResults } from '@/server/results/results';
import { takeHint } from '@/server/sittings/hints';
import { openRoom } from '@/server/sittings/room';
import { storyOf } from '@/server/sittings/story';
import { handInAndMark } from '../drivers/hand-in';
import { TestDepartment } from '../drivers/department';
import { numberQuestion } from '../drivers/samples';

/** Hints that are asked for while a sitting is written, and what they cost. */
let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

const hinted = (title: string): QuestionBody => ({
  ...numberQuestion(title),
  hints: [
    { text: 'first of $6^2$', cost: '0' },
    { text: 'second secret', cost: '1/2' },
    { text: 'third secret', cost: '1' },
  ],
});
const allowed = (plan: ExamPlan): ExamPlan => ({ ...plan, hints: true });

async function writing(planned: (plan: ExamPlan) => ExamPlan = allowed) {
  const { sitting } = await dept.sitting(2, 30, hinted, planned);
  const attempt = await dept.sit('ada', sitting, {
    item0: { a: { number: '42', unit: '' } },
    item1: { a: { number: '42', unit: '' } },
  });
  const take = (seen: number, item = 'item0', who = 'ada') => takeHint(dept.as(who), attempt, { item, seen });
  return { sitting, attempt, take, room: async () => must(await openRoom(dept.as('ada'), attempt)) };
}

it('nothing of a hint is in the room before it is asked for, but its cost', async () => {
  const { room, take } = await writing();
  expect((await room()).hints).toEqual({ item0: { seen: [], next: '0' }, item1: { seen: [], next: '0' } });
  expect(must(await take(0))).toEqual({ seen: ['first of $6^2$'], next: '1/2' });
  const now = await room();
  expect(now.hints.item0).toEqual({ seen: ['first of $6^2$'], next: '1/2' });
  expect(JSON.stringify(now)).not.toContain('secret');
});

it('asked for twice at once it is taken once, and after the last there is none', async () => {
  const { take } = await writing();
  const both = await Promise.all([take(0), take(0)]);
  expect(both.map((one) => must(one).seen.length)).toEqual([1, 1]);
  must(await take(1));
  expect(must(await take(2))).toMatchObject({ next: null });
  expect(must(await take(3)).seen).toHaveLength(3);
  expect(must(await take(0)).seen).toHaveLength(3);
});

it('there is none where the exam has none, for others, of other questions, or when the time is over', async () => {
  const without = await writing((plan) => plan);
  expect([(await without.room()).hints, (await without.take(0)).ok]).toEqual([{}, false]);
  await dept.close();
  dept = await TestDepartment.open();
  const { take } = await writing();
  for (const who of ['ben', 'teacher', 'cleo']) expect((await take(0, 'item0', who)).ok).toBe(false);
  expect((await take(0, 'elsewhere')).ok).toBe(false);
  for (const seen of [-1, 1.5, '0', null]) expect((await take(seen as number)).ok).toBe(false);
  dept.pass(31);
  expect(await take(0)).toMatchObject({ refusal: { code: 'door-over' } });
});

it('where one goes forward only, hints are of the present question', async () => {
  const { take, room } = await writing((plan) => ({ ...allowed(plan), moves: 'forward' }));
  expect(Object.keys((await room()).hints)).toEqual(['item0']);
  expect([(await take(0, 'item1')).ok, (await take(0)).ok]).toEqual([false, true]);
});

it('costs come off their question, are told on the result, and stand in the story', async () => {
  const { take, sitting, attempt } = await writing();
  for (const seen of [0, 1, 2]) must(await take(seen));
  await handInAndMark(dept.as('ada'), attempt);
  const { rows } = must(await openResults(dept.as('teacher'), sitting));
  expect(rows).toMatchObject([{ marks: '5/2' }]);
  const shows = { marks: true, key: true, explanation: true, right: true, remarks: true, atOnce: true };
  must(await releaseResults(dept.as('teacher'), { sitting, shows }));
  const result = must(await openOwnResult(dept.as('ada'), attempt));
  expect(result.score).toMatchObject({ marks: '2.5', hints: '3/2' });
  expect(result.items.map(({ hints }) => hints)).toEqual([{ taken: 3, cost: '3/2' }, null]);
  const told = must(await storyOf(dept.as('teacher'), attempt)).filter(({ what }) => what === 'hint');
  expect(told.map(({ count, note }) => [count, note])).toEqual([
    [1, '1'],
    [2, '1'],
    [3, '1'],
  ]);
});

it('cost in the measure of the marks that the exam gives, and never more than the question earned', async () => {
  const { take, sitting, attempt } = await writing((plan) => ({
    ...allowed(plan),
    sections: plan.sections.map((section) => ({ ...section, marks: '6' })),
  }));
  must(await take(0));
  expect(must(await take(1))).toMatchObject({ next: '3' });
  must(await take(2));
  await handInAndMark(dept.as('ada'), attempt);
  // 1½ and 3 of 6, as ½ and 1 of 2.
  expect(must(await openResults(dept.as('teacher'), sitting)).rows).toMatchObject([{ marks: '15/2' }]);
});
