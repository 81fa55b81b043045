import { afterAll, beforeAll, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { shortText } from '@/core/kinds/short-text/short-text';
import { pointOf, setOf } from '@/core/rules/text/points';
import { rulesFromKey } from '@/core/rules/text/rules';
import { openQuestion } from '@/server/bank/open-question';
import { jobEnded } from '@/server/jobs/jobs';
import { openAnswers } from '@/server/marking/answers-view';
import { currentMarks } from '@/server/marking/current-marks';
import { takeIntoBank } from '@/server/marking/into-bank';
import { applyMending, previewMending } from '@/server/marking/mend';
import { TestDepartment } from '../drivers/department';
import { handInAndMark } from '../drivers/hand-in';
import { sampleQuestion } from '../drivers/samples';

let dept: TestDepartment;
let sitting: string;
beforeAll(async () => {
  dept = await TestDepartment.open();
  const made = await dept.sitting(1, 30, (title) => {
    const body = sampleQuestion(title);
    const points = [pointOf('p1', ['wake'], '1/2'), pointOf('p2', ['slower wind'], '1/2')];
    const rules = {
      ...rulesFromKey(''),
      rules: [{ when: 'points' as const, sets: [setOf(points)], refuse: [], feedback: '' }],
      otherwise: 'zero' as const,
    };
    return {
      ...body,
      slots: { ...body.slots, c: { kind: 'shortText', marks: '2', setup: { ...shortText.fresh(), rules } } },
    };
  });
  sitting = made.sitting;
  for (const [who, text] of [
    ['ada', 'In the lee of it the slower wind'],
    ['ben', 'the lee'],
  ] as const) {
    const attempt = await dept.sit(who, sitting, { item0: { c: { text } } });
    must(await handInAndMark(dept.as(who), attempt));
  }
});
afterAll(() => dept.close());

it('what no rule has read is given to a point: who moves is seen first, it is marked anew, and the question of the bank learns it', async () => {
  const view = must(await openAnswers(dept.as('teacher'), sitting, null));
  const slot = view.slots.find(({ id }) => id === 'c');
  expect(slot?.unread[0]).toMatchObject({
    phrase: 'lee',
    answers: 2,
    missing: [{ point: { id: '0:p1' }, answers: 2 }, { answers: 1 }],
  });
  const order = (point: string) => ({
    sitting,
    item: view.item,
    changes: [{ what: 'wording', slot: 'c', point, wording: 'lee' }],
    reason: 'It says the same.',
    overPersons: false,
  });
  expect(await previewMending(dept.as('teacher'), order('0:gone'))).toMatchObject({
    refusal: { code: 'point-unknown' },
  });
  expect(await previewMending(dept.as('marker'), order('0:p1'))).toMatchObject({ ok: false });
  expect(must(await previewMending(dept.as('teacher'), order('0:p1')))).toMatchObject({ marksChanged: 2 });
  const { mending } = must(await applyMending(dept.as('teacher'), order('0:p1')));
  expect(await jobEnded(dept.out.db.read, mending)).toBe(true);
  const marks = (await currentMarks(dept.out.db.read, { sitting })).filter(({ slot: id }) => id === 'c');
  expect(marks.map((one) => one.marks).sort()).toEqual(['1', '2']);
  const after = must(await openAnswers(dept.as('teacher'), sitting, view.item));
  expect(after.slots.find(({ id }) => id === 'c')?.unread).toEqual([]);
  const { question } = must(await takeIntoBank(dept.as('teacher'), mending));
  const { body } = must(await openQuestion(dept.as('teacher'), question));
  expect(JSON.stringify(body.slots.c)).toContain('"accept":["wake","lee"]');
});
