import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { eq } from 'drizzle-orm';
import { exact, stored } from '@/core/base/exact';
import { must } from '@/core/base/result';
import { attempts } from '@/server/db/schema/attempts';
import { groupMembers, groups } from '@/server/db/schema/people';
import { marks } from '@/server/db/schema/marks';
import { openGradebook } from '@/server/gradebook/gradebook';
import { setMemberMarks } from '@/server/results/member-marks';
import { openOwnResult } from '@/server/results/own-result';
import { releaseResults } from '@/server/results/release';
import { openResults } from '@/server/results/results';
import { enterSitting } from '@/server/sittings/enter';
import { HOLD } from '@/server/sittings/holds';
import { openRoom } from '@/server/sittings/room';
import { saveAnswers } from '@/server/sittings/save-answers';
import { scheduleSitting } from '@/server/sittings/schedule';
import { openShared } from '@/server/sittings/shared';
import { storyOf } from '@/server/sittings/story';
import { versionOf } from '@/server/events/versions';
import { watchSitting } from '@/server/sittings/watch';
import { MINUTE, TestDepartment } from '../drivers/department';
import { handInAndMark } from '../drivers/hand-in';

/** One attempt of a group: all of it see and write, one at a time in each place. */
let dept: TestDepartment;
let exam: string;
let sitting: string;
let attempt: string;
const schedule = () =>
  scheduleSitting(dept.as('teacher'), {
    exam,
    course: dept.course,
    opensAt: dept.now,
    closesAt: dept.now + 120 * MINUTE,
    minutes: 30,
    who: 'groups',
  });
beforeEach(async () => {
  dept = await TestDepartment.open();
  ({ exam } = await dept.sitting(1));
  expect(await schedule()).toMatchObject({ refusal: { code: 'no-groups' } });
  await dept.out.db.transaction(async (tx) => {
    await tx.insert(groups).values({ id: 'crew', course: dept.course, name: 'Crew 4' });
    await tx.insert(groupMembers).values(['ada', 'ben'].map((who) => ({ group: 'crew', member: dept.id(who) })));
  });
  sitting = must(await schedule()).id;
  attempt = must(await enterSitting(dept.as('ada'), sitting)).attempt;
  expect(must(await enterSitting(dept.as('ben'), sitting)).attempt).toBe(attempt);
});
afterEach(() => dept.close());

let seq = 0;
const write = async (who: string, text: string, { slot = 'c', age = 0 } = {}) => {
  const value = slot === 'c' ? { text } : { number: text, unit: '' };
  const entries = [{ seq: ++seq, item: 'item0', slot, value, age }];
  const reply = must(await saveAnswers(dept.as(who), { attempt, device: `device-of-${who}`, entries }));
  return reply.saved.length > 0 ? 'saved' : reply.refused[0]?.why;
};
const seen = async (who: string) => must(await openShared(dept.as(who), attempt));
const textFor = async (who: string) => (await seen(who)).answers.item0?.c;

describe('what one of the group writes', () => {
  it('is seen by the others, with who is at it', async () => {
    expect(await write('ada', 'yaw')).toBe('saved');
    expect(await textFor('ben')).toMatchObject({ text: 'yaw' });
    expect((await seen('ben')).holds).toEqual([{ item: 'item0', slot: 'c', name: 'ada', left: HOLD }]);
    expect((await seen('ada')).holds).toEqual([]);
    expect(must(await openRoom(dept.as('ben'), attempt)).shared).toBe(true);
  });

  it('is told to the other rooms', async () => {
    const before = await versionOf(dept.out.db.read, `room:${attempt}`);
    await write('ada', 'yaw');
    expect(await versionOf(dept.out.db.read, `room:${attempt}`)).toBeGreaterThan(before);
  });

  it('is not written over while they are at it; what the other wrote is kept in the story alone', async () => {
    await write('ada', 'yaw');
    expect(await write('ben', 'pitch')).toBe('held');
    expect(await write('ben', '5', { slot: 'b' })).toBe('saved');
    expect(await textFor('ben')).toMatchObject({ text: 'yaw' });
    const { devices } = await dept.story(attempt);
    expect(devices).toEqual(['device-of-ada', 'device-of-ben', 'device-of-ben']);
    expect(must(await storyOf(dept.as('teacher'), attempt)).map(({ what }) => what)).toContain('another device');
  });

  it('is free again after twenty seconds, or when they write elsewhere', async () => {
    await write('ada', 'yaw');
    dept.now += HOLD + 1;
    expect(await write('ben', 'pitch')).toBe('saved');
    expect(await write('ada', 'yaw')).toBe('held');
    expect(await write('ben', '5', { slot: 'b' })).toBe('saved');
    expect(await write('ada', 'yaw')).toBe('saved');
    expect((await seen('ada')).holds.map(({ slot, name }) => [slot, name])).toEqual([['b', 'ben']]);
  });

  it('without a connection holds nothing when it comes', async () => {
    dept.pass(5);
    expect(await write('ada', 'yaw', { age: 60_000 })).toBe('saved');
    expect((await seen('ben')).holds).toEqual([]);
  });

  it('and could not be taken fills no disk: the story is bounded', async () => {
    await write('ada', 'yaw');
    await dept.out.db.transaction((tx) =>
      tx.update(attempts).set({ storyWeight: 20_000_000 }).where(eq(attempts.id, attempt)),
    );
    expect(await write('ben', 'pitch')).toBe('held');
    expect((await dept.story(attempt)).devices).toEqual(['device-of-ada']);
  });

  it('at the same moment is one’s alone', async () => {
    const both = await Promise.all([write('ada', 'yaw'), write('ben', 'pitch')]);
    expect(both.sort()).toEqual(['held', 'saved']);
  });
});

it('strangers to the group see and write nothing', async () => {
  await write('ada', 'yaw');
  for (const who of ['cleo', 'teacher']) {
    expect((await openShared(dept.as(who), attempt)).ok).toBe(false);
    expect((await saveAnswers(dept.as(who), { attempt, device: 'device-of-x', entries: [] })).ok).toBe(false);
  }
  const { sitting: alone } = await dept.sitting(1);
  const own = must(await enterSitting(dept.as('ada'), alone)).attempt;
  expect(await openShared(dept.as('ada'), own)).toMatchObject({ refusal: { code: 'forbidden' } });
});

it('it is handed in once, for all of them', async () => {
  await write('ada', 'yaw');
  must(await handInAndMark(dept.as('ben'), attempt));
  expect(await seen('ada')).toEqual({ answers: {}, holds: [] });
  expect(must(await openResults(dept.as('teacher'), sitting)).rows).toHaveLength(1);
  const watched = must(await watchSitting(dept.as('teacher'), sitting)).people;
  expect(watched.map(({ name, attempt: one }) => [name, one?.id, one?.handedInAt])).toEqual([
    ['ada', attempt, dept.now],
    ['ben', attempt, dept.now],
  ]);
});

it('whoever is in no group is told so at the door, and is nobody who is waited for', async () => {
  await dept.out.db.transaction((tx) => tx.delete(groupMembers).where(eq(groupMembers.member, dept.id('ben'))));
  expect(await enterSitting(dept.as('ben'), sitting)).toMatchObject({ refusal: { code: 'no-group' } });
  const watched = must(await watchSitting(dept.as('teacher'), sitting));
  expect([watched.groups, watched.people.map(({ name }) => name)]).toEqual([{ count: 1, alone: 1 }, ['ada']]);
});

it('one of them can have other marks than the others, with the reason; theirs alone say so', async () => {
  await write('ada', 'secretkeyword');
  await handInAndMark(dept.as('ada'), attempt);
  const change = (who: string, by = 'teacher', part: object = {}) =>
    setMemberMarks(dept.as(by), { attempt, member: dept.id(who), change: '-1/2', reason: 'came late', ...part });
  must(await change('ben'));
  for (const by of ['stranger', 'marker', 'ada'])
    expect(await change('ben', by)).toMatchObject({ refusal: { code: 'forbidden' } });
  expect(await change('cleo')).toMatchObject({ refusal: { code: 'not-found' } });
  for (const part of [{ change: 'much' }, { change: '1e9' }, { reason: ' ' }])
    expect(await change('ben', 'teacher', part)).toMatchObject({ refusal: { code: 'bad-input' } });
  const shows = { marks: true, key: true, explanation: true, right: true, remarks: true, atOnce: true };
  await dept.out.db.transaction((tx) => tx.update(marks).set({ marks: '1' }).where(eq(marks.attempt, attempt)));
  must(await releaseResults(dept.as('teacher'), { sitting, shows }));
  const own = async (who: string) => must(await openOwnResult(dept.as(who), attempt));
  const [ada, ben] = [await own('ada'), await own('ben')];
  expect([ada.ownChange, ben.ownChange]).toEqual([null, '-1/2']);
  expect(Number(ada.score?.marks) - Number(ben.score?.marks)).toBe(0.5);
  // Who has more is told to nobody of the others.
  expect([ada.group, ben.group]).toEqual([null, null]);
  expect((await own('teacher')).group?.map(({ name, change: theirs }) => [name, theirs])).toEqual([
    ['ada', '0'],
    ['ben', '-1/2'],
  ]);
  const book = must(await openGradebook(dept.as('teacher'), dept.course));
  const cells = new Map(book.rows.map(({ name, cells: all }) => [name, all.at(-1)?.score?.marks]));
  expect([cells.get('ada'), cells.get('ben')]).toEqual(
    [ada.score?.marks, ben.score?.marks].map((marks) => stored(exact(marks ?? '0'))),
  );
  must(await change('ben', 'teacher', { change: '0' }));
  expect((await own('ben')).ownChange).toBeNull();
});
