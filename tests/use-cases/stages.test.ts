import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import type { ExamPlan } from '@/core/exams/plan';
import { giveMoreTime } from '@/server/sittings/change-sitting';
import { markWaiting } from '@/server/marking/mark-handed-in';
import { openResults } from '@/server/results/results';
import { sweep } from '@/server/sittings/hand-in';
import { enterSitting } from '@/server/sittings/enter';
import { goOn, pauseTime } from '@/server/sittings/pause';
import { checkQuestion } from '@/server/sittings/practice';
import { openRoom } from '@/server/sittings/room';
import { saveAnswers } from '@/server/sittings/save-answers';
import { goToNextStage } from '@/server/sittings/stages';
import { NO_PROVISION } from '@/core/people/provision';
import { setProvision } from '@/server/people/provisions';
import { TestDepartment } from '../drivers/department';

/** Papers that are gone through in stages: forward only, or by sections with a time of their own. */
let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

const forward = (plan: ExamPlan): ExamPlan => ({ ...plan, moves: 'forward', pages: 'question' });
/** Two sections, each with a question; the first has ten minutes. */
const timed = (plan: ExamPlan): ExamPlan => {
  const [first] = plan.sections;
  if (!first) return plan;
  const [one, two] = first.items;
  return {
    ...plan,
    sections: [
      { ...first, items: one ? [one] : [], minutes: 10 },
      { ...first, id: 'second', title: 'Second', items: two ? [two] : [] },
    ],
  };
};

let seq = 0;
async function writing(plan: (plan: ExamPlan) => ExamPlan) {
  const { sitting } = await dept.sitting(2, 30, undefined, plan);
  const ada = () => dept.as('ada');
  const { attempt } = must(await enterSitting(ada(), sitting));
  const room = async () => must(await openRoom(ada(), attempt));
  const save = async (item: string, age = 0) => {
    const entries = [{ seq: ++seq, item, slot: 'c', value: { text: `answer ${seq}` }, age }];
    const { saved, refused } = must(await saveAnswers(ada(), { attempt, device: 'device-one', entries }));
    return saved.length > 0 ? 'saved' : refused[0]?.why;
  };
  const next = (from: string) => goToNextStage(ada(), attempt, { from });
  const shown = async () => (await room()).sections.flatMap(({ items }) => items.map(({ id }) => id));
  return { sitting, attempt, room, save, next, shown };
}

describe('forward only', () => {
  it('the room has one question at a time, and nothing of the others', async () => {
    const { room, next, shown } = await writing(forward);
    expect([await shown(), (await room()).clock.stage]).toMatchObject([['item0'], { number: 1, of: 2, own: null }]);
    expect(must(await next('item0'))).toEqual({ stage: 'item1' });
    expect([await shown(), (await room()).clock.stage?.number]).toEqual([['item1'], 2]);
    expect(JSON.stringify(await room())).not.toContain('Sample 0');
    expect(await next('item1')).toMatchObject({ refusal: { code: 'last-stage' } });
  });

  it('takes no answer to what comes later, none to what was left, and loses none that was on its way', async () => {
    const { save, next, room } = await writing(forward);
    expect([await save('item0'), await save('item1')]).toEqual(['saved', 'unfit']);
    must(await next('item0'));
    expect([await save('item1'), await save('item0', 1000)]).toEqual(['saved', 'saved']);
    dept.pass(1);
    expect([await save('item0'), await save('item1')]).toEqual(['late', 'saved']);
    expect(Object.keys((await room()).answers)).toEqual(['item1']);
  });

  it('what was written without a connection counts in its part, as at the end of the time', async () => {
    const { attempt, next } = await writing(forward);
    dept.pass(2);
    must(await next('item0'));
    dept.now += 10_000;
    const late = (age: number) =>
      saveAnswers(dept.as('ada'), {
        attempt,
        device: 'device-two',
        entries: [{ seq: ++seq, item: 'item0', slot: 'c', value: { text: 'offline' }, age }],
      });
    expect(must(await late(20_000)).saved).toHaveLength(1);
    // Written after it was left.
    expect(must(await late(5_000)).refused).toMatchObject([{ why: 'late' }]);
  });

  it('the clock hands in whatever part it is at', async () => {
    const { attempt, save, sitting } = await writing(forward);
    await save('item0');
    dept.pass(31);
    expect((await sweep(dept.out)).handedIn).toBe(1);
    await markWaiting(dept.out);
    const { rows } = must(await openResults(dept.as('teacher'), sitting));
    expect(rows).toMatchObject([{ attempt }]);
    expect(await goToNextStage(dept.as('ada'), attempt, { from: 'item0' })).toMatchObject({
      refusal: { code: 'time-is-over' },
    });
  });

  it('strangers leave nobody’s part', async () => {
    const { attempt } = await writing(forward);
    for (const who of ['ben', 'teacher', 'cleo'])
      expect(await goToNextStage(dept.as(who), attempt, { from: 'item0' })).toMatchObject({
        refusal: { code: 'forbidden' },
      });
  });

  it('a second click, and another device, leave it once', async () => {
    const { next, shown } = await writing(forward);
    const twice = await Promise.all([next('item0'), next('item0')]);
    expect(twice.map((one) => must(one).stage)).toEqual(['item1', 'item1']);
    expect(await shown()).toEqual(['item1']);
  });

  it('checks no question but the present one', async () => {
    const { attempt, next } = await writing((plan) => ({
      ...forward(plan),
      practice: { check: 'wish', tries: null, key: true },
    }));
    const check = (item: string) => checkQuestion(dept.as('ada'), attempt, { item, key: true });
    expect([(await check('item0')).ok, (await check('item1')).ok]).toEqual([true, false]);
    must(await next('item0'));
    dept.pass(1);
    expect([(await check('item0')).ok, (await check('item1')).ok]).toEqual([false, true]);
  });
});

/** The minutes that are left of the present stage; null where it has no time of its own. */
async function left(room: Awaited<ReturnType<typeof writing>>['room']): Promise<number | null> {
  const { now, stage } = (await room()).clock;
  return stage?.own ? (stage.own.to - now) / 60_000 : null;
}

describe('questions with a time of their own', () => {
  const each =
    (part: { secondsEach: number; minutes?: number }) =>
    (plan: ExamPlan): ExamPlan => ({
      ...plan,
      sections: plan.sections.map((section) => ({ ...section, ...part })),
    });

  it('are shown one by one, each with all of its time; what comes too late for one is taken by none', async () => {
    const { room, save, next, shown } = await writing(each({ secondsEach: 90 }));
    expect([await shown(), await left(room)]).toEqual([['item0'], 1.5]);
    dept.pass(1);
    expect([await left(room), await save('item0'), await save('item1')]).toEqual([0.5, 'saved', 'unfit']);
    must(await next('item0'));
    expect([await shown(), await left(room)]).toEqual([['item1'], 1.5]);
    dept.pass(2);
    expect(await save('item1')).toBe('late');
  });

  it('grow by the provision to the second, and end with their section', async () => {
    must(
      await setProvision(dept.as('teacher'), {
        ...NO_PROVISION,
        member: dept.id('ada'),
        extraTimePercent: 25,
        reason: '',
      }),
    );
    const { room, next } = await writing(each({ secondsEach: 90, minutes: 1 }));
    // Of 30 minutes 25 % are 8, which is a share of 27 %.
    expect(await left(room)).toBe(115 / 60);
    dept.pass(1);
    must(await next('item0'));
    // The section has 2 minutes for this student.
    expect(await left(room)).toBe(1);
  });
});

describe('a section with a time of its own', () => {
  it('ends with it; the next has its own time, and the whole goes on', async () => {
    const { room, save, next, shown } = await writing(timed);
    const first = (await room()).clock.stage?.id ?? '';
    expect(await left(room)).toBe(10);
    dept.pass(9);
    expect(await save('item0')).toBe('saved');
    dept.pass(2);
    expect([await save('item0'), await save('item1')]).toEqual(['late', 'unfit']);
    must(await next(first));
    expect([await shown(), await left(room), await save('item1')]).toEqual([['item1'], null, 'saved']);
    expect(((await room()).clock.deadline - dept.now) / 60_000).toBe(19);
  });

  it('has the provision of its student, minutes given meanwhile, and the time that stood still', async () => {
    must(
      await setProvision(dept.as('teacher'), {
        ...NO_PROVISION,
        member: dept.id('ada'),
        extraTimePercent: 50,
        reason: '',
      }),
    );
    const { room, sitting } = await writing(timed);
    expect(await left(room)).toBe(15);
    must(await giveMoreTime(dept.as('teacher'), { sitting, people: [dept.id('ada')], minutes: 3, reason: '' }));
    expect(await left(room)).toBe(18);
    must(await pauseTime(dept.as('teacher'), { sitting, people: null }));
    dept.pass(40);
    const { stage } = (await room()).clock;
    expect(await goToNextStage(dept.as('ada'), (await room()).attempt, { from: stage?.id })).toMatchObject({
      refusal: { code: 'stands-still-already' },
    });
    must(await goOn(dept.as('teacher'), { sitting, people: null }));
    expect(await left(room)).toBe(18);
  });

  it('minutes given in another section are not this one’s', async () => {
    const { room, sitting, next } = await writing((plan) => {
      const made = timed(plan);
      return { ...made, sections: made.sections.map((section) => ({ ...section, minutes: 10 })) };
    });
    must(await giveMoreTime(dept.as('teacher'), { sitting, people: [dept.id('ada')], minutes: 4, reason: '' }));
    expect(await left(room)).toBe(14);
    dept.pass(1);
    must(await next((await room()).clock.stage?.id ?? ''));
    expect(await left(room)).toBe(10);
  });

  it('never outlasts the whole', async () => {
    const { room } = await writing((plan) => {
      const made = timed(plan);
      return {
        ...made,
        sections: made.sections.map((section, i) => (i === 0 ? { ...section, minutes: 60 } : section)),
      };
    });
    expect(await left(room)).toBe(30);
  });
});
