import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { asShown } from '@/demo/as-shown';
import { must } from '@/core/base/result';
import { gradeRow } from '@/core/gradebook/row';
import type { Actor } from '@/core/people/may';
import type { Context } from '@/server/context';
import { sittings } from '@/server/db/schema/exams';
import { groupMembers, groups } from '@/server/db/schema/people';
import { openGradebook } from '@/server/gradebook/gradebook';
import { openDesk } from '@/server/marking/desk';
import { admitGuest } from '@/server/people/participants';
import { openOwnResult } from '@/server/results/own-result';
import { listOwnResults } from '@/server/results/own-results';
import { releaseResults } from '@/server/results/release';
import { openResults } from '@/server/results/results';
import { enterSitting } from '@/server/sittings/enter';
import { giveMoreTime } from '@/server/sittings/change-sitting';
import { ownSittings } from '@/server/sittings/own-sittings';
import { watchSitting } from '@/server/sittings/watch';
import { openRoom } from '@/server/sittings/room';
import { saveAnswers } from '@/server/sittings/save-answers';
import { NO_PROVISION } from '@/core/people/provision';
import { setProvision } from '@/server/people/provisions';
import { TestDepartment } from '../drivers/department';
import { handInAndMark } from '../drivers/hand-in';

/** Attempts of groups, of guests and of nobody in particular, from entry to result. */
let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

const shows = { marks: true, key: true, explanation: true, atOnce: true };
const right = { a: { chosen: ['o2'] }, b: { number: '73219 kW', unit: '' }, c: { text: 'secretkeyword' } };

async function sittingFor(who: 'groups' | 'link'): Promise<string> {
  const { sitting } = await dept.sitting(1);
  await dept.out.db.transaction((tx) => tx.update(sittings).set({ who }).where(eq(sittings.id, sitting)));
  return sitting;
}

const save = async (ctx: Context, attempt: string, device: string, values: Record<string, unknown>) =>
  must(
    await saveAnswers(ctx, {
      attempt,
      device,
      entries: await asShown(
        ctx.db.read,
        attempt,
        Object.entries(values).map(([slot, value], i) => ({ seq: i + 1, item: 'item0', slot, value, age: 0 })),
      ),
    }),
  );

it('a group shares one attempt: any of it writes, all of it reads the result, and each has it in the gradebook', async () => {
  const sitting = await sittingFor('groups');
  expect(await enterSitting(dept.as('ada'), sitting)).toMatchObject({ refusal: { code: 'no-group' } });
  await dept.out.db.transaction(async (tx) => {
    await tx.insert(groups).values({ id: 'crew', course: dept.course, name: 'Crew 4' });
    await tx.insert(groupMembers).values(['ada', 'ben'].map((who) => ({ group: 'crew', member: dept.id(who) })));
  });
  must(
    await setProvision(dept.as('lead'), { ...NO_PROVISION, member: dept.id('ben'), extraTimePercent: 50, reason: '' }),
  );
  must(await giveMoreTime(dept.as('teacher'), { sitting, people: [dept.id('ben')], minutes: 5, reason: 'alarm' }));

  const { attempt } = must(await enterSitting(dept.as('ada'), sitting));
  expect(must(await enterSitting(dept.as('ben'), sitting)).attempt).toBe(attempt);
  expect(await enterSitting(dept.as('cleo'), sitting)).toMatchObject({ ok: false });
  const { clock } = must(await openRoom(dept.as('ben'), attempt));
  // What one of them is entitled to, all have; and what was given to one before they began.
  expect(clock.deadline - clock.startedAt).toBe(50 * 60_000);
  await save(dept.as('ada'), attempt, 'device-one', { a: right.a, b: right.b });
  await save(dept.as('ben'), attempt, 'device-two', { c: right.c });
  expect((await saveAnswers(dept.as('cleo'), { attempt, device: 'device-six', entries: [] })).ok).toBe(false);
  const [shown] = await asShown(dept.out.db.read, attempt, [{ item: 'item0', slot: 'a', value: right.a }]);
  expect(must(await openRoom(dept.as('ada'), attempt)).answers.item0).toMatchObject({
    ...right,
    a: { chosen: (shown?.value as typeof right.a).chosen },
  });
  const watched = must(await watchSitting(dept.as('teacher'), sitting)).people;
  expect(watched.map((p) => [p.name, p.extraMinutes, p.attempt?.id])).toEqual([
    ['ada', 5, attempt],
    ['ben', 5, attempt],
  ]);

  must(await handInAndMark(dept.as('ben'), attempt));
  expect(must(await openResults(dept.as('teacher'), sitting)).rows).toMatchObject([{ name: 'Crew 4', marks: '4' }]);
  must(await releaseResults(dept.as('teacher'), { sitting, shows }));
  for (const who of ['ada', 'ben']) {
    expect((await ownSittings(dept.as(who))).map((s) => s.attempts[0]?.id)).toEqual([attempt]);
    expect(await listOwnResults(dept.as(who))).toMatchObject([{ attempt, result: { score: { marks: '4', of: '4' } } }]);
  }
  expect((await openOwnResult(dept.as('cleo'), attempt)).ok).toBe(false);
  const book = must(await openGradebook(dept.as('teacher'), dept.course));
  expect(
    book.rows.map((row) => [row.name, row.cells[0]?.score?.marks, gradeRow(book, row.cells, null).stands?.shown]),
  ).toEqual([
    ['ada', '4', '100.0'],
    ['ben', '4', '100.0'],
  ]);
});

const arrival = (name: string, code = '', source = '203.0.113.7') => ({ name, code, source });

it('guests and the nameless come by the link of one sitting, each to an attempt of their own', async () => {
  const sitting = await sittingFor('link');
  const other = await sittingFor('link');
  const closed = (await dept.sitting(1)).sitting;
  expect((await admitGuest(dept.out, closed, arrival('Somebody'))).ok).toBe(false);
  const guest = must(await admitGuest(dept.out, sitting, arrival('  Rowan Vale '))).guest;
  const nameless = must(await admitGuest(dept.out, sitting, arrival(' '))).guest;
  const as = (actor: Actor): Context => ({ ...dept.out, actor });

  const { attempt } = must(await enterSitting(as(guest), sitting));
  const { attempt: second } = must(await enterSitting(as(nameless), sitting));
  expect(second).not.toBe(attempt);
  expect(await enterSitting(as(guest), other)).toMatchObject({ ok: false, refusal: { code: 'forbidden' } });
  expect(await enterSitting(as({ id: '', role: 'guest' }), sitting)).toMatchObject({ ok: false });
  expect((await openRoom(as(nameless), attempt)).ok).toBe(false);
  await save(as(guest), attempt, 'device-one', right);
  await save(as(nameless), second, 'device-two', { ...right, c: { text: 'else' } });
  must(await giveMoreTime(dept.as('teacher'), { sitting, people: [guest.id], minutes: 7, reason: '' }));
  const watched = must(await watchSitting(dept.as('teacher'), sitting)).people;
  expect(watched.filter((p) => p.attempt).map((p) => [p.name, p.extraMinutes])).toEqual([
    ['Rowan Vale', 7],
    ['Nameless', 0],
  ]);

  must(await handInAndMark(as(guest), attempt));
  must(await handInAndMark(as(nameless), second));
  const desk = must(await openDesk(dept.as('marker'), sitting, 'item0'));
  expect(desk.answers).toMatchObject([{ attempt: second, answer: 'else' }]);
  expect((await openOwnResult(as(guest), attempt)).ok).toBe(false);
  const results = must(await openResults(dept.as('teacher'), sitting));
  expect(results.rows.map(({ name, marks }) => [name, marks])).toEqual([
    ['Nameless', '3'],
    ['Rowan Vale', '4'],
  ]);
  expect((await releaseResults(dept.as('teacher'), { sitting, shows })).ok).toBe(false);
});
