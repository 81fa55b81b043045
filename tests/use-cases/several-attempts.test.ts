import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { sittingColumn } from '@/core/gradebook/book';
import type { LateRule } from '@/core/sittings/late';
import type { Tries } from '@/core/sittings/tries';
import { openGradebook } from '@/server/gradebook/gradebook';
import { openAnswers } from '@/server/marking/answers-view';
import { openDesk } from '@/server/marking/desk';
import { listMarking } from '@/server/marking/list-marking';
import { previewMending } from '@/server/marking/mend';
import { countWaiting } from '@/server/marking/waiting';
import { openOwnResult } from '@/server/results/own-result';
import { listOwnResults } from '@/server/results/own-results';
import { releaseResults } from '@/server/results/release';
import { openResults, scriptsBeside } from '@/server/results/results';
import { changeTimes } from '@/server/sittings/change-sitting';
import { enterSitting } from '@/server/sittings/enter';
import { listSittings } from '@/server/sittings/list-sittings';
import { openRoom } from '@/server/sittings/room';
import { saveAnswers } from '@/server/sittings/save-answers';
import { scheduleSitting } from '@/server/sittings/schedule';
import { setAside } from '@/server/sittings/set-aside';
import { MINUTE, TestDepartment } from '../drivers/department';
import { handInAndMark } from '../drivers/hand-in';
import { numberQuestion } from '../drivers/samples';

/** What several attempts, lateness and setting aside come to wherever results are read. */
let dept: TestDepartment;
let exam: string;
beforeEach(async () => {
  dept = await TestDepartment.open();
  ({ exam } = await dept.sitting(1, 30, numberQuestion));
});
afterEach(() => dept.close());

const teacher = () => dept.as('teacher');
const BEST: Tries = { most: 3, apart: 0, counts: 'best', same: true };
const RULE: LateRule = { grace: 0, takes: '50', of: 'all', every: 'day' };
const shows = { marks: true, right: true, key: false, explanation: false, remarks: true, atOnce: true };

const schedule = async (more: object = {}): Promise<string> =>
  must(
    await scheduleSitting(teacher(), {
      exam,
      course: dept.course,
      opensAt: dept.now,
      closesAt: dept.now + 200 * MINUTE,
      minutes: 30,
      ...more,
    }),
  ).id;
let seq = 0;
/** One attempt: the number is right or not. */
async function sit(who: string, sitting: string, right: boolean, number = 1): Promise<string> {
  const { attempt } = must(await enterSitting(dept.as(who), sitting, { number }));
  const value = { number: right ? '42' : '7', unit: '' };
  const entries = [{ seq: ++seq, item: 'item0', slot: 'a', value, age: 0 }];
  must(await saveAnswers(dept.as(who), { attempt, device: 'device-one', entries }));
  must(await handInAndMark(dept.as(who), attempt));
  dept.pass(1);
  return attempt;
}
const rowsOf = async (sitting: string) => must(await openResults(teacher(), sitting)).rows;

describe('of several attempts', () => {
  it('a student reads each by itself, and what they come to together', async () => {
    const sitting = await schedule({ tries: BEST });
    const [first, second] = [await sit('ada', sitting, true), await sit('ada', sitting, false, 2)];
    must(await releaseResults(teacher(), { sitting, shows }));
    const read = async (attempt: string) => {
      const { score, together } = must(await openOwnResult(dept.as('ada'), attempt));
      return { passed: score?.passed, marks: score?.marks, together };
    };
    const together = { attempts: 2, counts: 'best', percent: '100.0', passed: true };
    expect(await read(first)).toEqual({ passed: true, marks: '2', together });
    expect(await read(second)).toEqual({ passed: false, marks: '0', together });
    const listed = (await listOwnResults(dept.as('ada'))).filter(({ attempt }) => [first, second].includes(attempt));
    expect(listed.map(({ attempt, number }) => [attempt, number])).toEqual([
      [second, 2],
      [first, 1],
    ]);
  });

  it('one alone is told without a number, and without what it comes to with others', async () => {
    const sitting = await schedule({ tries: BEST });
    const only = await sit('ada', sitting, true);
    must(await releaseResults(teacher(), { sitting, shows }));
    expect(must(await openOwnResult(dept.as('ada'), only)).together).toBeNull();
    expect((await listOwnResults(dept.as('ada'))).find(({ attempt }) => attempt === only)?.number).toBeNull();
  });

  it('nothing is said of them together before the release', async () => {
    const sitting = await schedule({ tries: BEST });
    await sit('ada', sitting, true);
    const second = await sit('ada', sitting, false, 2);
    expect((await openOwnResult(dept.as('ada'), second)).ok).toBe(false);
    expect(must(await openOwnResult(teacher(), second)).together).toMatchObject({ attempts: 2 });
  });

  it('the gradebook has what counts, and leads to that attempt', async () => {
    const sitting = await schedule({ tries: BEST });
    const first = await sit('ada', sitting, true);
    await sit('ada', sitting, false, 2);
    const book = must(await openGradebook(teacher(), dept.course));
    const at = book.columns.findIndex(({ column }) => column.id === sittingColumn(sitting));
    const cells = book.rows.map(({ userName, cells: all }) => [
      userName,
      all[at]?.score?.attempt ?? null,
      all[at]?.score?.marks ?? null,
    ]);
    expect(cells).toEqual([
      ['ada', first, '2'],
      ['ben', null, null],
    ]);
  });

  it('the list of sittings counts students, not attempts', async () => {
    const sitting = await schedule({ tries: BEST });
    await sit('ada', sitting, true);
    await sit('ada', sitting, false, 2);
    must(await enterSitting(dept.as('ben'), sitting));
    const row = must(await listSittings(teacher())).find(({ id }) => id === sitting);
    expect(row).toMatchObject({ students: 2, started: 2, handedIn: 1 });
  });

  it('the desks have every script, since each may be the best', async () => {
    const sitting = await schedule({ tries: BEST });
    await sit('ada', sitting, true);
    await sit('ada', sitting, false, 2);
    const answers = must(await openAnswers(teacher(), sitting, 'item0')).slots[0]?.groups ?? [];
    expect(answers.reduce((n, group) => n + group.count, 0)).toBe(2);
  });

  it('the same paper has the same numbers and order, and parts with names of its own', async () => {
    const sitting = await schedule({ tries: BEST });
    const attempts = [await sit('ada', sitting, true), await sit('ada', sitting, false, 2)];
    const [one, two] = await Promise.all(attempts.map((id) => dept.attempt(id)));
    expect([one?.seed === two?.seed, one?.secret === two?.secret]).toEqual([true, false]);
  });
});

describe('what was handed in late', () => {
  it('is told with what it cost, and decides pass and grade', async () => {
    const sitting = await schedule({ dueAt: dept.now + 5 * MINUTE, late: { ...RULE, takes: '60' } });
    dept.pass(10);
    const attempt = await sit('ada', sitting, true);
    must(await releaseResults(teacher(), { sitting, shows }));
    const { score } = must(await openOwnResult(dept.as('ada'), attempt));
    expect(score).toMatchObject({ marks: '0.8', percent: '40.0', passed: false, grade: 'F' });
    expect(score?.late).toEqual({ cost: '6/5', by: 5 * MINUTE });
    const results = must(await openResults(teacher(), sitting));
    expect(results.rows.map(({ parts }) => results.sections.map(({ id }) => parts[id]?.marks))).toEqual([['2']]);
  });

  it('within the grace is told to cost nothing', async () => {
    const sitting = await schedule({ dueAt: dept.now + 5 * MINUTE, late: { ...RULE, grace: 30 } });
    dept.pass(10);
    const attempt = await sit('ada', sitting, true);
    must(await releaseResults(teacher(), { sitting, shows }));
    expect(must(await openOwnResult(dept.as('ada'), attempt)).score).toMatchObject({ marks: '2', late: { cost: '0' } });
  });

  it('is counted by a mending, before and after', async () => {
    const sitting = await schedule({ dueAt: dept.now + 5 * MINUTE, late: RULE });
    dept.pass(10);
    await sit('ada', sitting, false);
    const preview = must(
      await previewMending(teacher(), {
        sitting,
        item: 'item0',
        changes: [{ what: 'everyone' }],
        reason: 'wrong key',
        overPersons: false,
      }),
    );
    expect(preview.movers).toMatchObject([{ before: { percent: '0' }, after: { percent: '50' } }]);
  });

  it('keeps its cost while results are released: the due time stays', async () => {
    const dueAt = dept.now + 5 * MINUTE;
    const sitting = await schedule({ dueAt, late: RULE });
    dept.pass(10);
    await sit('ada', sitting, true);
    must(await releaseResults(teacher(), { sitting, shows }));
    const times = { sitting, opensAt: dept.now - 12 * MINUTE, closesAt: dept.now + 100 * MINUTE, minutes: 30 };
    expect(await changeTimes(teacher(), { ...times, dueAt: dueAt + MINUTE, late: RULE })).toMatchObject({
      refusal: { code: 'results-are-out', at: ['dueAt'] },
    });
    expect((await changeTimes(teacher(), { ...times, dueAt, late: RULE })).ok).toBe(true);
  });

  it('the best of several is the best after lateness', async () => {
    const sitting = await schedule({ tries: BEST, dueAt: dept.now + 5 * MINUTE, late: { ...RULE, takes: '100' } });
    const early = await sit('ada', sitting, true);
    dept.pass(10);
    await sit('ada', sitting, true, 2);
    expect(await rowsOf(sitting)).toMatchObject([{ attempt: early, percent: '100', late: null }]);
  });
});

describe('an attempt that is set aside', () => {
  it('leaves the others to count', async () => {
    const sitting = await schedule({ tries: BEST });
    const first = await sit('ada', sitting, true);
    const second = await sit('ada', sitting, false, 2);
    must(await setAside(teacher(), { attempt: first, reason: 'copied' }));
    expect(await rowsOf(sitting)).toMatchObject([{ attempt: second, percent: '0', attempts: 1 }]);
  });

  it('holds up no release, is beside no script, and waits for nobody', async () => {
    const sitting = await schedule({ tries: BEST });
    const first = await sit('ada', sitting, true);
    const second = await sit('ben', sitting, true);
    const third = must(await enterSitting(dept.as('ada'), sitting, { number: 2 })).attempt;
    expect(await releaseResults(teacher(), { sitting, shows })).toMatchObject({ refusal: { code: 'still-writing' } });
    must(await setAside(teacher(), { attempt: third, reason: 'left ill' }));
    expect(must(await releaseResults(teacher(), { sitting, shows })).students).toBe(2);
    expect(await scriptsBeside(teacher(), sitting, first)).toMatchObject({ before: null, after: { attempt: second } });
    expect((await openRoom(dept.as('ada'), third)).ok).toBe(true);
    expect(must(await listMarking(dept.as('marker'))).filter((task) => task.sitting === sitting)).toEqual([]);
    expect(await countWaiting(dept.as('marker'))).toBe(0);
    expect((await openDesk(dept.as('marker'), sitting, 'item0')).ok).toBe(true);
  });
});
