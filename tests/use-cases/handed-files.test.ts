import { afterEach, beforeEach, expect, it } from 'vitest';
import { createHash } from 'node:crypto';
import { eq } from 'drizzle-orm';
import { must, type Result } from '@/core/base/result';
import { PIECE_BYTES } from '@/core/content/file-limits';
import type { HandedFile } from '@/core/content/handed-file';
import { longAnswer } from '@/core/kinds/long-answer/long-answer';
import { answersNow, attemptFiles } from '@/server/db/schema/attempts';
import { openDesk } from '@/server/marking/desk';
import { currentAnswers } from '@/server/sittings/attempts';
import { enterSitting } from '@/server/sittings/enter';
import { addFilePiece, type FileReceived, heldFiles, readHandedFile } from '@/server/sittings/handed-files';
import { saveAnswers } from '@/server/sittings/save-answers';
import { secondForm } from '@/server/sittings/second-form';
import { MINUTE, TestDepartment } from '../drivers/department';
import { sampleQuestion } from '../drivers/samples';
import { handInAndMark } from '../drivers/hand-in';

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
const fileOf = (content: Uint8Array, name: string, to = attempt): HandedFile => ({
  hash: createHash('sha256').update(content).digest('hex'),
  name,
  size: content.length,
  attempt: to,
});
const piece = (who: string, file: HandedFile, content: Uint8Array, from: number, age = 0) =>
  addFilePiece(dept.as(who), { ...file, from, age }, content.subarray(from, from + PIECE_BYTES));

/** Sends a file as a device does: piece by piece, from where the server says. */
async function add(who: string, content = bytes, name = 'log book.csv', to = attempt): Promise<Result<HandedFile>> {
  const file = fileOf(content, name, to);
  for (let from = 0; from === 0 || from < content.length; ) {
    const reply = await piece(who, file, content, from);
    if (!reply.ok) return reply;
    from = reply.value.received;
  }
  return { ok: true, value: file };
}

it('a file beside an answer is kept, reaches the marker, and nobody else', async () => {
  const file = must(await add('ada'));
  expect(file).toMatchObject({ name: 'log book.csv', size: bytes.length, attempt });
  const entries = [{ seq: 1, item, slot: 'l', value: { text: '', files: [file] }, age: 0 }];
  must(await saveAnswers(dept.as('ada'), { attempt, device: 'device-one', entries }));
  must(await handInAndMark(dept.as('ada'), attempt));

  const waiting = must(await openDesk(dept.as('marker'), sitting, item)).answers.find(({ slot }) => slot === 'l');
  expect(waiting).toMatchObject({ marks: null, answer: '[log book.csv]' });
  expect(waiting?.trace.map(({ code }) => code)).toContain('files-beside');
  for (const who of ['ada', 'marker', 'teacher'])
    expect(await readHandedFile(dept.as(who), attempt, file.hash)).toMatchObject({
      name: 'log book.csv',
      bytes: Buffer.from(bytes),
    });
  expect((await readHandedFile(dept.as('ada'), attempt, file.hash, { from: 1, to: 3 }))?.bytes).toHaveLength(2);
  expect(await readHandedFile(dept.as('ben'), attempt, file.hash, { from: 0, to: 1 })).toBeNull();
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

it('comes in pieces, each once, in any number of tries, and is there only when all have come', async () => {
  const content = new Uint8Array(2 * PIECE_BYTES + 7).map((_, i) => i % 251);
  const file = fileOf(content, 'a long recording.webm');
  const received = async (from: number): Promise<FileReceived> => must(await piece('ada', file, content, from));
  expect(await received(0)).toEqual({ received: PIECE_BYTES });
  // A piece that comes too early, and one that comes again, change nothing.
  expect(await received(2 * PIECE_BYTES)).toEqual({ received: PIECE_BYTES });
  expect(await received(0)).toEqual({ received: PIECE_BYTES });
  expect(await addFilePiece(dept.as('ada'), { ...file, from: PIECE_BYTES, age: 0 }, bytes)).toMatchObject({
    refusal: { code: 'bad-input' },
  });
  expect(await received(PIECE_BYTES)).toEqual({ received: 2 * PIECE_BYTES });
  expect([...(await heldFiles(dept.out.db.read, attempt)).keys()]).toEqual([]);
  expect(await readHandedFile(dept.as('ada'), attempt, file.hash)).toBeNull();
  // Two tabs send the last piece at once.
  const last = await Promise.all([received(2 * PIECE_BYTES), received(2 * PIECE_BYTES)]);
  expect(last).toEqual([{ received: content.length }, { received: content.length }]);
  expect((await readHandedFile(dept.as('ada'), attempt, file.hash))?.bytes).toEqual(Buffer.from(content));
  expect(await received(0)).toEqual({ received: content.length });
});

it('that is not what was announced is forgotten, and may come anew', async () => {
  const file = fileOf(bytes, 'log book.csv');
  const other = bytes.map((byte) => byte ^ 1);
  expect(await piece('ada', file, other, 0)).toMatchObject({ refusal: { code: 'file-changed' } });
  expect([...(await heldFiles(dept.out.db.read, attempt)).keys()]).toEqual([]);
  must(await add('ada'));
  expect([...(await heldFiles(dept.out.db.read, attempt)).keys()]).toEqual([file.hash]);
});

it('is one of sixty at most, however many are begun at once', async () => {
  const begun = await Promise.all(
    Array.from({ length: 70 }, (_, i) => add('ada', new TextEncoder().encode(`file ${i}`), `${i}.txt`)),
  );
  expect(begun.filter(({ ok }) => ok)).toHaveLength(60);
  const rows = await dept.out.db.read.select().from(attemptFiles).where(eq(attemptFiles.attempt, attempt));
  expect(rows).toHaveLength(60);
});

it('that was chosen before the end is taken within the grace, later not', async () => {
  const content = new Uint8Array(PIECE_BYTES + 1).fill(7);
  const file = fileOf(content, 'photo.jpg');
  dept.now += 30 * MINUTE + 10_000;
  expect(await piece('ada', file, content, 0, 5_000)).toMatchObject({ refusal: { code: 'time-is-over' } });
  expect(must(await piece('ada', file, content, 0, 20_000))).toEqual({ received: PIECE_BYTES });
  dept.now += 25_000;
  expect(await piece('ada', file, content, PIECE_BYTES, 45_000)).toMatchObject({ refusal: { code: 'time-is-over' } });
});

it('that began to travel before the end is taken within the grace, with the answer that names it, also from a device that was there', async () => {
  const content = new Uint8Array(PIECE_BYTES + 1).fill(8);
  const file = fileOf(content, 'page.jpg');
  const answer = (seq: number, files: unknown[], age: number) =>
    saveAnswers(dept.as('ada'), {
      attempt,
      device: 'device-of-this',
      entries: [{ seq, item, slot: 'l', value: { text: 'see there', files }, age }],
    });
  dept.now += 30 * MINUTE - 4_000;
  must(await answer(1, [], 0));
  expect(must(await piece('ada', file, content, 0, 0))).toEqual({ received: PIECE_BYTES });
  dept.now += 14_000;
  expect(must(await piece('ada', file, content, PIECE_BYTES, 11_000))).toEqual({ received: content.length });
  const named = { hash: file.hash, name: 'page.jpg', size: content.length, attempt };
  expect(must(await answer(2, [named], 11_000)).refused).toEqual([]);
  expect(must(await answer(3, [], 11_000)).refused).toMatchObject([{ why: 'late' }]);
});

it('is taken only from whose it is, and not more than the slot takes', async () => {
  const bens = must(await enterSitting(dept.as('ben'), sitting)).attempt;
  const theirs = must(await add('ben', bytes, 'mine.csv', bens));
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
  expect((await currentAnswers(dept.out.db.read, attempt))[item]?.l).toEqual({ version: 1, text: 'words' });
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
  must(await handInAndMark(dept.as('ada'), attempt));
  const waiting = must(await openDesk(dept.as('marker'), sitting, item)).answers.find(({ slot }) => slot === 'c');
  expect(waiting).toMatchObject({ marks: null, answer: '{"other":"form"}', trace: [{ code: 'unreadable' }] });
});

it('a recording comes in another form where the machine has a tool for it, made once, for those who may have it', async () => {
  const file = fileOf(bytes, 'call.webm');
  must(await piece('ada', file, bytes, 0));
  let made = 0;
  const converter = {
    convert: (given: Uint8Array, to: string) => {
      made += 1;
      return Promise.resolve(new TextEncoder().encode(`${to} of ${given.length}`));
    },
  };
  const asked = (who: string, to: 'voice' | 'film' = 'voice', hash = file.hash) =>
    secondForm({ ...dept.as(who), converter }, { attempt, hash }, to);
  for (const who of ['ada', 'marker', 'ada'])
    expect(new TextDecoder().decode((await asked(who)) ?? undefined)).toBe(`voice of ${bytes.length}`);
  expect(made).toBe(1);
  for (const who of ['ben', 'outsider', 'stranger']) expect(await asked(who)).toBeNull();
  expect(await asked('ada', 'voice', 'f'.repeat(64))).toBeNull();
  // What is no recording is given to no tool, and without a tool there is no other form.
  const text = fileOf(new TextEncoder().encode('no sound'), 'notes.txt');
  must(await piece('ada', text, new TextEncoder().encode('no sound'), 0));
  expect(await asked('ada', 'voice', text.hash)).toBeNull();
  expect(await secondForm(dept.as('ada'), { attempt, hash: file.hash }, 'film')).toBeNull();
});
