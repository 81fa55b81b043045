import { afterAll, beforeAll, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { smallLetterAt } from '@/core/base/letters';
import type { ChoiceSheet } from '@/core/kinds/choice/choice';
import { type PrintedQuestion, printedExam, printedSitting } from '@/server/exams/printed';
import { TestDepartment } from '../drivers/department';
import { questionOfEveryKind, sampleQuestion } from '../drivers/samples';

let dept: TestDepartment;
beforeAll(async () => {
  dept = await TestDepartment.open();
});
afterAll(() => dept.close());

const order = { count: 3, apart: 'order', without: [], version: 0 };
const questionsOf = async (exam: string, part: object = {}): Promise<PrintedQuestion[]> =>
  must(await printedExam(dept.as('teacher'), exam, { ...order, ...part })).version.sections.flatMap((s) => s.items);

it('every version has the key in its own letters: the option that the letter stands before is the right one', async () => {
  const { exam } = await dept.sitting(6, 30, (title) => {
    const body = sampleQuestion(title);
    const choice = body.slots.a;
    if (!choice) throw new Error('A choice');
    return { ...body, slots: { ...body.slots, a: { ...choice, setup: { ...Object(choice.setup), shuffle: true } } } };
  });
  const letters = new Set<string>();
  const orders = new Set<string>();
  for (const version of [0, 1, 2]) {
    const questions = await questionsOf(exam, { version });
    orders.add(questions.map(({ id }) => id).join());
    for (const { sheet, slots } of questions) {
      const { options } = sheet.slots.a?.sheet as ChoiceSheet;
      const key = slots.find(({ id }) => id === 'a');
      const at = options.findIndex((_, i) => smallLetterAt(i) === key?.written);
      expect([options[at]?.text, key?.key, key?.crossed]).toEqual(['two', 'two', 3]);
      letters.add(key?.written ?? '');
    }
  }
  expect(letters.size).toBe(3);
  expect(orders.size).toBe(3);
  expect(await questionsOf(exam, { version: 1 })).toEqual(await questionsOf(exam, { version: 1 }));
});

it('has whatever kinds there are, and marks that add up', async () => {
  const { sitting } = await dept.sitting(1, 30, questionOfEveryKind);
  const { head, version } = must(await printedSitting(dept.as('teacher'), sitting, { ...order, count: 1 }));
  expect([head.versions, head.course, head.institute]).toEqual([1, 'WT-1 Wind', 'Kestrel Ridge Institute']);
  const [question] = version.sections.flatMap(({ items }) => items);
  const slots = question?.slots ?? [];
  expect(slots.length).toBe(Object.keys(question?.sheet.slots ?? {}).length);
  expect(slots.reduce((n, { marks }) => n + Number(marks), 0)).toBe(Number(question?.marks));
  for (const { kind, written } of slots)
    expect([kind, written === ''], 'a key in letters says something').toEqual([kind, false]);
});

it('is for those who build exams, a sitting for those who run it; odd orders are refused', async () => {
  const { exam, sitting } = await dept.sitting(1);
  for (const who of ['marker', 'ada'])
    expect(await printedExam(dept.as(who), exam, order)).toMatchObject({ ok: false });
  for (const who of ['stranger', 'marker', 'ada'])
    expect(await printedSitting(dept.as(who), sitting, order)).toMatchObject({ ok: false });
  expect(await printedSitting(dept.as('teacher'), 'nowhere', order)).toMatchObject({ ok: false });
  for (const odd of [{ count: 0 }, { count: 99 }, { apart: 'x' }, { version: 5 }, { version: -1 }])
    expect(await printedExam(dept.as('teacher'), exam, { ...order, ...odd })).toMatchObject({ ok: false });
});
