import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { LEAST_PASSWORD } from '@/core/people/password';
import { acceptablePassword } from '@/server/auth/password';
import { actorOf, signIn, signOut } from '@/server/auth/sessions';
import { signInTries } from '@/server/db/schema/people';
import { listMembers } from '@/server/people/members';
import { NO_PROVISION } from '@/core/people/provision';
import { setProvision } from '@/server/people/provisions';
import { changeOwnPassword, letIn, resetPassword } from '@/server/people/passwords';
import { watchSitting } from '@/server/sittings/watch';
import { PASSWORD, TestDepartment } from '../drivers/department';

let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

const HERE = '10.0.0.1';
const come = (userName: string, password: string, source = HERE) => signIn(dept.out, { userName, password, source });
const codeOf = (result: Awaited<ReturnType<typeof come>>): string => (result.ok ? 'in' : result.refusal.code);

describe('signing in', () => {
  it('opens a session that ends, by itself or by signing out', async () => {
    const { token } = must(await come(' Teacher ', PASSWORD));
    expect(await actorOf(dept.out, token)).toMatchObject({ role: 'teacher' });
    dept.pass(12 * 60);
    expect(await actorOf(dept.out, token)).toBeNull();
    const again = must(await come('teacher', PASSWORD));
    await signOut(dept.out, again.token);
    expect(await actorOf(dept.out, again.token)).toBeNull();
    expect(await actorOf(dept.out, 'made up')).toBeNull();
  });

  it('slows down one account after wrong tries, and no other', async () => {
    for (let i = 0; i < 5; i++) expect(codeOf(await come('ada', 'wrong'))).toBe('sign-in-wrong');
    expect(codeOf(await come('ada', PASSWORD))).toBe('sign-in-slowed');
    expect(codeOf(await come('ben', PASSWORD))).toBe('in');
    dept.pass(0.26);
    expect(codeOf(await come('ada', PASSWORD))).toBe('in');
    expect(await dept.out.db.read.select().from(signInTries)).toEqual([]);
  });

  it('is kept from nobody by the wrong tries of another, from elsewhere', async () => {
    for (let i = 0; i < 8; i++) await come('ada', 'wrong', '10.0.0.66');
    expect(codeOf(await come('ada', PASSWORD, '10.0.0.66'))).toBe('sign-in-slowed');
    expect(codeOf(await come('ada', PASSWORD))).toBe('in');
  });

  it('does not let tries at once pass the limit', async () => {
    const codes = (await Promise.all(Array.from({ length: 60 }, (_, i) => come('ada', `guess ${i}`)))).map(codeOf);
    expect(codes.filter((code) => code === 'sign-in-wrong')).toHaveLength(5);
    expect(codes.filter((code) => code === 'sign-in-slowed')).toHaveLength(55);
  });

  it('slows the account when very many tries come from everywhere', async () => {
    const from = Array.from({ length: 70 }, (_, i) => come('ada', 'wrong', `10.0.1.${i}`));
    const codes = (await Promise.all(from)).map(codeOf);
    expect(codes.filter((code) => code === 'sign-in-wrong')).toHaveLength(50);
    expect(codeOf(await come('ada', PASSWORD))).toBe('sign-in-slowed');
    // Whoever watches sees it, though no single source has tried often.
    const { sitting } = await dept.sitting(1);
    const { people } = must(await watchSitting(dept.as('teacher'), sitting));
    expect(people.filter(({ slowedUntil }) => slowedUntil > dept.now).map(({ name }) => name)).toEqual(['ada']);
    must(await letIn(dept.as('teacher'), dept.id('ada')));
    expect(codeOf(await come('ada', PASSWORD))).toBe('in');
  });

  it('tells unknown names and wrong passwords in one and the same way, and keeps no rows of nobody', async () => {
    const nobody = `nobody-${crypto.randomUUID()}`;
    const [theirs, bens] = [[] as string[], [] as string[]];
    for (let i = 0; i < 7; i++) {
      theirs.push(codeOf(await come(nobody, 'x')));
      bens.push(codeOf(await come('ben', 'x')));
    }
    expect(theirs).toEqual(bens);
    expect(bens.at(-1)).toBe('sign-in-slowed');
    expect((await dept.out.db.read.select().from(signInTries)).map(({ member }) => member)).toEqual([dept.id('ben')]);
  });

  it('is made possible at once by a teacher who watches the sitting', async () => {
    const { sitting } = await dept.sitting(1);
    for (let i = 0; i < 9; i++) await come('ada', 'wrong');
    const watched = async (): Promise<Record<string, boolean>> => {
      const { people } = must(await watchSitting(dept.as('teacher'), sitting));
      return Object.fromEntries(people.map(({ name, slowedUntil }) => [name, slowedUntil > dept.now]));
    };
    expect(await watched()).toEqual({ ada: true, ben: false });
    for (const who of ['ada', 'marker']) expect((await letIn(dept.as(who), dept.id('ada'))).ok).toBe(false);
    must(await letIn(dept.as('teacher'), dept.id('ada')));
    expect(await watched()).toEqual({ ada: false, ben: false });
    // Whoever keeps guessing does not keep her out again.
    for (let i = 0; i < 20; i++) await come('ada', 'wrong');
    expect(codeOf(await come('ada', PASSWORD))).toBe('in');
    expect((await letIn(dept.as('teacher'), dept.id('marker'))).ok).toBe(false);
  });
});

describe('a password', () => {
  const change = (who: string, current: string, wanted: string, token = '') =>
    changeOwnPassword(dept.as(who), { current, wanted, token, source: HERE });

  it('is changed by whose it is, and ends all other sessions of theirs', async () => {
    const [mine, elsewhere] = [must(await come('ada', PASSWORD)), must(await come('ada', PASSWORD, '10.0.0.2'))];
    must(await change('ada', PASSWORD, 'gusts before noon', mine.token));
    expect(await actorOf(dept.out, mine.token)).not.toBeNull();
    expect(await actorOf(dept.out, elsewhere.token)).toBeNull();
    expect([codeOf(await come('ada', PASSWORD)), codeOf(await come('ada', 'gusts before noon'))]).toEqual([
      'sign-in-wrong',
      'in',
    ]);
  });

  it('may be looked for long, as far as the present one is known', async () => {
    for (let i = 0; i < 12; i++)
      expect(await change('ada', PASSWORD, 'password123')).toMatchObject({ refusal: { code: 'password-common' } });
    must(await change('ada', PASSWORD, 'gusts before noon'));
  });

  it('is not guessed there either', async () => {
    for (let i = 0; i < 5; i++)
      expect(await change('ada', `guess ${i}`, 'gusts before noon')).toMatchObject({
        refusal: { code: 'password-wrong', at: ['current'] },
      });
    expect(await change('ada', PASSWORD, 'gusts before noon')).toMatchObject({ refusal: { code: 'sign-in-slowed' } });
  });

  it.each([
    ['too short', 'x7#kQ', 'password-short'],
    ['too long', 'long enough '.repeat(20), 'password-long'],
    ['a common one', 'liverpool123', 'password-common'],
    ['a common one in capitals, with a year', 'Password2026', 'password-common'],
    ['a few signs again and again', 'abababababab', 'password-common'],
  ])('that is %s is refused beside its field', async (_, wanted, code) => {
    expect(await change('ada', PASSWORD, wanted)).toMatchObject({ refusal: { code, at: ['wanted'] } });
  });

  it('that a lead gives is told once, holds to the same, and ends what was open', async () => {
    expect(LEAST_PASSWORD).toBeGreaterThanOrEqual(8);
    const { token } = must(await come('ada', PASSWORD));
    expect(await resetPassword(dept.as('teacher'), dept.id('ada'))).toMatchObject({ refusal: { code: 'forbidden' } });
    expect(await resetPassword(dept.as('lead'), 'nobody')).toMatchObject({ refusal: { code: 'not-found' } });
    const { password } = must(await resetPassword(dept.as('lead'), dept.id('ada')));
    expect(acceptablePassword(password, ['ada']).ok).toBe(true);
    expect(await actorOf(dept.out, token)).toBeNull();
    expect(codeOf(await come('ada', PASSWORD))).toBe('sign-in-wrong');
    expect(codeOf(await come('ada', password))).toBe('in');
  });
});

it('why somebody has extra time is told to those who give it, not to markers', async () => {
  must(
    await setProvision(dept.as('teacher'), {
      ...NO_PROVISION,
      member: dept.id('ben'),
      extraTimePercent: 25,
      reason: 'reading',
    }),
  );
  const ben = async (who: string) => must(await listMembers(dept.as(who))).find(({ name }) => name === 'ben');
  expect(await ben('teacher')).toMatchObject({ provision: { extraTimePercent: 25, reason: 'reading' } });
  expect(await ben('marker')).toMatchObject({ provision: null });
});
