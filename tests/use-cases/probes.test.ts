import { afterEach, beforeEach, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { USUAL_MARKING } from '@/core/marking/plan';
import { openAgreement } from '@/server/marking/agreement';
import { currentMarks } from '@/server/marking/current-marks';
import { openDesk, readAnswers } from '@/server/marking/desk';
import { giveAlike, giveMark } from '@/server/marking/give-mark';
import { listMarking } from '@/server/marking/list-marking';
import { openMarking } from '@/server/marking/overview';
import { saveMarkingPlan } from '@/server/marking/plan';
import { addRemark, remarksOf } from '@/server/marking/remarks';
import { openScript } from '@/server/marking/script';
import { TestDepartment } from '../drivers/department';
import { handInAndMark } from '../drivers/hand-in';

/** Scripts that were marked beforehand, mixed in to see whether a marker is in step. */
let dept: TestDepartment;
let sitting: string;
let ada: string;
let ben: string;

beforeEach(async () => {
  dept = await TestDepartment.open();
  ({ sitting } = await dept.sitting());
  const both = { item0: { c: { text: 'the wind' } }, item1: { c: { text: 'the mast' } } };
  ada = await dept.sit('ada', sitting, both);
  ben = await dept.sit('ben', sitting, both);
  must(await handInAndMark(dept.as('ada'), ada));
  must(await handInAndMark(dept.as('ben'), ben));
  must(await mark('lead', '1'));
  must(await say('lead', 'The lead says so.'));
  const { script } = await dept.attempt(ada);
  must(await saveMarkingPlan(dept.as('teacher'), { sitting, plan: { ...USUAL_MARKING, probes: [script] } }));
});
afterEach(() => dept.close());

const place = { item: 'item0', slot: 'c' };
const mark = (who: string, marks: string, attempt = ada) => giveMark(dept.as(who), { attempt, ...place, marks });
const say = (who: string, words: string) =>
  addRemark(dept.as(who), { attempt: ada, ...place, words, anchor: { at: 'whole' } });
const look = async (who: string) =>
  must(await readAnswers(dept.as(who), { sitting, item: 'item0', of: [{ attempt: ada, slot: 'c' }] })).answers[0];
const counts = async () =>
  (await currentMarks(dept.out.db.read, { attempt: ada })).find(({ item, slot }) => item === 'item0' && slot === 'c');

it('looks to others as an answer that waits, and tells nothing of how it was marked', async () => {
  const seen = await look('marker');
  expect(seen).toMatchObject({ marks: null, byPerson: false, remarks: [], both: null, beforehand: null });
  // Nothing tells it from one that waits.
  const [first, second] = must(await openDesk(dept.as('marker'), sitting, 'item0')).lines;
  expect([first?.marks, first?.byPerson, second?.marks, second?.byPerson]).toEqual([null, false, null, false]);
  const script = JSON.stringify(must(await openScript(dept.as('marker'), ada)));
  expect(script).not.toContain('The lead says so.');
  expect(await look('lead')).toMatchObject({ marks: '1', beforehand: null });
});

it('is told by no count, no list, no script as a whole and no figure over the class', async () => {
  const overview = must(await openMarking(dept.as('marker'), sitting));
  expect(overview.plan.probes).toEqual([]);
  const counts = overview.scripts.map(({ answers, waiting }) => [answers, waiting]);
  expect(counts[0]).toEqual(counts[1]);
  expect(overview.questions.find(({ item }) => item === 'item0')).toMatchObject({ answers: 2, waiting: 2 });
  expect(must(await openMarking(dept.as('lead'), sitting)).plan.probes).toHaveLength(1);
  const [task] = must(await listMarking(dept.as('marker'))).filter(({ item }) => item === 'item0');
  expect(task).toMatchObject({ answers: 2, waiting: 2 });
  const slotIn = async (attempt: string) =>
    must(await openScript(dept.as('marker'), attempt)).questions[0]?.slots.find(({ id }) => id === 'c');
  const [probe, other] = [await slotIn(ada), await slotIn(ben)];
  expect([probe?.typed, probe?.marks, probe?.outcome]).toEqual([other?.typed, other?.marks, other?.outcome]);
  // At the edge of the script it is marked like any other.
  must(await mark('marker', '0'));
  expect((await slotIn(ada))?.marks).toBe('0');
});

it('is mixed in with anybody’s share', async () => {
  const { script } = await dept.attempt(ada);
  const sharing = { by: 'question' as const, markers: { item0: [dept.id('teacher')] } };
  const plan = { ...USUAL_MARKING, probes: [script], sharing };
  must(await saveMarkingPlan(dept.as('teacher'), { sitting, plan }));
  const { lines } = must(await openDesk(dept.as('marker'), sitting, 'item0'));
  expect(lines.map(({ attempt }) => attempt)).toEqual([ada]);
  must(await mark('marker', '1'));
  expect((await mark('marker', '1', ben)).ok).toBe(false);
});

it('what others give counts for nothing else, and is told afterwards', async () => {
  must(await mark('marker', '0'));
  must(await say('marker', 'The marker says so.'));
  expect(await counts()).toMatchObject({ marks: '1', by: dept.id('lead') });
  expect(await look('marker')).toMatchObject({ marks: '0', byPerson: true, beforehand: '1' });
  expect((await look('marker'))?.remarks.map(({ words }) => words)).toEqual(['The marker says so.']);
  // Their words are not for the student.
  const read = await remarksOf(dept.out.db.read, [ada], { viewer: dept.id('ada') });
  expect(read.map(({ words }) => words)).toEqual(['The lead says so.']);
  // They may think again.
  must(await mark('marker', '1'));
  const report = must(await openAgreement(dept.as('teacher'), sitting));
  expect(report.inStep).toMatchObject([{ n: 1, exact: 1 }]);
  expect(report.whole.n).toBe(0);
  expect((await openAgreement(dept.as('marker'), sitting)).ok).toBe(false);
});

it('gives others like it what the marker gave, not what it had', async () => {
  must(await mark('marker', '0'));
  const given = must(await giveAlike(dept.as('marker'), { ...place, from: ada, to: [ben] }));
  expect(given).toEqual({ given: [ben], marks: '0' });
});

it('is marked as ever by who runs the sitting, and by nobody who has no part in it', async () => {
  must(await mark('teacher', '0'));
  expect(await counts()).toMatchObject({ marks: '0', by: dept.id('teacher') });
  for (const who of ['outsider', 'ada', 'stranger']) expect((await mark(who, '1')).ok).toBe(false);
});
