import { createHash } from 'node:crypto';
import fc from 'fast-check';
import { afterAll, afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { must } from '@/core/base/result';
import { PIECE_BYTES } from '@/core/content/file-limits';
import { longAnswer } from '@/core/kinds/long-answer/long-answer';
import { currentAnswers } from '@/server/sittings/attempts';
import { readHandedFile } from '@/server/sittings/handed-files';
import { handIn } from '@/server/sittings/hand-in';
import type { AnswerQueue } from '../../src/ui/room/answer-queue';
import { MINUTE, TestDepartment } from '../drivers/department';
import { type Fate, FATES, RoomDevice } from '../drivers/room-device';
import { sampleQuestion } from '../drivers/samples';

let dept: TestDepartment;
let device: RoomDevice;
beforeAll(async () => {
  dept = await TestDepartment.open();
});
afterAll(() => dept.close());
afterEach(() => device.leave());

/** A sample question with a long answer that takes two files beside it. */
function withFiles(title: string): ReturnType<typeof sampleQuestion> {
  const sample = sampleQuestion(title);
  const setup = { ...longAnswer.fresh(), example: 'As it might be.', files: 2 };
  return {
    ...sample,
    content: { type: 'doc', content: [...sample.content.content, { type: 'blockSlot', attrs: { id: 'l' } }] },
    slots: { ...sample.slots, l: { kind: 'longAnswer', marks: '2', setup } },
  };
}

async function deviceInRoom(make = sampleQuestion): Promise<RoomDevice> {
  const { sitting } = await dept.sitting(2, 30, make);
  device = new RoomDevice(dept, 'ada', await dept.sit('ada', sitting));
  return device;
}

/** The words that stand at a place on the server. */
async function standing(item: string): Promise<unknown> {
  const there = (await currentAnswers(dept.out.db.read, device.attempt))[item]?.c as { text?: unknown } | undefined;
  return there?.text;
}
const waiting = async (): Promise<unknown[]> => (await device.store.answers()).map(({ value }) => value);
const text = (words: string) => ({ text: words });

async function write(page: AnswerQueue, item: string, words: string): Promise<void> {
  device.pass(20);
  await page.add(item, 'c', text(words));
}

describe('answers on their way', () => {
  type Act =
    | { does: 'write'; tab: number; item: number; words: string }
    | { does: 'send'; tab: number; weather: Fate[] }
    | { does: 'reload'; tab: number };
  const tab = fc.nat(1);
  const acts: fc.Arbitrary<Act[]> = fc.array(
    fc.oneof(
      {
        weight: 5,
        arbitrary: fc.record({
          does: fc.constant('write' as const),
          tab,
          item: fc.nat(1),
          words: fc.string({ maxLength: 12 }),
        }),
      },
      {
        weight: 3,
        arbitrary: fc.record({
          does: fc.constant('send' as const),
          tab,
          weather: fc.array(fc.constantFrom(...FATES), { maxLength: 3 }),
        }),
      },
      { weight: 1, arbitrary: fc.record({ does: fc.constant('reload' as const), tab }) },
    ),
    { maxLength: 25 },
  );

  it('all arrive, and what was written last stands, whatever the network does, in two tabs and over reloads', async () => {
    await fc.assert(
      fc.asyncProperty(acts, async (all) => {
        await deviceInRoom();
        const tabs = [device.page(), device.page()] as const;
        const pages: AnswerQueue[] = [...tabs];
        const last = new Map<string, string>();
        const page = (n: number): AnswerQueue => pages[n] ?? tabs[0];
        for (const act of all) {
          device.pass(500);
          if (act.does === 'write') {
            await write(page(act.tab), `item${act.item}`, act.words);
            last.set(`item${act.item}`, act.words);
          } else if (act.does === 'reload') {
            pages[act.tab] = device.page();
          } else {
            device.weather.push(...act.weather);
            const { refused } = await page(act.tab).send([]);
            device.weather.length = 0;
            expect(refused).toEqual([]);
          }
        }
        for (const one of pages) expect((await one.send([])).state).toBe('sent');
        expect(await waiting()).toEqual([]);
        for (const [item, words] of last) expect(await standing(item)).toBe(words);
      }),
      { numRuns: 40, seed: 26 },
    );
  });

  it.each(FATES.filter((fate) => fate !== 'arrives'))(
    'stay on the device when a request is met by: %s',
    async (fate) => {
      await deviceInRoom();
      const page = device.page();
      await write(page, 'item0', 'a few words');
      device.weather.push(fate);
      const { state, refused } = await page.send([]);
      expect(state).toBe(fate === 'stranger' ? 'signed-out' : 'offline');
      expect(refused).toEqual([]);
      expect(await waiting()).toEqual([text('a few words')]);
      expect((await device.page().send([])).state).toBe('sent');
      expect(await waiting()).toEqual([]);
      expect(await standing('item0')).toBe('a few words');
    },
  );

  it('travel as the last change of each place, and those of different tabs apart', async () => {
    await deviceInRoom();
    const [one, other] = [device.page(), device.page()];
    for (const words of ['f', 'fo', 'foi', 'foil']) await write(one, 'item0', words);
    await write(other, 'item1', 'hub');
    await one.send([]);
    const sent = device.requests.map(
      ({ body }) => JSON.parse(body) as { device: string; entries: { value: unknown }[] },
    );
    expect(sent.map(({ entries }) => entries.map(({ value }) => value))).toEqual([[text('foil')], [text('hub')]]);
    expect(new Set(sent.map((batch) => batch.device)).size).toBe(2);
  });

  it('that no slot takes are named, and hold up nothing else', async () => {
    await deviceInRoom();
    const page = device.page();
    await write(page, 'item0', 'good');
    await page.add('item1', 'c', { text: 42 });
    await page.add('item1', 'nowhere', text('lost'));
    const { state, refused } = await page.send([]);
    expect(state).toBe('sent');
    expect(refused).toEqual([
      { item: 'item1', slot: 'c', why: 'unfit' },
      { item: 'item1', slot: 'nowhere', why: 'unfit' },
    ]);
    expect(await waiting()).toEqual([]);
    expect(await standing('item0')).toBe('good');
  });

  it('that are refused as a batch go one by one, until the one is found', async () => {
    await deviceInRoom();
    const page = device.page();
    await write(page, 'item0', 'good');
    // No name of a question is so long: the server cannot read the batch at all.
    await page.add('i'.repeat(60), 'c', text('never'));
    await write(page, 'item1', 'good, too');
    const { refused } = await page.send([]);
    expect(refused.map(({ slot, why }) => [slot, why])).toEqual([['c', 'unfit']]);
    expect(device.requests).toHaveLength(4);
    expect(await waiting()).toEqual([]);
    expect([await standing('item0'), await standing('item1')]).toEqual(['good', 'good, too']);
  });

  it('that come after handing in are late, and say so', async () => {
    await deviceInRoom();
    const page = device.page();
    await write(page, 'item0', 'in time');
    await page.send([]);
    must(await handIn(dept.as('ada'), device.attempt));
    await write(page, 'item0', 'too late');
    expect((await page.send([])).refused).toEqual([{ item: 'item0', slot: 'c', why: 'late' }]);
    expect(await standing('item0')).toBe('in time');
  });

  it('wait in the page where the device is full, and still arrive', async () => {
    await deviceInRoom();
    const page = device.page();
    await write(page, 'item0', 'before');
    const full = vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
      throw new DOMException('The disk is full', 'QuotaExceededError');
    });
    await write(page, 'item0', 'while it is full');
    expect(device.store.lasting).toBe(false);
    full.mockRestore();
    await page.send([]);
    expect(device.store.lasting).toBe(true);
    expect(await waiting()).toEqual([]);
    expect(await standing('item0')).toBe('while it is full');
  });

  it('written later by a device whose clock was set back are still later', async () => {
    await deviceInRoom();
    const page = device.page();
    await write(page, 'item0', 'first');
    vi.setSystemTime(Date.now() - 3_600_000);
    await write(page, 'item0', 'second');
    await page.send([]);
    expect(await standing('item0')).toBe('second');
    expect(await waiting()).toEqual([]);
  });

  it.each([
    ['within the grace, of a device that was offline as the time ended', { last: 25, back: 30.3 }, []],
    ['within the grace, of a device that was heard of as the time ended', { last: 29.99, back: 30.3 }, ['late']],
    ['after the grace', { last: 25, back: 31 }, ['late']],
  ])('written in time are judged as they arrive %s', async (_, { last, back }, refusals) => {
    await deviceInRoom();
    const begun = dept.now;
    const until = (minutes: number): void => device.pass(begun + minutes * MINUTE - dept.now);
    const page = device.page();
    until(last);
    await page.send([]);
    await write(page, 'item0', 'in time');
    until(back);
    expect((await page.send([])).refused.map(({ why }) => why)).toEqual(refusals);
    expect(await waiting()).toEqual([]);
    expect(await standing('item0')).toBe(refusals.length === 0 ? 'in time' : undefined);
  });
});

describe('files beside answers', () => {
  const bytes = new Uint8Array(2 * PIECE_BYTES + 1000).map((_, i) => i % 251);
  const hash = createHash('sha256').update(bytes).digest('hex');
  const chosen = (): File => new File([bytes], '  log book.csv ');
  const pieces = (): string[] =>
    device.requests
      .filter(({ method }) => method === 'PUT')
      .map(({ address }) => new URL(address, 'http://room').searchParams.get('from') ?? '');

  it('arrive in pieces and go on where the server stands; an answer that names them follows, others do not wait', async () => {
    await deviceInRoom(withFiles);
    const page = device.page();
    const files = device.files();
    const file = must(await files.keep(chosen()));
    expect(file).toEqual({ attempt: device.attempt, hash, name: 'log book.csv', size: bytes.length });
    await page.add('item0', 'l', { text: 'see the log', files: [file] });
    await write(page, 'item1', 'words');
    await page.send(await files.waiting());
    expect(await standing('item1')).toBe('words');
    expect((await currentAnswers(dept.out.db.read, device.attempt)).item0).toBeUndefined();

    device.weather.push('arrives', 'unheard');
    expect(await files.send()).toBe('offline');
    expect(device.progress.get(hash)).toEqual({ share: PIECE_BYTES / bytes.length });
    expect(await files.send()).toBe('sent');
    // The second piece was taken though nobody heard of it: it is not sent again.
    expect(pieces()).toEqual(['0', `${PIECE_BYTES}`, '0', `${2 * PIECE_BYTES}`]);
    expect(device.progress.size).toBe(0);
    expect(await files.waiting()).toEqual([]);
    await page.send(await files.waiting());
    expect(await device.store.empty()).toBe(true);
    const handed = await readHandedFile(dept.as('ada'), device.attempt, hash);
    expect(Buffer.from(handed?.bytes ?? []).equals(Buffer.from(bytes))).toBe(true);
  });

  it('that are refused say why, are forgotten, and hold up nothing else', async () => {
    await deviceInRoom(withFiles);
    const files = device.files();
    must(await files.keep(chosen()));
    device.pass(10);
    const second = must(await files.keep(new File(['a line'], 'note.txt')));
    must(await handIn(dept.as('ada'), device.attempt));
    expect(await files.send()).toBe('sent');
    for (const one of [hash, second.hash])
      expect(device.progress.get(one)).toEqual({ refusal: { code: 'time-is-over' } });
    expect(await files.waiting()).toEqual([]);
  });

  it.each(['lost', 'busy', 'fault', 'portal', 'stranger'] as const)(
    'wait on the device when met by: %s',
    async (fate) => {
      await deviceInRoom(withFiles);
      const files = device.files();
      must(await files.keep(chosen()));
      device.weather.push(fate);
      expect(await files.send()).toBe(fate === 'stranger' ? 'signed-out' : 'offline');
      expect(await device.files().waiting()).toEqual([hash]);
      expect(await device.files().send()).toBe('sent');
    },
  );

  it('that are empty, too large, or gone before they are read are refused at once', async () => {
    await deviceInRoom(withFiles);
    const files = device.files();
    expect(await files.keep(new File([], 'none.txt'))).toMatchObject({ ok: false, refusal: { code: 'file-empty' } });
    const large = new File(['x'], 'film.mp4');
    Object.defineProperty(large, 'size', { value: 40_000_000 });
    expect(await files.keep(large)).toMatchObject({ ok: false, refusal: { code: 'handed-file-too-large' } });
    const gone = new File(['x'], 'on-a-stick.txt');
    Object.defineProperty(gone, 'arrayBuffer', { value: () => Promise.reject(new DOMException('', 'NotFoundError')) });
    expect(await files.keep(gone)).toEqual({ ok: false, refusal: { code: 'file-unreadable-here' } });
    expect(await files.waiting()).toEqual([]);
  });
});
