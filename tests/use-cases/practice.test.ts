import { afterEach, beforeEach, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import type { Practice } from '@/core/exams/plan';
import { type Aspect, ASPECTS, ON_RELEASE, type Sees } from '@/core/exams/sees';
import type { ChoiceSheet } from '@/core/kinds/choice/choice';
import { enterSitting } from '@/server/sittings/enter';
import { checkQuestion } from '@/server/sittings/practice';
import { openRoom } from '@/server/sittings/room';
import { saveAnswers } from '@/server/sittings/save-answers';
import { handInAndMark } from '../drivers/hand-in';
import { TestDepartment } from '../drivers/department';
import { questionOfEveryKind, sampleQuestion } from '../drivers/samples';

let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

const FREELY: Practice = { check: 'wish', tries: null, key: false };
let seq = 0;

/** Ada writes a sitting in which answers can be checked. */
async function writing(
  practice: Practice | undefined,
  sees: Partial<Sees> = { right: 'at once' },
  make = sampleQuestion,
) {
  const { sitting } = await dept.sitting(1, 30, make, (plan) => ({
    ...plan,
    ...(practice ? { practice } : {}),
    sees: { ...ON_RELEASE, ...sees },
  }));
  const ada = dept.as('ada');
  const { attempt } = must(await enterSitting(ada, sitting));
  const room = async () => must(await openRoom(dept.as('ada'), attempt));
  const sheets = (await room()).sections[0]?.items[0]?.sheet.slots ?? {};
  const options = (sheets.a?.sheet as ChoiceSheet).options;
  const save = async (slot: string | null, value: unknown) =>
    must(
      await saveAnswers(dept.as('ada'), {
        attempt,
        device: 'device-one',
        entries: [{ seq: ++seq, item: 'item0', slot, value, age: 0 }],
      }),
    );
  return {
    sitting,
    attempt,
    room,
    sheets,
    save,
    choose: (text: string) => save('a', { chosen: options.filter((o) => o.text === text).map(({ id }) => id) }),
    check: (key = false) => checkQuestion(dept.as('ada'), attempt, { item: 'item0', key }),
  };
}

it('an answer is checked as often as the exam lets it, the same one counts once, then it stays', async () => {
  const { choose, check, room } = await writing({ ...FREELY, tries: 2 });
  await choose('one');
  expect(must(await check())).toMatchObject({ left: 1, closed: false, slots: [{ outcome: 'wrong' }, {}, {}] });
  // A hasty second click, and another device.
  expect((await Promise.all([check(), check(), check()])).map((r) => must(r).left)).toEqual([1, 1, 1]);
  await choose('two');
  expect(must(await check())).toMatchObject({ left: 0, closed: true, slots: [{ outcome: 'right' }, {}, {}] });
  expect((await choose('three')).refused).toMatchObject([{ why: 'unfit' }]);
  expect(must(await check())).toMatchObject({ closed: true, slots: [{ outcome: 'right' }, {}, {}] });
  expect((await room()).checked.item0).toMatchObject({ left: 0, closed: true });
});

it('what is said of the whole question is no other answer', async () => {
  const { choose, check, save } = await writing({ ...FREELY, tries: 3 });
  await choose('one');
  expect(must(await check()).left).toBe(2);
  await save(null, { later: true });
  expect(must(await check()).left).toBe(2);
  await choose('two');
  expect(must(await check()).left).toBe(1);
});

it('several at once count one try', async () => {
  const { choose, check } = await writing({ ...FREELY, tries: 3 });
  await choose('one');
  expect((await Promise.all([check(), check(), check()])).map((r) => must(r).left)).toEqual([2, 2, 2]);
});

it.each(ASPECTS)('only %s is told, when only that is said', async (aspect) => {
  const { choose, check } = await writing(FREELY, { [aspect]: 'at once' } as Partial<Sees>);
  await choose('two');
  const told = must(await check());
  const words = JSON.stringify(told);
  const seen: Record<Aspect, boolean> = {
    marks: told.slots.some(({ marks }) => marks !== null),
    right: told.slots.some(({ outcome }) => outcome !== null),
    key: words.includes('73219'),
    explanation: words.includes('Secret explanation'),
    remarks: told.slots.some(({ feedback }) => feedback !== ''),
  };
  const expected: Record<Aspect, Aspect[]> = {
    marks: ['marks', 'right'],
    right: ['right'],
    key: ['key'],
    explanation: ['explanation'],
    // The right option of the sample has no feedback.
    remarks: [],
  };
  expect(ASPECTS.filter((one) => seen[one])).toEqual(expected[aspect]);
});

it('the key is shown where it may be, and the answer stays from then on', async () => {
  const { choose, check, room } = await writing({ ...FREELY, key: true });
  await choose('one');
  expect(JSON.stringify(must(await check()))).not.toContain('73219');
  const told = must(await check(true));
  expect(told.closed).toBe(true);
  expect(told.slots.map(({ key }) => key)).toEqual(['two', '73219 kW', 'secretkeyword']);
  expect(told.explanation).not.toBe(null);
  expect((await choose('two')).refused).toHaveLength(1);
  expect((await room()).answers.item0).toBeDefined();
});

it('nothing is checked where the exam does not say so, for others, or after the end', async () => {
  const plain = await writing(undefined);
  expect(await plain.check()).toMatchObject({ refusal: { code: 'forbidden' } });
  expect((await plain.room()).practice).toBe(null);
  const { attempt, check, choose } = await writing(FREELY);
  await choose('one');
  expect(await check(true)).toMatchObject({ refusal: { code: 'forbidden' } });
  for (const who of ['ben', 'teacher', 'marker'])
    expect(await checkQuestion(dept.as(who), attempt, { item: 'item0', key: false })).toMatchObject({ ok: false });
  for (const odd of [null, {}, { item: 'other', key: false }, { item: 'item0' }, { item: 7, key: false }])
    expect(await checkQuestion(dept.as('ada'), attempt, odd)).toMatchObject({ ok: false });
  must(await handInAndMark(dept.as('ada'), attempt));
  expect(await check()).toMatchObject({ refusal: { code: 'door-over' } });
});

it('of what was placed the right part stays for another try, in the names of the attempt, of each kind that can', async () => {
  const { sheets, save, check } = await writing(FREELY, { right: 'at once' }, questionOfEveryKind);
  const placing = Object.entries(sheets).filter(([, { kind }]) => ['match', 'sort', 'gaps'].includes(kind));
  expect(placing).toHaveLength(3);
  for (const [slot, { sheet }] of placing) {
    const parts = sheet as { [name: string]: { id: string | null }[] };
    const things = (parts.partners ?? parts.tiles ?? parts.items ?? []).map(({ id }) => id ?? '');
    const places = (parts.prompts ?? parts.pieces ?? parts.groups ?? []).flatMap(({ id }) => (id === null ? [] : [id]));
    // Each thing alone on each place: it stays when it earned something, and is taken away when it did not.
    const stays = new Set<boolean>();
    for (const item of things)
      for (const place of places) {
        expect((await save(slot, { placed: [{ item, place }] })).refused).toEqual([]);
        const told = must(await check());
        const outcome = told.slots.find(({ id }) => id === slot)?.outcome;
        expect(told.again[slot]).toEqual({ placed: outcome === 'wrong' ? [] : [{ item, place }] });
        stays.add(outcome !== 'wrong');
      }
    expect(stays.size).toBe(2);
  }
});
