import { createHash } from 'node:crypto';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { emptyQuestion, type QuestionBody } from '@/core/bank/question';
import { must } from '@/core/base/result';
import { contentFromLines } from '@/core/content/lines';
import { record } from '@/core/kinds/record/record';
import { openDesk } from '@/server/marking/desk';
import { figuresOverTime } from '@/server/marking/figures';
import { addRemark } from '@/server/marking/remarks';
import { enterSitting } from '@/server/sittings/enter';
import { addFilePiece } from '@/server/sittings/handed-files';
import { saveAnswers } from '@/server/sittings/save-answers';
import { TestDepartment } from '../drivers/department';
import { handInAndMark } from '../drivers/hand-in';

let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

const reading = (): QuestionBody => ({
  ...emptyQuestion,
  content: {
    type: 'doc',
    content: [...contentFromLines('Read it.').content, { type: 'blockSlot', attrs: { id: 'a' } }],
  },
  slots: {
    a: { kind: 'record', marks: '2', setup: { ...record.fresh(), reads: 'one two three four five', goal: 60 } },
  },
});

/** Reads aloud for so many seconds, hands it in, and gives the attempt. */
async function readAloud(who: string, seconds: number): Promise<string> {
  const { sitting } = await dept.sitting(1, 30, reading);
  const { attempt } = must(await enterSitting(dept.as(who), sitting));
  const bytes = new TextEncoder().encode(`a voice of ${seconds} seconds of ${who}`);
  const hash = createHash('sha256').update(bytes).digest('hex');
  const file = { hash, name: 'recording.webm', size: bytes.length, attempt };
  must(await addFilePiece(dept.as(who), { ...file, from: 0, age: 0 }, bytes));
  const value = { file, seconds, tries: 1 };
  const entries = [{ item: 'item0', slot: 'a', value, age: 0, seq: 1 }];
  must(await saveAnswers(dept.as(who), { attempt, device: 'a-telephone', entries }));
  must(await handInAndMark(dept.as(who), attempt));
  return attempt;
}

it('readings of one student are followed over time by whoever marks them, and nobody else’s', async () => {
  const tap = async (attempt: string, word: number, as: string) =>
    must(
      await addRemark(dept.as('marker'), {
        ...{ attempt, item: 'item0', slot: 'a', words: '' },
        anchor: { at: 'read', word, as },
      }),
    );
  const first = await readAloud('ada', 10);
  await tap(first, 0, 'left out');
  // A second sign at a word takes the place of the first; the last word is one.
  await tap(first, 0, 'other');
  await tap(first, 4, 'last');
  await tap(first, 3, 'last');
  dept.pass(60);
  const second = await readAloud('ada', 5);
  await tap(second, 2, 'helped');
  const others = await readAloud('ben', 5);
  await tap(others, 1, 'helped');
  const asked = { attempt: second, item: 'item0', slot: 'a' };
  const told = must(await figuresOverTime(dept.as('marker'), asked));
  // Four words less one in 10 seconds; five less one in 5.
  expect(told.map(({ value, goal, here }) => [value, goal, here])).toEqual([
    [18, 60, false],
    [48, 60, true],
  ]);
  expect(told[0]?.at).toBeLessThan(told[1]?.at ?? 0);
  // A word that was read rightly after all has no sign.
  await tap(second, 2, 'right');
  expect(must(await figuresOverTime(dept.as('marker'), asked))).toHaveLength(1);
  for (const who of ['ada', 'ben', 'outsider', 'stranger'])
    expect((await figuresOverTime(dept.as(who), asked)).ok).toBe(false);
  const attempt = await dept.attempt(second);
  const desk = must(await openDesk(dept.as('marker'), attempt.sitting, 'item0'));
  expect([desk.figured, desk.answers[0]?.words]).toEqual([['a'], '']);
});
