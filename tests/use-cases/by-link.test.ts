import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { actorOf, GUEST_SESSION_LENGTH, homeOf } from '@/server/auth/sessions';
import { admitGuest } from '@/server/people/participants';
import { setSubjects } from '@/server/people/roster';
import { sittingByLink } from '@/server/sittings/by-link';
import { enterSitting } from '@/server/sittings/enter';
import { listSittings } from '@/server/sittings/list-sittings';
import { ownSittings } from '@/server/sittings/own-sittings';
import { openRoom } from '@/server/sittings/room';
import { scheduleSitting } from '@/server/sittings/schedule';
import { watchSitting } from '@/server/sittings/watch';
import { MINUTE, TestDepartment } from '../drivers/department';

let dept: TestDepartment;
beforeAll(async () => {
  dept = await TestDepartment.open();
});
afterAll(() => dept.close());

async function schedule(part: object) {
  const { exam } = await dept.sitting(1);
  return scheduleSitting(dept.as('teacher'), {
    exam,
    course: dept.course,
    opensAt: dept.now,
    closesAt: dept.now + 120 * MINUTE,
    minutes: 30,
    ...part,
  });
}
const scheduled = async (part: object): Promise<string> => must(await schedule(part)).id;
let address = 0;
const arrival = (name: string, code = '', source = `203.0.113.${++address % 250}`) => ({ name, code, source });

describe('a sitting by its link', () => {
  it('lets a guest in by a session of their own, which knows one sitting and ends', async () => {
    const sitting = await scheduled({ who: 'link' });
    const { token } = must(await admitGuest(dept.out, sitting, arrival('Rowan Vale')));
    const actor = await actorOf(dept.out, token);
    expect(actor).toMatchObject({ role: 'guest', name: 'Rowan Vale', sitting });
    if (!actor) throw new Error('A guest');
    expect(homeOf(actor)).toBe(`/open/${sitting}`);
    const ctx = { ...dept.out, actor };
    expect(must(await sittingByLink(dept.out, sitting, actor))).toMatchObject({ as: 'Rowan Vale', attempt: null });
    const { attempt } = must(await enterSitting(ctx, sitting));
    expect((await openRoom(ctx, attempt)).ok).toBe(true);
    expect(must(await sittingByLink(dept.out, sitting, actor)).attempt).toEqual({ id: attempt, handedInAt: null });
    expect(await actorOf({ ...dept.out, now: dept.now + GUEST_SESSION_LENGTH }, token)).toBe(null);
    expect(await actorOf(dept.out, `${token}x`)).toBe(null);
  });

  it('tells nothing of sittings that are not open to it, and nothing but what it is of those that are', async () => {
    const own = await scheduled({});
    expect(await sittingByLink(dept.out, own, null)).toMatchObject({ ok: false, refusal: { code: 'not-found' } });
    expect(await admitGuest(dept.out, own, arrival('Somebody'))).toMatchObject({ refusal: { code: 'not-found' } });
    const sitting = await scheduled({ who: 'link', code: 'wind-2027' });
    const told = JSON.stringify(must(await sittingByLink(dept.out, sitting, null)));
    for (const secret of ['wind-2027', 'secretkeyword', '"ada"']) expect(told).not.toContain(secret);
    expect(JSON.stringify(await ownSittings(dept.as('ada')))).not.toContain('wind-2027');
  });

  it('asks guests for what the sitting wants to know; the teacher sees what they said', async () => {
    const guestFields = [
      { label: 'School', is: 'text', required: true },
      { label: 'E-mail', is: 'email', required: false },
    ];
    const sitting = await scheduled({ who: 'link', guestFields });
    const come = (said: string[]) => admitGuest(dept.out, sitting, { ...arrival('Rowan Vale'), said });
    expect(must(await sittingByLink(dept.out, sitting, null)).guestFields).toEqual(guestFields);
    expect(await come([' ', ''])).toMatchObject({ refusal: { code: 'field-missing', at: ['said', 0] } });
    expect(await come(['Ridge', 'rowan at home'])).toMatchObject({ refusal: { code: 'email-odd', at: ['said', 1] } });
    const { guest } = must(await come(['  Ridge   School ', '']));
    must(await enterSitting({ ...dept.out, actor: guest }, sitting));
    const { people } = must(await watchSitting(dept.as('teacher'), sitting));
    expect(people.map(({ name, said }) => [name, said])).toEqual([['Rowan Vale', { School: 'Ridge School' }]]);
    expect(await schedule({ who: 'link', guestFields: [guestFields[0], guestFields[0]] })).toMatchObject({
      refusal: { code: 'bad-input', values: { problem: 'fields-twice' } },
    });
  });

  it('takes three hundred guests in a minute, each once', async () => {
    const sitting = await scheduled({ who: 'link' });
    const tokens = await Promise.all(
      Array.from({ length: 300 }, async (_, i) => {
        const { token, guest } = must(await admitGuest(dept.out, sitting, arrival(`Guest ${i}`, '', '198.51.100.1')));
        must(await enterSitting({ ...dept.out, actor: guest }, sitting));
        return token;
      }),
    );
    expect(new Set(tokens).size).toBe(300);
    const { people, link } = must(await watchSitting(dept.as('teacher'), sitting));
    expect([link, people.length, new Set(people.map(({ name }) => name)).size]).toEqual([true, 300, 300]);
    expect(must(await listSittings(dept.as('teacher'))).find(({ id }) => id === sitting)?.students).toBe(300);
  });

  it('is open to students of its course as themselves', async () => {
    const sitting = await scheduled({ who: 'link' });
    expect(must(await sittingByLink(dept.out, sitting, { ...dept.as('ada').actor, name: 'ada' }))).toMatchObject({
      as: 'ada',
    });
    expect(must(await sittingByLink(dept.out, sitting, { ...dept.as('cleo').actor, name: 'cleo' }))).toMatchObject({
      as: null,
    });
    expect((await enterSitting(dept.as('ada'), sitting)).ok).toBe(true);
    expect((await enterSitting(dept.as('cleo'), sitting)).ok).toBe(false);
  });
});

describe('a code', () => {
  it('is asked of students and guests, in whatever capitals and spaces', async () => {
    const sitting = await scheduled({ who: 'link', code: 'Wind 27-b' });
    for (const code of ['', '  '])
      expect(await admitGuest(dept.out, sitting, arrival('A', code))).toMatchObject({
        refusal: { code: 'code-asked' },
      });
    expect(await admitGuest(dept.out, sitting, arrival('A', 'WIND27'))).toMatchObject({
      refusal: { code: 'code-wrong' },
    });
    for (const code of ['wind27B', 'Wind 27-b', 'W I N D 2 7 b'])
      expect((await admitGuest(dept.out, sitting, arrival('A', code))).ok).toBe(true);
    expect(await enterSitting(dept.as('ada'), sitting)).toMatchObject({ refusal: { code: 'code-asked' } });
    const { attempt } = must(await enterSitting(dept.as('ada'), sitting, { code: 'wind27b' }));
    // Whoever has begun goes on without it.
    expect(must(await enterSitting(dept.as('ada'), sitting)).attempt).toBe(attempt);
  });

  it('cannot be found by trying: wrong ones are slowed, right ones never count', async () => {
    const sitting = await scheduled({ who: 'link', code: 'wind27' });
    const from = '192.0.2.9';
    for (let i = 0; i < 60; i++) must(await admitGuest(dept.out, sitting, arrival('Class', 'wind27', from)));
    let refusals = 0;
    for (let i = 0; i < 60; i++) {
      const tried = await admitGuest(dept.out, sitting, arrival('Guesser', `guess${i}`, from));
      if (!tried.ok && tried.refusal.code === 'code-slowed') refusals += 1;
    }
    expect(refusals).toBe(10);
    // While it waits, the right one is not told apart from wrong ones.
    expect(await admitGuest(dept.out, sitting, arrival('Guesser', 'wind27', from))).toMatchObject({
      refusal: { code: 'code-slowed' },
    });
    expect((await admitGuest(dept.out, sitting, arrival('Class', 'wind27', '192.0.2.10'))).ok).toBe(true);
  });

  it('has four signs at least', async () => {
    expect(await schedule({ code: 'abc' })).toMatchObject({ refusal: { code: 'bad-input', at: ['code'] } });
  });
});

describe('a sitting for some students of a course', () => {
  it('is seen and entered by them alone', async () => {
    must(
      await setSubjects(dept.as('teacher'), { course: dept.course, member: dept.id('ben'), subjects: ['Rope access'] }),
    );
    const sitting = await scheduled({ only: { subjects: ['rope access'], groups: [], members: [] } });
    expect((await ownSittings(dept.as('ben'))).map(({ id }) => id)).toContain(sitting);
    expect((await ownSittings(dept.as('ada'))).map(({ id }) => id)).not.toContain(sitting);
    expect(await enterSitting(dept.as('ada'), sitting)).toMatchObject({ refusal: { code: 'forbidden' } });
    const watched = must(await watchSitting(dept.as('teacher'), sitting));
    expect([watched.some, watched.people.map(({ name }) => name)]).toEqual([true, ['ben']]);
    must(await enterSitting(dept.as('ben'), sitting));
    // Who has begun stays, whatever is said of them now.
    must(await setSubjects(dept.as('teacher'), { course: dept.course, member: dept.id('ben'), subjects: [] }));
    expect((await ownSittings(dept.as('ben'))).map(({ id }) => id)).toContain(sitting);
    expect(must(await watchSitting(dept.as('teacher'), sitting)).people.map(({ name }) => name)).toEqual(['ben']);
  });

  it('is refused when nobody is chosen', async () => {
    const nobody = { subjects: ['nothing'], groups: [], members: ['somebody'] };
    expect(await schedule({ only: nobody })).toMatchObject({ refusal: { code: 'nobody-chosen', at: ['only'] } });
  });
});
