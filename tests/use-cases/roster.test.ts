import { eq } from 'drizzle-orm';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import type { ExamPlan, Only } from '@/core/exams/plan';
import { participants } from '@/server/db/schema/exams';
import { examView } from '@/server/exams/exam-view';
import { dealGroups, nameGroup, removeGroup, setGroup } from '@/server/people/groups';
import { enrol, openRoster, setSubjects, unenrol } from '@/server/people/roster';
import { openOwnResult } from '@/server/results/own-result';
import { openResults } from '@/server/results/results';
import { giveMoreTime } from '@/server/sittings/change-sitting';
import { enterSitting } from '@/server/sittings/enter';
import { ownSittings } from '@/server/sittings/own-sittings';
import { watchSitting } from '@/server/sittings/watch';
import { openRoom } from '@/server/sittings/room';
import { TestDepartment } from '../drivers/department';
import { handInAndMark } from '../drivers/hand-in';
import { sampleQuestion } from '../drivers/samples';

let dept: TestDepartment;
let course: string;
const roster = async () => must(await openRoster(dept.as('teacher'), course));
const student = async (name: string) => (await roster()).students.find((one) => one.userName === name);

beforeAll(async () => {
  dept = await TestDepartment.open();
  course = dept.course;
});
afterAll(() => dept.close());

describe('the roster of a course', () => {
  it('has subjects and groups of each student, changed one by one', async () => {
    const ctx = dept.as('teacher');
    expect((await roster()).students.map(({ userName }) => userName)).toEqual(['ada', 'ben']);
    must(await enrol(ctx, { course, member: dept.id('cleo') }));
    must(
      await setSubjects(ctx, { course, member: dept.id('ada'), subjects: ['Hydraulics', ' Controls ', 'Hydraulics'] }),
    );
    must(await nameGroup(ctx, { course, group: null, name: 'Group 10' }));
    must(await nameGroup(ctx, { course, group: null, name: 'Group 2' }));
    expect(await nameGroup(ctx, { course, group: null, name: 'Group 2' })).toMatchObject({
      refusal: { code: 'group-name-taken' },
    });
    const [second, tenth] = (await roster()).groups;
    expect([second?.name, tenth?.name]).toEqual(['Group 2', 'Group 10']);
    must(await setGroup(ctx, { course, member: dept.id('ada'), group: tenth?.id }));
    must(await setGroup(ctx, { course, member: dept.id('ada'), group: second?.id }));
    expect(await student('ada')).toMatchObject({ subjects: ['Hydraulics', 'Controls'], group: second?.id });
    expect((await roster()).subjects).toEqual(['Controls', 'Hydraulics']);
    must(await removeGroup(ctx, { course, group: second?.id }));
    expect(await student('ada')).toMatchObject({ group: null });
  });

  it('deals everybody anew at random, and refuses sizes that are none', async () => {
    must(await dealGroups(dept.as('teacher'), { course, size: 2 }));
    const { groups, students } = await roster();
    expect(groups.map(({ name }) => name)).toEqual(['Group 1', 'Group 2']);
    expect(new Set(students.map(({ group }) => group))).toEqual(new Set(groups.map(({ id }) => id)));
    expect(await dealGroups(dept.as('teacher'), { course, size: 0 })).toMatchObject({ ok: false });
  });

  it('keeps a group that has an attempt as it is, so that its marks stay theirs', async () => {
    const ctx = dept.as('teacher');
    const ada = await student('ada');
    const group = ada?.group ?? '';
    await dept.out.db.transaction(async (tx) => {
      await tx.insert(participants).values({ id: group, is: 'group', group, name: '' });
    });
    const refused = { ok: false, refusal: { code: 'group-has-worked' } };
    expect(await setGroup(ctx, { course, member: ada?.id, group: null })).toMatchObject(refused);
    expect(await removeGroup(ctx, { course, group })).toMatchObject(refused);
    expect(await dealGroups(ctx, { course, size: 1 })).toMatchObject(refused);
    expect(await unenrol(ctx, { course, member: ada?.id })).toMatchObject(refused);
    const others = (await roster()).students.filter((one) => one.group !== group);
    expect(await setGroup(ctx, { course, member: others[0]?.id, group })).toMatchObject(refused);
    expect((await student('ada'))?.group).toBe(group);
    await dept.out.db.transaction(async (tx) => {
      await tx.delete(participants).where(eq(participants.id, group));
    });
  });

  it('is kept by those who teach the course, not by others, markers and students', async () => {
    for (const other of ['stranger', 'marker', 'outsider', 'ada'] as const) {
      expect(await openRoster(dept.as(other), course)).toMatchObject({ ok: false });
      expect(await setSubjects(dept.as(other), { course, member: dept.id('ben'), subjects: ['x'] })).toMatchObject({
        refusal: { code: 'forbidden' },
      });
      expect(await dealGroups(dept.as(other), { course, size: 1 })).toMatchObject({ refusal: { code: 'forbidden' } });
    }
    expect(must(await openRoster(dept.as('lead'), course)).code).toBe((await roster()).code);
  });

  it('takes in students of the department only, and lets go of them', async () => {
    const ctx = dept.as('teacher');
    expect(await enrol(ctx, { course, member: dept.id('marker') })).toMatchObject({ refusal: { code: 'not-found' } });
    expect(await setSubjects(ctx, { course, member: dept.id('marker'), subjects: [] })).toMatchObject({ ok: false });
    must(await unenrol(ctx, { course, member: dept.id('cleo') }));
    expect(await student('cleo')).toBeUndefined();
    must(await enrol(ctx, { course, member: dept.id('cleo') }));
    expect(await student('cleo')).toMatchObject({ group: null, subjects: [] });
  });
});

/** The second question in a section of its own, for those who take hydraulics; to pass, all of it must be right. */
function halved(plan: ExamPlan): ExamPlan {
  const [first] = plan.sections;
  if (!first) throw new Error('A section');
  const only: Only = { subjects: ['hydraulics'], groups: [], members: [] };
  const second = { ...first, id: 's2', title: 'Hydraulics', items: first.items.slice(1), only, passPercent: '100' };
  return { ...plan, sections: [{ ...first, items: first.items.slice(0, 1) }, second] };
}

it('who is taken out of the course while writing goes on, is watched, and can be given time', async () => {
  const ctx = dept.as('teacher');
  const { sitting } = await dept.sitting(1);
  const { attempt } = must(await enterSitting(dept.as('ben'), sitting));
  must(await unenrol(ctx, { course, member: dept.id('ben') }));
  expect((await ownSittings(dept.as('ben'))).map((one) => one.attempts[0]?.id)).toEqual([attempt]);
  expect(must(await enterSitting(dept.as('ben'), sitting)).attempt).toBe(attempt);
  expect((await openRoom(dept.as('ben'), attempt)).ok).toBe(true);
  const watched = must(await watchSitting(ctx, sitting)).people.filter((one) => one.attempt);
  expect(watched.map(({ name }) => name)).toEqual(['ben']);
  must(await giveMoreTime(ctx, { sitting, people: [dept.id('ben')], minutes: 5, reason: '' }));
  // To what was not begun nobody comes back.
  const { sitting: later } = await dept.sitting(1);
  expect(await enterSitting(dept.as('ben'), later)).toMatchObject({ ok: false });
  expect((await ownSittings(dept.as('ben'))).map(({ id }) => id)).toEqual([sitting]);
  must(await enrol(ctx, { course, member: dept.id('ben') }));
});

describe('a section for some students only', () => {
  it('is on their papers and in their totals, and nowhere else, from entry to result', async () => {
    const ctx = dept.as('teacher');
    must(await setSubjects(ctx, { course, member: dept.id('ada'), subjects: ['Hydraulics'] }));
    let both: ExamPlan | null = null;
    const { sitting } = await dept.sitting(2, 30, sampleQuestion, (plan) => (both = halved(plan)));
    const view = must(await examView(ctx, { plan: both, course }));
    expect(view.sets).toEqual([
      { without: ['s2'], people: 2, marks: '4' },
      { without: [], people: 1, marks: '8' },
    ]);
    expect([view.least, view.marks]).toEqual(['4', '8']);
    // Who is in a course is not told to those who do not teach it.
    expect(must(await examView(dept.as('stranger'), { plan: both, course })).sets).toEqual([]);

    const attempts: Record<string, string> = {};
    for (const name of ['ada', 'ben'] as const)
      attempts[name] = must(await enterSitting(dept.as(name), sitting)).attempt;
    const paper = async (name: 'ada' | 'ben') => must(await openRoom(dept.as(name), attempts[name] ?? ''));
    expect((await paper('ada')).sections.map(({ title, marks }) => [title, marks])).toEqual([
      ['Section', '4'],
      ['Hydraulics', '4'],
    ]);
    expect((await paper('ben')).sections.map(({ title }) => title)).toEqual(['Section']);
    expect((await paper('ben')).marks).toBe('4');
    // What was decided at the beginning stays so.
    must(await setSubjects(ctx, { course, member: dept.id('ada'), subjects: [] }));
    expect((await paper('ada')).sections).toHaveLength(2);

    for (const name of ['ada', 'ben'] as const) await handInAndMark(dept.as(name), attempts[name] ?? '');
    const results = must(await openResults(ctx, sitting));
    const sections = new Map(
      results.rows.map((row) => [row.name, results.sections.filter(({ id }) => row.parts[id]).length]),
    );
    expect([...sections.values()].sort()).toEqual([1, 2]);
    const own = must(await openOwnResult(ctx, attempts.ben ?? ''));
    // One section alone is the whole.
    expect([own.score?.of, own.score?.parts.length]).toEqual(['4', 0]);
  });

  it('keeps out whoever would have no section at all, and says so', async () => {
    const only: Only = { subjects: [], groups: [], members: [dept.id('ada')] };
    const { sitting } = await dept.sitting(1, 30, sampleQuestion, (plan) => ({
      ...plan,
      sections: plan.sections.map((section) => ({ ...section, only })),
    }));
    expect(await enterSitting(dept.as('ben'), sitting)).toMatchObject({ refusal: { code: 'no-section' } });
    expect((await enterSitting(dept.as('ada'), sitting)).ok).toBe(true);
  });
});
