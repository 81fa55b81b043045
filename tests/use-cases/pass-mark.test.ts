import { afterEach, beforeEach, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { type Estimate, NOTHING_SAID } from '@/core/results/panel';
import { finishJudging, openJudging, panelsToJudge, saveEstimate } from '@/server/results/judge';
import { callPanel, nextRound, openPassMark, setPassMark } from '@/server/results/panels';
import { openResults } from '@/server/results/results';
import { sittings } from '@/server/db/schema/exams';
import { scheduleSitting } from '@/server/sittings/schedule';
import { TestDepartment } from '../drivers/department';
import { handInAndMark } from '../drivers/hand-in';
import { numberQuestion } from '../drivers/samples';

let dept: TestDepartment;
let sitting: string;
let items: string[];
beforeEach(async () => {
  dept = await TestDepartment.open();
  ({ sitting, items } = await dept.sitting(2, 30, numberQuestion));
});
afterEach(() => dept.close());

async function ask(method: string, judges: readonly string[], figures = 'later'): Promise<string> {
  const ids = judges.map((name) => dept.as(name).actor.id);
  return must(await callPanel(dept.as('teacher'), { sitting, method, figures, judges: ids })).panel;
}

async function say(who: string, panel: string, estimate: Partial<Estimate>): Promise<void> {
  const view = must(await openJudging(dept.as(who), panel));
  const said = { panel, round: view.round, base: view.version, estimate: { ...NOTHING_SAID, ...estimate } };
  must(await saveEstimate(dept.as(who), said));
}

const percents = (...all: string[]): Partial<Estimate> => ({
  percents: Object.fromEntries(all.map((percent, i) => [items[i] ?? '', percent])),
});

it('brings the judgements of those who are done together, round after round', async () => {
  const panel = await ask('angoff', ['teacher', 'marker']);
  expect(await panelsToJudge(dept.as('marker'))).toEqual([expect.objectContaining({ panel })]);
  await say('teacher', panel, percents('50', '70'));
  must(await finishJudging(dept.as('teacher'), panel));
  await say('marker', panel, percents('60', '90'));
  let [view] = must(await openPassMark(dept.as('teacher'), sitting)).panels;
  // Who has not said that this is all is left out.
  expect(view?.outcome).toMatchObject({ by: 'judges', panel: { cut: 60, spread: null } });
  must(await finishJudging(dept.as('marker'), panel));
  [view] = must(await openPassMark(dept.as('teacher'), sitting)).panels;
  expect(view?.outcome).toMatchObject({ panel: { cuts: expect.arrayContaining([60, 75]), cut: 67.5 } });
  expect(await panelsToJudge(dept.as('marker'))).toEqual([]);
  // In the first round nobody sees what others said, in the second all do.
  expect(must(await openJudging(dept.as('marker'), panel)).questions[0]?.before).toBeNull();
  must(await nextRound(dept.as('teacher'), panel));
  const second = must(await openJudging(dept.as('marker'), panel));
  expect(second.questions[0]?.before).toMatchObject({ percents: [50, 60], mean: 55 });
  expect(second.estimate.percents[items[0] ?? '']).toBe('60');
  expect(second.done).toBe(false);
  // Another round has begun: what was on its way for the first is not lost among those of the second.
  const late = { panel, round: 1, base: 1, estimate: NOTHING_SAID };
  expect(await saveEstimate(dept.as('marker'), late)).toMatchObject({ refusal: { code: 'round-over' } });
});

it('keeps what was said in another window, and takes nothing for done that is not', async () => {
  const panel = await ask('angoff', ['teacher']);
  const sent = { panel, round: 1, base: 0, estimate: { ...NOTHING_SAID, ...percents('50') } };
  must(await saveEstimate(dept.as('teacher'), sent));
  expect(await saveEstimate(dept.as('teacher'), sent)).toMatchObject({ refusal: { code: 'changed-elsewhere' } });
  expect(await finishJudging(dept.as('teacher'), panel)).toMatchObject({
    refusal: { code: 'judgements-missing', values: { count: 1 } },
  });
  expect(await nextRound(dept.as('teacher'), panel)).toMatchObject({ refusal: { code: 'nobody-judged' } });
  await say('teacher', panel, percents('50', '50'));
  must(await finishJudging(dept.as('teacher'), panel));
  // Said anew it is no longer done.
  await say('teacher', panel, percents('50', '60'));
  expect(must(await openJudging(dept.as('teacher'), panel)).done).toBe(false);
});

it('reckons Ebel’s table, limits, and scripts as a whole', async () => {
  for (const [who, answer] of [
    ['ada', '42'],
    ['ben', '7'],
  ] as const) {
    const given = {
      [items[0] ?? '']: { a: { number: '42', unit: '' } },
      [items[1] ?? '']: { a: { number: answer, unit: '' } },
    };
    must(await handInAndMark(dept.as(who), await dept.sit(who, sitting, given)));
  }
  const ebel = await ask('ebel', ['teacher']);
  const cells = { [items[0] ?? '']: 'essential easy', [items[1] ?? '']: 'acceptable hard' } as const;
  await say('teacher', ebel, { cells, table: { 'essential easy': '90', 'acceptable hard': '30' } });
  must(await finishJudging(dept.as('teacher'), ebel));
  const limits = await ask('hofstee', ['teacher']);
  await say('teacher', limits, { limits: { lowest: '60', highest: '40', fewest: '0', most: '80' } });
  expect(await finishJudging(dept.as('teacher'), limits)).toMatchObject({ refusal: { code: 'limits-cross' } });
  await say('teacher', limits, { limits: { lowest: '40', highest: '80', fewest: '0', most: '80' } });
  must(await finishJudging(dept.as('teacher'), limits));
  const scripts = await ask('borderline', ['teacher']);
  const view = must(await openJudging(dept.as('teacher'), scripts));
  expect(view.scripts).toHaveLength(2);
  await say('teacher', scripts, { ratings: Object.fromEntries(view.scripts.map(({ attempt }) => [attempt, 3])) });
  must(await finishJudging(dept.as('teacher'), scripts));
  const outcomes = must(await openPassMark(dept.as('teacher'), sitting)).panels.map(({ outcome }) => outcome);
  expect(outcomes).toMatchObject([
    { by: 'judges', panel: { cut: 60 } },
    { by: 'compromise', compromise: { crosses: 'yes' } },
    { by: 'scripts', regression: null, group: { n: 2, mean: 75 }, contrast: null },
  ]);
});

it('shows judges the sheets and nothing else, and only judges', async () => {
  const panel = await ask('angoff', ['marker'], 'never');
  for (const who of ['ada', 'teacher', 'lead'])
    expect(await openJudging(dept.as(who), panel), who).toMatchObject({ refusal: { code: 'forbidden' } });
  const page = JSON.stringify(must(await openJudging(dept.as('marker'), panel)));
  expect(page).not.toContain('key');
  expect(must(await openJudging(dept.as('marker'), panel)).questions[0]?.earned).toBeNull();
  for (const who of ['ada', 'marker']) {
    expect(await openPassMark(dept.as(who), sitting), who).toMatchObject({ ok: false });
    expect(await nextRound(dept.as(who), panel), who).toMatchObject({ ok: false });
  }
  const student = dept.as('ada').actor.id;
  expect(
    await callPanel(dept.as('teacher'), { sitting, method: 'angoff', figures: 'never', judges: [student] }),
  ).toMatchObject({ refusal: { code: 'not-found' } });
});

it('shows, where that is wanted, what students earned: here, or before anybody sat it what earlier ones did', async () => {
  for (const [who, answer] of [
    ['ada', '42'],
    ['ben', '7'],
  ] as const)
    must(
      await handInAndMark(
        dept.as(who),
        await dept.sit(who, sitting, { [items[0] ?? '']: { a: { number: answer, unit: '' } } }),
      ),
    );
  const earned = async (figures: string, judge = 'teacher'): Promise<unknown> =>
    must(await openJudging(dept.as(judge), await ask('angoff', [judge], figures))).questions[0]?.earned;
  expect([await earned('never'), await earned('later')]).toEqual([null, null]);
  expect(await earned('always')).toEqual({ share: 0.5, earlier: false });
  // The same exam again, which nobody has sat yet.
  const [first] = await dept.as('teacher').db.read.select().from(sittings);
  const when = { opensAt: dept.now, closesAt: dept.now + 3_600_000, minutes: 30 };
  const next = must(
    await scheduleSitting(dept.as('teacher'), { exam: first?.exam ?? '', course: dept.course, ...when }),
  );
  sitting = next.id;
  expect(await earned('always')).toEqual({ share: 0.5, earlier: true });
  // Two are too few for a judge who may not see their results.
  expect(await earned('always', 'marker')).toBeNull();
});

it('sets the pass mark with its reason, and keeps all of them', async () => {
  const { version, boundaries } = must(await openResults(dept.as('teacher'), sitting));
  const set = { sitting, base: version, percent: '57.5', basis: 'Two judges', reason: 'As the panel said' };
  expect(await setPassMark(dept.as('teacher'), { ...set, reason: ' ' })).toMatchObject({
    refusal: { values: { problem: 'reason-asked' } },
  });
  expect(await setPassMark(dept.as('marker'), set)).toMatchObject({ ok: false });
  must(await setPassMark(dept.as('teacher'), set));
  expect(await setPassMark(dept.as('teacher'), set)).toMatchObject({ refusal: { code: 'changed-elsewhere' } });
  const view = must(await openPassMark(dept.as('teacher'), sitting));
  expect(view.results.boundaries.passPercent).toBe('57.5');
  expect(view.history).toMatchObject([{ before: boundaries.passPercent, after: '57.5', basis: 'Two judges' }]);
});
