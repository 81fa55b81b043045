import { afterEach, beforeEach, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { joinGroup, leaveGroup, ownGroups, setOwnGroups } from '@/server/people/own-groups';
import { enrol } from '@/server/people/roster';
import { enterSitting } from '@/server/sittings/enter';
import { scheduleSitting } from '@/server/sittings/schedule';
import { MINUTE, TestDepartment } from '../drivers/department';

/** Groups that students form themselves. */
let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
  must(await enrol(dept.as('teacher'), { course: dept.course, member: dept.id('cleo') }));
  must(await setOwnGroups(dept.as('teacher'), { course: dept.course, most: 2 }));
});
afterEach(() => dept.close());

const join = (who: string, group: string | null, name = '') =>
  joinGroup(dept.as(who), { course: dept.course, group, name });
const seen = async (who = 'ada') =>
  ((await ownGroups(dept.as(who)))[0]?.groups ?? []).map(({ name, members, mine }) => [name, members.join(), mine]);
const idOf = async (name: string) =>
  (await ownGroups(dept.as('ada')))[0]?.groups.find((one) => one.name === name)?.id ?? '';

it('are begun, joined up to what is allowed, changed and left; an empty one is gone', async () => {
  must(await join('ada', null, 'North'));
  must(await join('ben', await idOf('North')));
  expect(await seen()).toEqual([['North', 'ada,ben', true]]);
  expect(await join('cleo', await idOf('North'))).toMatchObject({ refusal: { code: 'group-full' } });
  must(await join('cleo', null, 'South'));
  must(await join('ben', await idOf('South')));
  expect(await seen('ben')).toEqual([
    ['North', 'ada', false],
    ['South', 'ben,cleo', true],
  ]);
  must(await leaveGroup(dept.as('ada'), { course: dept.course }));
  expect(await seen()).toEqual([['South', 'ben,cleo', false]]);
});

it('two who join the last place at once: one gets it', async () => {
  must(await join('ada', null, 'North'));
  const north = await idOf('North');
  const both = await Promise.all([join('ben', north), join('cleo', north)]);
  expect(both.filter(({ ok }) => ok)).toHaveLength(1);
});

it('are refused where the teacher forms them, to others, without a name, twice by one name', async () => {
  must(await join('ada', null, 'North'));
  expect(await join('ben', null, ' North ')).toMatchObject({ refusal: { code: 'group-name-taken' } });
  expect(await join('ben', null, ' ')).toMatchObject({ refusal: { code: 'bad-input', at: ['name'] } });
  expect(await join('ben', 'elsewhere')).toMatchObject({ refusal: { code: 'not-found' } });
  for (const who of ['teacher', 'stranger'])
    expect(await join(who, null, 'X')).toMatchObject({ refusal: { code: 'forbidden' } });
  for (const by of ['marker', 'stranger', 'ada'])
    expect(await setOwnGroups(dept.as(by), { course: dept.course, most: null })).toMatchObject({
      refusal: { code: 'forbidden' },
    });
  must(await setOwnGroups(dept.as('teacher'), { course: dept.course, most: null }));
  expect([await ownGroups(dept.as('ada')), (await join('ben', await idOf('North'))).ok]).toEqual([[], false]);
});

it('a group that has begun a sitting keeps its members', async () => {
  must(await join('ada', null, 'North'));
  const { exam } = await dept.sitting(1);
  const { id } = must(
    await scheduleSitting(dept.as('teacher'), {
      exam,
      course: dept.course,
      opensAt: dept.now,
      closesAt: dept.now + 60 * MINUTE,
      minutes: 30,
      who: 'groups',
    }),
  );
  must(await enterSitting(dept.as('ada'), id));
  expect(await leaveGroup(dept.as('ada'), { course: dept.course })).toMatchObject({
    refusal: { code: 'group-has-worked' },
  });
  expect(await join('ben', await idOf('North'))).toMatchObject({ refusal: { code: 'group-has-worked' } });
});
