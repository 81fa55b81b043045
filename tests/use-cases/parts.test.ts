import { contentFromText } from '@/core/content/written';
import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import type { Boundaries } from '@/core/results/policy';
import { freshRubric } from '@/core/rules/rubric/rubric';
import { saveTopic } from '@/server/bank/banks';
import { questions } from '@/server/db/schema/bank';
import { giveMark } from '@/server/marking/give-mark';
import { boundariesElsewhere, dropBoundarySet, keepBoundarySet } from '@/server/results/boundary-sets';
import { openOwnResult } from '@/server/results/own-result';
import { openResults, saveBoundaries } from '@/server/results/results';
import { TestDepartment } from '../drivers/department';
import { handInAndMark } from '../drivers/hand-in';
import { sampleQuestion } from '../drivers/samples';

let dept: TestDepartment;
let sitting: string;
let attempt: string;
let item: string;
/** Two topics, one below the other; the question is in the lower one. */
let above: string;
let below: string;
beforeEach(async () => {
  dept = await TestDepartment.open();
  const withRubric = (title: string) => {
    const sample = sampleQuestion(title);
    const { c } = sample.slots;
    if (!c) throw new Error('The sample has a text');
    return { ...sample, slots: { ...sample.slots, c: { ...c, marks: '3', rubric: freshRubric('grid') } } };
  };
  const made = await dept.sitting(1, 30, withRubric);
  ({ sitting } = made);
  [item = ''] = made.items;
  const topic = { bank: dept.bank, id: null, parent: null, lookAgain: '' };
  above = must(await saveTopic(dept.as('teacher'), { ...topic, name: 'Rotor' })).id;
  below = must(await saveTopic(dept.as('teacher'), { ...topic, name: 'Blade', parent: above })).id;
  await dept.out.db.transaction((tx) => tx.update(questions).set({ topic: below }));
  // Right in the number, nothing in the choice; the text waits for a person.
  const given = { [item]: { b: { number: '73219', unit: 'kW' }, c: { text: 'something else' } } };
  attempt = await dept.sit('ada', sitting, given);
  must(await handInAndMark(dept.as('ada'), attempt));
});
afterEach(() => dept.close());

const results = async () => must(await openResults(dept.as('teacher'), sitting));
const judge = async (c1: number, c2: number) => {
  const found = (level: number) => ({ level, marks: null, remark: '' });
  const judgement = { c1: found(c1), c2: found(c2) };
  must(await giveMark(dept.as('marker'), { attempt, item, slot: 'c', marks: '', judgement }));
};
async function say(parts: (all: NonNullable<Boundaries['parts']>) => NonNullable<Boundaries['parts']>): Promise<void> {
  const { boundaries, version, parts: all } = await results();
  const said = parts(all.map((part) => ({ ...part, passPercent: null, ranges: [] })));
  must(
    await saveBoundaries(dept.as('teacher'), { sitting, base: version, boundaries: { ...boundaries, parts: said } }),
  );
}

it('topics with what is below them, and criteria of rubrics, are there to ask for, and what each earned', async () => {
  await judge(3, 0);
  const { parts, rows } = await results();
  expect(parts.map(({ is, title }) => [is, title])).toEqual([
    ['topic', 'Rotor'],
    ['topic', 'Blade'],
    ['criterion', 'First criterion (question 1C)'],
    ['criterion', 'Second criterion (question 1C)'],
  ]);
  const earned = parts.map(({ id }) => rows[0]?.parts[id]?.percent);
  expect(earned).toEqual(['175/3', '175/3', '100', '0']);
});

it('who reaches the whole but not a topic or a criterion that is asked for does not pass, and reads which', async () => {
  await judge(3, 0);
  const own = async () => must(await openOwnResult(dept.as('teacher'), attempt)).score;
  expect(await own()).toMatchObject({ passed: true, parts: [] });
  await say((all) => [
    { ...all[1]!, passPercent: '50', ranges: [{ from: '0', text: contentFromText('[percent] of the blade') }] },
    { ...all[3]!, passPercent: '50' },
  ]);
  expect(await own()).toMatchObject({
    passed: false,
    parts: [
      { title: 'Blade', passed: true, text: contentFromText('58.3 % of the blade') },
      { title: 'Second criterion (question 1C)', passed: false, passPercent: '50', marks: '0', of: '3' },
    ],
  });
  await judge(0, 3);
  expect((await own())?.passed).toBe(true);
});

it('moving a question to another topic afterwards changes no result', async () => {
  await judge(3, 0);
  await say((all) => [{ ...all[1]!, passPercent: '90' }]);
  await dept.out.db.transaction((tx) => tx.update(questions).set({ topic: above }).where(eq(questions.topic, below)));
  const { parts, rows, boundaries } = await results();
  expect(parts.filter(({ is }) => is === 'topic').map(({ title }) => title)).toEqual(['Rotor', 'Blade']);
  expect(rows[0]?.parts[below]?.percent).toBe('175/3');
  expect(boundaries.parts?.[0]).toMatchObject({ title: 'Blade', items: [item] });
  expect(must(await openOwnResult(dept.as('teacher'), attempt)).score?.passed).toBe(false);
});

it('ranges and grades are kept for the department under a name, and are their maker’s to change', async () => {
  const set = { name: ' In thirds ', ranges: [{ from: '0', text: contentFromText('Go on') }], grades: [] };
  const { id } = must(await keepBoundarySet(dept.as('teacher'), set));
  const seen = async (who: string) => (await boundariesElsewhere(dept.as(who), sitting)).sets;
  expect(await seen('teacher')).toEqual([
    { id, name: 'In thirds', by: 'teacher', own: true, ranges: set.ranges, grades: [] },
  ]);
  expect(await seen('lead')).toMatchObject([{ own: true }]);
  for (const who of ['marker', 'ada']) {
    expect(await seen(who)).toEqual([]);
    expect(await keepBoundarySet(dept.as(who), set)).toMatchObject({ ok: false });
    expect(await dropBoundarySet(dept.as(who), id)).toMatchObject({ ok: false });
  }
  // The same name again is the same set.
  expect(must(await keepBoundarySet(dept.as('teacher'), { ...set, name: 'in THIRDS' })).id).toBe(id);
  expect((await seen('teacher')).map(({ name }) => name)).toEqual(['in THIRDS']);
  const gap = { ...set, name: 'Gap', ranges: [{ from: '10', text: contentFromText('') }] };
  expect(await keepBoundarySet(dept.as('teacher'), gap)).toMatchObject({ refusal: { code: 'boundary-gap-at-zero' } });
  expect(await keepBoundarySet(dept.as('teacher'), { ...set, name: ' ' })).toMatchObject({ ok: false });
  must(await keepBoundarySet(dept.as('lead'), { ...set, name: 'Of the lead' }));
  expect(await keepBoundarySet(dept.as('teacher'), { ...set, name: 'of the lead' })).toMatchObject({
    refusal: { code: 'set-name-taken' },
  });
  must(await dropBoundarySet(dept.as('lead'), id));
  expect((await seen('teacher')).map(({ name }) => name)).toEqual(['Of the lead']);
  expect(await dropBoundarySet(dept.as('lead'), id)).toMatchObject({ ok: false });
});
