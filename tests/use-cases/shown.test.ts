import { afterEach, beforeEach, expect, it } from 'vitest';
import { placedSlots } from '@/core/bank/question';
import { must } from '@/core/base/result';
import { kindOf } from '@/core/kinds/registry';
import { giveMark, listMarking, openDesk } from '@/server/marking/desk';
import { openOwnResult } from '@/server/results/own-result';
import { releaseResults } from '@/server/results/results';
import { enterSitting } from '@/server/sittings/enter';
import { saveAnswers } from '@/server/sittings/save-answers';
import { TestDepartment } from '../drivers/department';
import { questionOfEveryKind, SECRETS } from '../drivers/samples';
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
    for (const { slot } of must(await openDesk(dept.as('marker'), sitting, item)).answers)
      must(await giveMark(dept.as('marker'), { attempt, item, slot, marks: '0', remark: 'Look again.' }));

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
