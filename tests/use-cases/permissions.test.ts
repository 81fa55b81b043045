import { ofSeed } from '@/core/exams/lot';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { must, type Result } from '@/core/base/result';
import { contentFromLines } from '@/core/content/lines';
import { plainText } from '@/core/content/plain';
import { alikeTo } from '@/server/bank/alike';
import { createQuestion } from '@/server/bank/create-question';
import { openQuestion, openRevision } from '@/server/bank/open-question';
import { listPassages } from '@/server/bank/passages';
import { atBench } from '@/server/bank/presence';
import type { Context } from '@/server/context';
import { mendings } from '@/server/db/schema/marks';
import { openGradebook } from '@/server/gradebook/gradebook';
import { openAnswers } from '@/server/marking/answers-view';
import { openDesk } from '@/server/marking/desk';
import { listMarking } from '@/server/marking/list-marking';
import { giveMark } from '@/server/marking/give-mark';
import { takeIntoBank } from '@/server/marking/into-bank';
import { applyMending, cancelMending, mendingProgress, previewMending, takeBackMending } from '@/server/marking/mend';
import { countWaiting } from '@/server/marking/waiting';
import { examView } from '@/server/exams/exam-view';
import { trialPaper } from '@/server/exams/trial-papers';
import { createExam, freshPlan, openExam, revisionToPlace, savePlan } from '@/server/exams/exams';
import { keepBroughtIn } from '@/server/exchange/keep';
import { coursesFor, setStaff } from '@/server/people/courses';
import { openOwnResult } from '@/server/results/own-result';
import { releaseResults, takeBackResults } from '@/server/results/release';
import { openResults, saveBoundaries } from '@/server/results/results';
import { changeTimes, endSitting, giveBackLost, giveMoreTime, startNow } from '@/server/sittings/change-sitting';
import { setExtraTimeHere } from '@/server/people/provisions';
import { enterSitting, wouldFind } from '@/server/sittings/enter';
import { letBackIn } from '@/server/sittings/let-back-in';
import { goOn, pauseTime } from '@/server/sittings/pause';
import { bringBack, setAside } from '@/server/sittings/set-aside';
import { storyOf } from '@/server/sittings/story';
import { listSittings } from '@/server/sittings/list-sittings';
import { watchSitting } from '@/server/sittings/watch';
import { openRoom } from '@/server/sittings/room';
import { saveAnswers } from '@/server/sittings/save-answers';
import { giveNow, scheduleSitting } from '@/server/sittings/schedule';
import { find } from '@/server/today/find';
import { banks } from '@/server/db/schema/bank';
import { sampleQuestion } from '../drivers/samples';
import { MINUTE, TestDepartment } from '../drivers/department';
import { handInAndMark } from '../drivers/hand-in';

let dept: TestDepartment;
let sitting: string;
let exam: string;
let attempt: string;
/** One department for all: what is refused changes nothing, and the rest goes on from what was there. */
beforeAll(async () => {
  dept = await TestDepartment.open();
  ({ sitting, exam } = await dept.sitting(1));
  attempt = must(await enterSitting(dept.as('ada'), sitting)).attempt;
  const entry = { seq: 1, item: 'item0', slot: 'c', value: { text: 'a person has to read this' }, age: 0 };
  must(await saveAnswers(dept.as('ada'), { attempt, device: 'device-one', entries: [entry] }));
  must(await handInAndMark(dept.as('ada'), attempt));
  await dept.out.db.transaction((tx) =>
    tx.insert(mendings).values({
      id: 'mended',
      sitting,
      item: 'item0',
      changes: [{ what: 'drop' }],
      reason: '',
      state: 'applied',
      by: dept.id('teacher'),
      at: dept.now,
    }),
  );
});
afterAll(() => dept.close());

/** Everything that somebody may do in a course of their own and in no other. */
const ACTS: Record<string, (ctx: Context) => Promise<Result<unknown>>> = {
  watch: (ctx) => watchSitting(ctx, sitting),
  'more time': (ctx) => giveMoreTime(ctx, { sitting, people: [dept.id('ada')], minutes: 5, reason: '' }),
  'lost time': (ctx) => giveBackLost(ctx, sitting),
  'extra time here': (ctx) =>
    setExtraTimeHere(ctx, { sitting, member: dept.id('ada'), extraTimePercent: 5, extraMinutes: 0 }),
  'what one would find': (ctx) => wouldFind(ctx, sitting, dept.id('ada')),
  pause: (ctx) => pauseTime(ctx, { sitting, people: null }),
  'go on': (ctx) => goOn(ctx, { sitting, people: null }),
  'let back in': (ctx) => letBackIn(ctx, { attempt, minutes: 5, reason: '' }),
  'set aside': (ctx) => setAside(ctx, { attempt, reason: 'why' }),
  'bring back': (ctx) => bringBack(ctx, attempt),
  story: (ctx) => storyOf(ctx, attempt),
  'start now': (ctx) => startNow(ctx, sitting),
  times: (ctx) => changeTimes(ctx, { sitting, opensAt: dept.now, closesAt: dept.now + 99 * MINUTE, minutes: 30 }),
  results: (ctx) => openResults(ctx, sitting),
  boundaries: async (ctx) => {
    const { boundaries, version } = must(await openResults(dept.as('lead'), sitting));
    return saveBoundaries(ctx, { sitting, base: version, boundaries });
  },
  release: (ctx) => releaseResults(ctx, { sitting, shows: { marks: true, key: true, explanation: true } }),
  'take back results': (ctx) => takeBackResults(ctx, sitting),
  answers: (ctx) => openAnswers(ctx, sitting, null),
  'preview mending': (ctx) => previewMending(ctx, mend()),
  'apply mending': (ctx) => applyMending(ctx, mend()),
  'mending progress': (ctx) => mendingProgress(ctx, 'mended'),
  'cancel mending': (ctx) => cancelMending(ctx, 'mended'),
  'mending into bank': (ctx) => takeIntoBank(ctx, 'mended'),
  'take back mending': (ctx) => takeBackMending(ctx, 'mended'),
  gradebook: (ctx) => openGradebook(ctx, dept.course),
  'give now': async (ctx) => giveNow(ctx, await dept.question(), dept.course),
  schedule: (ctx) =>
    scheduleSitting(ctx, {
      exam,
      course: dept.course,
      opensAt: dept.now,
      closesAt: dept.now + 60 * MINUTE,
      minutes: 30,
    }),
  end: (ctx) => endSitting(ctx, sitting),
};
const mend = () => ({ sitting, item: 'item0', changes: [{ what: 'everyone' }], reason: '', overPersons: false });
const MARKS: Record<string, (ctx: Context) => Promise<Result<unknown>>> = {
  desk: (ctx) => openDesk(ctx, sitting, 'item0'),
  'a mark': (ctx) => giveMark(ctx, { attempt, item: 'item0', slot: 'c', marks: '1' }),
};
const code = (result: Result<unknown>): string => (result.ok ? 'done' : result.refusal.code);

it('what was handed in is not read in the room any more', async () => {
  const bens = must(await enterSitting(dept.as('ben'), sitting)).attempt;
  expect(must(await openRoom(dept.as('ben'), bens)).sections).toHaveLength(1);
  const room = must(await openRoom(dept.as('ada'), attempt));
  expect([room.sections, room.answers, room.clock.handedInAt]).toEqual([[], {}, dept.now]);
});

describe('what belongs to a course', () => {
  it('stands in no list of others', async () => {
    for (const [who, there] of [
      ['teacher', true],
      ['lead', true],
      ['stranger', false],
    ] as const) {
      const ctx = dept.as(who);
      const hits = await find(ctx, 'Test exam');
      expect([
        must(await listSittings(ctx)).length > 0,
        hits.some(({ what }) => what === 'sitting'),
        (await find(ctx, 'WT-1')).some(({ what }) => what === 'course'),
        (await coursesFor(ctx, 'see gradebook')).length > 0,
        must(await listMarking(ctx)).length > 0,
        (await countWaiting(ctx)) > 0,
      ]).toEqual([there, there, there, there, there, there]);
    }
  });

  it('the result of a student is shown to them when released, to their teachers before, to nobody else', async () => {
    for (const who of ['ada', 'ben', 'stranger', 'marker'])
      expect([who, code(await openOwnResult(dept.as(who), attempt))]).toEqual([who, 'forbidden']);
    expect(code(await openOwnResult(dept.as('teacher'), attempt))).toBe('done');
  });

  it.each(Object.keys(ACTS))('%s: for its teacher and the lead alone', async (act) => {
    for (const who of ['stranger', 'outsider', 'marker', 'ada', 'ben'])
      expect([who, code((await ACTS[act]?.(dept.as(who))) ?? { ok: true, value: null })]).toEqual([who, 'forbidden']);
    expect(code((await ACTS[act]?.(dept.as('teacher'))) ?? { ok: true, value: null })).not.toBe('forbidden');
  });

  it.each(Object.keys(MARKS))('%s: for whoever marks in it', async (act) => {
    for (const who of ['stranger', 'outsider', 'ada'])
      expect([who, code((await MARKS[act]?.(dept.as(who))) ?? { ok: true, value: null })]).toEqual([who, 'forbidden']);
    for (const who of ['marker', 'teacher', 'lead'])
      expect([who, code((await MARKS[act]?.(dept.as(who))) ?? { ok: true, value: null })]).toEqual([who, 'done']);
  });

  it('is theirs whom the lead names, from then on', async () => {
    expect(code(await setStaff(dept.as('teacher'), { course: dept.course, staff: [dept.id('stranger')] }))).toBe(
      'forbidden',
    );
    expect(code(await setStaff(dept.as('lead'), { course: dept.course, staff: [dept.id('ada')] }))).toBe('not-found');
    must(await setStaff(dept.as('lead'), { course: dept.course, staff: [dept.id('stranger')] }));
    expect(code(await watchSitting(dept.as('stranger'), sitting))).toBe('done');
    expect(code(await watchSitting(dept.as('teacher'), sitting))).toBe('forbidden');
  });
});

it('a question of a private bank is not read by placing it in an exam of one’s own', async () => {
  await dept.out.db.transaction((tx) =>
    tx.insert(banks).values({ id: 'hidden', name: 'Hidden', share: 'private', owner: dept.id('stranger') }),
  );
  const body = sampleQuestion('Secret');
  const { id: question } = must(await createQuestion(dept.as('stranger'), { bank: 'hidden', body }));
  const placing = async (who: string) => {
    const plan = await freshPlan(dept.as(who), 'Mine');
    plan.sections[0]?.items.push({ id: 'i', question, revision: 1, marks: null, bonus: false });
    return plan;
  };
  const own = must(
    await createExam(dept.as('teacher'), {
      title: 'Mine',
      course: null,
      plan: await freshPlan(dept.as('teacher'), 'Mine'),
    }),
  ).id;
  const { version } = must(await openExam(dept.as('teacher'), own));
  // The revision exists, since its owner tried a paper with it.
  must(await revisionToPlace(dept.as('stranger'), question));
  const plan = await placing('teacher');
  expect(code(await trialPaper(dept.as('teacher'), { plan, course: null }, ofSeed(1)))).toBe('forbidden');
  expect(code(await examView(dept.as('teacher'), { plan, course: null }))).toBe('forbidden');
  expect(code(await savePlan(dept.as('teacher'), { exam: own, base: version, plan }))).toBe('forbidden');
  expect(code(await trialPaper(dept.as('stranger'), { plan, course: null }, ofSeed(1)))).toBe('done');
  // Once its owner has placed it in an exam, whoever builds exams may look at that one, and keep it.
  must(await createExam(dept.as('stranger'), { title: 'Theirs', course: null, plan }));
  expect(code(await trialPaper(dept.as('teacher'), { plan, course: null }, ofSeed(1)))).toBe('done');
});

it('nor by what is like it, who is at its bench, its revisions, or by naming its passage', async () => {
  await dept.out.db.transaction((tx) =>
    tx.insert(banks).values({ id: 'veiled', name: 'Veiled', share: 'private', owner: dept.id('stranger') }),
  );
  const words = 'The log book of turbine fourteen says that the brake was changed';
  const passage = { id: 'passage-veiled', content: contentFromLines(words), numbered: 'nothing' as const };
  const body = { ...sampleQuestion('What was changed on the brake of turbine fourteen?'), passage };
  const { id } = must(await createQuestion(dept.as('stranger'), { bank: 'veiled', body }));
  await dept.question(sampleQuestion('What was changed on the brake of turbine fifteen?'));
  const stranger = { ...dept.as('stranger'), actor: { ...dept.as('stranger').actor, name: 'stranger' } };
  const teacher = { ...dept.as('teacher'), actor: { ...dept.as('teacher').actor, name: 'teacher' } };
  expect((await alikeTo(stranger, id)).length).toBeGreaterThan(0);
  expect(await alikeTo(teacher, id)).toEqual([]);
  await atBench(stranger, id);
  expect(await atBench(teacher, id)).toEqual([]);
  expect(await atBench(stranger, id)).toEqual([]);
  for (const read of [openQuestion(teacher, id), openRevision(teacher, id, 1), listPassages(teacher, 'veiled')])
    expect((await read).ok).toBe(false);

  // A body that names the passage, as a copy and as an archive would bring it.
  const naming = { ...sampleQuestion('Mine'), passage: { ...passage, content: contentFromLines('my own words') } };
  const mine = must(await createQuestion(teacher, { bank: dept.bank, body: naming })).id;
  const facts = { difficulty: 1, demand: 'know', tags: [] };
  const brought = { body: naming, facts, topic: [], goals: [] };
  must(await keepBroughtIn(teacher, { bank: dept.bank, topic: null, items: [brought, brought] }));
  const opened = must(await openQuestion(teacher, mine)).body.passage;
  expect([plainText(opened?.content ?? body.content), opened?.id === passage.id]).toEqual(['my own words', false]);
  const passages = must(await listPassages(teacher, dept.bank));
  // The two that came together share theirs.
  expect(passages.map((one) => one.questions).sort()).toEqual([1, 2]);
  expect(JSON.stringify(passages)).not.toContain('log book');
});
