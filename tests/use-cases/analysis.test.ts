import { afterEach, beforeEach, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { openAnalysis, openDeeper } from '@/server/results/open-analysis';
import { lifeOfQuestion } from '@/server/results/question-life';
import { openSummary } from '@/server/results/summary';
import { sittingTable, sittingXlsx } from '@/server/results/sitting-table';
import { TestDepartment } from '../drivers/department';
import { handInAndMark, handInNumbers } from '../drivers/hand-in';
import { numberQuestion } from '../drivers/samples';

let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

/** What two students answered to three questions, of which each wants 42. */
const GIVEN: [who: string, answers: (string | null)[]][] = [
  ['ada', ['42', '42', '42']],
  ['ben', ['42', '7', null]],
];

async function sat(): Promise<string> {
  const { sitting } = await dept.sitting(3, 30, numberQuestion);
  for (const [who, answers] of GIVEN) await handInNumbers(dept, who, sitting, answers);
  return sitting;
}

it('tells of each question how much it earned, what was answered, and by whom', async () => {
  const sitting = await sat();
  const analysis = must(await openAnalysis(dept.as('teacher'), sitting));
  expect(analysis).toMatchObject({ persons: 2, waiting: 0 });
  expect(analysis.questions.map(({ facility }) => Math.round(100 * facility))).toEqual([100, 50, 50]);
  expect(analysis.questions.map(({ omitted }) => Math.round(100 * omitted))).toEqual([0, 0, 50]);
  // What everybody has says nothing of the rest.
  expect(analysis.questions[0]?.withRest).toBeNull();
  expect(analysis.questions[1]?.withRest).toBeGreaterThan(0);
  const [slot] = analysis.questions[2]?.slots ?? [];
  expect(slot?.answers.map(({ answer, chosen, earns }) => [answer, chosen, earns]).toSorted()).toEqual(
    [
      ['', 1, 0],
      ['42', 1, 1],
    ].toSorted(),
  );
  expect(slot?.answers.find(({ earns }) => earns === 1)).toMatchObject({ upper: 1, lower: 0 });
  expect(analysis.spread).toMatchObject({ least: 100 / 3, most: 100 });
  // Of two nobody is advised.
  expect(analysis.questions.flatMap(({ advice }) => advice)).toEqual([]);
});

it('leaves out what waits for a person, and says nothing where nobody is marked', async () => {
  const { sitting } = await dept.sitting(1);
  expect(must(await openAnalysis(dept.as('teacher'), sitting))).toMatchObject({
    persons: 0,
    spread: null,
    reliability: null,
    questions: [],
  });
  const attempt = await dept.sit('ada', sitting, { item0: { c: { text: 'the wind' } } });
  must(await handInAndMark(dept.as('ada'), attempt));
  expect(must(await openAnalysis(dept.as('teacher'), sitting))).toMatchObject({ persons: 0, waiting: 1 });
});

it('is for those who may see results there', async () => {
  const sitting = await sat();
  for (const who of ['teacher', 'lead']) expect((await openAnalysis(dept.as(who), sitting)).ok).toBe(true);
  for (const who of ['marker', 'stranger', 'outsider', 'ada'])
    expect((await openAnalysis(dept.as(who), sitting)).ok).toBe(false);
  expect((await openAnalysis(dept.as('lead'), 'nothing')).ok).toBe(false);
});

it('says beside the questions what so few scripts can tell, and what they cannot', async () => {
  const sitting = await sat();
  const deeper = must(await openDeeper(dept.as('teacher'), sitting, 'subject Sea'));
  expect(deeper).toMatchObject({
    scale: { is: 'few-persons', persons: 2, least: 50 },
    groupings: [],
    grouped: null,
    alike: [],
    sections: null,
    earlier: [],
  });
  expect(deeper.time?.minutes).toBeGreaterThanOrEqual(0);
  for (const who of ['marker', 'ada']) expect((await openDeeper(dept.as(who), sitting, null)).ok).toBe(false);
  const { sitting: empty } = await dept.sitting(1);
  expect(must(await openDeeper(dept.as('teacher'), empty, null))).toMatchObject({ decision: null, time: null });
});

it('tells on a question of the bank how it has done, to who sees it there', async () => {
  const sitting = await sat();
  const [, second] = must(await openAnalysis(dept.as('teacher'), sitting)).questions;
  const life = must(await lifeOfQuestion(dept.as('teacher'), second?.question ?? ''));
  expect(life.overall).toMatchObject({ persons: 2, facility: 0.5, seconds: null });
  expect(life.sittings).toMatchObject([{ sitting, opens: true, persons: 2 }]);
  for (const who of ['marker', 'ada'])
    expect((await lifeOfQuestion(dept.as(who), second?.question ?? '')).ok).toBe(false);
  // Somebody who has nothing to do with the course learns nothing of two students.
  const elsewhere = must(await lifeOfQuestion(dept.as('stranger'), second?.question ?? ''));
  expect(elsewhere).toEqual({ sittings: [], overall: null });
  expect((await lifeOfQuestion(dept.as('teacher'), 'nothing')).ok).toBe(false);
});

it('is summed up question by question for the staff, with keys and without names', async () => {
  const sitting = await sat();
  const summary = must(await openSummary(dept.as('teacher'), sitting));
  expect(summary).toMatchObject({ persons: 2, waiting: 0 });
  const [, second] = summary.questions;
  expect(second).toMatchObject({ number: '2', persons: 2, facility: 0.5, marks: '2' });
  const [slot] = second?.slots ?? [];
  expect(slot?.key).toContain('42');
  expect(slot?.answers.map(({ answer, chosen }) => [answer, chosen]).toSorted()).toEqual([
    ['42', 1],
    ['7', 1],
  ]);
  expect(slot?.others).toBe(0);
  for (const name of ['ada', 'ben', dept.id('ada'), dept.id('ben')])
    expect(JSON.stringify(summary)).not.toContain(name);
  for (const who of ['marker', 'stranger', 'ada']) expect((await openSummary(dept.as(who), sitting)).ok).toBe(false);
});

it('is a table of all answers and marks, for those who may see results', async () => {
  const sitting = await sat();
  const table = must(await sittingTable(dept.as('teacher'), sitting));
  const answers = table.head.findIndex((head) => head.startsWith('2 '));
  expect(table.rows.map((row) => [row[answers], row[answers + 1], row.at(-3)])).toEqual([
    ['42', 2, 100],
    ['7', 0, 33.3],
  ]);
  expect((await sittingXlsx(table)).length).toBeGreaterThan(3000);
  for (const who of ['marker', 'ada']) expect((await sittingTable(dept.as(who), sitting)).ok).toBe(false);
});
