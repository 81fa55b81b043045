import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { must, type Result } from '@/core/base/result';
import { actorOf, signIn } from '@/server/auth/sessions';
import type { Context, Outside } from '@/server/context';
import { courses, members } from '@/server/db/schema/people';
import { keepCourse, listStaff, setStaff } from '@/server/people/courses';
import { closeAccount, keepMember } from '@/server/people/keep-member';
import { listColleagues, listMembers } from '@/server/people/members';
import { findDepartment, nameDepartment, readDepartment } from '@/server/people/policy';
import { setUpDepartment } from '@/server/people/set-up';
import { wordInFolder } from '@/server/ports/set-up-word';
import { searchQuestions } from '@/server/bank/search';
import { markersOf } from '@/server/marking/plan';
import { openPassMark } from '@/server/results/panels';
import { helpersOf } from '@/server/sittings/sitting-staff';
import { OPEN_SEARCH } from '@/core/bank/searching';
import { listShelves } from '@/server/bank/shelves';
import { emptyDatabase, TestDepartment } from '../drivers/department';

const refusal = (result: Result<unknown>): unknown => (result.ok ? 'done' : [result.refusal.code, result.refusal.at]);

describe('an empty database', () => {
  let folder: string;
  let out: Outside;
  beforeEach(async () => {
    folder = mkdtempSync(path.join(tmpdir(), 'zonda-'));
    out = await emptyDatabase(folder);
  });
  afterEach(() => {
    out.db.close();
    rmSync(folder, { recursive: true });
  });
  const SAID = {
    name: ' Tidal Power ',
    institute: 'Kestrel Ridge Institute',
    person: 'Odalys Ferrand',
    userName: 'Odalys',
    password: 'slack water at noon',
  };
  const setUp = async (said: object = {}, source = '10.0.0.1') => {
    const word = wordInFolder(folder);
    return setUpDepartment(out, word, { ...SAID, word: await word.read(), ...said, source });
  };

  it('becomes a department whose lead can sign in, with a bank that all share and a policy', async () => {
    expect(must(await setUp())).toEqual({ userName: 'odalys' });
    expect(await findDepartment(out.db.read)).toMatchObject({ name: 'Tidal Power', policy: { passPercent: '50' } });
    const { token, member } = must(
      await signIn(out, { userName: 'odalys', password: SAID.password, source: '10.0.0.1' }),
    );
    expect(await actorOf(out, token)).toMatchObject({ role: 'lead', name: 'Odalys Ferrand' });
    const lead: Context = { ...out, actor: member };
    expect(await listShelves(lead)).toMatchObject([{ name: 'Shared bank', share: 'department' }]);
    expect(must(await searchQuestions(lead, { ...OPEN_SEARCH, from: 0 })).total).toBe(0);
  });

  it('is set up once: the word is gone, and even the right one opens nothing more', async () => {
    const word = await wordInFolder(folder).read();
    expect((await setUp()).ok).toBe(true);
    expect(readdirSync(folder)).not.toContain('set-up-word');
    const again = await setUpDepartment(out, wordInFolder(folder), { ...SAID, userName: 'other', word, source: 'x' });
    expect(refusal(again)).toEqual(['set-up-already', undefined]);
    expect(await out.db.read.select().from(members)).toHaveLength(1);
  });

  it('is set up by one of two who ask at the same time', async () => {
    const word = wordInFolder(folder);
    const right = await word.read();
    const ask = (userName: string) => setUpDepartment(out, word, { ...SAID, userName, word: right, source: 'x' });
    const done = await Promise.all([ask('first'), ask('second'), ask('third')]);
    expect(done.filter(({ ok }) => ok)).toHaveLength(1);
    expect(done.filter(({ ok }) => !ok).map((one) => refusal(one))).toEqual([
      ['set-up-already', undefined],
      ['set-up-already', undefined],
    ]);
  });

  it('has one word for all processes, which only its owner reads', async () => {
    const words = await Promise.all(Array.from({ length: 8 }, () => wordInFolder(folder).read()));
    expect(new Set(words).size).toBe(1);
    expect(words[0]).toMatch(/^([a-z]{4}-){2}[a-z]{4}$/);
    expect(statSync(path.join(folder, 'set-up-word')).mode & 0o077).toBe(0);
    expect(readdirSync(folder).filter((file) => file.startsWith('set-up-word'))).toHaveLength(1);
    expect(readFileSync(path.join(folder, 'set-up-word'), 'utf8').trim()).toBe(words[0]);
  });

  it('opens to no other word, nor to none when the file was emptied, and slows who guesses', async () => {
    const there = '10.0.0.66';
    for (let i = 0; i < 5; i++)
      expect(refusal(await setUp({ word: `guess ${i}` }, there))).toEqual(['set-up-word-wrong', ['word']]);
    expect(refusal(await setUp({}, there))).toEqual(['code-slowed', ['word']]);
    writeFileSync(path.join(folder, 'set-up-word'), '');
    expect(refusal(await setUp({ word: '' }, '10.0.0.2'))).toEqual(['set-up-word-wrong', ['word']]);
    expect(await findDepartment(out.db.read)).toBeNull();
  });

  it.each([
    ['no name', { name: '  ' }, ['bad-input', ['name']]],
    ['nobody', { person: '' }, ['bad-input', ['person']]],
    ['a user name with spaces', { userName: 'two words' }, ['user-name-odd', ['userName']]],
    ['a short password', { password: 'short' }, ['password-short', ['password']]],
    ['a common password', { password: 'password1234' }, ['password-common', ['password']]],
    ['something else than words', { name: { $ne: 1 } }, ['bad-input', ['name']]],
  ])('refuses %s beside its place, and keeps the word', async (_, said, why) => {
    expect(refusal(await setUp(said))).toEqual(why);
    expect(await findDepartment(out.db.read)).toBeNull();
    expect(readdirSync(folder)).toContain('set-up-word');
  });
});

describe('the lead', () => {
  let dept: TestDepartment;
  beforeEach(async () => {
    dept = await TestDepartment.open();
  });
  afterEach(() => dept.close());

  const person = (said: object = {}) => ({
    id: null,
    name: 'Noor',
    userName: 'Noor',
    role: 'teacher',
    email: '',
    ...said,
  });
  const keep = (said: object = {}, who = 'lead') => keepMember(dept.as(who), person(said));

  it('takes in somebody who signs in with a password told once', async () => {
    const { userName, password } = must(await keep({ email: ' noor@kestrel-ridge.example ' }));
    const { member } = must(await signIn(dept.out, { userName, password: password ?? '', source: 'x' }));
    expect(member).toMatchObject({ role: 'teacher', name: 'Noor' });
    const row = must(await listMembers(dept.as('lead'))).find(({ id }) => id === member.id);
    expect(row).toMatchObject({ userName: 'noor', email: 'noor@kestrel-ridge.example' });
    // Addresses are for whoever manages people.
    expect(must(await listMembers(dept.as('teacher'))).filter(({ email }) => email !== null)).toEqual([]);
  });

  it.each([
    ['a name that somebody has, in other letters', { userName: 'ADA' }, ['user-name-taken', ['userName']]],
    ['a user name that cannot be typed', { userName: 'a b' }, ['user-name-odd', ['userName']]],
    ['an odd address', { email: 'noor at home' }, ['email-odd', ['email']]],
    ['a role that does not exist', { role: 'guest' }, ['bad-input', ['role']]],
    ['nobody', { name: ' ' }, ['bad-input', ['name']]],
    ['somebody who is not there', { id: 'nobody' }, ['not-found', undefined]],
  ])('is refused %s', async (_, said, why) => {
    expect(refusal(await keep(said))).toEqual(why);
  });

  it('says otherwise what somebody does, at once and without another password', async () => {
    const { token } = must(await signIn(dept.out, { userName: 'marker', password: 'correct horse', source: 'x' }));
    const said = { id: dept.id('marker'), name: 'Mirela', userName: 'marker', role: 'teacher' };
    expect(must(await keep(said)).password).toBeNull();
    expect(await actorOf(dept.out, token)).toMatchObject({ role: 'teacher', name: 'Mirela' });
  });

  it('makes nobody staff of a student, nor a student of staff', async () => {
    expect(refusal(await keep({ id: dept.id('ada'), role: 'lead' }))).toEqual(['role-stays', ['role']]);
    expect(refusal(await keep({ id: dept.id('marker'), role: 'student' }))).toEqual(['role-stays', ['role']]);
  });

  it('leads until somebody else does', async () => {
    const self = { id: dept.id('lead'), name: 'lead', userName: 'lead', role: 'teacher' };
    expect(refusal(await keep(self))).toEqual(['last-lead', ['role']]);
    must(await keep({ id: dept.id('teacher'), name: 'teacher', userName: 'teacher', role: 'lead' }));
    expect((await keep(self)).ok).toBe(true);
  });

  it('leaves the department to one of two who step down at the same time', async () => {
    must(await keep({ id: dept.id('teacher'), name: 'teacher', userName: 'teacher', role: 'lead' }));
    const down = (who: string) => keep({ id: dept.id(who), name: who, userName: who, role: 'marker' });
    const done = await Promise.all([down('lead'), down('teacher')]);
    expect(done.map((one) => refusal(one))).toEqual(['done', ['last-lead', ['role']]]);
  });

  it('closes an account: its sessions end, nobody comes in by it, and what was done stays; or opens it again', async () => {
    const { sitting } = await dept.sitting();
    const come = (password: string) => signIn(dept.out, { userName: 'stranger', password, source: 'y' });
    const { token } = must(await come('correct horse'));
    const close = (closed: boolean) => closeAccount(dept.as('lead'), { id: dept.id('stranger'), closed });
    must(await close(true));
    expect(await actorOf(dept.out, token)).toBeNull();
    expect(refusal(await come('correct horse'))).toEqual(['account-closed', undefined]);
    // Who does not have the password learns nothing of it.
    expect(refusal(await come('wrong'))).toEqual(['sign-in-wrong', ['password']]);
    const row = async () => must(await listMembers(dept.as('lead'))).find(({ id }) => id === dept.id('stranger'));
    expect(await row()).toMatchObject({ closed: true, role: 'teacher' });
    const offered = async () => {
      const colleagues = await listColleagues(dept.as('lead'));
      const { able: helpers } = must(await helpersOf(dept.as('teacher'), sitting));
      const { able: judges } = must(await openPassMark(dept.as('teacher'), sitting));
      const markers = await markersOf(dept.out.db.read, sitting);
      return [colleagues, helpers, judges, markers].map((people) => people.some(({ name }) => name === 'stranger'));
    };
    expect(await offered()).toEqual([false, false, false, false]);
    must(await close(false));
    // Whoever is in the course already needs no asking.
    must(await setStaff(dept.as('lead'), { course: dept.course, staff: [dept.id('teacher'), dept.id('stranger')] }));
    expect(await offered()).toEqual([true, false, true, true]);
    must(await close(true));
    expect(await offered()).toEqual([false, false, false, false]);
    must(await close(false));
    must(await setStaff(dept.as('lead'), { course: dept.course, staff: [dept.id('teacher')] }));
    expect(await offered()).toEqual([true, true, true, false]);
    expect((await come('correct horse')).ok).toBe(true);
    expect(await row()).toMatchObject({ closed: false });
  });

  it('is never closed out: the last of them stays', async () => {
    const close = (who: string) => closeAccount(dept.as('lead'), { id: dept.id(who), closed: true });
    expect(refusal(await close('lead'))).toEqual(['last-lead', undefined]);
    must(await keep({ id: dept.id('teacher'), name: 'teacher', userName: 'teacher', role: 'lead' }));
    must(await close('teacher'));
    // One whose account is closed leads nobody.
    expect(refusal(await close('lead'))).toEqual(['last-lead', undefined]);
    const down = { id: dept.id('lead'), name: 'lead', userName: 'lead', role: 'teacher' };
    expect(refusal(await keep(down))).toEqual(['last-lead', ['role']]);
    expect(refusal(await closeAccount(dept.as('lead'), { id: 'nobody', closed: true }))).toEqual([
      'not-found',
      undefined,
    ]);
  });

  it('begins courses and renames them; two have never the same code', async () => {
    const course = { id: null, code: ' WT-300 ', title: 'Offshore', term: '' };
    const { id } = must(await keepCourse(dept.as('lead'), course));
    expect(refusal(await keepCourse(dept.as('lead'), course))).toEqual(['course-code-taken', ['code']]);
    expect(refusal(await keepCourse(dept.as('lead'), { ...course, code: ' ' }))).toEqual(['bad-input', ['code']]);
    expect(refusal(await keepCourse(dept.as('lead'), { ...course, id: 'gone', code: 'X' }))).toEqual([
      'not-found',
      undefined,
    ]);
    must(await setStaff(dept.as('lead'), { course: id, staff: [dept.id('teacher')] }));
    must(await keepCourse(dept.as('lead'), { ...course, id, title: 'At sea', term: 'spring' }));
    expect((await listStaff(dept.as('lead'))).find((one) => one.id === id)).toMatchObject({
      code: 'WT-300',
      title: 'At sea',
      term: 'spring',
      staff: [{ id: dept.id('teacher') }],
    });
  });

  it('renames the department', async () => {
    must(await nameDepartment(dept.as('lead'), { name: ' Wind ', institute: '' }));
    expect(await readDepartment(dept.out.db.read)).toMatchObject({ name: 'Wind', institute: '' });
    expect(refusal(await nameDepartment(dept.as('lead'), { name: '', institute: '' }))).toEqual([
      'bad-input',
      ['name'],
    ]);
  });

  it('alone does all of this', async () => {
    const before = await dept.out.db.read.select().from(courses);
    for (const who of ['teacher', 'marker', 'stranger', 'ada']) {
      expect(refusal(await keep({}, who))).toEqual(['forbidden', undefined]);
      expect(refusal(await keepCourse(dept.as(who), { id: null, code: 'X', title: 'X', term: '' }))).toEqual([
        'forbidden',
        undefined,
      ]);
      expect(refusal(await closeAccount(dept.as(who), { id: dept.id('ben'), closed: true }))).toEqual([
        'forbidden',
        undefined,
      ]);
      expect(refusal(await nameDepartment(dept.as(who), { name: 'X', institute: '' }))).toEqual([
        'forbidden',
        undefined,
      ]);
    }
    expect(await dept.out.db.read.select().from(courses)).toEqual(before);
  });
});
