import { afterEach, beforeEach, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { longAnswer } from '@/core/kinds/long-answer/long-answer';
import { answersNow } from '@/server/db/schema/exams';
import { openDesk } from '@/server/marking/desk';
import { currentAnswers } from '@/server/sittings/attempts';
import { enterSitting } from '@/server/sittings/enter';
import { handIn } from '@/server/sittings/hand-in';
import { addHandedFile, readHandedFile } from '@/server/sittings/handed-files';
import { saveAnswers } from '@/server/sittings/save-answers';
import { MINUTE, TestDepartment } from '../drivers/department';
import { sampleQuestion } from '../drivers/samples';

let dept: TestDepartment;
let attempt: string;
let item: string;
let sitting: string;
beforeEach(async () => {
  dept = await TestDepartment.open();
  const made = await dept.sitting(1, 30, (title) => {
    const sample = sampleQuestion(title);
    const setup = { ...longAnswer.fresh(), example: 'As it might be.', files: 2 };
    const slot = { type: 'blockSlot' as const, attrs: { id: 'l' } };
    return {
      ...sample,
      content: { type: 'doc', content: [...sample.content.content, slot] },
      slots: { ...sample.slots, l: { kind: 'longAnswer', marks: '2', setup } },
    };
  });
  sitting = made.sitting;
  item = made.items[0] ?? '';
  attempt = must(await enterSitting(dept.as('ada'), sitting)).attempt;
});
afterEach(() => dept.close());

const bytes = new TextEncoder().encode('oil temperature, hour by hour');
const add = (who: string, content = bytes, name = 'log book.csv') =>
  addHandedFile(dept.as(who), { attempt, name, bytes: content });

it('a file beside an answer is kept, reaches the marker, and nobody else', async () => {
  const file = must(await add('ada'));
  expect(file).toMatchObject({ name: 'log book.csv', size: bytes.length, attempt });
  const entries = [{ seq: 1, item, slot: 'l', value: { text: '', files: [file] }, age: 0 }];
  must(await saveAnswers(dept.as('ada'), { attempt, device: 'device-one', entries }));
  must(await handIn(dept.as('ada'), attempt));

  const waiting = must(await openDesk(dept.as('marker'), sitting, item)).answers.find(({ slot }) => slot === 'l');
  expect(waiting).toMatchObject({ marks: null, answer: '[log book.csv]' });
  expect(waiting?.trace.map(({ code }) => code)).toContain('files-beside');
  for (const who of ['ada', 'marker', 'teacher'])
    expect(await readHandedFile(dept.as(who), attempt, file.hash)).toMatchObject({
      name: 'log book.csv',
      bytes: Buffer.from(bytes),
    });
  expect(await readHandedFile(dept.as('ben'), attempt, file.hash)).toBeNull();
  expect(await readHandedFile(dept.as('ada'), attempt, 'a'.repeat(64))).toBeNull();
});

it('is refused empty, too large, by somebody else, and when the time is over', async () => {
  expect(await add('ada', new Uint8Array())).toMatchObject({ refusal: { code: 'file-empty' } });
  expect(await add('ada', new Uint8Array(40 * 1024 * 1024))).toMatchObject({
    refusal: { code: 'handed-file-too-large', values: { size: 40, most: 20 } },
  });
  expect(await add('ben')).toMatchObject({ refusal: { code: 'forbidden' } });
  must(await add('ada'));
  must(await add('ada', bytes, 'the same again.csv'));
  dept.now += 60 * MINUTE;
  expect(await add('ada')).toMatchObject({ refusal: { code: 'time-is-over' } });
});

it('is taken only from whose it is, and not more than the slot takes', async () => {
  const bens = must(await enterSitting(dept.as('ben'), sitting)).attempt;
  const theirs = must(await addHandedFile(dept.as('ben'), { attempt: bens, name: 'mine.csv', bytes }));
  const own = await Promise.all(
    ['one', 'two', 'three'].map(async (name) => must(await add('ada', new TextEncoder().encode(name), name))),
  );
  const send = async (seq: number, files: unknown[]) =>
    must(
      await saveAnswers(dept.as('ada'), {
        attempt,
        device: 'device-one',
        entries: [{ seq, item, slot: 'l', value: { text: 'see there', files }, age: 0 }],
      }),
    );
  const unfit = (seq: number) => ({ saved: [], refused: [{ seq, why: 'unfit' }] });
  expect(await send(1, [theirs])).toMatchObject(unfit(1));
  expect(await send(2, [{ ...theirs, attempt }])).toMatchObject(unfit(2));
  expect(await send(3, own)).toMatchObject(unfit(3));
  expect(await send(4, own.slice(0, 2))).toMatchObject({ saved: [4], refused: [] });
});

it('what was sent besides is not kept, and an answer that cannot be read waits', async () => {
  const value = { text: 'words', more: 'x'.repeat(1000) };
  must(
    await saveAnswers(dept.as('ada'), {
      attempt,
      device: 'device-one',
      entries: [{ seq: 1, item, slot: 'l', value, age: 0 }],
    }),
  );
  expect((await currentAnswers(dept.out.db.read, attempt))[item]?.l).toEqual({ text: 'words' });
  await dept.out.db.transaction((tx) =>
    tx.insert(answersNow).values({
      attempt,
      item,
      slot: 'c',
      value: { other: 'form' },
      device: 'device-old',
      seq: 1,
      writtenAt: 1,
      receivedAt: 1,
      keptAt: 1,
    }),
  );
  must(await handIn(dept.as('ada'), attempt));
  const waiting = must(await openDesk(dept.as('marker'), sitting, item)).answers.find(({ slot }) => slot === 'c');
  expect(waiting).toMatchObject({ marks: null, answer: '{"other":"form"}', trace: [{ code: 'unreadable' }] });
});
