import { afterEach, beforeEach, expect, it } from 'vitest';
import { emptyQuestion, type QuestionBody } from '@/core/bank/question';
import { must } from '@/core/base/result';
import { contentFromLines } from '@/core/content/lines';
import { sample } from '@/core/kinds/judge-own/sample';
import { USUAL_MARKING } from '@/core/marking/plan';
import { openDesk } from '@/server/marking/desk';
import { giveMark } from '@/server/marking/give-mark';
import { saveMarkingPlan } from '@/server/marking/plan';
import { ownJudgements } from '@/server/marking/own-judgements';
import { hasOwnWork, judgeOwnWork, openOwnWork } from '@/server/sittings/judge-afterwards';
import { openRoom } from '@/server/sittings/room';
import { saveAnswers } from '@/server/sittings/save-answers';
import { TestDepartment } from '../drivers/department';
import { handInAndMark } from '../drivers/hand-in';

let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

const found = (level: number) => ({ level, marks: null, remark: '' });
const question = (part: Partial<typeof sample.setup> = {}): QuestionBody => ({
  ...emptyQuestion,
  content: {
    type: 'doc',
    content: [...contentFromLines('Judge it.').content, { type: 'blockSlot', attrs: { id: 'a' } }],
  },
  slots: { a: { kind: 'judgeOwn', marks: '6', setup: { ...sample.setup, ...part } } },
});

it('is given without the marks of levels, marked by the same rubric, and held against the marker’s', async () => {
  const { sitting } = await dept.sitting(1, 30, () => question());
  const own = { judgement: { c1: found(3), c2: found(1) }, words: 'The handover is short.' };
  const attempt = await dept.sit('ada', sitting, { item0: { a: own } });
  const room = JSON.stringify(must(await openRoom(dept.as('ada'), attempt)));
  expect(room).not.toContain('secretkeyword');
  const foreign = { item: 'item0', slot: 'a', seq: 900, age: 0, value: { judgement: { c7: found(1) }, words: '' } };
  const sent = await saveAnswers(dept.as('ada'), { attempt, device: 'device-of-sit', entries: [foreign] });
  expect(JSON.stringify(sent)).toContain('"why":"unfit"');
  must(await handInAndMark(dept.as('ada'), attempt));
  const desk = must(await openDesk(dept.as('marker'), sitting, 'item0'));
  expect(desk.selfJudged).toEqual(['a']);
  expect(desk.rubrics.a?.title).toBe('Report');
  expect(desk.answers[0]?.answer).toContain('First criterion: Fully');
  const asked = { sitting, item: 'item0', slot: 'a' };
  expect(
    must(await ownJudgements(dept.as('marker'), asked)).flatMap(({ counts }) => counts.filter((c) => c.scripts)),
  ).toEqual([]);
  const judgement = { c1: found(1), c2: found(1) };
  expect(must(await giveMark(dept.as('marker'), { ...asked, attempt, marks: '', judgement })).marks).toBe('2');
  const told = must(await ownJudgements(dept.as('marker'), asked)).map(({ counts }) => counts.filter((c) => c.scripts));
  expect(told).toEqual([[{ by: 2, scripts: 1 }], [{ by: 0, scripts: 1 }]]);
  for (const who of ['ada', 'outsider', 'stranger']) expect((await ownJudgements(dept.as(who), asked)).ok).toBe(false);
});

it('is given after handing in, where the question says so, by its student alone and until a person has marked it', async () => {
  const { sitting } = await dept.sitting(1, 30, () => question({ afterwards: true }));
  const attempt = await dept.sit('ada', sitting);
  const own = { judgement: { c1: found(3), c2: found(1) }, words: 'It is complete.' };
  const judge = (who: string, value: unknown = own) =>
    judgeOwnWork(dept.as(who), { attempt, item: 'item0', slot: 'a', value });
  expect(await hasOwnWork(dept.as('ada'), attempt)).toBe(false);
  expect(await judge('ada')).toMatchObject({ refusal: { code: 'judged-too-late' } });
  must(await handInAndMark(dept.as('ada'), attempt));
  // It is not empty, as long as it comes.
  const [line] = must(await openDesk(dept.as('marker'), sitting, 'item0')).answers;
  expect([line?.marks, line?.reason?.code]).toEqual([null, 'judged-afterwards']);
  expect(must(await openOwnWork(dept.as('ada'), attempt)).items).toMatchObject([{ id: 'item0', open: ['a'] }]);
  expect(JSON.stringify(await openOwnWork(dept.as('ada'), attempt))).not.toContain('secretkeyword');
  for (const who of ['ben', 'marker', 'lead']) {
    expect((await judge(who)).ok).toBe(false);
    expect((await openOwnWork(dept.as(who), attempt)).ok).toBe(false);
  }
  expect(await judge('ada', { judgement: { c7: found(1) }, words: '' })).toMatchObject({
    refusal: { code: 'bad-input' },
  });
  must(await judge('ada'));
  expect(must(await openDesk(dept.as('marker'), sitting, 'item0')).answers[0]?.answer).toContain('It is complete.');
  const judgement = { c1: found(1), c2: found(1) };
  must(await giveMark(dept.as('marker'), { attempt, item: 'item0', slot: 'a', marks: '', judgement }));
  expect(await judge('ada')).toMatchObject({ refusal: { code: 'judged-too-late' } });
  expect(must(await openOwnWork(dept.as('ada'), attempt)).items).toEqual([]);
  const told = must(await ownJudgements(dept.as('marker'), { sitting, item: 'item0', slot: 'a' }));
  expect(told.map(({ counts }) => counts.filter((c) => c.scripts))).toEqual([
    [{ by: 2, scripts: 1 }],
    [{ by: 0, scripts: 1 }],
  ]);
});

it('is held against no mark of a script that somebody has to be in step with', async () => {
  const { sitting } = await dept.sitting(1, 30, () => question());
  const own = { judgement: { c1: found(3), c2: found(1) }, words: '' };
  const attempt = await dept.sit('ada', sitting, { item0: { a: own } });
  must(await handInAndMark(dept.as('ada'), attempt));
  const place = { attempt, item: 'item0', slot: 'a' };
  const judgement = { c1: found(1), c2: found(1) };
  must(await giveMark(dept.as('lead'), { ...place, marks: '', judgement }));
  const { script } = await dept.attempt(attempt);
  const plan = { ...USUAL_MARKING, probes: [script] };
  must(await saveMarkingPlan(dept.as('lead'), { sitting, plan }));
  const told = async (who: string) =>
    must(await ownJudgements(dept.as(who), { sitting, item: 'item0', slot: 'a' })).flatMap(({ counts }) =>
      counts.filter((c) => c.scripts > 0),
    );
  expect([(await told('lead')).length, (await told('marker')).length]).toEqual([2, 0]);
  // Their own judgement they may see, and find again.
  must(await giveMark(dept.as('marker'), { ...place, marks: '', judgement: { c1: found(3), c2: found(1) } }));
  expect(await told('marker')).toEqual([
    { by: 0, scripts: 1 },
    { by: 0, scripts: 1 },
  ]);
  expect(must(await openDesk(dept.as('marker'), sitting, 'item0')).answers[0]?.judgement).toMatchObject({
    c1: found(3),
  });
});
