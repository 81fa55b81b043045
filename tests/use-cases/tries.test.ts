import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import type { LateRule } from '@/core/sittings/late';
import type { Tries } from '@/core/sittings/tries';
import { openGradebook } from '@/server/gradebook/gradebook';
import { openResults } from '@/server/results/results';
import { changeTimes, giveMoreTime, startNow } from '@/server/sittings/change-sitting';
import { enterSitting, wouldFind } from '@/server/sittings/enter';
import { ownSittings } from '@/server/sittings/own-sittings';
import { openRoom } from '@/server/sittings/room';
import { saveAnswers } from '@/server/sittings/save-answers';
import { scheduleSitting } from '@/server/sittings/schedule';
import { watchSitting } from '@/server/sittings/watch';
import { MINUTE, TestDepartment } from '../drivers/department';
import { handInAndMark } from '../drivers/hand-in';

/** Sittings that can be sat several times, are due at a time, or open by hand. */
let dept: TestDepartment;
let exam: string;
beforeEach(async () => {
  dept = await TestDepartment.open();
  ({ exam } = await dept.sitting(1));
});
afterEach(() => dept.close());

const teacher = () => dept.as('teacher');
const schedule = (more: object) =>
  scheduleSitting(teacher(), {
    exam,
    course: dept.course,
    opensAt: dept.now,
    closesAt: dept.now + 300 * MINUTE,
    minutes: 30,
    ...more,
  });
const enter = (who: string, sitting: string, number?: number) =>
  enterSitting(dept.as(who), sitting, number === undefined ? {} : { number });
let seq = 0;
/** Answers the choice of the sample question, which is a quarter of its marks, and hands in. */
async function write(who: string, attempt: string, right: boolean): Promise<void> {
  const room = must(await openRoom(dept.as(who), attempt));
  const sheet = room.sections[0]?.items[0]?.sheet.slots.a?.sheet as { options: { id: string; text: string }[] };
  const chosen = sheet.options.filter(({ text }) => text === (right ? 'two' : 'one')).map(({ id }) => id);
  const entries = [{ seq: ++seq, item: 'item0', slot: 'a', value: { chosen }, age: 0 }];
  must(await saveAnswers(dept.as(who), { attempt, device: 'device-one', entries }));
  must(await handInAndMark(dept.as(who), attempt));
}
const THREE: Tries = { most: 3, apart: 10, counts: 'best', same: false };

describe('several attempts', () => {
  it.each([
    ['best', '25'],
    ['last', '0'],
    ['mean', '25/2'],
  ] as const)('the %s counts, once in results and gradebook', async (counts, percent) => {
    const { id } = must(await schedule({ tries: { ...THREE, counts } }));
    for (const [number, right] of [
      [1, true],
      [2, false],
    ] as const) {
      const { attempt } = must(await enter('ada', id, number));
      await write('ada', attempt, right);
      dept.pass(10);
    }
    const rows = must(await openResults(teacher(), id)).rows;
    expect(rows.map((row) => [row.name, row.attempts, row.percent])).toEqual([['ada', 2, percent]]);
    const book = must(await openGradebook(teacher(), dept.course));
    expect(book.rows.flatMap(({ cells }) => cells.filter(({ score }) => score !== null))).toHaveLength(1);
  });

  it('begin one after the other, so far apart, and never by a page that was opened before', async () => {
    const { id } = must(await schedule({ tries: THREE }));
    const first = must(await enter('ada', id)).attempt;
    expect(must(await enter('ada', id, 2)).attempt).toBe(first);
    await write('ada', first, true);
    expect(must(await enter('ada', id)).attempt).toBe(first);
    expect(await enter('ada', id, 2)).toMatchObject({ refusal: { code: 'try-later' } });
    expect((await ownSittings(dept.as('ada'))).find((one) => one.id === id)?.next).toMatchObject({
      is: 'later',
      number: 2,
    });
    dept.pass(10);
    const both = await Promise.all([enter('ada', id, 2), enter('ada', id, 2)]);
    const second = new Set(both.map((entered) => must(entered).attempt));
    expect(second.size).toBe(1);
    await write('ada', [...second][0] ?? '', false);
    dept.pass(10);
    await write('ada', must(await enter('ada', id, 3)).attempt, false);
    dept.pass(10);
    const after = must(await enter('ada', id, 4)).attempt;
    expect(must(await openRoom(dept.as('ada'), after)).clock.handedInAt).not.toBeNull();
    const seen = must(await watchSitting(teacher(), id)).people.find(({ name }) => name === 'ada');
    expect(seen?.attempt?.number).toBe(3);
  });

  it('have the same paper where that is said, and papers of their own where not', async () => {
    for (const same of [true, false]) {
      const { id } = must(await schedule({ tries: { ...THREE, apart: 0, same } }));
      const seeds = new Set<number>();
      for (const number of [1, 2, 3]) {
        const { attempt } = must(await enter('ada', id, number));
        await write('ada', attempt, true);
        dept.pass(1);
        seeds.add((await dept.attempt(attempt)).seed);
      }
      expect(seeds.size).toBe(same ? 1 : 3);
    }
  });
});

describe('a due time', () => {
  const rule: LateRule = { grace: 2, takes: '25', of: 'all', every: 'hour' };
  const due = async () => must(await schedule({ dueAt: dept.now + 10 * MINUTE, late: rule })).id;
  const late = async (id: string) => must(await openResults(teacher(), id)).rows[0]?.late;

  it.each([
    [10, null],
    [12, '0'],
    [13, '1'],
  ])('handed in after %s minutes loses %s', async (minutes, cost) => {
    const id = await due();
    const { attempt } = must(await enter('ada', id));
    dept.pass(minutes);
    await write('ada', attempt, true);
    expect(await late(id)).toBe(cost);
  });

  it('moves with the minutes that somebody has more', async () => {
    const id = await due();
    const { attempt } = must(await enter('ada', id));
    must(await giveMoreTime(teacher(), { sitting: id, people: [dept.id('ada')], minutes: 5, reason: '' }));
    dept.pass(15);
    await write('ada', attempt, true);
    expect(await late(id)).toBeNull();
  });

  it('lies in the window', async () => {
    for (const minutes of [0, -5, 301])
      expect(await schedule({ dueAt: dept.now + minutes * MINUTE, late: rule })).toMatchObject({
        refusal: { code: 'due-outside', at: ['dueAt'] },
      });
  });

  it('can be changed afterwards, and the marks follow', async () => {
    const id = await due();
    const { attempt } = must(await enter('ada', id));
    dept.pass(20);
    await write('ada', attempt, true);
    expect(await late(id)).toBe('1');
    const times = { sitting: id, opensAt: dept.now - 20 * MINUTE, closesAt: dept.now + 200 * MINUTE, minutes: 30 };
    must(await changeTimes(teacher(), { ...times, dueAt: dept.now, late: rule }));
    expect(await late(id)).toBeNull();
    must(await changeTimes(teacher(), times));
    expect(await late(id)).toBeNull();
  });
});

describe('a sitting that opens by hand', () => {
  it('stays shut whatever the clock says, then keeps its length and its due time', async () => {
    const rule: LateRule = { grace: 0, takes: '1', of: 'marks', every: 'day' };
    const { id } = must(
      await schedule({ byHand: true, closesAt: dept.now + 60 * MINUTE, dueAt: dept.now + 30 * MINUTE, late: rule }),
    );
    dept.pass(25);
    expect(await enter('ada', id)).toMatchObject({ refusal: { code: 'door-by-hand' } });
    must(await startNow(teacher(), id));
    expect((await enter('ada', id)).ok).toBe(true);
    const watched = must(await watchSitting(teacher(), id));
    expect([watched.byHand, watched.opensAt, watched.closesAt, watched.dueAt]).toEqual([
      false,
      dept.now,
      dept.now + 60 * MINUTE,
      dept.now + 30 * MINUTE,
    ]);
    expect(await startNow(teacher(), id)).toMatchObject({ refusal: { code: 'already-open' } });
  });

  it('that nobody opened is over with its end', async () => {
    const { id } = must(await schedule({ byHand: true, closesAt: dept.now + 60 * MINUTE }));
    dept.pass(61);
    expect(await enter('ada', id)).toMatchObject({ refusal: { code: 'door-over' } });
    expect((await startNow(teacher(), id)).ok).toBe(false);
  });
});

describe('what one student would find', () => {
  const finds = (id: string, who = 'ada', asker = 'teacher') => wouldFind(dept.as(asker), id, dept.id(who));
  it('is what they find when they come', async () => {
    const { id } = must(await schedule({ byHand: true, tries: THREE, code: 'wind' }));
    expect(await finds(id)).toMatchObject({ refusal: { code: 'door-by-hand' } });
    must(await startNow(teacher(), id));
    expect(must(await finds(id))).toEqual({ is: 'begin', number: 1, minutes: 30, coded: true });
    const { attempt } = must(await enterSitting(dept.as('ada'), id, { code: 'wind' }));
    expect(must(await finds(id))).toEqual({ is: 'go on' });
    await write('ada', attempt, true);
    expect(must(await finds(id))).toMatchObject({ is: 'later' });
    dept.pass(10);
    expect(must(await finds(id))).toMatchObject({ is: 'begin', number: 2 });
    dept.pass(600);
    expect(await finds(id)).toMatchObject({ refusal: { code: 'door-over' } });
  });

  it('is said of no stranger, and to no stranger', async () => {
    const { id } = must(await schedule({}));
    expect(await finds(id, 'cleo')).toMatchObject({ refusal: { code: 'takes-no-part' } });
    for (const asker of ['stranger', 'marker', 'ada']) expect((await finds(id, 'ada', asker)).ok).toBe(false);
  });
});
