import { afterEach, beforeEach, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { openDesk } from '@/server/marking/desk';
import { listMarking } from '@/server/marking/list-marking';
import { countWaiting } from '@/server/marking/waiting';
import { openResults } from '@/server/results/results';
import { listSittings } from '@/server/sittings/list-sittings';
import { helpersOf, setHelper } from '@/server/sittings/sitting-staff';
import { watchSitting } from '@/server/sittings/watch';
import { find } from '@/server/today/find';
import { handInAndMark } from '../drivers/hand-in';
import { TestDepartment } from '../drivers/department';

/** Who runs and marks one sitting besides the staff of its course. */
let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

const help = (sitting: string, who: string, helps = true, by = 'teacher') =>
  setHelper(dept.as(by), { sitting, member: dept.id(who), helps });

/** A sitting with an answer that waits for a person. */
async function waiting(): Promise<string> {
  const { sitting } = await dept.sitting(1);
  const attempt = await dept.sit('ada', sitting, { item0: { c: { text: 'something else' } } });
  await handInAndMark(dept.as('ada'), attempt);
  return sitting;
}

it('a teacher who helps runs, marks and releases it as if it were theirs, and no other sitting', async () => {
  const sitting = await waiting();
  const other = (await dept.sitting(1)).sitting;
  const stranger = () => dept.as('stranger');
  expect([(await watchSitting(stranger(), sitting)).ok, must(await listSittings(stranger()))]).toEqual([false, []]);
  must(await help(sitting, 'stranger'));
  expect(must(await listSittings(stranger())).map(({ id }) => id)).toEqual([sitting]);
  expect((await find(stranger(), 'Test')).filter(({ what }) => what === 'sitting').map(({ id }) => id)).toEqual([
    sitting,
  ]);
  expect([(await watchSitting(stranger(), sitting)).ok, (await openResults(stranger(), sitting)).ok]).toEqual([
    true,
    true,
  ]);
  expect([(await watchSitting(stranger(), other)).ok, (await openResults(stranger(), other)).ok]).toEqual([
    false,
    false,
  ]);
  must(await help(sitting, 'stranger', false));
  expect((await watchSitting(stranger(), sitting)).ok).toBe(false);
});

it('a marker who helps marks, and sees no results', async () => {
  const sitting = await waiting();
  const outsider = () => dept.as('outsider');
  expect([await countWaiting(outsider()), must(await listMarking(outsider()))]).toEqual([0, []]);
  must(await help(sitting, 'outsider'));
  expect(await countWaiting(outsider())).toBeGreaterThan(0);
  const [task] = must(await listMarking(outsider()));
  expect((await openDesk(outsider(), sitting, task?.item ?? '')).ok).toBe(true);
  expect([(await openResults(outsider(), sitting)).ok, (await watchSitting(outsider(), sitting)).ok]).toEqual([
    false,
    false,
  ]);
});

it('is said by the staff of the course alone, of teachers and markers alone', async () => {
  const { sitting } = await dept.sitting(1);
  for (const by of ['stranger', 'marker', 'ada'])
    expect(await help(sitting, 'outsider', true, by)).toMatchObject({ refusal: { code: 'forbidden' } });
  must(await help(sitting, 'stranger'));
  // Who helps brings nobody else in.
  expect(await help(sitting, 'outsider', true, 'stranger')).toMatchObject({ refusal: { code: 'forbidden' } });
  for (const who of ['ada', 'lead', 'nobody'])
    expect(await help(sitting, who)).toMatchObject({ refusal: { code: 'not-found' } });
  expect(await help('elsewhere', 'outsider')).toMatchObject({ refusal: { code: 'not-found' } });
  const { helpers, able } = must(await helpersOf(dept.as('teacher'), sitting));
  expect([helpers.map(({ name }) => name), able.map(({ name }) => name)]).toEqual([['stranger'], ['outsider']]);
});
