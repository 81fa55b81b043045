import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { attempts } from '@/server/db/schema/attempts';
import { sittings } from '@/server/db/schema/exams';
import { outages } from '@/server/db/schema/jobs';
import { marks } from '@/server/db/schema/marks';
import { changed } from '@/server/events/versions';
import { markWaiting } from '@/server/marking/mark-handed-in';
import { NO_PROVISION } from '@/core/people/provision';
import { setProvision } from '@/server/people/provisions';
import { findAttempt } from '@/server/sittings/attempts';
import { endSitting, giveBackLost, giveMoreTime } from '@/server/sittings/change-sitting';
import { enterSitting } from '@/server/sittings/enter';
import { handIn, sweep } from '@/server/sittings/hand-in';
import { beat } from '@/server/sittings/heartbeat';
import { watchSitting } from '@/server/sittings/watch';
import { openRoom } from '@/server/sittings/room';
import { type Saved, saveAnswers } from '@/server/sittings/save-answers';
import { MINUTE, TestDepartment } from '../drivers/department';

let dept: TestDepartment;
/** What stands beside the database. */
let beside: number | null;
beforeEach(async () => {
  dept = await TestDepartment.open();
  beside = null;
});
afterEach(() => dept.close());

const enter = async (who: string, sitting: string): Promise<string> =>
  must(await enterSitting(dept.as(who), sitting)).attempt;
const deadline = async (id: string): Promise<number> =>
  (await findAttempt(dept.out.db.read, id, dept.now))?.state.deadline ?? 0;
const ungiven = async (id: string): Promise<number> =>
  (await findAttempt(dept.out.db.read, id, dept.now))?.ungiven ?? 0;
const SECOND = 1 / 60;

let seq = 0;
/** What a student wrote so many seconds ago, as the device sends it now. */
async function write(who: string, attempt: string, secondsAgo = 0): Promise<Saved> {
  seq += 1;
  const entry = { seq, item: 'item0', slot: 'c', value: { text: `the ${seq}th` }, age: secondsAgo * 1000 };
  return must(await saveAnswers(dept.as(who), { attempt, device: 'device-of-this', entries: [entry] }));
}

/** A beat of a server; `aliveAt` null is that of one that has just started. */
const pulse = (aliveAt: number | null = null): Promise<void> =>
  dept.out.db.transaction((tx) => beat(tx, { read: () => beside, write: (at) => (beside = at) }, dept.now, aliveAt));

describe('time', () => {
  it('extra time is said once and holds; more minutes can be given', async () => {
    must(
      await setProvision(dept.as('teacher'), {
        ...NO_PROVISION,
        member: dept.id('ben'),
        extraTimePercent: 25,
        reason: 'reading',
      }),
    );
    const { sitting } = await dept.sitting(1, 30);
    const [ada, ben] = [await enter('ada', sitting), await enter('ben', sitting)];
    expect([(await deadline(ada)) - dept.now, (await deadline(ben)) - dept.now]).toEqual([30 * MINUTE, 38 * MINUTE]);
    must(
      await giveMoreTime(dept.as('teacher'), { sitting, people: [dept.id('ada')], minutes: 5, reason: 'fire alarm' }),
    );
    expect((await deadline(ada)) - dept.now).toBe(35 * MINUTE);
  });

  it('ending a sitting ends it for all, and the door says so', async () => {
    const { sitting } = await dept.sitting(1);
    const ada = await enter('ada', sitting);
    must(await endSitting(dept.as('teacher'), sitting));
    expect(await enterSitting(dept.as('ben'), sitting)).toMatchObject({ ok: false, refusal: { code: 'door-ended' } });
    dept.pass(1);
    expect(await sweep(dept.out)).toEqual({ handedIn: 1, failed: [] });
    expect(must(await openRoom(dept.as('ada'), ada)).clock.handedInAt).not.toBeNull();
  });
});

describe('what arrives after the end', () => {
  it('counts when it was on its way, whoever sends it', async () => {
    const { sitting } = await dept.sitting(1, 30);
    const ada = await enter('ada', sitting);
    dept.pass(30 - SECOND);
    expect((await write('ada', ada)).refused).toEqual([]);
    dept.pass(3 * SECOND);
    expect((await write('ada', ada, 2.5)).refused).toEqual([]);
    expect((await write('ada', ada, 1)).refused).toMatchObject([{ why: 'late' }]);
  });

  it('is not taken from a device that was there as the time ended, whatever age it claims', async () => {
    const { sitting } = await dept.sitting(1, 30);
    const ada = await enter('ada', sitting);
    dept.pass(30 - 10 * SECOND);
    await write('ada', ada);
    dept.pass(25 * SECOND);
    expect((await write('ada', ada, 20)).refused).toMatchObject([{ why: 'late' }]);
  });

  it('is taken from one that had been offline, in as many batches as it takes, and the teacher sees that', async () => {
    const { sitting } = await dept.sitting(1, 30);
    const ada = await enter('ada', sitting);
    dept.pass(20);
    await write('ada', ada);
    dept.pass(10 + 25 * SECOND);
    expect((await write('ada', ada, 60)).refused).toEqual([]);
    expect((await write('ada', ada, 40)).refused).toEqual([]);
    dept.pass(6 * SECOND);
    expect((await write('ada', ada, 60)).refused).toMatchObject([{ why: 'late' }]);
    await sweep(dept.out);
    const watched = must(await watchSitting(dept.as('teacher'), sitting));
    expect(watched.people.find(({ name }) => name === 'ada')?.attempt?.arrivedLate).toBe(25_000);
    expect(watched.people.find(({ name }) => name === 'ben')?.attempt).toBeNull();
  });
});

describe('time lost by the server', () => {
  it('is given back to those who were writing, to nobody else', async () => {
    const { sitting } = await dept.sitting(1, 30);
    const ada = await enter('ada', sitting);
    const before = await deadline(ada);
    await pulse();
    dept.pass(0.05);
    await pulse();
    dept.pass(4);
    await pulse();
    expect(await dept.out.db.read.select().from(outages)).toHaveLength(1);
    expect(await deadline(ada)).toBe(before + 4 * MINUTE);
    expect(await deadline(await enter('ben', sitting))).toBe(dept.now + 30 * MINUTE);
  });

  it('is none while the server was there, however long the database was too busy to take its beats', async () => {
    const { sitting } = await dept.sitting(1, 30);
    const ada = await enter('ada', sitting);
    const before = await deadline(ada);
    await pulse();
    dept.pass(4);
    await pulse(dept.now - 2000);
    expect(await deadline(ada)).toBe(before);
  });

  it('is given back up to ten minutes; the teacher gives the rest, once', async () => {
    const { sitting } = await dept.sitting(1, 60);
    const ada = await enter('ada', sitting);
    const before = await deadline(ada);
    await pulse();
    dept.pass(25);
    await pulse();
    expect((await deadline(ada)) - before).toBe(10 * MINUTE);
    expect(await ungiven(ada)).toBe(15 * MINUTE);
    expect(await giveBackLost(dept.as('ada'), sitting)).toMatchObject({ ok: false });
    const clicks = ['once', 'by a second click'].map(() => giveBackLost(dept.as('teacher'), sitting));
    for (const given of await Promise.all(clicks)) must(given);
    expect((await deadline(ada)) - before).toBe(25 * MINUTE);
    expect(await ungiven(ada)).toBe(0);
  });

  it('does not end an attempt before the teacher can decide', async () => {
    const { sitting } = await dept.sitting(1, 60);
    const ada = await enter('ada', sitting);
    dept.pass(55);
    await pulse();
    dept.pass(90);
    await pulse();
    expect(await sweep(dept.out)).toMatchObject({ handedIn: 0 });
    expect((await deadline(ada)) - dept.now).toBe(5 * MINUTE);
  });

  it('is not told by data that were brought back: they give nothing by themselves', async () => {
    const { sitting } = await dept.sitting(1, 60);
    const ada = await enter('ada', sitting);
    const before = await deadline(ada);
    await pulse();
    dept.pass(8);
    // The server went on, on data that are lost.
    beside = dept.now;
    await pulse();
    expect(await deadline(ada)).toBe(before);
    expect(await ungiven(ada)).toBe(8 * MINUTE);
    must(await giveBackLost(dept.as('teacher'), sitting));
    expect(await deadline(ada)).toBe(before + 8 * MINUTE);
  });
});

describe('the clock', () => {
  it('hands in with what is there, also when nobody is at the browser', async () => {
    const { sitting } = await dept.sitting(1, 30);
    const ada = await enter('ada', sitting);
    await write('ada', ada);
    dept.pass(30);
    expect(await sweep(dept.out)).toEqual({ handedIn: 0, failed: [] });
    expect((await write('ada', ada, 2)).saved).toHaveLength(1);
    dept.pass(1);
    expect(await sweep(dept.out)).toEqual({ handedIn: 1, failed: [] });
    const [row] = await dept.out.db.read.select().from(attempts).where(eq(attempts.id, ada));
    expect(row).toMatchObject({ handedInBy: 'clock', handedInAt: (row?.startedAt ?? 0) + 30 * MINUTE, markedAt: null });
    expect(await markWaiting(dept.out)).toEqual({ failed: [] });
    expect(await dept.out.db.read.select().from(marks)).toHaveLength(3);
    expect(await sweep(dept.out)).toEqual({ handedIn: 0, failed: [] });
    await markWaiting(dept.out);
    expect(await dept.out.db.read.select().from(marks)).toHaveLength(3);
  });

  it('hands in an attempt that cannot be marked, and marks all others', async () => {
    const broken = (await dept.sitting(1, 30)).sitting;
    const { sitting } = await dept.sitting(1, 30);
    const ada = await enter('ada', sitting);
    await dept.out.db.transaction(async (tx) => {
      await tx
        .update(sittings)
        .set({ plan: { version: 99 } })
        .where(eq(sittings.id, broken));
      const times = { startedAt: dept.now - 1, minutes: 30, seenAt: dept.now };
      await tx
        .insert(attempts)
        .values({ id: 'broken', sitting: broken, participant: dept.id('ada'), script: 1, seed: 1, ...times });
    });
    dept.pass(31);
    expect(await sweep(dept.out)).toEqual({ handedIn: 2, failed: [] });
    expect((await markWaiting(dept.out)).failed).toHaveLength(1);
    const rows = await dept.out.db.read.select({ id: attempts.id, at: attempts.markedAt }).from(attempts);
    expect(new Map(rows.map(({ id, at }) => [id, at !== null]))).toEqual(
      new Map([
        [ada, true],
        ['broken', false],
      ]),
    );
  });

  it('marks what was handed in as the server died', async () => {
    const { sitting } = await dept.sitting(1, 30);
    const ada = await enter('ada', sitting);
    const gone = {
      ...dept.as('ada'),
      marker: { mark: () => Promise.reject(new Error('gone')), close: async () => {} },
    };
    must(await handIn(gone, ada));
    expect(await dept.out.db.read.select().from(marks)).toEqual([]);
    await markWaiting(dept.out);
    expect(await dept.out.db.read.select().from(marks)).toHaveLength(3);
  });

  it('marks by the rules that hold when the marks are written', async () => {
    const { sitting } = await dept.sitting(1, 30);
    const ada = await enter('ada', sitting);
    const real = dept.out.marker;
    let asked = 0;
    const mark: typeof real.mark = async (attempt) => {
      asked += 1;
      const found = await real.mark(attempt);
      if (asked === 1) await dept.out.db.transaction((tx) => changed(tx, `sitting:${sitting}`));
      return found;
    };
    must(await handIn({ ...dept.as('ada'), marker: { ...real, mark } }, ada));
    expect(asked).toBe(2);
    expect(await dept.out.db.read.select().from(marks)).toHaveLength(3);
  });
});

describe('a clock that is set back', () => {
  it('takes nothing from who writes: what was written stays, later changes are taken, and nothing is an outage', async () => {
    const { sitting } = await dept.sitting(1, 30);
    const attempt = await enter('ada', sitting);
    await pulse();
    dept.pass(10);
    await pulse(dept.now);
    const first = await write('ada', attempt);
    const end = await deadline(attempt);
    // An administrator, or a time server, sets it back by five minutes.
    dept.pass(-5);
    await pulse(dept.now);
    expect(first.saved).toHaveLength(1);
    expect((await write('ada', attempt)).saved).toHaveLength(1);
    expect([await deadline(attempt), await ungiven(attempt)]).toEqual([end, 0]);
    expect(await dept.out.db.read.select().from(outages)).toEqual([]);
    expect(must(await openRoom(dept.as('ada'), attempt)).answers).toMatchObject({
      item0: { c: { text: `the ${seq}th` } },
    });
    // Before it was begun: the working time is not longer for it.
    dept.pass(-10);
    expect(await deadline(attempt)).toBe(end);
    expect((await write('ada', attempt)).saved).toHaveLength(1);
  });
});
