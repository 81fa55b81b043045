import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import type { ExamPlan, Section } from '@/core/exams/plan';
import { contentFromLines } from '@/core/content/lines';
import { NO_PROVISION } from '@/core/people/provision';
import { groupMembers, groups } from '@/server/db/schema/people';
import { setProvision } from '@/server/people/provisions';
import { beforeSitting } from '@/server/sittings/before';
import { sittingByLink } from '@/server/sittings/by-link';
import { enterSitting } from '@/server/sittings/enter';
import { scheduleSitting } from '@/server/sittings/schedule';
import { handInAndMark } from '../drivers/hand-in';
import { MINUTE, TestDepartment } from '../drivers/department';
import { SECRETS } from '../drivers/samples';

/** What is read before one begins: how it runs, and nothing of what is asked. */
let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

const before = async (who: string, sitting: string) => must(await beforeSitting(dept.as(who), sitting));
/** The one section of the test exam as several. */
const parted =
  (change: (sections: Section[], first: Section) => Section[]) =>
  (plan: ExamPlan): ExamPlan => {
    const [first] = plan.sections;
    return first ? { ...plan, sections: change(plan.sections, first) } : plan;
  };

describe('how it runs', () => {
  it('is told by what is pinned, and nothing of the questions is', async () => {
    const { sitting } = await dept.sitting(3, 40, undefined, (plan) => ({
      ...plan,
      instructions: 'Work alone.',
      moves: 'forward',
      calculator: 'scientific',
      formulas: contentFromLines('E = m g h'),
      practice: { check: 'wish', tries: null, key: false },
    }));
    const told = await before('ada', sitting);
    expect(told).toMatchObject({
      instructions: 'Work alone.',
      minutes: 40,
      extra: 0,
      questions: 3,
      marks: '12',
      moves: 'forward',
      calculator: 'scientific',
      formulas: true,
      practice: true,
      together: [],
      next: { is: 'new', number: 1 },
    });
    const words = JSON.stringify(told);
    for (const secret of ['Sample 0', 'm g h', ...SECRETS]) expect(words).not.toContain(secret);
  });

  it('has extra time in the whole and, by the same share, in sections', async () => {
    must(await setProvision(dept.as('teacher'), { ...NO_PROVISION, member: dept.id('ada'), extraTimePercent: 50 }));
    const { sitting } = await dept.sitting(
      1,
      60,
      undefined,
      parted(([one]) => (one ? [{ ...one, minutes: 20 }] : [])),
    );
    expect(await before('ada', sitting)).toMatchObject({
      minutes: 90,
      extra: 30,
      timed: [{ minutes: 30 }],
      // Extra time reaches past the common end; one begins before it all the same.
      closesAt: dept.now + 150 * MINUTE,
      beginBefore: dept.now + 120 * MINUTE,
    });
    expect(await before('ben', sitting)).toMatchObject({ minutes: 60, extra: 0, timed: [{ minutes: 20 }] });
  });

  it('tells each of the sections that are theirs', async () => {
    const { sitting } = await dept.sitting(
      2,
      60,
      undefined,
      parted((_, first) => [
        { ...first, items: first.items.slice(0, 1) },
        {
          ...first,
          id: 'only-ben',
          items: first.items.slice(1),
          only: { subjects: [], groups: [], members: [dept.id('ben')] },
        },
      ]),
    );
    expect(await before('ada', sitting)).toMatchObject({ questions: 1, marks: '4' });
    expect(await before('ben', sitting)).toMatchObject({ questions: 2, marks: '8' });
  });

  it('says no marks where papers differ', async () => {
    const { sitting } = await dept.sitting(
      2,
      60,
      undefined,
      parted((_, first) => [
        {
          ...first,
          items: first.items.map((item, i) => ({ ...item, marks: String(i + 1) })),
          draws: [{ id: 'draw', take: 1, items: first.items.map(({ id }) => id) }],
        },
      ]),
    );
    expect(await before('ada', sitting)).toMatchObject({ questions: 1, marks: null });
  });

  it('names those with whom it is written together', async () => {
    const { exam } = await dept.sitting(1);
    await dept.out.db.transaction(async (tx) => {
      await tx.insert(groups).values({ id: 'crew', course: dept.course, name: 'Crew 4' });
      await tx.insert(groupMembers).values(['ada', 'ben'].map((who) => ({ group: 'crew', member: dept.id(who) })));
    });
    const times = { opensAt: dept.now, closesAt: dept.now + 60 * MINUTE, minutes: 30 };
    const { id } = must(
      await scheduleSitting(dept.as('teacher'), { exam, course: dept.course, who: 'groups', ...times }),
    );
    expect((await before('ada', id)).together).toEqual(['ben']);
    expect((await before('ben', id)).together).toEqual(['ada']);
  });
});

describe('who reads it', () => {
  it('whoever is to sit it, and nobody else', async () => {
    const { sitting } = await dept.sitting(1);
    for (const who of ['cleo', 'teacher', 'marker'])
      expect((await beforeSitting(dept.as(who), sitting)).ok).toBe(false);
    expect(await beforeSitting(dept.as('ada'), 'nothing')).toMatchObject({ refusal: { code: 'not-found' } });
  });

  it('whoever has the link, before they give a name; of other sittings a link tells nothing', async () => {
    const { sitting, exam } = await dept.sitting(1);
    expect((await sittingByLink(dept.out, sitting, null)).ok).toBe(false);
    const times = { opensAt: dept.now, closesAt: dept.now + 60 * MINUTE, minutes: 30 };
    const { id } = must(
      await scheduleSitting(dept.as('teacher'), { exam, course: dept.course, who: 'link', ...times }),
    );
    const told = must(await sittingByLink(dept.out, id, null));
    expect(told.how).toMatchObject({ questions: 1, minutes: 30, extra: 0 });
    for (const secret of ['Sample 0', ...SECRETS]) expect(JSON.stringify(told)).not.toContain(secret);
  });

  it('whoever is at it is led back, and whoever has handed in is told', async () => {
    const { sitting } = await dept.sitting(1);
    const { attempt } = must(await enterSitting(dept.as('ada'), sitting));
    expect((await before('ada', sitting)).next).toEqual({ is: 'open', attempt });
    must(await handInAndMark(dept.as('ada'), attempt));
    expect((await before('ada', sitting)).next).toEqual({ is: 'used up', attempt });
  });
});
