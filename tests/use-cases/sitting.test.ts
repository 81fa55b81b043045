import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { seedFor } from '@/core/base/random';
import { asShown } from '@/demo/as-shown';
import { contentFromText } from '@/core/content/written';
import { must } from '@/core/base/result';
import { gradeRow } from '@/core/gradebook/row';
import { answers, answersNow, attempts } from '@/server/db/schema/attempts';
import { marks } from '@/server/db/schema/marks';
import { openGradebook } from '@/server/gradebook/gradebook';
import { gradebookCsv } from '@/server/gradebook/export';
import { gradebookXlsx } from '@/server/gradebook/workbook';
import { openDesk } from '@/server/marking/desk';
import { listMarking } from '@/server/marking/list-marking';
import { giveMark } from '@/server/marking/give-mark';
import { addRemark } from '@/server/marking/remarks';
import { openOwnResult } from '@/server/results/own-result';
import { releaseResults } from '@/server/results/release';
import { openResults, saveBoundaries } from '@/server/results/results';
import { currentAnswers } from '@/server/sittings/attempts';
import { enterSitting } from '@/server/sittings/enter';
import { handIn } from '@/server/sittings/hand-in';
import { openRoom } from '@/server/sittings/room';
import { saveAnswers } from '@/server/sittings/save-answers';
import { scheduleSitting } from '@/server/sittings/schedule';
import { MINUTE, TestDepartment } from '../drivers/department';
import { questionOfEveryKind, SECRETS } from '../drivers/samples';
import { handInAndMark } from '../drivers/hand-in';

let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

const enter = async (who: string, sitting: string): Promise<string> =>
  must(await enterSitting(dept.as(who), sitting)).attempt;
let seq = 0;
const entry = (item: string, slot: string, value: unknown, age = 0) => ({ seq: ++seq, item, slot, value, age });
const save = async (who: string, attempt: string, entries: ReturnType<typeof entry>[], device = 'device-one') =>
  saveAnswers(dept.as(who), { attempt, device, entries: await asShown(dept.out.db.read, attempt, entries) });

const RIGHT = { a: { chosen: ['o2'] }, b: { number: '73,219 MW', unit: '' }, c: { text: 'Secretkeyword' } };
async function answerAll(
  who: string,
  attempt: string,
  items: string[],
  with_: Record<string, unknown> = RIGHT,
): Promise<void> {
  must(
    await save(
      who,
      attempt,
      items.flatMap((item) => Object.entries(with_).map(([slot, value]) => entry(item, slot, value))),
    ),
  );
}

describe('from entering to the gradebook', () => {
  it('marks what rules decide, waits for a person, releases, records', async () => {
    const { sitting, items } = await dept.sitting();
    const ada = await enter('ada', sitting);
    const ben = await enter('ben', sitting);
    await answerAll('ada', ada, items);
    await answerAll('ben', ben, items, { ...RIGHT, b: { number: '73219', unit: '' }, c: { text: 'something else' } });
    must(await handInAndMark(dept.as('ada'), ada));
    must(await handInAndMark(dept.as('ben'), ben));

    expect(must(await listMarking(dept.as('marker'))).map((t) => [t.number, t.waiting])).toEqual([
      ['1', 1],
      ['2', 1],
    ]);
    const early = await releaseResults(dept.as('teacher'), {
      sitting,
      shows: { marks: true, key: true, explanation: true },
    });
    expect(early).toMatchObject({ ok: false, refusal: { code: 'answers-wait', values: { count: 2 } } });

    const desk = must(await openDesk(dept.as('marker'), sitting, items[0] ?? ''));
    expect(desk.answers).toMatchObject([{ attempt: ben, name: null, answer: 'something else', of: '1', marks: null }]);
    for (const bad of ['2', '-1', 'x', '']) {
      expect((await giveMark(dept.as('marker'), { attempt: ben, item: items[0], slot: 'c', marks: bad })).ok).toBe(
        false,
      );
    }
    must(await giveMark(dept.as('marker'), { attempt: ben, item: items[0], slot: 'c', marks: '1' }));
    must(await giveMark(dept.as('marker'), { attempt: ben, item: items[0], slot: 'c', marks: '½' }));
    must(
      await addRemark(dept.as('marker'), {
        attempt: ben,
        item: items[0],
        slot: 'c',
        words: 'Nearly.',
        anchor: { at: 'words', from: 0, to: 9, quote: 'something' },
      }),
    );
    must(await giveMark(dept.as('marker'), { attempt: ben, item: items[1], slot: 'c', marks: '0' }));
    const history = await dept.out.db.read.select().from(marks).where(eq(marks.attempt, ben));
    expect(history.filter((m) => m.item === items[0] && m.slot === 'c').map((m) => m.marks)).toEqual([
      null,
      '1',
      '1/2',
    ]);

    const results = must(await openResults(dept.as('teacher'), sitting));
    expect(results.rows.map((r) => [r.name, r.marks, r.waiting])).toEqual([
      ['ada', '8', 0],
      ['ben', '9/2', 0],
    ]);
    must(await releaseResults(dept.as('teacher'), { sitting, shows: { marks: true, key: false, explanation: false } }));
    const own = must(await openOwnResult(dept.as('ben'), ben));
    expect(own.score).toMatchObject({
      marks: '4.5',
      of: '8',
      percent: '56.3',
      passed: true,
      grade: 'C',
      rangeText: contentFromText('4.5 of 8'),
    });
    // The sitting is open for two hours: what would tell others waits until nobody can get in any more.
    expect([own.items, own.waitsUntil !== null]).toEqual([[], true]);
    expect(results.stillOpen).toMatchObject({ students: 0 });
    dept.pass(121);
    const later = must(await openOwnResult(dept.as('ben'), ben));
    expect(later.waitsUntil).toBeNull();
    expect(later.items[0]?.slots[2]).toMatchObject({
      marks: '1/2',
      remarks: [{ number: 1, words: 'Nearly.', anchor: { at: 'words', quote: 'something' } }],
      key: null,
    });
    expect(later.items[0]?.slots[1]).toMatchObject({ marks: '1' });
    expect(JSON.stringify(later)).not.toContain('Secret explanation');

    const book = must(await openGradebook(dept.as('teacher'), dept.course));
    expect(
      book.rows.map((r) => [
        r.name,
        r.cells[0]?.score?.marks,
        r.cells[0]?.score?.grade,
        gradeRow(book, r.cells, null).stands?.shown,
      ]),
    ).toEqual([
      ['ada', '8', 'C', '100.0'],
      ['ben', '9/2', 'C', '56.3'],
    ]);
    expect(gradebookCsv(book).split('\r\n')[2]).toBe('ben,ben,4.5,56.3,C,yes,56.3,C,yes');
    expect((await gradebookXlsx(book)).length).toBeGreaterThan(3000);
  });

  it('handing in twice changes nothing', async () => {
    const { sitting, items } = await dept.sitting(1);
    const ada = await enter('ada', sitting);
    await answerAll('ada', ada, items);
    const first = must(await handIn(dept.as('ada'), ada));
    dept.pass(5);
    expect(must(await handIn(dept.as('ada'), ada))).toEqual(first);
    expect(await dept.out.db.read.select().from(marks)).toHaveLength(3);
    expect(must(await save('ada', ada, [entry('item0', 'a', { chosen: [] })])).saved).toEqual([]);
  });
});

describe('the room before release', () => {
  it('gives a student nothing that holds a key, rule, feedback, note or explanation', async () => {
    const { sitting, items } = await dept.sitting(2, 30, questionOfEveryKind);
    const ada = await enter('ada', sitting);
    const replies: unknown[] = [
      await openRoom(dept.as('ada'), ada),
      await save(
        'ada',
        ada,
        items.map((i) => entry(i, 'b', { number: '1', unit: '' })),
      ),
      await openOwnResult(dept.as('ada'), ada),
    ];
    replies.push(
      await handIn(dept.as('ada'), ada),
      await openOwnResult(dept.as('ada'), ada),
      await enterSitting(dept.as('ada'), sitting),
    );
    const said = JSON.stringify(replies);
    for (const secret of [...SECRETS, '"rules"', '"setup"', '"feedback"', '"trials"'])
      expect(said).not.toContain(secret);
    expect(said).toContain('choose, work out, name');
  });

  it('opens only to whose it is', async () => {
    const { sitting } = await dept.sitting(1);
    const ada = await enter('ada', sitting);
    for (const who of ['ben', 'cleo', 'teacher', 'marker']) {
      expect(await openRoom(dept.as(who), ada)).toMatchObject({ ok: false, refusal: { code: 'forbidden' } });
      expect((await save(who, ada, [entry('item0', 'a', { chosen: ['o2'] })])).ok).toBe(false);
      expect((await handIn(dept.as(who), ada)).ok).toBe(false);
    }
    expect(await enterSitting(dept.as('cleo'), sitting)).toMatchObject({ ok: false, refusal: { code: 'forbidden' } });
    expect(await openResults(dept.as('ada'), sitting)).toMatchObject({ ok: false });
    expect(await openDesk(dept.as('ada'), sitting, 'item0')).toMatchObject({ ok: false });
    expect(await openGradebook(dept.as('marker'), dept.course)).toMatchObject({ ok: false });
  });
});

describe('answers', () => {
  it('sent twice are kept once', async () => {
    const { sitting } = await dept.sitting(1);
    const ada = await enter('ada', sitting);
    const one = entry('item0', 'c', { text: 'a' });
    const two = entry('item0', 'c', { text: 'ab' });
    must(await save('ada', ada, [one, two]));
    expect(must(await save('ada', ada, [one, two])).saved).toEqual([one.seq, two.seq]);
    expect(await dept.out.db.read.select().from(answersNow)).toHaveLength(1);
    expect(await dept.out.db.read.select().from(answers)).toHaveLength(1);
    expect((await currentAnswers(dept.out.db.read, ada)).item0?.c).toEqual({ version: 1, text: 'ab' });
  });

  it('of 3,100 keystrokes leave a story that is told in steps of seconds, and what stood there at the end', async () => {
    const { sitting } = await dept.sitting(1, 90);
    const ada = await enter('ada', sitting);
    const began = dept.now;
    for (let i = 1; i <= 3100; i++) {
      dept.now += 300;
      if (i % 4 > 0) continue;
      must(await save('ada', ada, [entry('item0', 'c', { text: 'wind '.repeat(i % 900) + i })]));
    }
    const seconds = (dept.now - began) / 1000;
    const told = async () => dept.out.db.read.select().from(answers).where(eq(answers.attempt, ada));
    expect((await told()).length).toBeGreaterThan(seconds / 8);
    expect((await told()).length).toBeLessThanOrEqual(seconds / 5 + 1);
    must(await save('ada', ada, [entry('item0', 'c', { text: 'the end' })]));
    const before = await told();
    expect(before.map((row) => row.value)).not.toContainEqual({ text: 'the end' });
    must(await handInAndMark(dept.as('ada'), ada));
    expect((await told()).at(-1)?.value).toEqual({ version: 1, text: 'the end' });
    expect(await told()).toHaveLength(before.length + 1);
  });

  it('that many save at the same time are all kept, and none is taken from an attempt that was handed in', async () => {
    const { sitting, items } = await dept.sitting();
    const attempts_ = { ada: await enter('ada', sitting), ben: await enter('ben', sitting) };
    must(await handInAndMark(dept.as('ben'), attempts_.ben));
    const seqs = (
      await Promise.all(
        Array.from({ length: 40 }, async (_, i) => {
          const who = i % 4 === 3 ? 'ben' : 'ada';
          const { saved } = must(await save(who, attempts_[who], [entry(items[0] ?? '', 'c', { text: `take ${i}` })]));
          return saved.map((n) => ({ who, n }));
        }),
      )
    ).flat();
    expect(seqs).toHaveLength(30);
    expect(new Set(seqs.map(({ who }) => who))).toEqual(new Set(['ada']));
    const last = (await currentAnswers(dept.out.db.read, attempts_.ada)).item0?.c as { text: string };
    expect(seqs.at(-1)?.n).toBeDefined();
    expect(last.text).toMatch(/^take \d+$/);
    expect(await currentAnswers(dept.out.db.read, attempts_.ben)).toEqual({});
  });

  it('that were saved before handing in are acknowledged again when the first word was lost', async () => {
    const { sitting, items } = await dept.sitting();
    const ada = await enter('ada', sitting);
    const early = entry(items[0] ?? '', 'c', { text: 'in time' });
    must(await save('ada', ada, [early]));
    must(await handInAndMark(dept.as('ada'), ada));
    const late = entry(items[0] ?? '', 'c', { text: 'too late' });
    expect(must(await save('ada', ada, [early, late]))).toMatchObject({
      saved: [early.seq],
      refused: [{ seq: late.seq, why: 'late' }],
    });
  });

  it('from two devices: the one written last counts, even when it arrives first', async () => {
    const { sitting } = await dept.sitting(1);
    const ada = await enter('ada', sitting);
    dept.pass(10);
    must(await save('ada', ada, [entry('item0', 'c', { text: 'laptop, later' })], 'device-laptop'));
    must(
      await save(
        'ada',
        ada,
        [entry('item0', 'c', { text: 'phone, offline for 5 minutes' }, 5 * MINUTE)],
        'device-phone',
      ),
    );
    expect((await currentAnswers(dept.out.db.read, ada)).item0?.c).toEqual({ version: 1, text: 'laptop, later' });
  });

  it('fill the database only so far, however much is sent; the last ones stand there all the same', async () => {
    const { sitting, items } = await dept.sitting(10, 60);
    const ada = await enter('ada', sitting);
    const text = 'x'.repeat(4900);
    for (let i = 0; i < 600; i++) {
      dept.now += 5000;
      const all = items.map((item) => entry(item, 'c', { text: `${text} ${i}` }));
      must(await saveAnswers(dept.as('ada'), { attempt: ada, device: 'device-one', entries: all }));
    }
    const kept = await dept.out.db.read.select({ value: answers.value }).from(answers);
    const weight = kept.reduce((sum, { value }) => sum + JSON.stringify(value).length, 0);
    expect(weight).toBeGreaterThan(19_000_000);
    expect(weight).toBeLessThan(20_100_000);
    expect((await currentAnswers(dept.out.db.read, ada)).item9?.c).toEqual({ version: 1, text: `${text} 599` });
  });

  it('that are none are refused without losing the others', async () => {
    const { sitting } = await dept.sitting(1);
    const ada = await enter('ada', sitting);
    const good = entry('item0', 'a', { chosen: ['o1'] });
    const bad = [
      entry('item9', 'a', { chosen: [] }),
      entry('item0', 'zz', {}),
      entry('item0', 'a', { chosen: '<script>' }),
      entry('item0', 'b', null),
    ];
    expect(must(await save('ada', ada, [...bad, good]))).toMatchObject({
      saved: [good.seq],
      refused: bad.map((b) => ({ seq: b.seq, why: 'unfit' })),
    });
    const nonsense = { attempt: ada, device: 'device-one', entries: [{ nonsense: true }] };
    expect((await saveAnswers(dept.as('ada'), nonsense)).ok).toBe(false);
  });
});

describe('an attempt and its times', () => {
  it('two attempts that began together have seeds that nothing tells', async () => {
    const { sitting } = await dept.sitting(1);
    for (const who of ['ada', 'ben']) await enter(who, sitting);
    const rows = await dept.out.db.read.select({ id: attempts.id, seed: attempts.seed }).from(attempts);
    expect(new Set(rows.map(({ seed }) => seed)).size).toBe(2);
    for (const { id, seed } of rows) expect(seed).not.toBe(seedFor(1, id));
    expect(JSON.stringify(await openRoom(dept.as('ada'), rows[0]?.id ?? ''))).not.toContain(String(rows[0]?.seed));
  });

  it('a sitting that ends before it starts is refused beside the place', async () => {
    const { exam } = await dept.sitting(1);
    const input = { exam, course: dept.course, opensAt: dept.now + MINUTE, closesAt: dept.now, minutes: 30 };
    expect(await scheduleSitting(dept.as('teacher'), input)).toMatchObject({
      ok: false,
      refusal: { code: 'ends-before-it-starts', at: ['closesAt'] },
    });
    expect(
      await scheduleSitting(dept.as('teacher'), { ...input, closesAt: dept.now + 9 * MINUTE, minutes: 0 }),
    ).toMatchObject({ ok: false, refusal: { at: ['minutes'] } });
  });
});

it('boundaries with gaps, overlaps or an old version are refused, and nothing changes', async () => {
  const { sitting } = await dept.sitting(1);
  const { boundaries, version } = must(await openResults(dept.as('teacher'), sitting));
  const broken = {
    ...boundaries,
    ranges: [
      { from: '0', text: 'a' },
      { from: '70', text: 'b' },
      { from: '60', text: 'c' },
    ],
  };
  expect(await saveBoundaries(dept.as('teacher'), { sitting, base: version, boundaries: broken })).toMatchObject({
    ok: false,
    refusal: { code: 'boundary-order', at: ['ranges', 2] },
  });
  must(
    await saveBoundaries(dept.as('teacher'), {
      sitting,
      base: version,
      boundaries: { ...boundaries, passPercent: '60' },
    }),
  );
  expect(await saveBoundaries(dept.as('lead'), { sitting, base: version, boundaries })).toMatchObject({
    ok: false,
    refusal: { code: 'changed-elsewhere' },
  });
  expect(must(await openResults(dept.as('teacher'), sitting)).boundaries.passPercent).toBe('60');
});
