import { act, cleanup, render } from '@testing-library/react';
import { setTimeout as sleep } from 'node:timers/promises';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type * as examsActions from '../../src/actions/exams';
import type * as gradebookActions from '../../src/actions/gradebook';
import type * as rubricsActions from '../../src/actions/rubrics';
import type * as sittingsActions from '../../src/actions/sittings';
import { must, type Result } from '../../src/core/base/result';
import { NEW_BOOK } from '../../src/core/gradebook/book';
import { freshRubric } from '../../src/core/rules/rubric/rubric';
import { keepRubric, openRubric } from '../../src/server/bank/rubrics';
import { examView } from '../../src/server/exams/exam-view';
import { openExam } from '../../src/server/exams/exams';
import { openGradebook } from '../../src/server/gradebook/gradebook';
import { saveBook } from '../../src/server/gradebook/settings';
import { openResults } from '../../src/server/results/results';
import { ExamDesk } from '../../src/ui/exams/ExamDesk';
import { BookRules } from '../../src/ui/gradebook/BookRules';
import { ResultsDesk } from '../../src/ui/results/ResultsDesk';
import { RubricDesk } from '../../src/ui/rubrics/RubricDesk';
import { TestDepartment } from '../drivers/department';
import { handInNumbers } from '../drivers/hand-in';
import { hastyHand } from '../drivers/hasty-hand';
import { numberQuestion } from '../drivers/samples';
import { freshColumn } from '../fixtures/book-column';

/** The desks talk to a real department, as its teacher; what becomes of everything that is saved is written down. */
const server = vi.hoisted(() => ({
  as: (): unknown => undefined,
  saving: 0,
  faults: [] as unknown[],
  noted:
    <In extends unknown[]>(name: string, save: (...sent: In) => Promise<Result<unknown>>) =>
    async (...sent: In): Promise<Result<unknown>> => {
      server.saving += 1;
      try {
        const result = await save(...sent);
        // What is refused for its sense (weights of zero, an exam that the hand has locked) is said beside its place.
        if (!result.ok && result.refusal.code === 'bad-input') server.faults.push({ [name]: result.refusal });
        return result;
      } finally {
        server.saving -= 1;
      }
    },
}));
vi.mock('@/server/auth/request', () => ({ staffContext: () => Promise.resolve(server.as()) }));
vi.mock('next/cache', () => ({ revalidatePath: () => undefined }));
vi.mock('next/navigation', () => ({
  useRouter: () => ({ refresh: () => undefined, push: () => undefined }),
  unstable_rethrow: () => undefined,
  redirect: () => undefined,
}));
vi.mock('@/actions/exams', async (original) => {
  const real = await original<typeof examsActions>();
  return { ...real, savePlanAction: server.noted('plan', real.savePlanAction) };
});
vi.mock('@/actions/gradebook', async (original) => {
  const real = await original<typeof gradebookActions>();
  return { ...real, saveBookAction: server.noted('book', real.saveBookAction) };
});
vi.mock('@/actions/sittings', async (original) => {
  const real = await original<typeof sittingsActions>();
  return { ...real, saveBoundariesAction: server.noted('boundaries', real.saveBoundariesAction) };
});
vi.mock('@/actions/rubrics', async (original) => {
  const real = await original<typeof rubricsActions>();
  return { ...real, saveRubricAction: server.noted('rubric', real.saveRubricAction) };
});

let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
  server.as = () => dept.as('teacher');
  server.faults.length = 0;
  localStorage.clear();
  window.print = () => undefined;
  vi.spyOn(console, 'error').mockImplementation((...said) => server.faults.push(said));
});
afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
  dept.close();
});

const teacher = () => dept.as('teacher');

const DESKS: Record<string, () => Promise<React.ReactNode>> = {
  exam: async () => {
    const { exam: id } = await dept.sitting(3);
    const exam = must(await openExam(teacher(), id));
    const course = exam.course?.id ?? null;
    return (
      <ExamDesk
        exam={exam}
        view={must(await examView(teacher(), { plan: exam.plan, course, exam: id }))}
        people={{
          subjects: [],
          groups: [],
          students: ['ada', 'ben'].map((name) => ({ id: dept.id(name), name, subjects: [], group: null })),
        }}
        agreed={[]}
        mayAgree={false}
        others={[]}
        zone="UTC"
        courses={[{ id: dept.course, code: 'WT-1', title: 'Wind', term: 'now' }]}
        from={{ shelves: [], tags: [], goals: [], authors: [] }}
      />
    );
  },
  results: async () => {
    const { sitting } = await dept.sitting(2, 30, numberQuestion);
    await handInNumbers(dept, 'ada', sitting, ['42', '41']);
    await handInNumbers(dept, 'ben', sitting, ['42', null]);
    return <ResultsDesk results={must(await openResults(teacher(), sitting))} zone="UTC" asking={[]} />;
  },
  'rules of a gradebook': async () => {
    await dept.sitting(1);
    const columns = ['talk', 'poster'].map((id) => freshColumn(id, { from: { is: 'hand', title: id, of: '10' } }));
    must(await saveBook(teacher(), { course: dept.course, base: 0, book: { ...NEW_BOOK, columns } }));
    return <BookRules gradebook={must(await openGradebook(teacher(), dept.course))} />;
  },
  rubric: async () => {
    const { id } = must(await keepRubric(teacher(), { bank: dept.bank, rubric: freshRubric('grid') }));
    return <RubricDesk kept={must(await openRubric(teacher(), id))} />;
  },
};

it.each(Object.entries(DESKS))(
  'a hasty hand at the desk of %s writes nothing that the server cannot read',
  async (_, open) => {
    render(await open());
    for (let round = 1; round <= 3; round++) {
      await hastyHand(round, 20);
      // It rests, and what it did is saved.
      await act(() => sleep(700));
      await vi.waitFor(() => expect(server.saving).toBe(0), 20_000);
    }
    expect(server.faults).toEqual([]);
  },
  120_000,
);
