import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { removeTopic, restoreTopic, saveTopic } from '@/server/bank/banks';
import { questions, topics } from '@/server/db/schema/bank';
import { lookAgain } from '@/server/results/look-again';
import { openOwnResult } from '@/server/results/own-result';
import { releaseResults } from '@/server/results/release';
import { TestDepartment } from '../drivers/department';
import { handInNumbers } from '../drivers/hand-in';
import { numberQuestion } from '../drivers/samples';

const SHOWS = { marks: true, right: true, key: false, explanation: false, remarks: true, atOnce: true };
const CHAPTER = 'Handbook, chapter 4';

let dept: TestDepartment;
let sitting: string;
let bank: string;
/** One topic with words, and one below it without. */
let above: string;
let below: string;
const attempts: Record<string, string> = {};
beforeEach(async () => {
  dept = await TestDepartment.open();
  ({ bank } = dept);
  const made = await dept.sitting(2, 30, numberQuestion);
  ({ sitting } = made);
  const topic = { bank, id: null, parent: null, lookAgain: CHAPTER };
  above = must(await saveTopic(dept.as('teacher'), { ...topic, name: 'Rotor' })).id;
  below = must(await saveTopic(dept.as('teacher'), { ...topic, name: 'Blade', parent: above, lookAgain: '' })).id;
  await dept.out.db.transaction((tx) => tx.update(questions).set({ topic: below }).where(eq(questions.bank, bank)));
  attempts.ada = await handInNumbers(dept, 'ada', sitting, ['42', '42']);
  attempts.ben = await handInNumbers(dept, 'ben', sitting, ['42', '7']);
});
afterEach(() => dept.close());

const told = async (who: string) => must(await openOwnResult(dept.as(who), attempts[who] ?? '')).lookAgain;
const release = async (shows: Partial<typeof SHOWS> = {}) =>
  must(await releaseResults(dept.as('teacher'), { sitting, shows: { ...SHOWS, ...shows } }));

it('is told to whoever did badly in a topic, in the words of the one above where it has none', async () => {
  await release();
  expect(await told('ada')).toEqual([]);
  expect(await told('ben')).toEqual([{ topic: 'Rotor', text: CHAPTER }]);
  must(await saveTopic(dept.as('teacher'), { bank, id: above, name: 'Rotor', parent: null, lookAgain: ' ' }));
  expect(await told('ben')).toEqual([]);
});

it('waits with the answers while others can still get in', async () => {
  await release({ atOnce: false });
  expect(await told('ben')).toEqual([]);
  dept.pass(24 * 60);
  expect(await told('ben')).toHaveLength(1);
});

it('tells nothing of marks that the release does not show', async () => {
  await release({ marks: false });
  expect(await told('ben')).toEqual([]);
  // Who sees the results sees it.
  expect(must(await openOwnResult(dept.as('teacher'), attempts.ben ?? '')).lookAgain).toEqual([]);
});

it('says nothing of a paper whose questions are not in the bank, or do not count', async () => {
  expect(await lookAgain(dept.out.db.read, [], new Map())).toEqual([]);
});

it('stands while only the name is changed, and comes back with a topic that was taken out', async () => {
  const teacher = dept.as('teacher');
  const words = async () =>
    (await dept.out.db.read.select().from(topics).where(eq(topics.id, above))).map(({ name, lookAgain }) => [
      name,
      lookAgain,
    ]);
  must(await saveTopic(teacher, { bank, id: above, name: 'Rotors', parent: null }));
  expect(await words()).toEqual([['Rotors', CHAPTER]]);
  const taken = must(await removeTopic(teacher, { bank, id: above }));
  expect(await words()).toEqual([]);
  must(await restoreTopic(teacher, taken));
  expect(await words()).toEqual([['Rotors', CHAPTER]]);
});

it('is short, and written by those who write in the bank', async () => {
  const input = { bank, id: above, name: 'Rotor', parent: null };
  expect(await saveTopic(dept.as('teacher'), { ...input, lookAgain: 'x'.repeat(301) })).toMatchObject({
    refusal: { at: ['lookAgain'], values: { problem: 'look-again-long' } },
  });
  for (const who of ['marker', 'ada'])
    expect((await saveTopic(dept.as(who), { ...input, lookAgain: 'x' })).ok).toBe(false);
});
