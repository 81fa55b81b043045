import { afterEach, beforeEach, expect, it } from 'vitest';
import { asShown } from '@/demo/as-shown';
import { must } from '@/core/base/result';
import { paperQuestions } from '@/core/exams/paper';
import type { ExamPlan } from '@/core/exams/plan';
import { gradebookCsv } from '@/server/gradebook/export';
import { openGradebook } from '@/server/gradebook/gradebook';
import { jobEnded } from '@/server/jobs/jobs';
import { openAnswers } from '@/server/marking/answers-view';
import { openDesk } from '@/server/marking/desk';
import { listMarking } from '@/server/marking/list-marking';
import { giveMark } from '@/server/marking/give-mark';
import { applyMending, previewMending } from '@/server/marking/mend';
import { openOwnResult } from '@/server/results/own-result';
import { releaseResults } from '@/server/results/release';
import { openResults } from '@/server/results/results';
import { findAttempt } from '@/server/sittings/attempts';
import { enterSitting } from '@/server/sittings/enter';
import { paperOf } from '@/server/sittings/pinned';
import { openRoom } from '@/server/sittings/room';
import { saveAnswers } from '@/server/sittings/save-answers';
import { TestDepartment } from '../drivers/department';
import { sampleQuestion } from '../drivers/samples';
import { handInAndMark } from '../drivers/hand-in';

/** A sitting in which each student meets two of four questions: from entry to export no two papers need be alike. */
let dept: TestDepartment;
let sitting: string;
let attempts: Record<string, string>;
let papers: Record<string, string[]>;
beforeEach(async () => {
  dept = await TestDepartment.open();
  // Attempts get their seeds by chance: sit until the two students met different questions.
  for (let tries = 0; ; tries++) {
    expect(tries).toBeLessThan(20);
    const draws = [{ id: 'two', take: 2, items: ['item0', 'item1', 'item2', 'item3'] }];
    const drawing = (plan: ExamPlan): ExamPlan => ({
      ...plan,
      sections: plan.sections.map((section) => ({ ...section, draws })),
    });
    ({ sitting } = await dept.sitting(4, 30, sampleQuestion, drawing));
    attempts = {};
    papers = {};
    for (const who of ['ada', 'ben']) {
      const { attempt } = must(await enterSitting(dept.as(who), sitting));
      attempts[who] = attempt;
      papers[who] = must(await openRoom(dept.as(who), attempt)).sections.flatMap((s) => s.items.map(({ id }) => id));
    }
    if (papers.ada?.join() !== papers.ben?.join()) break;
    for (const who of ['ada', 'ben']) must(await handInAndMark(dept.as(who), attempts[who] ?? ''));
  }
});
afterEach(() => dept.close());

const right = { a: { chosen: ['o2'] }, b: { number: '73219 kW', unit: '' } };

/** Everything right but for the words, which nobody has foreseen. */
async function answerAll(who: string): Promise<void> {
  const written = (papers[who] ?? []).flatMap((item) =>
    Object.entries({ ...right, c: { text: 'wire' } }).map(([slot, value]) => ({ item, slot, value })),
  );
  const entries = await asShown(dept.out.db.read, attempts[who] ?? '', written);
  const saved = must(
    await saveAnswers(dept.as(who), {
      attempt: attempts[who],
      device: 'device-one',
      entries: entries.map((entry, i) => ({ ...entry, seq: i + 1, age: 0 })),
    }),
  );
  expect(saved.refused).toEqual([]);
  must(await handInAndMark(dept.as(who), attempts[who] ?? ''));
}

it('a room has what was drawn, and takes answers to nothing else', async () => {
  for (const who of ['ada', 'ben']) {
    expect(papers[who]).toHaveLength(2);
    const found = await findAttempt(dept.out.db.read, attempts[who] ?? '', dept.now);
    if (!found) throw new Error('There is an attempt');
    const { paper } = await paperOf(dept.out.db.read, found.attempt);
    expect(paperQuestions(paper).map(({ id, number }) => `${id} ${number}`)).toEqual(
      papers[who]?.map((id, i) => `${id} ${i + 1}`),
    );
  }
  const other = ['item0', 'item1', 'item2', 'item3'].find((id) => !papers.ada?.includes(id)) ?? '';
  const entries = [{ seq: 1, item: other, slot: 'a', value: right.a, age: 0 }];
  expect(
    must(await saveAnswers(dept.as('ada'), { attempt: attempts.ada, device: 'device-one', entries })),
  ).toMatchObject({
    saved: [],
    refused: [{ seq: 1, why: 'unfit' }],
  });
});

it('is marked, mended, released and exported by what each student met', async () => {
  await answerAll('ada');
  await answerAll('ben');
  const meets = (item: string): string[] => ['ada', 'ben'].filter((who) => papers[who]?.includes(item));
  const tasks = must(await listMarking(dept.as('marker'))).filter((task) => task.sitting === sitting);
  for (const task of tasks) expect(task.answers).toBe(meets(task.item).length);
  expect(tasks.map((task) => task.item).sort()).toEqual(
    [...new Set([...(papers.ada ?? []), ...(papers.ben ?? [])])].sort(),
  );

  // An answers page counts only those who met the question: nobody else left it empty.
  for (const item of ['item0', 'item1', 'item2', 'item3']) {
    const view = must(await openAnswers(dept.as('teacher'), sitting, item));
    for (const slot of view.slots)
      expect(slot.groups.reduce((n, group) => n + group.count, 0)).toBe(meets(item).length);
  }

  // Of a question that one of them alone met, an answer is accepted: only that one moves.
  const alone = papers.ada?.find((item) => !papers.ben?.includes(item)) ?? '';
  const order = {
    sitting,
    item: alone,
    changes: [{ what: 'answer', slot: 'c', response: { text: 'wire' }, share: '1', feedback: '' }],
    reason: 'It says the same.',
    overPersons: false,
  };
  const preview = must(await previewMending(dept.as('teacher'), order));
  expect(preview.movers).toHaveLength(1);
  const { mending } = must(await applyMending(dept.as('teacher'), order));
  expect(await jobEnded(dept.out.db.read, mending)).toBe(true);

  for (const { item } of must(await listMarking(dept.as('marker'))).filter((task) => task.waiting > 0)) {
    for (const { attempt, slot } of must(await openDesk(dept.as('marker'), sitting, item)).answers)
      must(await giveMark(dept.as('marker'), { attempt, item, slot, marks: '0' }));
  }
  const results = must(await openResults(dept.as('teacher'), sitting));
  // Two questions of four marks each, though the pool has four.
  expect(results.total).toBe('8');
  expect(results.rows.map(({ name, marks, percent }) => [name, marks, percent])).toEqual([
    ['ada', '7', '175/2'],
    ['ben', '6', '75'],
  ]);
  must(
    await releaseResults(dept.as('teacher'), {
      sitting,
      shows: { marks: true, key: true, explanation: true, atOnce: true },
    }),
  );
  for (const who of ['ada', 'ben']) {
    const own = must(await openOwnResult(dept.as(who), attempts[who] ?? ''));
    expect(own.items.map(({ id }) => id)).toEqual(papers[who]);
    expect(own.score?.of).toBe('8');
  }
  const book = must(await openGradebook(dept.as('teacher'), dept.course));
  const csv = gradebookCsv(book);
  expect(csv).toContain('Test exam (of 8)');
  expect(csv).toMatch(/ada,ada,.*7,87\.5,/);
  expect(csv).toMatch(/ben,ben,.*6,75,/);
});
