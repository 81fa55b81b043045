import { afterEach, beforeEach, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { type MarkingPlan, USUAL_MARKING } from '@/core/marking/plan';
import { openAgreement } from '@/server/marking/agreement';
import { openDesk, readAnswers } from '@/server/marking/desk';
import { giveMark } from '@/server/marking/give-mark';
import { openMarking } from '@/server/marking/overview';
import { saveMarkingPlan } from '@/server/marking/plan';
import { addRemark } from '@/server/marking/remarks';
import { openScript } from '@/server/marking/script';
import { giveSecondMark } from '@/server/marking/second-mark';
import { takeAnswers } from '@/server/marking/share';
import { listMarking } from '@/server/marking/list-marking';
import { scheduleSitting } from '@/server/sittings/schedule';
import { USUAL_LATE_RULE } from '@/core/sittings/late';
import { MINUTE, TestDepartment } from '../drivers/department';
import { handInAndMark } from '../drivers/hand-in';

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
  for (const [who, attempt] of [
    ['ada', ada],
    ['ben', ben],
  ] as const)
    must(await handInAndMark(dept.as(who), attempt));
});
afterEach(() => dept.close());

const plan = async (part: Partial<MarkingPlan>) =>
  must(await saveMarkingPlan(dept.as('teacher'), { sitting, plan: { ...USUAL_MARKING, ...part } }));
const linesOf = async (who: string, item = 'item0', look = {}) =>
  must(await openDesk(dept.as(who), sitting, item, look)).lines.map(({ attempt }) => attempt);
const first = (who: string, attempt: string, marks: string, item = 'item0') =>
  giveMark(dept.as(who), { attempt, item, slot: 'c', marks });
const second = (who: string, attempt: string, marks: string, item = 'item0') =>
  giveSecondMark(dept.as(who), { attempt, item, slot: 'c', marks, reason: 'too short' });
const standing = async (attempt: string, item = 'item0') =>
  must(await readAnswers(dept.as('lead'), { sitting, item, of: [{ attempt, slot: 'c' }] })).answers[0];

it('what is shared out by script or by question is seen by whom it falls to; who runs it may look at all', async () => {
  const [markerId, teacherId] = [dept.id('marker'), dept.id('teacher')];
  await plan({ sharing: { by: 'script', markers: [markerId, teacherId] } });
  const [markers, teachers] = [await linesOf('marker'), await linesOf('teacher')];
  expect([...markers, ...teachers].sort()).toEqual([ada, ben].sort());
  expect(markers).toHaveLength(1);
  expect(await linesOf('teacher', 'item0', { all: true })).toHaveLength(2);
  // A marker does not get to see all by asking for it.
  expect(await linesOf('marker', 'item0', { all: true })).toEqual(markers);
  const others = markers[0] === ada ? ben : ada;
  const peek = await readAnswers(dept.as('marker'), {
    sitting,
    item: 'item0',
    all: true,
    of: [{ attempt: others, slot: 'c' }],
  });
  expect(must(peek).answers).toEqual([]);
  expect(await first('marker', others, '1')).toMatchObject({ ok: false, refusal: { code: 'not-your-share' } });
  must(await first('teacher', others, '1'));
  await plan({ sharing: { by: 'question', markers: { item0: [teacherId] } } });
  expect([await linesOf('marker'), await linesOf('marker', 'item1')]).toEqual([[], [ada, ben]]);
  const refused = await saveMarkingPlan(dept.as('teacher'), {
    sitting,
    plan: { ...USUAL_MARKING, sharing: { by: 'script', markers: [dept.id('outsider')] } },
  });
  expect(refused).toMatchObject({ ok: false, refusal: { code: 'not-a-marker' } });
  expect(await saveMarkingPlan(dept.as('marker'), { sitting, plan: USUAL_MARKING })).toMatchObject({ ok: false });
});

it('as they come: two never get the same one, and what is left for an hour goes back', async () => {
  await plan({ sharing: { by: 'turn' } });
  expect(await linesOf('marker')).toEqual([]);
  expect(await first('marker', ada, '1')).toMatchObject({ ok: false, refusal: { code: 'not-your-share' } });
  const take = (who: string) => takeAnswers(dept.as(who), { sitting, item: 'item0' });
  expect(must(await take('marker'))).toEqual({ taken: 2 });
  expect(must(await take('teacher'))).toEqual({ taken: 0 });
  expect([await linesOf('marker'), await linesOf('teacher')]).toEqual([[ada, ben], []]);
  must(await first('marker', ada, '1'));
  dept.pass(61);
  // What was marked stays with whoever marked it; the other is free again.
  expect(await linesOf('marker')).toEqual([ada]);
  expect(must(await take('teacher'))).toEqual({ taken: 1 });
  expect(await linesOf('teacher')).toEqual([ben]);
  expect(await take('outsider')).toMatchObject({ ok: false });
});

it('a second marker sees neither the first mark nor what was said with it', async () => {
  await plan({ second: { ...USUAL_MARKING.second, which: 'all' } });
  expect(await linesOf('teacher', 'item0', { second: true })).toEqual([]);
  must(await first('marker', ada, '3/4'));
  must(
    await addRemark(dept.as('marker'), {
      attempt: ada,
      item: 'item0',
      slot: 'c',
      words: 'Nearly there.',
      anchor: { at: 'whole' },
    }),
  );
  const blind = must(await openDesk(dept.as('teacher'), sitting, 'item0', { second: true }));
  expect(blind.answers).toMatchObject([{ attempt: ada, marks: null, byPerson: false, remarks: [], both: null }]);
  expect(JSON.stringify(blind.answers)).not.toContain('3/4');
  // Nor does another marker find it at the first desk or in the script; who runs the sitting does.
  must(await first('teacher', ben, '3/4'));
  expect(await linesOf('marker')).toEqual([ada]);
  const peek = await readAnswers(dept.as('marker'), { sitting, item: 'item0', of: [{ attempt: ben, slot: 'c' }] });
  expect(must(peek).answers).toEqual([]);
  const script = must(await openScript(dept.as('marker'), ben));
  expect(script.questions[0]?.slots.find(({ id }) => id === 'c')).toMatchObject({
    marks: null,
    mark: null,
    typed: false,
  });
  expect(await linesOf('lead')).toEqual([ada, ben]);
  must(await second('marker', ben, '3/4'));
  expect(await linesOf('marker')).toEqual([ada, ben]);
  // Nobody marks twice alone, nor what is not to be marked twice, nor as a stranger.
  expect(await linesOf('marker', 'item0', { second: true })).toEqual([ben]);
  expect(await second('marker', ada, '1')).toMatchObject({ ok: false, refusal: { code: 'own-first-mark' } });
  const unmarked = await second('teacher', ben, '1', 'item1');
  expect(unmarked).toMatchObject({ ok: false, refusal: { code: 'not-marked-yet' } });
  expect(await second('stranger', ada, '1')).toMatchObject({ ok: false });
  await plan({});
  expect(await second('teacher', ada, '1')).toMatchObject({ ok: false, refusal: { code: 'no-second-mark' } });
});

it('marks far apart wait to be settled with both in sight; near ones count as is said', async () => {
  await plan({ second: { ...USUAL_MARKING.second, which: 'all', apart: 50, counts: 'mean' } });
  must(await first('marker', ada, '1'));
  must(await first('marker', ben, '1'));
  expect(must(await second('teacher', ada, '½'))).toEqual({ marks: '1/2', settled: true });
  expect(await standing(ada)).toMatchObject({ marks: '3/4', byPerson: true });
  expect(must(await second('teacher', ben, '0'))).toEqual({ marks: '0', settled: false });
  expect(await standing(ben)).toMatchObject({
    marks: null,
    reason: { code: 'markers-differ', values: { first: '1', second: '0' } },
    both: { first: '1', second: '0', reason: 'too short' },
  });
  // Second thoughts of the second marker: nothing is left to settle.
  expect(must(await second('teacher', ben, '½'))).toEqual({ marks: '1/2', settled: true });
  expect((await standing(ben))?.marks).toBe('3/4');
  expect(await second('lead', ben, '1')).toMatchObject({ ok: false, refusal: { code: 'second-mark-stands' } });
  must(await second('teacher', ben, '0'));
  must(await first('lead', ben, '1/4'));
  expect(await standing(ben)).toMatchObject({ marks: '1/4', both: { first: '1', second: '0' } });
  const report = must(await openAgreement(dept.as('teacher'), sitting));
  expect(report.whole).toMatchObject({ n: 2, exact: 0 });
  expect(report.markers.map(({ name, n }) => [name, n])).toEqual([['teacher', 2]]);
  expect(await openAgreement(dept.as('marker'), sitting)).toMatchObject({ ok: false });
});

it('the overview tells what waits by question and script, and how each marks to those who run the sitting', async () => {
  await plan({ second: { ...USUAL_MARKING.second, which: 'all' } });
  must(await first('marker', ada, '1'));
  dept.pass(1);
  must(await first('marker', ben, '0'));
  const all = must(await openMarking(dept.as('teacher'), sitting));
  expect(all.questions.map(({ item, answers, waiting, seconds }) => [item, answers, waiting, seconds.wanted])).toEqual([
    ['item0', 2, 0, 2],
    ['item1', 2, 2, 0],
  ]);
  expect(all.scripts.map(({ attempt, waiting, name }) => [attempt, waiting, name])).toEqual([
    [ada, 1, null],
    [ben, 1, null],
  ]);
  expect(all.paces).toMatchObject([{ name: 'marker', count: 2, seconds: 60, mean: 50 }]);
  const own = must(await openMarking(dept.as('marker'), sitting));
  expect([own.paces, own.markers, own.seesAgreement]).toEqual([null, null, false]);
  expect(await openMarking(dept.as('outsider'), sitting)).toMatchObject({ ok: false });
});

it('a script is read as a whole by whoever marks it, without its name while names are hidden', async () => {
  const script = must(await openScript(dept.as('marker'), ada));
  expect(script).toMatchObject({ name: null, before: null, after: ben });
  expect(script.questions.map(({ id, slots }) => [id, slots.filter(({ typed }) => typed).map((s) => s.id)])).toEqual([
    ['item0', ['c']],
    ['item1', ['c']],
  ]);
  expect(JSON.stringify(script)).not.toContain('"ada"');
  for (const who of ['outsider', 'stranger', 'ada']) expect((await openScript(dept.as(who), ada)).ok).toBe(false);
});

it('people mark from each student’s own due time on, unless it is said that they begin before', async () => {
  const teacher = dept.as('teacher');
  const { exam } = await dept.sitting();
  const dueAt = dept.now + 40 * MINUTE;
  const times = { opensAt: dept.now, closesAt: dept.now + 120 * MINUTE, minutes: 30 };
  const due = { exam, course: dept.course, ...times, dueAt, late: USUAL_LATE_RULE };
  const { id } = must(await scheduleSitting(teacher, due));
  const attempt = await dept.sit('ada', id, { item0: { c: { text: 'the wind' } } });
  must(await handInAndMark(dept.as('ada'), attempt));
  const lines = async () => must(await openDesk(dept.as('marker'), id, 'item0')).lines.length;
  const listed = async () => must(await listMarking(dept.as('marker'))).some((task) => task.sitting === id);
  expect([await lines(), await listed(), must(await openMarking(teacher, id)).notDue]).toEqual([0, false, 1]);
  must(await saveMarkingPlan(teacher, { sitting: id, plan: { ...USUAL_MARKING, early: true } }));
  expect([await lines(), await listed()]).toEqual([1, true]);
  must(await saveMarkingPlan(teacher, { sitting: id, plan: USUAL_MARKING }));
  dept.pass(41);
  expect([await lines(), await listed()]).toEqual([1, true]);
});
