import { afterEach, beforeEach, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { freshRubric, type Rubric } from '@/core/rules/rubric/rubric';
import { keepRubric, listRubrics, openRubric, removeRubric, saveRubric } from '@/server/bank/rubrics';
import { openDesk } from '@/server/marking/desk';
import { giveMark } from '@/server/marking/give-mark';
import { openOwnResult } from '@/server/results/own-result';
import { enterSitting } from '@/server/sittings/enter';
import { saveAnswers } from '@/server/sittings/save-answers';
import { TestDepartment } from '../drivers/department';
import { sampleQuestion } from '../drivers/samples';
import { handInAndMark } from '../drivers/hand-in';

let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

const rubric: Rubric = { ...freshRubric('grid'), title: 'Report' };

it('rubrics are kept in a bank, saved from the newest version only, and taken out', async () => {
  const { id } = must(await keepRubric(dept.as('teacher'), { bank: dept.bank, rubric }));
  expect(await keepRubric(dept.as('marker'), { bank: dept.bank, rubric })).toMatchObject({ ok: false });
  expect((await listRubrics(dept.as('lead'))).map((one) => one.rubric.title)).toEqual(['Report']);
  expect(await listRubrics(dept.as('ada'))).toEqual([]);
  const renamed = { ...rubric, title: 'Service report' };
  expect(must(await saveRubric(dept.as('lead'), { id, base: 1, rubric: renamed })).version).toBe(2);
  expect(await saveRubric(dept.as('teacher'), { id, base: 1, rubric })).toMatchObject({
    refusal: { code: 'changed-elsewhere', values: { by: 'lead' } },
  });
  expect(must(await openRubric(dept.as('teacher'), id)).rubric).toEqual(renamed);
  expect(await saveRubric(dept.as('teacher'), { id, base: 2, rubric: { ...rubric, criteria: [] } })).toMatchObject({
    ok: false,
  });
  must(await removeRubric(dept.as('teacher'), id));
  expect(await openRubric(dept.as('teacher'), id)).toMatchObject({ ok: false });
});

it('a person marks by the rubric of a slot; the student reads what was found', async () => {
  const withRubric = (title: string) => {
    const sample = sampleQuestion(title);
    const { c } = sample.slots;
    if (!c) throw new Error('The sample has a text');
    return { ...sample, slots: { ...sample.slots, c: { ...c, marks: '3', rubric } } };
  };
  const { sitting, items } = await dept.sitting(1, 30, withRubric);
  const [item = ''] = items;
  const { attempt } = must(await enterSitting(dept.as('ada'), sitting));
  const entries = [{ seq: 1, item, slot: 'c', value: { text: 'something else' }, age: 0 }];
  must(await saveAnswers(dept.as('ada'), { attempt, device: 'device-one', entries }));
  must(await handInAndMark(dept.as('ada'), attempt));

  const desk = must(await openDesk(dept.as('marker'), sitting, item));
  expect(desk.rubrics.c?.title).toBe('Report');
  const found = (level: number | null, remark = '') => ({ level, marks: null, remark });
  const give = (judgement: unknown) => giveMark(dept.as('marker'), { attempt, item, slot: 'c', marks: '', judgement });
  expect(await give({ c1: found(3) })).toMatchObject({ refusal: { code: 'criteria-open', values: { count: 1 } } });
  // Levels are worth 0, 1, 2 and 3: five of six of three marks.
  expect(must(await give({ c1: found(3), c2: found(2, 'say when') })).marks).toBe('5/2');
  const again = must(await openDesk(dept.as('marker'), sitting, item)).answers.find((a) => a.slot === 'c');
  expect(again?.judgement).toEqual({ c1: found(3), c2: found(2, 'say when') });
  const own = must(await openOwnResult(dept.as('teacher'), attempt));
  expect(own.items[0]?.slots[2]?.trace.map(({ code, values }) => [code, values?.remark])).toEqual([
    ['by-a-person', undefined],
    ['rubric', ''],
    ['rubric', 'say when'],
  ]);
});
