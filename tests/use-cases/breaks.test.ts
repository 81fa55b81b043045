import { afterEach, beforeEach, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { NO_PROVISION, type Provision } from '@/core/people/provision';
import { setProvision } from '@/server/people/provisions';
import { endBreak, takeBreak } from '@/server/sittings/breaks';
import { goOn, pauseTime } from '@/server/sittings/pause';
import { openRoom } from '@/server/sittings/room';
import { storyOf } from '@/server/sittings/story';
import { MINUTE, TestDepartment } from '../drivers/department';

/** What single students are entitled to while they write: breaks, words that are explained. */
let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

async function writing(part: Partial<Provision>) {
  const { sitting } = await dept.sitting(1, 30, undefined, (plan) => ({
    ...plan,
    glosses: [{ word: 'yaw', meaning: 'turning into the wind' }],
  }));
  must(await setProvision(dept.as('teacher'), { ...NO_PROVISION, member: dept.id('ada'), reason: '', ...part }));
  const attempt = await dept.sit('ada', sitting);
  const room = async () => must(await openRoom(dept.as('ada'), attempt));
  const left = async () => {
    const { deadline, now, rest } = (await room()).clock;
    return [(deadline - now) / MINUTE, rest && rest.left / MINUTE];
  };
  return { sitting, attempt, room, left };
}

it('the time stands still in a break, which ends when one goes on, or by itself', async () => {
  const { attempt, room, left } = await writing({ breakMinutes: 15 });
  expect(await left()).toEqual([30, 15]);
  must(await takeBreak(dept.as('ada'), attempt));
  dept.pass(10);
  expect([await left(), (await room()).clock.pausedAt !== null]).toEqual([[30, 5], true]);
  must(await endBreak(dept.as('ada'), attempt));
  dept.pass(3);
  expect([await left(), (await room()).clock.pausedAt]).toEqual([[27, 5], null]);
  must(await takeBreak(dept.as('ada'), attempt));
  dept.pass(20);
  // Five minutes were left to rest; the other fifteen were working time.
  expect([await left(), (await room()).clock.pausedAt]).toEqual([[12, 0], null]);
  expect(await takeBreak(dept.as('ada'), attempt)).toMatchObject({ refusal: { code: 'no-break-left' } });
});

it('two clicks are one break, and it is nobody else’s', async () => {
  const { attempt, left } = await writing({ breakMinutes: 15 });
  const both = await Promise.all([takeBreak(dept.as('ada'), attempt), takeBreak(dept.as('ada'), attempt)]);
  expect(both.map(({ ok }) => ok)).toEqual([true, true]);
  dept.pass(5);
  expect(await left()).toEqual([30, 10]);
  for (const who of ['ben', 'teacher'])
    expect([(await takeBreak(dept.as(who), attempt)).ok, (await endBreak(dept.as(who), attempt)).ok]).toEqual([
      false,
      false,
    ]);
});

it('is for those who are entitled to it, and told in the story', async () => {
  const none = await writing({ readAloud: true });
  expect([await none.left(), await takeBreak(dept.as('ada'), none.attempt)]).toMatchObject([
    [30, null],
    { refusal: { code: 'no-break-left' } },
  ]);
  const { attempt } = await writing({ breakMinutes: 15 });
  must(await takeBreak(dept.as('ada'), attempt));
  const began = dept.now;
  dept.pass(1);
  const [step] = must(await storyOf(dept.as('teacher'), attempt)).filter(({ what }) => what === 'break');
  expect(step).toMatchObject({ at: began, until: null });
  dept.pass(40);
  const [ended] = must(await storyOf(dept.as('teacher'), attempt)).filter(({ what }) => what === 'break');
  expect(ended?.until).toBe(began + 15 * MINUTE);
});

it('a clock that the teacher has stopped is no break; a teacher ends a break of one, and not those of all', async () => {
  const { sitting, attempt, room } = await writing({ breakMinutes: 15 });
  const people = [dept.id('ada')];
  must(await pauseTime(dept.as('teacher'), { sitting, people }));
  expect(await takeBreak(dept.as('ada'), attempt)).toMatchObject({ refusal: { code: 'stands-still-already' } });
  must(await goOn(dept.as('teacher'), { sitting, people }));
  must(await takeBreak(dept.as('ada'), attempt));
  expect(await goOn(dept.as('teacher'), { sitting, people: null })).toMatchObject({
    refusal: { code: 'runs-already' },
  });
  expect((await room()).clock.pausedAt).not.toBeNull();
  must(await goOn(dept.as('teacher'), { sitting, people }));
  expect((await room()).clock.pausedAt).toBeNull();
});

it('words are explained to those who are entitled to it', async () => {
  const { room } = await writing({ glosses: true });
  expect((await room()).glosses).toEqual([{ word: 'yaw', meaning: 'turning into the wind' }]);
  const { room: other } = await writing({ largePrint: true });
  expect((await other()).glosses).toEqual([]);
});
