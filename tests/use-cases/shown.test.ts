import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { placedSlots, type QuestionBody } from '@/core/bank/question';
import { must } from '@/core/base/result';
import { type Aspect, ASPECTS, MOMENTS, ON_RELEASE, type Sees } from '@/core/exams/sees';
import type { ChoiceSetup, ChoiceSheet } from '@/core/kinds/choice/choice';
import { kindOf } from '@/core/kinds/registry';
import { openDesk } from '@/server/marking/desk';
import { listMarking } from '@/server/marking/list-marking';
import { giveMark } from '@/server/marking/give-mark';
import { addRemark } from '@/server/marking/remarks';
import { openOwnResult, type OwnResult } from '@/server/results/own-result';
import type { ResultSlot } from '@/server/results/slots-seen';
import { listOwnResults } from '@/server/results/own-results';
import { releaseResults } from '@/server/results/release';
import { enterSitting } from '@/server/sittings/enter';
import { openRoom } from '@/server/sittings/room';
import { saveAnswers } from '@/server/sittings/save-answers';
import { TestDepartment } from '../drivers/department';
import { questionOfEveryKind, sampleQuestion, SECRETS } from '../drivers/samples';
import { handInAndMark } from '../drivers/hand-in';

let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

it('with the key switched off nothing that a student receives tells it, of any kind, whatever else is shown', async () => {
  const { sitting } = await dept.sitting(1, 30, questionOfEveryKind);
  const { attempt } = must(await enterSitting(dept.as('ada'), sitting));
  // Of every slot the answer worth trying that says least of its key.
  const slots = placedSlots(questionOfEveryKind('Any'));
  const entries = slots.flatMap(({ id, slot }, i) => {
    const tried = kindOf(slot.kind).marked?.tryouts(slot.setup) ?? [];
    const value = tried.find((response) => !SECRETS.some((secret) => JSON.stringify(response).includes(secret)));
    const own = slot.kind === 'choice' ? { chosen: ['o3'] } : value;
    return own === undefined ? [] : [{ seq: i + 1, item: 'item0', slot: id, value: own, age: 0 }];
  });
  expect(entries.length).toBeGreaterThan(4);
  must(await saveAnswers(dept.as('ada'), { attempt, device: 'device-one', entries }));
  must(await handInAndMark(dept.as('ada'), attempt));
  for (const { item } of must(await listMarking(dept.as('marker'))))
    for (const { slot } of must(await openDesk(dept.as('marker'), sitting, item)).answers) {
      const place = { attempt, item, slot };
      must(await giveMark(dept.as('marker'), { ...place, marks: '0' }));
      must(await addRemark(dept.as('marker'), { ...place, words: 'Look again.', anchor: { at: 'whole' } }));
    }

  const told = async (shows: Record<string, boolean>): Promise<string> => {
    must(await releaseResults(dept.as('teacher'), { sitting, shows: { ...shows, atOnce: true } }));
    return JSON.stringify(must(await openOwnResult(dept.as('ada'), attempt)));
  };
  const keys = ['73219', 'secretkeyword'];
  for (const marks of [true, false])
    for (const explanation of [true, false]) {
      const without = await told({ marks, explanation, key: false });
      for (const secret of [...keys, '"setup"', '"rules"']) expect(without).not.toContain(secret);
      expect(without.includes('Secret explanation')).toBe(marks && explanation);
      expect(without.includes('Look again.')).toBe(marks);
    }
  const everything = await told({ marks: true, explanation: true, key: true });
  for (const secret of keys) expect(everything).toContain(secret);
});

describe('before results are released', () => {
  /** What the page of somebody who has handed in tells, by what the exam says. */
  async function handedIn(sees: Partial<Sees>) {
    const { sitting } = await dept.sitting(1, 30, sampleWithTwoKinds, (plan) => ({
      ...plan,
      sees: { ...ON_RELEASE, ...sees },
    }));
    const { attempt } = must(await enterSitting(dept.as('ada'), sitting));
    const room = must(await openRoom(dept.as('ada'), attempt));
    const sheet = room.sections[0]?.items[0]?.sheet.slots.a?.sheet as ChoiceSheet;
    const two = sheet.options.find(({ text }) => text === 'two');
    const entries = [
      { seq: 1, item: 'item0', slot: 'a', value: { chosen: [two?.id] }, age: 0 },
      { seq: 2, item: 'item0', slot: 'c', value: { text: 'neither' }, age: 0 },
    ];
    must(await saveAnswers(dept.as('ada'), { attempt, device: 'device-one', entries }));
    const writing = await openOwnResult(dept.as('ada'), attempt);
    expect(writing).toMatchObject({ ok: false, refusal: { code: 'forbidden' } });
    must(await handInAndMark(dept.as('ada'), attempt));
    return { sitting, attempt, seen: await openOwnResult(dept.as('ada'), attempt) };
  }

  const slotsOf = ({ items }: OwnResult): ResultSlot[] => items.flatMap(({ slots }) => slots);
  const TOLD: Record<Aspect, (own: OwnResult) => boolean> = {
    marks: (own) => slotsOf(own).some(({ marks }) => marks === '1'),
    right: (own) => slotsOf(own).some(({ outcome }) => outcome === 'right'),
    key: (own) => JSON.stringify(own).includes('73219'),
    explanation: (own) => JSON.stringify(own).includes('Secret explanation'),
    remarks: (own) => JSON.stringify(own).includes('Said of two'),
  };

  it.each(ASPECTS)('%s alone is told when that is what the exam says, and nothing else', async (aspect) => {
    const { seen, attempt } = await handedIn({ [aspect]: 'handed in' });
    const told = must(seen);
    // Whoever reads the marks knows what is right.
    const expected = aspect === 'marks' ? ['marks', 'right'] : [aspect];
    expect(ASPECTS.filter((one) => TOLD[one](told))).toEqual(expected);
    expect(told.score).toBe(null);
    expect(told.soFar).toEqual(aspect === 'marks' ? { marks: '1', of: '4', waiting: 1 } : null);
    expect(await listOwnResults(dept.as('ada'))).toMatchObject([{ attempt, result: { score: null } }]);
    expect(await openOwnResult(dept.as('ben'), attempt)).toMatchObject({ ok: false });
  });

  it.each(MOMENTS)('what is said to come %s comes then', async (moment) => {
    const all = Object.fromEntries(ASPECTS.map((aspect) => [aspect, moment])) as Sees;
    const { seen } = await handedIn(all);
    expect(seen.ok).toBe(moment === 'at once' || moment === 'handed in');
    if (!seen.ok) expect(await listOwnResults(dept.as('ada'))).toMatchObject([{ result: null }]);
  });
});

/** A choice, a number and a short text of which one wording waits for a person. */
function sampleWithTwoKinds(title: string): QuestionBody {
  const body = sampleQuestion(title);
  const choice = body.slots.a;
  if (!choice) throw new Error('A choice');
  const setup = choice.setup as ChoiceSetup;
  const options = setup.options.map((option) => ({ ...option, feedback: option.id === 'o2' ? 'Said of two' : '' }));
  return { ...body, slots: { ...body.slots, a: { ...choice, setup: { ...setup, options } } } };
}
