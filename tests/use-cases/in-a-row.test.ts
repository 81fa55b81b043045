import { afterEach, beforeEach, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { beforeSitting } from '@/server/sittings/before';
import { enterSitting, wouldFind } from '@/server/sittings/enter';
import { handIn } from '@/server/sittings/hand-in';
import { listSittings } from '@/server/sittings/list-sittings';
import { ownSittings } from '@/server/sittings/own-sittings';
import { openRoom } from '@/server/sittings/room';
import { watchSitting } from '@/server/sittings/watch';
import { scheduleSitting } from '@/server/sittings/schedule';
import { setAside } from '@/server/sittings/set-aside';
import { MINUTE, TestDepartment } from '../drivers/department';

/** Several exams that are written one after the other. */
let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

/** Two exams, the second of 20 minutes; as a sitting in a row. */
async function scheduled(part: object = {}) {
  const [first, second] = [await dept.sitting(1, 30), await dept.sitting(1, 20)];
  const result = await scheduleSitting(dept.as('teacher'), {
    exam: first.exam,
    course: dept.course,
    opensAt: dept.now,
    closesAt: dept.now + 120 * MINUTE,
    minutes: 40,
    then: [second.exam],
    ...part,
  });
  if (!result.ok) return { result, rows: [] as string[] };
  const known = [first.sitting, second.sitting];
  const made = must(await listSittings(dept.as('teacher'))).filter(({ id }) => !known.includes(id));
  return { result, rows: [result.value.id, ...made.map(({ id }) => id).filter((id) => id !== result.value.id)] };
}

it('the second can be begun once the first is handed in, for its own time', async () => {
  const { rows } = await scheduled();
  const [first = '', second = ''] = rows;
  const ada = () => dept.as('ada');
  expect(await enterSitting(ada(), second)).toMatchObject({
    refusal: { code: 'door-after', values: { title: 'Test exam' } },
  });
  expect(await wouldFind(dept.as('teacher'), second, dept.id('ada'))).toMatchObject({
    refusal: { code: 'door-after' },
  });
  expect(must(await watchSitting(dept.as('teacher'), second)).before).toBe('Test exam');
  expect(must(await watchSitting(dept.as('teacher'), first)).before).toBeNull();
  expect(must(await beforeSitting(ada(), second))).toMatchObject({ after: 'Test exam', minutes: 20 });
  const { attempt } = must(await enterSitting(ada(), first));
  expect(must(await openRoom(ada(), attempt)).then).toMatchObject({ sitting: second });
  expect((await ownSittings(ada())).find(({ id }) => id === second)?.after).toBe('Test exam');
  expect((await enterSitting(ada(), second)).ok).toBe(false);
  must(await handIn(ada(), attempt));
  expect((await ownSittings(ada())).find(({ id }) => id === second)?.after).toBeNull();
  const then = must(await enterSitting(ada(), second));
  expect(must(await openRoom(ada(), then.attempt))).toMatchObject({ then: null });
  // Somebody else's hand-in opens nothing.
  expect((await enterSitting(dept.as('ben'), second)).ok).toBe(false);
});

it('a first that was set aside is to be handed in anew', async () => {
  const { rows } = await scheduled();
  const [first = '', second = ''] = rows;
  const { attempt } = must(await enterSitting(dept.as('ada'), first));
  must(await handIn(dept.as('ada'), attempt));
  must(await setAside(dept.as('teacher'), { attempt, reason: 'wrong room' }));
  expect(await enterSitting(dept.as('ada'), second)).toMatchObject({ refusal: { code: 'door-after' } });
});

it('all are scheduled or none: what stops one is said beside it', async () => {
  const empty = await dept.sitting(1);
  const before = must(await listSittings(dept.as('teacher'))).length;
  const refused = await scheduled({ then: ['elsewhere'] });
  expect(refused.result).toMatchObject({ refusal: { at: ['then'] } });
  expect((await scheduled({ who: 'link', then: [empty.exam] })).result).toMatchObject({
    refusal: { code: 'row-not-by-link' },
  });
  // Each call made two sittings of its own to have exams.
  expect(must(await listSittings(dept.as('teacher'))).length).toBe(before + 4);
});
