import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { type Performance, OPEN_SEARCH } from '@/core/bank/searching';
import { must } from '@/core/base/result';
import { searchQuestions } from '@/server/bank/search';
import { marks } from '@/server/db/schema/marks';
import { sittings } from '@/server/db/schema/exams';
import { analyses, questionFigures } from '@/server/db/schema/results';
import { giveMark } from '@/server/marking/give-mark';
import { analyse, QUESTIONS } from '@/server/results/analysis';
import { keepFigures } from '@/server/results/figures';
import { openProgress } from '@/server/results/open-analysis';
import { progressOf, reckoned } from '@/server/results/reckoned';
import { releaseResults } from '@/server/results/release';
import { TestDepartment } from '../drivers/department';
import { handInNumbers } from '../drivers/hand-in';
import { numberQuestion } from '../drivers/samples';

let dept: TestDepartment;
let sitting: string;
let items: string[];
const attempts: Record<string, string> = {};
beforeEach(async () => {
  dept = await TestDepartment.open();
  ({ sitting, items } = await dept.sitting(2, 30, numberQuestion));
  attempts.ada = await handInNumbers(dept, 'ada', sitting, ['42', '42']);
  attempts.ben = await handInNumbers(dept, 'ben', sitting, ['42', '7']);
});
afterEach(() => dept.close());

const row = async () => {
  const [found] = await dept.out.db.read.select().from(sittings).where(eq(sittings.id, sitting));
  if (!found) throw new Error('The sitting is there');
  return found;
};
/** As if it were much work. */
const apart = async () => reckoned(dept.out, await row(), QUESTIONS, 0);
const giveBen = async (value: string) =>
  must(await giveMark(dept.as('teacher'), { attempt: attempts.ben, item: items[1], slot: 'a', marks: value }));

it('what is much work is reckoned in a thread, once for all who ask, and comes to the same', async () => {
  const asked = [apart(), apart()];
  while (progressOf(sitting) === null) await new Promise((done) => setTimeout(done, 5));
  const [first, second] = await Promise.all(asked);
  expect(second).toBe(first);
  expect(progressOf(sitting)).toBeNull();
  expect(first).toEqual(await analyse(dept.out, await row(), QUESTIONS.most, () => undefined));
});

it('is kept until something changes that went into it', async () => {
  const first = await apart();
  // Were it reckoned again, it would not say this.
  await dept.out.db.transaction((tx) => tx.update(analyses).set({ found: { ...first, persons: 77 } }));
  expect((await apart()).persons).toBe(77);
  await giveBen('1');
  const fresh = await apart();
  expect(fresh.persons).toBe(2);
  expect(fresh.questions.map(({ facility }) => facility)).toEqual([1, 0.75]);
  expect(await dept.out.db.read.select().from(analyses)).toHaveLength(1);
  // A little work is done where it is asked for, and not kept.
  expect((await reckoned(dept.out, await row(), { is: 'deeper' })).scale.is).toBe('few-persons');
  expect(await dept.out.db.read.select().from(analyses)).toHaveLength(1);
});

it('how far it is, is told to whoever sees the results', async () => {
  expect(must(await openProgress(dept.as('teacher'), sitting))).toBeNull();
  for (const who of ['marker', 'ada', 'stranger'])
    expect(await openProgress(dept.as(who), sitting)).toMatchObject({ ok: false });
});

const kept = async () => {
  await keepFigures(dept.out);
  const rows = await dept.out.db.read.select().from(questionFigures);
  return items.map((item) => rows.find((one) => one.item === item)?.earned);
};

it('figures of questions are kept once results are out, and again when a mark changes', async () => {
  expect(await kept()).toEqual([undefined, undefined]);
  const shows = { marks: true, key: false, explanation: false };
  must(await releaseResults(dept.as('teacher'), { sitting, shows }));
  expect(await kept()).toEqual([1, 0.5]);
  // Nobody says that something changed: what is kept stays.
  await dept.out.db.transaction((tx) =>
    tx
      .update(marks)
      .set({ marks: '0' })
      .where(eq(marks.attempt, attempts.ben ?? '')),
  );
  expect(await kept()).toEqual([1, 0.5]);
  await giveBen('2');
  expect(await kept()).toEqual([0.5, 1]);
});

it('the bank is searched by how questions did, those of few and of none apart', async () => {
  const fresh = await dept.question(numberQuestion('Fresh'));
  const found = async (performed: Performance | null) => {
    const search = { ...OPEN_SEARCH, sort: 'title' };
    return must(await searchQuestions(dept.as('teacher'), { ...search, performed, from: 0 })).found.map(({ id }) => id);
  };
  const [one = '', two = ''] = (await found(null)).filter((id) => id !== fresh);
  const put = (item: string, question: string, persons: number, earned: number, withRest: number | null = null) =>
    dept.out.db.transaction(async (tx) => {
      await tx.insert(questionFigures).values({ sitting, item, question, persons, earned, withRest });
    });
  expect(await found('untried')).toHaveLength(3);
  await put('i1', one, 4, 1);
  expect(await found('untried')).toHaveLength(3);
  expect(await found('easy')).toEqual([]);
  await put('i2', one, 10, 0.9, 0.4);
  await put('i3', one, 30, 0.7, null);
  // Thirty and ten together earned 0.75; the rest of the paper is known for ten alone, which is too few to say more.
  expect([await found('middling'), await found('easy'), await found('tells-little')]).toEqual([[one], [], []]);
  await put('i4', two, 20, 0.3, 0.05);
  await put('i5', two, 20, 0.2, null);
  expect([await found('hard'), await found('tells-little')]).toEqual([[two], [two]]);
  await put('i6', two, 60, 1, 0.6);
  expect([await found('hard'), await found('tells-little'), await found('easy')]).toEqual([[], [], []]);
  expect(await found('middling')).toEqual([one, two].toSorted());
  expect(await found('untried')).toEqual([fresh]);
});
