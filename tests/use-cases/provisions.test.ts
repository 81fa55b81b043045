import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { NO_PROVISION, type Provision } from '@/core/people/provision';
import { listMembers } from '@/server/people/members';
import { setExtraTimeHere, setProvision } from '@/server/people/provisions';
import { beforeSitting } from '@/server/sittings/before';
import { enterSitting } from '@/server/sittings/enter';
import { ownSittings } from '@/server/sittings/own-sittings';
import { openRoom } from '@/server/sittings/room';
import { watchSitting } from '@/server/sittings/watch';
import { TestDepartment } from '../drivers/department';

/** What students are entitled to, said once or for one sitting. */
let dept: TestDepartment;
let sitting: string;
beforeEach(async () => {
  dept = await TestDepartment.open();
  ({ sitting } = await dept.sitting(1, 60));
});
afterEach(() => dept.close());

const provide = (part: Partial<Provision>, who = 'ada') =>
  setProvision(dept.as('teacher'), { ...NO_PROVISION, member: dept.id(who), ...part });
const here = (part: { extraTimePercent: number; extraMinutes: number }, by = 'teacher') =>
  setExtraTimeHere(dept.as(by), { sitting, member: dept.id('ada'), ...part });
/** The minutes as each place tells them: the student's page, the page before, and the room. */
async function minutes(who = 'ada'): Promise<number[]> {
  const page = (await ownSittings(dept.as(who))).find(({ id }) => id === sitting)?.ownMinutes ?? 0;
  const before = must(await beforeSitting(dept.as(who), sitting)).minutes;
  const { attempt } = must(await enterSitting(dept.as(who), sitting));
  const { deadline, startedAt } = must(await openRoom(dept.as(who), attempt)).clock;
  return [page, before, (deadline - startedAt) / 60_000];
}

describe('extra time', () => {
  it('in percent and minutes is the same everywhere', async () => {
    must(await provide({ extraTimePercent: 25, extraMinutes: 10 }));
    expect([await minutes(), await minutes('ben')]).toEqual([
      [85, 85, 85],
      [60, 60, 60],
    ]);
  });

  it('ends with its last day', async () => {
    must(await provide({ extraTimePercent: 50, until: dept.now }));
    dept.pass(1);
    expect(await minutes()).toEqual([60, 60, 60]);
  });

  it.each([
    ['more', { extraTimePercent: 100, extraMinutes: 0 }, 120],
    ['less', { extraTimePercent: 0, extraMinutes: 5 }, 65],
  ])('of one sitting counts there in place of what is said once: %s', async (_, extra, expected) => {
    must(await provide({ extraTimePercent: 50, reason: 'reading' }));
    must(await here(extra));
    expect(await minutes()).toEqual([expected, expected, expected]);
    const known = must(await listMembers(dept.as('teacher'))).find(({ name }) => name === 'ada')?.provision;
    expect(known).toMatchObject({ extraTimePercent: 50, reason: 'reading', decidedBy: 'teacher' });
    const row = must(await watchSitting(dept.as('teacher'), sitting)).people.find(({ name }) => name === 'ada');
    expect(row?.extra).toEqual({ percent: extra.extraTimePercent, minutes: extra.extraMinutes });
  });

  it('of one sitting is given by those who run it, to those who sit it', async () => {
    for (const by of ['stranger', 'marker', 'ada'])
      expect((await here({ extraTimePercent: 10, extraMinutes: 0 }, by)).ok).toBe(false);
    const cleo = { sitting, member: dept.id('cleo'), extraTimePercent: 10, extraMinutes: 0 };
    expect((await setExtraTimeHere(dept.as('teacher'), cleo)).ok).toBe(false);
  });
});

it('large print and reading aloud come with the room, for whom they are', async () => {
  must(await provide({ largePrint: true, readAloud: true }));
  const room = async (who: string) => {
    const { attempt } = must(await enterSitting(dept.as(who), sitting));
    const { largePrint, readAloud } = must(await openRoom(dept.as(who), attempt));
    return { largePrint, readAloud };
  };
  expect([await room('ada'), await room('ben')]).toEqual([
    { largePrint: true, readAloud: true },
    { largePrint: false, readAloud: false },
  ]);
});

it('what is taken away is gone', async () => {
  must(await provide({ extraTimePercent: 50 }));
  must(await provide({}));
  expect(must(await listMembers(dept.as('teacher'))).find(({ name }) => name === 'ada')?.provision).toBeNull();
  expect(await minutes()).toEqual([60, 60, 60]);
});
