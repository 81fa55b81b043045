import { afterEach, beforeEach, expect, it } from 'vitest';
import type { QuestionBody } from '@/core/bank/question';
import { must } from '@/core/base/result';
import { plainText } from '@/core/content/plain';
import { number } from '@/core/kinds/number/number';
import { rulesFromKey } from '@/core/rules/number/rules';
import { openAnswers } from '@/server/marking/answers-view';
import { openOwnResult } from '@/server/results/own-result';
import { enterSitting } from '@/server/sittings/enter';
import { openRoom } from '@/server/sittings/room';
import { saveAnswers } from '@/server/sittings/save-answers';
import { TestDepartment } from '../drivers/department';
import { sampleQuestion } from '../drivers/samples';
import { handInAndMark } from '../drivers/hand-in';

let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

/** Slot b asks for the area a·h of a plate, slot c2 for its mass by that area. */
function plate(title: string, each: 'attempt' | 'everybody'): QuestionBody {
  const sample = sampleQuestion(title);
  const amount = (key: string) => ({
    kind: 'number' as const,
    marks: '2',
    setup: { ...number.fresh(), rules: rulesFromKey(key) },
  });
  const inline = (id: string) => ({ type: 'inlineSlot' as const, attrs: { id } });
  return {
    ...sample,
    content: {
      type: 'doc',
      content: [
        { type: 'paragraph', content: [{ type: 'text', text: 'A plate of <a> m by <h> m.' }] },
        { type: 'paragraph', content: [inline('b'), inline('c')] },
      ],
    },
    slots: { b: amount('<A> m^2'), c: amount('<m> kg') },
    vary: {
      values: [
        { name: 'a', from: { by: 'range', least: '101', most: '999', step: '1' } },
        { name: 'h', from: { by: 'range', least: '101', most: '999', step: '1' } },
        { name: 'A', from: { by: 'formula', formula: 'a h', round: null } },
        { name: 'S', from: { by: 'answer', slot: 'b' } },
        { name: 'm', from: { by: 'formula', formula: '7 S', round: null } },
      ],
      conditions: [],
      each,
    },
  };
}

async function begin(who: string, sitting: string): Promise<{ attempt: string; area: number; words: string }> {
  const { attempt } = must(await enterSitting(dept.as(who), sitting));
  const room = must(await openRoom(dept.as(who), attempt));
  const words = plainText(room.sections[0]?.items[0]?.sheet.content ?? { type: 'doc', content: [] });
  const [a = 0, h = 0] = (words.match(/\d+/g) ?? []).map(Number);
  expect(JSON.stringify(room.sections[0]?.items[0]?.sheet.slots)).not.toContain(`${a * h}`);
  return { attempt, area: a * h, words };
}

it('each student reads, answers and is marked by numbers of their own', async () => {
  const { sitting, items } = await dept.sitting(1, 30, (title) => plate(title, 'attempt'));
  const [item = ''] = items;
  const ada = await begin('ada', sitting);
  const ben = await begin('ben', sitting);
  expect(ada.words).not.toBe(ben.words);
  // Ada is right; Ben has a wrong area, and goes on rightly from it.
  for (const [who, { attempt }, area] of [
    ['ada', ada, ada.area],
    ['ben', ben, 11],
  ] as const) {
    const answers = { b: `${area} m^2`, c: `${7 * area} kg` };
    const entries = Object.entries(answers).map(([slot, typed], i) => ({
      seq: i + 1,
      item,
      slot,
      value: { number: typed, unit: '' },
      age: 0,
    }));
    must(await saveAnswers(dept.as(who), { attempt, device: 'device-one', entries }));
    must(await handInAndMark(dept.as(who), attempt));
  }
  const result = async (attempt: string) => must(await openOwnResult(dept.as('teacher'), attempt));
  expect((await result(ada.attempt)).items[0]?.slots.map(({ marks }) => marks)).toEqual(['2', '2']);
  const bens = (await result(ben.attempt)).items[0];
  expect(bens?.slots.map(({ marks }) => marks)).toEqual(['0', '2']);
  expect(bens?.slots[1]?.trace[0]).toEqual({ code: 'follow-through', values: { used: '11' } });
  expect(bens?.slots.map(({ key }) => key)).toEqual([`${ben.area} m^2`, `${7 * ben.area} kg`]);
  expect(plainText(bens?.sheet.content ?? { type: 'doc', content: [] })).toBe(ben.words);
  expect(must(await openAnswers(dept.as('teacher'), sitting, item)).varies).toBe(true);
});

it('or everybody has the same, when the teacher says so', async () => {
  const { sitting } = await dept.sitting(1, 30, (title) => plate(title, 'everybody'));
  expect((await begin('ada', sitting)).words).toBe((await begin('ben', sitting)).words);
});
