import { ofSeed } from '@/core/exams/lot';
import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { type BankSearch, OPEN_SEARCH } from '@/core/bank/searching';
import { must } from '@/core/base/result';
import { stored } from '@/core/base/exact';
import { paperQuestions } from '@/core/exams/paper';
import type { Draw, ExamPlan } from '@/core/exams/plan';
import { createQuestion } from '@/server/bank/create-question';
import { banks, questions, revisions } from '@/server/db/schema/bank';
import { examView } from '@/server/exams/exam-view';
import { samplePapers, trialPaper } from '@/server/exams/trial-papers';
import { createExam, freshPlan, revisionToPlace } from '@/server/exams/exams';
import { findAttempt } from '@/server/sittings/attempts';
import { enterSitting } from '@/server/sittings/enter';
import { paperOf, poolOfSitting } from '@/server/sittings/pinned';
import { poolQuestions } from '@/core/exams/pool';
import { scheduleSitting } from '@/server/sittings/schedule';
import { MINUTE, TestDepartment } from '../drivers/department';
import { sampleQuestion } from '../drivers/samples';

/** Draws that seek their questions in the bank when a sitting is scheduled. */
let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

const seeking = (part: Partial<BankSearch> = {}): BankSearch => ({ ...OPEN_SEARCH, ...part });

async function planWith(...draws: Partial<Draw>[]): Promise<ExamPlan> {
  const plan = await freshPlan(dept.as('teacher'), 'Drawn');
  const all = draws.map((part, i): Draw => ({ id: `draw${i}`, take: 2, items: [], seeks: seeking(), ...part }));
  return { ...plan, sections: plan.sections.map((section) => ({ ...section, draws: all })) };
}

const view = async (plan: ExamPlan, who = 'teacher') =>
  must(await examView(dept.as(who), { plan, course: dept.course }));

async function schedule(plan: ExamPlan) {
  const exam = must(await createExam(dept.as('teacher'), { title: plan.title, course: dept.course, plan })).id;
  return scheduleSitting(dept.as('teacher'), {
    exam,
    course: dept.course,
    opensAt: dept.now,
    closesAt: dept.now + 120 * MINUTE,
    minutes: 30,
  });
}

/** So many questions, the first of difficulty 1 and so on. */
async function write(count: number, difficulty: 1 | 2 | 3 = 1): Promise<string[]> {
  const ids: string[] = [];
  for (let i = 0; i < count; i++) {
    const body = sampleQuestion(`About ${difficulty} ${i}`);
    ids.push(must(await createQuestion(dept.as('teacher'), { bank: dept.bank, body, facts: { difficulty } })).id);
  }
  return ids;
}

describe('a draw', () => {
  it('takes for each paper so many of what it finds, with the marks that it gives', async () => {
    const easy = await write(5);
    await write(2, 2);
    const plan = await planWith({ take: 3, seeks: seeking({ difficulty: 1 }), marks: '5/2' });
    expect(await view(plan)).toMatchObject({
      found: { draw0: 5 },
      questions: 3,
      ready: 3,
      marks: '15/2',
      findings: [],
    });
    const { id: sitting } = must(await schedule(plan));
    const pool = poolQuestions(await poolOfSitting(dept.out.db.read, sitting));
    expect(pool.map(({ id }) => id).sort()).toEqual([...easy].sort());
    for (const who of ['ada', 'ben']) {
      const { attempt } = must(await enterSitting(dept.as(who), sitting));
      const found = await findAttempt(dept.out.db.read, attempt, dept.now);
      if (!found) throw new Error('There is an attempt');
      const { paper } = await paperOf(dept.out.db.read, found.attempt);
      expect(paperQuestions(paper)).toHaveLength(3);
      expect(stored(paper.marks)).toBe('15/2');
    }
  });

  it('writes nothing while it is only looked at, and is tried as it would be now', async () => {
    await write(4);
    const plan = await planWith({ take: 2 });
    const papers = [1, 2, 3, 4, 5, 6].map((seed) =>
      trialPaper(dept.as('teacher'), { plan, course: null }, ofSeed(seed)),
    );
    const met = (await Promise.all(papers)).map((one) =>
      must(one).sections.flatMap((s) => s.items.map(({ id }) => id)),
    );
    expect(met.every((ids) => ids.length === 2)).toBe(true);
    expect(new Set(met.map((ids) => ids.join())).size).toBeGreaterThan(1);
    expect(await dept.out.db.read.select().from(revisions)).toEqual([]);
  });

  it('is held side by side in several papers, with what differs', async () => {
    await write(3, 1);
    await write(3, 3);
    const plan = await planWith({ take: 2, marks: '2' });
    const looked = await view(plan);
    expect(looked.findings.map(({ code }) => code)).toEqual(['draw-difficulty-differs']);
    const papers = must(await samplePapers(dept.as('teacher'), { plan, course: null }, 12, []));
    expect(papers.map(({ seed }) => seed)).toEqual(Array.from({ length: 12 }, (_, i) => i + 1));
    expect(new Set(papers.map(({ marks, questions: n }) => `${n} ${marks}`))).toEqual(new Set(['2 4']));
    // Two of three easy and three hard ones: easy, mixed and hard papers.
    expect(new Set(papers.map(({ difficulty }) => difficulty))).toEqual(new Set([1, 2, 3]));
    expect(must(await samplePapers(dept.as('teacher'), { plan, course: null }, 1e9, []))).toHaveLength(50);
    expect(await samplePapers(dept.as('marker'), { plan, course: null }, 1, [])).toMatchObject({ ok: false });
    const easy = await planWith({ take: 2, seeks: seeking({ difficulty: 1 }) });
    expect((await view(easy)).findings).toEqual([]);
  });

  it('finds nothing twice: not what is placed, nor what another draw has found', async () => {
    const [first = ''] = await write(5);
    await dept.question(sampleQuestion('Something else'));
    const { revision } = must(await revisionToPlace(dept.as('teacher'), first));
    const plan = await planWith({ take: 2, seeks: seeking({ words: 'About' }) }, { take: 1 });
    const placing = { id: 'fixed', question: first, revision, marks: null, bonus: false };
    const both = { ...plan, sections: plan.sections.map((s) => ({ ...s, items: [placing] })) };
    // Five about it, one of them placed; the second draw has what is left.
    expect((await view(both)).found).toEqual({ draw0: 4, draw1: 1 });
  });

  it('leaves out what the course has met, where that is wanted', async () => {
    await dept.sitting(2);
    await write(3);
    expect((await view(await planWith({ take: 2 }))).found).toEqual({ draw0: 5 });
    const plan = await planWith({ take: 2, unseen: true });
    expect((await view(plan)).found).toEqual({ draw0: 3 });
    // To who does not teach the course it is not told.
    expect((await view(plan, 'stranger')).found).toEqual({ draw0: 5 });
    const { id } = must(await schedule(plan));
    expect(poolQuestions(await poolOfSitting(dept.out.db.read, id))).toHaveLength(3);
    // Now the course has met these too.
    expect(await schedule(plan)).toMatchObject({ ok: false, refusal: { code: 'exam-not-ready' } });
  });

  it('what the exam itself has a sitting of that is still to come is not met yet; what another one has, is', async () => {
    await write(3);
    const plan = await planWith({ take: 2, unseen: true });
    const ctx = dept.as('teacher');
    const exam = must(await createExam(ctx, { title: plan.title, course: dept.course, plan })).id;
    const order = { exam, course: dept.course, minutes: 30, closesAt: dept.now + 200 * MINUTE };
    must(await scheduleSitting(ctx, { ...order, opensAt: dept.now + 100 * MINUTE }));
    const found = async (whose: string | null) =>
      must(await examView(dept.as('teacher'), { plan, course: dept.course, exam: whose })).found.draw0;
    expect([await found(exam), await found(null)]).toEqual([3, 0]);
    dept.pass(101);
    expect(await found(exam)).toBe(0);
  });

  it('that takes more than there is stops the exam, and says so; so does one that finds nothing', async () => {
    await write(2);
    for (const draw of [{ take: 3 }, { take: 1, seeks: seeking({ words: 'nowhere' }) }]) {
      const plan = await planWith(draw);
      const looked = await view(plan);
      expect(looked.findings.map(({ code }) => code)).toContain('draw-too-few');
      expect([looked.ready, looked.questions]).toEqual([looked.found.draw0, draw.take]);
      expect(await schedule(plan)).toMatchObject({ ok: false, refusal: { code: 'exam-not-ready' } });
    }
  });

  it('finds only what is ready, in use, agreed where that is asked for, and in reach', async () => {
    const [ready = '', archived = ''] = await write(2);
    await dept.question({ ...sampleQuestion('Unfinished'), content: { type: 'doc', content: [] } });
    await dept.out.db.transaction(async (tx) => {
      await tx.update(questions).set({ archivedAt: 1 }).where(eq(questions.id, archived));
      await tx
        .insert(banks)
        .values({ id: 'hidden', name: 'Hidden', share: 'private', owner: dept.id('stranger'), reviewRequired: false });
    });
    must(await createQuestion(dept.as('stranger'), { bank: 'hidden', body: sampleQuestion('Theirs') }));
    const plan = await planWith({ take: 1 });
    expect((await view(plan)).found).toEqual({ draw0: 1 });
    expect((await view(plan, 'stranger')).found).toEqual({ draw0: 2 });
    await dept.out.db.transaction((tx) =>
      tx.update(banks).set({ reviewRequired: true }).where(eq(banks.id, dept.bank)),
    );
    expect((await view(plan)).found).toEqual({ draw0: 0 });
    await dept.out.db.transaction((tx) =>
      tx.update(questions).set({ review: 'agreed' }).where(eq(questions.id, ready)),
    );
    expect((await view(plan)).found).toEqual({ draw0: 1 });
  });
});
