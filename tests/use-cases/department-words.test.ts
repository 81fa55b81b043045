import { afterEach, beforeEach, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { NO_PROVISION } from '@/core/people/provision';
import { openDesk } from '@/server/marking/desk';
import { readDepartment, setPolicy } from '@/server/people/policy';
import { setProvision } from '@/server/people/provisions';
import { openRoom } from '@/server/sittings/room';
import { handInAndMark } from '../drivers/hand-in';
import { TestDepartment } from '../drivers/department';

/** What is said once for all: words of the department, and what whoever marks is told of a student. */
let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

const policyWith = async (words: object): Promise<boolean> => {
  const { policy } = await readDepartment(dept.out.db.read);
  return (await setPolicy(dept.as('lead'), { ...policy, words })).ok;
};

it('words of the department stand in the room, the exam’s own before them, as they were when it was scheduled', async () => {
  expect(await policyWith({ handIn: 'Give it in', later: 'Leave it for now' })).toBe(true);
  const { sitting } = await dept.sitting(1, 30, undefined, (plan) => ({ ...plan, words: { handIn: 'Send it' } }));
  const attempt = await dept.sit('ada', sitting);
  expect(await policyWith({})).toBe(true);
  expect(must(await openRoom(dept.as('ada'), attempt)).words).toEqual({
    handIn: 'Send it',
    later: 'Leave it for now',
  });
  for (const words of [{ handIn: ' ' }, { handIn: 'x'.repeat(41) }, { other: 'word' }])
    expect(await policyWith(words)).toBe(false);
});

it('whoever marks is told who writes in a second language, while names are hidden too', async () => {
  const provision = { ...NO_PROVISION, member: dept.id('ada'), secondLanguage: true };
  must(await setProvision(dept.as('teacher'), provision));
  const { sitting } = await dept.sitting(1);
  for (const who of ['ada', 'ben']) {
    const attempt = await dept.sit(who, sitting, { item0: { c: { text: 'something else' } } });
    await handInAndMark(dept.as(who), attempt);
  }
  const { answers } = must(await openDesk(dept.as('marker'), sitting, 'item0'));
  expect(answers.map(({ name, secondLanguage }) => [name, secondLanguage])).toEqual([
    [null, true],
    [null, false],
  ]);
});
