import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { openAnswers } from '@/server/marking/answers-view';
import { currentMarks } from '@/server/marking/current-marks';
import { openDesk } from '@/server/marking/desk';
import { giveMark } from '@/server/marking/give-mark';
import { openOwnResult } from '@/server/results/own-result';
import { releaseResults } from '@/server/results/release';
import { openResults } from '@/server/results/results';
import { endSitting } from '@/server/sittings/change-sitting';
import { enterSitting } from '@/server/sittings/enter';
import { handIn, sweep } from '@/server/sittings/hand-in';
import { markHandedIn } from '@/server/marking/mark-handed-in';
import { letBackIn } from '@/server/sittings/let-back-in';
import { sendNotice } from '@/server/sittings/notices';
import { ownSittings } from '@/server/sittings/own-sittings';
import { ownTopics } from '@/server/events/own-topics';
import { goOn, pauseTime } from '@/server/sittings/pause';
import { openRoom } from '@/server/sittings/room';
import { saveAnswers } from '@/server/sittings/save-answers';
import { bringBack, setAside } from '@/server/sittings/set-aside';
import { storyOf } from '@/server/sittings/story';
import { watchSitting } from '@/server/sittings/watch';
import { TestDepartment } from '../drivers/department';
import { handInAndMark } from '../drivers/hand-in';

/** What a teacher does about attempts while they are written, and after. */
let dept: TestDepartment;
let sitting: string;
beforeEach(async () => {
  dept = await TestDepartment.open();
  ({ sitting } = await dept.sitting());
});
afterEach(() => dept.close());

const teacher = () => dept.as('teacher');
const enter = async (who: string) => must(await enterSitting(dept.as(who), sitting)).attempt;
let seq = 0;
const save = (
  who: string,
  attempt: string,
  value: unknown = { text: 'yaw' },
  { age = 0, device = 'device-one' } = {},
) => saveAnswers(dept.as(who), { attempt, device, entries: [{ seq: ++seq, item: 'item0', slot: 'c', value, age }] });
/** An attempt with an answer that a person has to read, handed in. */
async function handedIn(who: string): Promise<string> {
  const attempt = await enter(who);
  await save(who, attempt, { text: 'perhaps' });
  must(await handInAndMark(dept.as(who), attempt));
  return attempt;
}
const clock = async (who: string, attempt: string) => must(await openRoom(dept.as(who), attempt)).clock;
const left = async (who: string, attempt: string) => {
  const { deadline, now } = await clock(who, attempt);
  return (deadline - now) / 60_000;
};
const watched = async (who: string) =>
  must(await watchSitting(teacher(), sitting)).people.find(({ name }) => name === who)?.attempt;
const person = (who: string | null) => ({ sitting, people: who === null ? null : [dept.id(who)] });

describe('a pause', () => {
  it('for all has the time stand still in every room, also of who comes meanwhile, and gives all of it back', async () => {
    const ada = await enter('ada');
    dept.pass(10);
    must(await pauseTime(teacher(), person(null)));
    dept.pass(45);
    const ben = await enter('ben');
    expect([await left('ada', ada), await left('ben', ben)]).toEqual([20, 30]);
    expect((await clock('ada', ada)).pausedAt).toBe(dept.now - 45 * 60_000);
    expect((await sweep(dept.out)).handedIn).toBe(0);
    dept.pass(5);
    must(await goOn(teacher(), person(null)));
    dept.pass(1);
    expect([await left('ada', ada), await left('ben', ben)]).toEqual([19, 29]);
    expect((await clock('ada', ada)).pausedAt).toBeNull();
  });

  it('of one is nobody else’s', async () => {
    const [ada, ben] = [await enter('ada'), await enter('ben')];
    must(await pauseTime(teacher(), person('ada')));
    dept.pass(7);
    expect([await left('ada', ada), await left('ben', ben)]).toEqual([30, 23]);
    expect([(await watched('ada'))?.pausedAt, (await watched('ben'))?.pausedAt]).toEqual([dept.now - 7 * 60_000, null]);
    must(await goOn(teacher(), person('ada')));
    expect(await goOn(teacher(), person('ada'))).toMatchObject({ refusal: { code: 'runs-already' } });
  });

  it('by two teachers at once counts once, and going on twice does no harm', async () => {
    const ada = await enter('ada');
    const paused = await Promise.all([pauseTime(teacher(), person(null)), pauseTime(dept.as('lead'), person(null))]);
    expect(paused.map((p) => (p.ok ? 'done' : p.refusal.code)).sort()).toEqual(['done', 'stands-still-already']);
    dept.pass(5);
    const gone = await Promise.all([goOn(teacher(), person(null)), goOn(dept.as('lead'), person(null))]);
    expect(gone.map((p) => (p.ok ? 'done' : p.refusal.code)).sort()).toEqual(['done', 'runs-already']);
    expect(await left('ada', ada)).toBe(30);
  });

  it('loses nothing that is written in it, and says so in the story', async () => {
    const ada = await enter('ada');
    must(await pauseTime(teacher(), person(null)));
    dept.pass(2);
    expect(must(await save('ada', ada)).saved).toHaveLength(1);
    expect(must(await storyOf(teacher(), ada)).map(({ what }) => what)).toEqual([
      'began',
      'paused',
      'wrote while paused',
    ]);
  });

  it('ends with the sitting', async () => {
    const ada = await enter('ada');
    must(await pauseTime(teacher(), person(null)));
    dept.pass(2);
    must(await endSitting(teacher(), sitting));
    dept.pass(1);
    expect((await clock('ada', ada)).pausedAt).toBeNull();
    expect((await sweep(dept.out)).handedIn).toBe(1);
  });

  it('of nobody is refused', async () => {
    expect(await pauseTime(teacher(), person(null))).toMatchObject({ refusal: { code: 'nobody-writes' } });
  });
});

describe('who has handed in', () => {
  it('is let back in with minutes, and what is handed in anew is marked anew', async () => {
    const ada = await enter('ada');
    await save('ada', ada, { text: 'nonsense' });
    must(await handInAndMark(dept.as('ada'), ada));
    dept.pass(25);
    must(await letBackIn(teacher(), { attempt: ada, minutes: 12, reason: 'wrong button' }));
    expect(await left('ada', ada)).toBe(12);
    expect(must(await openRoom(dept.as('ada'), ada)).sections).toHaveLength(1);
    expect(must(await openResults(teacher(), sitting))).toMatchObject({ rows: [], notHandedIn: 1 });
    expect(await enter('ada')).toBe(ada);
    const sheets = must(await openRoom(dept.as('ada'), ada)).sections[0]?.items[0]?.sheet.slots ?? {};
    expect(Object.keys(sheets)).toContain('c');
    expect(must(await save('ada', ada, { text: 'again' })).saved).toHaveLength(1);
    must(await handInAndMark(dept.as('ada'), ada));
    expect(must(await openResults(teacher(), sitting)).rows).toHaveLength(1);
    expect(must(await storyOf(teacher(), ada)).map(({ what, note }) => note || what)).toEqual([
      'began',
      'handed in',
      'wrong button',
      'wrong button',
      'handed in',
    ]);
  });

  it('with time left keeps it', async () => {
    const ada = await enter('ada');
    must(await handInAndMark(dept.as('ada'), ada));
    must(await letBackIn(teacher(), { attempt: ada, minutes: 5, reason: '' }));
    expect(await left('ada', ada)).toBe(30);
  });

  it('keeps the marks that a person gave where the answer stays, and waits anew where it does not', async () => {
    const [ada, ben] = [await handedIn('ada'), await handedIn('ben')];
    for (const attempt of [ada, ben]) {
      must(await giveMark(teacher(), { attempt, item: 'item0', slot: 'c', marks: '1' }));
      dept.pass(1);
      must(await letBackIn(teacher(), { attempt, minutes: 5, reason: '' }));
    }
    await save('ben', ben, { text: 'something else' });
    must(await handInAndMark(dept.as('ada'), ada));
    must(await handInAndMark(dept.as('ben'), ben));
    const by = async (attempt: string) =>
      (await currentMarks(dept.out.db.read, { attempt })).find(({ item, slot }) => item === 'item0' && slot === 'c')
        ?.by;
    expect([await by(ada), await by(ben)]).toEqual([dept.id('teacher'), null]);
  });

  it('before their marks were made, is marked by what they hand in then', async () => {
    const ada = await enter('ada');
    await save('ada', ada, { text: 'nonsense' });
    // A marker that is at it until it is told to go on.
    let goes = (): void => undefined;
    const held = new Promise<void>((done) => (goes = done));
    const { marker } = dept.out;
    const slow = { ...marker, mark: (order: Parameters<typeof marker.mark>[0]) => held.then(() => marker.mark(order)) };
    const row = await dept.attempt(ada);
    must(
      await handIn({ ...dept.as('ada'), marker: { ...marker, mark: () => Promise.reject(new Error('busy')) } }, ada),
    );
    const marking = markHandedIn({ ...dept.out, marker: slow }, row);
    dept.pass(1);
    must(await letBackIn(teacher(), { attempt: ada, minutes: 5, reason: '' }));
    goes();
    await marking;
    expect((await dept.attempt(ada)).markedAt).toBeNull();
    expect(await currentMarks(dept.out.db.read, { attempt: ada })).toEqual([]);
    await save('ada', ada, { text: 'secretkeyword' });
    must(await handInAndMark(dept.as('ada'), ada));
    const mark = (await currentMarks(dept.out.db.read, { attempt: ada })).find(
      ({ slot, item }) => slot === 'c' && item === 'item0',
    );
    expect(mark?.marks).toBe('1');
  });

  it.each([
    ['results are out', 'results-are-out'],
    ['the sitting was ended', 'sitting-ended'],
    ['they have not handed in', 'writes-already'],
  ])('is not let back in when %s', async (_, code) => {
    const ada = await enter('ada');
    if (code !== 'writes-already') must(await handInAndMark(dept.as('ada'), ada));
    if (code === 'sitting-ended') must(await endSitting(teacher(), sitting));
    if (code === 'results-are-out') {
      for (const { item, slot } of await currentMarks(dept.out.db.read, { attempt: ada }))
        must(await giveMark(teacher(), { attempt: ada, item, slot, marks: '0' }));
      const shows = { marks: true, right: true, key: true, explanation: true, remarks: true };
      must(await releaseResults(teacher(), { sitting, shows }));
    }
    expect(await letBackIn(teacher(), { attempt: ada, minutes: 5, reason: '' })).toMatchObject({ refusal: { code } });
  });
});

describe('an attempt that is set aside', () => {
  it('counts nowhere, tells its student why, takes away no attempt, and comes back with its marks', async () => {
    const [ada, ben] = [await handedIn('ada'), await handedIn('ben')];
    const counted = async () => must(await openResults(teacher(), sitting)).rows.map(({ name }) => name);
    const atDesk = async () => must(await openDesk(teacher(), sitting, 'item0')).answers.length;
    const answered = async () =>
      must(await openAnswers(teacher(), sitting, 'item0')).slots[0]?.groups.reduce((n, group) => n + group.count, 0);
    const before = [await counted(), await atDesk(), await answered()];
    must(await setAside(teacher(), { attempt: ada, reason: 'the fire alarm' }));
    expect(await counted()).toEqual(['ben']);
    expect([await atDesk(), await answered()]).toEqual([(before[1] as number) / 2, (before[2] as number) / 2]);
    const mine = (await ownSittings(dept.as('ada')))[0];
    expect(mine?.attempts).toMatchObject([{ id: ada, asideReason: 'the fire alarm' }]);
    expect(mine?.next).toEqual({ is: 'new', number: 1 });
    expect((await openOwnResult(dept.as('ada'), ada)).ok).toBe(false);
    expect(await giveMark(teacher(), { attempt: ada, item: 'item0', slot: 'c', marks: '1' })).toMatchObject({
      refusal: { code: 'is-set-aside' },
    });
    expect((await watched('ada'))?.aside).toBe('the fire alarm');
    must(await bringBack(teacher(), ada));
    await handInAndMark(dept.as('ben'), ben);
    expect([await counted(), await atDesk(), await answered()]).toEqual(before);
  });

  it('while it is written closes, and its room hears why', async () => {
    const ada = await enter('ada');
    must(await setAside(teacher(), { attempt: ada, reason: 'wrong paper' }));
    const room = await clock('ada', ada);
    expect([room.handedInAt, room.aside]).toEqual([dept.now, 'wrong paper']);
    expect(must(await save('ada', ada)).refused).toHaveLength(1);
    const second = await enter('ada');
    expect(second).not.toBe(ada);
    expect((await watched('ada'))?.id).toBe(second);
    expect(await bringBack(teacher(), ada)).toMatchObject({ refusal: { code: 'attempts-used-up' } });
  });

  it('needs a reason', async () => {
    const ada = await enter('ada');
    expect(await setAside(teacher(), { attempt: ada, reason: ' ' })).toMatchObject({
      refusal: { values: { problem: 'reason-asked' } },
    });
  });
});

describe('whoever watches', () => {
  it('sees how far each is, and where', async () => {
    const ada = await enter('ada');
    await save('ada', ada);
    const seen = must(await watchSitting(teacher(), sitting));
    expect(seen.people.map(({ attempt }) => attempt && [attempt.worked, attempt.at])).toEqual([[1, '1'], null]);
    expect(seen.questions.map(({ number, worked }) => [number, worked])).toEqual([
      ['1', 1],
      ['2', 0],
    ]);
  });

  it('reads what happened, in order, with who did it; what was answered is not in it', async () => {
    const ada = await enter('ada');
    await save('ada', ada, { text: 'secret words' });
    dept.pass(2);
    await save('ada', ada, { text: 'more' }, { age: 90_000, device: 'device-two' });
    must(await sendNotice(teacher(), { ...person('ada'), text: 'Read km.' }));
    const told = must(await storyOf(teacher(), ada));
    expect(told.map(({ what, by, note }) => [what, by, note])).toEqual([
      ['began', undefined, undefined],
      ['another device', undefined, undefined],
      ['offline', undefined, undefined],
      ['told', 'teacher', 'Read km.'],
    ]);
    expect(JSON.stringify(told)).not.toContain('secret');
  });
});

describe('an event', () => {
  it('about a room is told to whoever writes in it, about a sitting to whoever runs it', async () => {
    const ada = await enter('ada');
    const told = (who: string, wanted: { room?: string; watch?: string }) =>
      ownTopics(dept.as(who), { room: wanted.room ?? null, watch: wanted.watch ?? null });
    expect(await told('ada', { room: ada })).toEqual([`room:${ada}`, `rooms:${sitting}`]);
    expect(await told('ada', {})).toEqual([`course:${dept.course}`]);
    for (const who of ['teacher', 'lead']) expect(await told(who, { watch: sitting })).toEqual([`watch:${sitting}`]);
    for (const who of ['ben', 'cleo', 'teacher', 'marker']) expect(await told(who, { room: ada }), who).toEqual([]);
    for (const who of ['ada', 'marker', 'stranger', 'outsider'])
      expect(
        (await told(who, { watch: sitting })).filter((topic) => topic.startsWith('watch')),
        who,
      ).toEqual([]);
  });
});
