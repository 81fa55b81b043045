import { setTimeout as sleep } from 'node:timers/promises';
import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { asShown } from '@/demo/as-shown';
import { must } from '@/core/base/result';
import { openQuestion } from '@/server/bank/open-question';
import { openAnswers } from '@/server/marking/answers-view';
import { takeIntoBank, takeOutOfBank } from '@/server/marking/into-bank';
import { giveMark } from '@/server/marking/give-mark';
import {
  applyMending,
  cancelBroken,
  cancelMending,
  mendingProgress,
  previewMending,
  takeBackMending,
} from '@/server/marking/mend';
import { jobEnded } from '@/server/jobs/jobs';
import { openOwnResult } from '@/server/results/own-result';
import { releaseResults } from '@/server/results/release';
import { openResults } from '@/server/results/results';
import { attempts } from '@/server/db/schema/attempts';
import { marks, mendings } from '@/server/db/schema/marks';
import { markWaiting } from '@/server/marking/mark-handed-in';
import { currentMarks } from '@/server/marking/current-marks';
import { enterSitting } from '@/server/sittings/enter';
import { saveAnswers } from '@/server/sittings/save-answers';
import { TestDepartment } from '../drivers/department';
import { handInAndMark } from '../drivers/hand-in';

let dept: TestDepartment;
let sitting: string;
let item: string;
let scripts: Record<string, string>;

/** Both students have answered the first question alike but for the word in slot C. */
beforeEach(async () => {
  dept = await TestDepartment.open();
  const made = await dept.sitting();
  sitting = made.sitting;
  item = made.items[0] ?? '';
  scripts = {};
  for (const [who, word] of [
    ['ada', 'Speed up gear'],
    ['ben', 'speed-up gear'],
  ] as const) {
    const attempt = must(await enterSitting(dept.as(who), sitting)).attempt;
    const values: Record<string, unknown> = {
      a: { chosen: ['o2'] },
      b: { number: '12 kW', unit: '' },
      c: { text: word },
    };
    const written = made.items.flatMap((one) =>
      Object.entries(values).map(([slot, value]) => ({ item: one, slot, value })),
    );
    const entries = await asShown(dept.out.db.read, attempt, written);
    must(
      await saveAnswers(dept.as(who), {
        attempt,
        device: 'device-one',
        entries: entries.map((entry, seq) => ({ ...entry, seq: seq + 1, age: 0 })),
      }),
    );
    must(await handInAndMark(dept.as(who), attempt));
    scripts[who] = attempt;
  }
});
afterEach(() => dept.close());

const accept = (text: string, share = '1') => ({
  what: 'answer' as const,
  slot: 'c',
  response: { text },
  share,
  feedback: '',
});
const order = (changes: unknown[], more: Record<string, unknown> = {}) => ({
  sitting,
  item,
  changes,
  reason: 'It says the same.',
  overPersons: false,
  ...more,
});
async function apply(changes: unknown[], more: Record<string, unknown> = {}): Promise<string> {
  const { mending } = must(await applyMending(dept.as('teacher'), order(changes, more)));
  expect(await jobEnded(dept.out.db.read, mending)).toBe(true);
  return mending;
}
const marksOf = async (slot: string): Promise<(string | null)[]> =>
  (await currentMarks(dept.out.db.read, { sitting }))
    .filter((m) => m.item === item && m.slot === slot)
    .map((m) => m.marks);

describe('the answers of a sitting', () => {
  it('are gathered by what they come to, with the ways they were written', async () => {
    const view = must(await openAnswers(dept.as('teacher'), sitting, item));
    const c = view.slots.find((slot) => slot.id === 'c');
    expect(c?.groups.map(({ count, writings, marks }) => ({ count, writings, marks }))).toEqual([
      { count: 2, writings: ['speed-up gear'], marks: [null] },
    ]);
    expect(view.slots.find((slot) => slot.id === 'b')?.groups[0]).toMatchObject({
      answer: '12 kW',
      count: 2,
      marks: ['0'],
    });
    expect(await openAnswers(dept.as('marker'), sitting, item)).toMatchObject({ ok: false });
  });
});

describe('accepting an answer', () => {
  it('is previewed without writing, applied by a job, explained, and taken back as a whole', async () => {
    const changes = [accept('speed up gear')];
    const before = must(await openResults(dept.as('teacher'), sitting));
    const preview = must(await previewMending(dept.as('teacher'), order(changes)));
    expect(preview).toMatchObject({ marksChanged: 2, scripts: 2, keptByPersons: 0 });
    expect(must(await openResults(dept.as('teacher'), sitting))).toEqual(before);
    expect(preview.movers.map(({ before: b, after: a }) => [b.marks, b.waiting, a.marks, a.waiting])).toEqual(
      before.rows.map(({ marks, waiting }) => [marks, waiting, '3', waiting - 1]),
    );

    const mending = await apply(changes);
    expect(await marksOf('c')).toEqual(['1', '1']);
    const view = must(await openAnswers(dept.as('teacher'), sitting, item));
    expect(view.history).toMatchObject([{ id: mending, state: 'applied', marksChanged: 2, scripts: 2, newest: true }]);
    expect(view.slots[2]?.groups[0]?.trace[0]?.code).toBe('settled');

    must(await takeBackMending(dept.as('teacher'), mending));
    expect(must(await openResults(dept.as('teacher'), sitting))).toEqual(before);
    expect(must(await openAnswers(dept.as('teacher'), sitting, item)).history[0]?.state).toBe('taken back');
    expect(await takeBackMending(dept.as('teacher'), mending)).toMatchObject({ refusal: { code: 'mending-ended' } });
  });

  it('goes into the question of the bank for the next exam', async () => {
    const mending = await apply([accept('speed up gear', '1/2')]);
    const { question } = must(await takeIntoBank(dept.as('teacher'), mending));
    const settled = must(await openQuestion(dept.as('teacher'), question)).body.slots.c?.settled;
    expect(settled).toEqual([{ response: { text: 'speed up gear' }, share: '1/2', feedback: '' }]);
    must(await takeOutOfBank(dept.as('teacher'), mending));
    expect(must(await openQuestion(dept.as('teacher'), question)).body.slots.c?.settled).toBeUndefined();
    expect(await takeOutOfBank(dept.as('teacher'), mending)).toMatchObject({ refusal: { code: 'nothing-for-bank' } });
    const whole = await apply([{ what: 'everyone' }]);
    expect(await takeIntoBank(dept.as('teacher'), whole)).toMatchObject({ refusal: { code: 'nothing-for-bank' } });
    expect(await takeIntoBank(dept.as('marker'), mending)).toMatchObject({ ok: false });
  });

  it('never covers a mark that a person gave, unless it is asked to', async () => {
    must(await giveMark(dept.as('marker'), { attempt: scripts.ada, item, slot: 'c', marks: '½' }));
    const changes = [accept('speed up gear')];
    expect(must(await previewMending(dept.as('teacher'), order(changes)))).toMatchObject({
      marksChanged: 1,
      keptByPersons: 1,
    });
    await apply(changes);
    expect((await marksOf('c')).sort()).toEqual(['1', '1/2']);
    await apply(changes, { overPersons: true });
    expect(await marksOf('c')).toEqual(['1', '1']);
  });

  it('leaves a mark that a person gives while the job runs', async () => {
    const started = applyMending(dept.as('teacher'), order([accept('speed up gear')]));
    const { mending } = must(await started);
    must(await giveMark(dept.as('marker'), { attempt: scripts.ada, item, slot: 'c', marks: '0' }));
    expect(await jobEnded(dept.out.db.read, mending)).toBe(true);
    expect((await marksOf('c')).sort()).toEqual(['0', '1']);
  });

  it.each([0, 20, 60, 150, 400])('holds for whoever hands in %i ms after it began', async (later) => {
    const { ben = '' } = scripts;
    await dept.out.db.transaction(async (tx) => {
      await tx.delete(marks).where(eq(marks.attempt, ben));
      await tx.update(attempts).set({ markedAt: null }).where(eq(attempts.id, ben));
    });
    const { mending } = must(await applyMending(dept.as('teacher'), order([accept('speed up gear')])));
    await sleep(later);
    await markWaiting(dept.as('ben'));
    expect(await jobEnded(dept.out.db.read, mending)).toBe(true);
    expect(await marksOf('c')).toEqual(['1', '1']);
    expect(must(await openAnswers(dept.as('teacher'), sitting, item)).history).toMatchObject([{ state: 'applied' }]);
  });

  it('cancelled half way, or broken off by the end of the server, changes nothing', async () => {
    const before = must(await openResults(dept.as('teacher'), sitting));
    const { mending } = must(await applyMending(dept.as('teacher'), order([accept('speed up gear')])));
    expect(await applyMending(dept.as('teacher'), order([accept('speed up gear')]))).toMatchObject({
      refusal: { code: 'mending-runs' },
    });
    must(await cancelMending(dept.as('teacher'), mending));
    expect(must(await openResults(dept.as('teacher'), sitting))).toEqual(before);
    expect(must(await mendingProgress(dept.as('teacher'), mending))).toBeNull();
    await dept.out.db.transaction((tx) =>
      tx.insert(mendings).values({
        id: 'broken',
        sitting,
        item,
        changes: [{ what: 'drop' }],
        reason: '',
        state: 'running',
        by: dept.id('teacher'),
        at: 1,
      }),
    );
    await cancelBroken(dept.out);
    const states = must(await openAnswers(dept.as('teacher'), sitting, item)).history.map(({ state }) => state);
    expect(states).toEqual(['cancelled', 'cancelled']);
  });

  it('is refused when the answer is none, or by whom it is not', async () => {
    expect(await previewMending(dept.as('teacher'), order([accept('  ')]))).toMatchObject({
      refusal: { code: 'answer-unreadable', at: ['changes', 0] },
    });
    expect(await previewMending(dept.as('marker'), order([accept('x')]))).toMatchObject({ ok: false });
    expect(await previewMending(dept.as('teacher'), order([]))).toMatchObject({ ok: false });
  });
});

describe('a question as a whole', () => {
  it('dropped counts for nobody: the total is less, and what waited there waits no more', async () => {
    const before = must(await openResults(dept.as('teacher'), sitting));
    const mending = await apply([{ what: 'drop' }]);
    const after = must(await openResults(dept.as('teacher'), sitting));
    expect([before.total, after.total]).toEqual(['8', '4']);
    expect(after.rows.map((r) => r.waiting)).toEqual(before.rows.map((r) => r.waiting - 1));
    must(await takeBackMending(dept.as('teacher'), mending));
    expect(must(await openResults(dept.as('teacher'), sitting))).toEqual(before);
  });

  it('given to everybody earns all its marks, and the released results say that they were revised', async () => {
    for (const who of ['ada', 'ben'])
      for (const one of must(await openAnswers(dept.as('teacher'), sitting, null)).questions)
        must(
          await giveMark(dept.as('marker'), {
            attempt: scripts[who],
            item: one.item,
            slot: 'c',
            marks: '0',
            remark: '',
          }),
        );
    must(
      await releaseResults(dept.as('teacher'), {
        sitting,
        shows: { marks: true, key: true, explanation: true, atOnce: true },
      }),
    );
    expect(must(await openOwnResult(dept.as('ada'), scripts.ada ?? '')).revisedAt).toBeNull();
    dept.now += 1000;
    await apply([accept('nobody wrote this')]);
    expect(must(await openOwnResult(dept.as('ada'), scripts.ada ?? '')).revisedAt).toBeNull();
    const mending = await apply([{ what: 'everyone' }], { overPersons: true });
    const own = must(await openOwnResult(dept.as('ada'), scripts.ada ?? ''));
    expect(own.revisedAt).toBe(dept.now);
    expect(own.items[0]?.slots.map(({ marks, of }) => marks === of)).toEqual([true, true, true]);
    expect(own.items[0]?.slots[1]?.trace).toEqual([{ code: 'everyone' }]);
    dept.now += 1000;
    must(await takeBackMending(dept.as('teacher'), mending));
    expect(must(await openOwnResult(dept.as('ada'), scripts.ada ?? '')).revisedAt).toBe(dept.now);
  });
});
