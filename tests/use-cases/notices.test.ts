import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { enterSitting } from '@/server/sittings/enter';
import { handIn } from '@/server/sittings/hand-in';
import { watchSitting } from '@/server/sittings/watch';
import { confirmNotice, sendNotice } from '@/server/sittings/notices';
import { openRoom } from '@/server/sittings/room';
import { saveAnswers } from '@/server/sittings/save-answers';
import { TestDepartment } from '../drivers/department';

/** What a teacher says to those who write. */
let dept: TestDepartment;
let sitting: string;
let attempts: Record<string, string>;
beforeEach(async () => {
  dept = await TestDepartment.open();
  ({ sitting } = await dept.sitting());
  attempts = {};
  for (const who of ['ada', 'ben']) attempts[who] = must(await enterSitting(dept.as(who), sitting)).attempt;
});
afterEach(() => dept.close());

const say = (text: string, person: string | null = null, who = 'teacher') =>
  sendNotice(dept.as(who), { sitting, people: person === null ? null : [dept.id(person)], text });
/** What the room hears when it next asks for the clock. */
const heard = async (who: string) =>
  must(await saveAnswers(dept.as(who), { attempt: attempts[who], device: 'device-one', entries: [] })).clock.notice;
const confirm = (who: string, at: number | undefined, attempt = attempts[who]) =>
  confirmNotice(dept.as(who), attempt ?? '', { at });

describe('what is said', () => {
  it('stands in every room until it is confirmed there, and the teacher sees by whom', async () => {
    expect(must(await say('  Question 3: read km, not m.  '))).toEqual({ told: 2 });
    const notice = await heard('ada');
    expect(notice?.text).toBe('Question 3: read km, not m.');
    expect(must(await openRoom(dept.as('ben'), attempts.ben ?? '')).clock.notice).toEqual(notice);
    dept.pass(1);
    must(await confirm('ada', notice?.at));
    expect([await heard('ada'), (await heard('ben'))?.at]).toEqual([null, notice?.at]);
    const people = must(await watchSitting(dept.as('teacher'), sitting)).people;
    const read = new Map(people.map(({ name, attempt }) => [name, attempt?.readAt]));
    expect([read.get('ada'), read.get('ben')]).toEqual([dept.now, null]);
  });

  it('to one is nobody else’s', async () => {
    expect(must(await say('Your screen is dark.', 'ben'))).toEqual({ told: 1 });
    expect([await heard('ada'), (await heard('ben'))?.text]).toEqual([null, 'Your screen is dark.']);
  });

  it('before the first was read stands below it; a confirmation of the first leaves the second', async () => {
    must(await say('One.'));
    const first = await heard('ada');
    must(await say('Two.'));
    const both = await heard('ada');
    expect(both?.text).toBe('One.\nTwo.');
    must(await confirm('ada', first?.at));
    expect(await heard('ada')).toEqual(both);
    must(await confirm('ada', both?.at));
    must(await say('Three.'));
    expect((await heard('ada'))?.text).toBe('Three.');
    // However much is said, what stands there is bounded.
    for (let i = 0; i < 10; i++) must(await say('x'.repeat(500)));
    expect((await heard('ada'))?.text.length).toBeLessThanOrEqual(2000);
  });

  it('reaches nobody who has handed in, and is refused when there is nobody', async () => {
    must(await handIn(dept.as('ada'), attempts.ada ?? ''));
    expect(must(await say('Still there?'))).toEqual({ told: 1 });
    must(await handIn(dept.as('ben'), attempts.ben ?? ''));
    expect(await say('Anybody?')).toMatchObject({ ok: false, refusal: { code: 'nobody-writes' } });
  });

  it('is said by who runs the sitting, and confirmed by whom it was said to', async () => {
    for (const who of ['stranger', 'outsider', 'ada'])
      expect(await say('Hello', null, who)).toMatchObject({ ok: false });
    expect(await say(' ')).toMatchObject({ refusal: { code: 'bad-input', values: { problem: 'notice-empty' } } });
    expect(await say('x'.repeat(501))).toMatchObject({ ok: false });
    expect(await say('Hello', 'stranger')).toMatchObject({ refusal: { code: 'not-found' } });
    must(await say('Hello'));
    const notice = await heard('ada');
    expect(await confirm('ben', notice?.at, attempts.ada)).toMatchObject({ refusal: { code: 'forbidden' } });
    expect(await confirmNotice(dept.as('ada'), attempts.ada ?? '', { at: 'now' })).toMatchObject({ ok: false });
    expect(await confirmNotice(dept.as('ada'), 'nowhere', { at: 1 })).toMatchObject({ ok: false });
    expect((await heard('ada'))?.text).toBe('Hello');
  });
});
