import { eq } from 'drizzle-orm';
import { afterEach, beforeEach, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { attempts as attemptRows } from '@/server/db/schema/attempts';
import { sittings } from '@/server/db/schema/exams';
import { marks, remarks } from '@/server/db/schema/marks';
import { courses, enrolments } from '@/server/db/schema/people';
import { alikeAnswers } from '@/server/marking/alike';
import { openDesk, readAnswers } from '@/server/marking/desk';
import { giveAlike, giveMark } from '@/server/marking/give-mark';
import { addRemark, changeRemark, dropKeptRemark, remarksOf, takeBackRemark } from '@/server/marking/remarks';
import { setUnsure } from '@/server/marking/unsure';
import { openOwnResult } from '@/server/results/own-result';
import { releaseResults } from '@/server/results/release';
import { TestDepartment } from '../drivers/department';
import { handInAndMark } from '../drivers/hand-in';

let dept: TestDepartment;
let sitting: string;
const attempts: Record<string, string> = {};

const marker = () => dept.as('marker');
const desk = async () => must(await openDesk(marker(), sitting, 'item0'));
const answerOf = async (who: string) => {
  const of = [{ attempt: attempts[who], slot: 'c' }];
  return must(await readAnswers(marker(), { sitting, item: 'item0', of })).answers[0];
};
const place = (who: string) => ({ attempt: attempts[who], item: 'item0', slot: 'c' });
const WHOLE = { at: 'whole' } as const;
const say = (who: string, words: string, more: object = {}) =>
  addRemark(marker(), { ...place(who), words, anchor: WHOLE, ...more });

beforeEach(async () => {
  dept = await TestDepartment.open();
  await dept.out.db.transaction(async (tx) => {
    await tx.insert(enrolments).values({ course: dept.course, member: dept.id('cleo') });
  });
  ({ sitting } = await dept.sitting());
  const said = { ada: 'The wind turns it', ben: 'the wind turns it', cleo: 'The wind turns it slowly' };
  for (const [who, text] of Object.entries(said)) {
    attempts[who] = await dept.sit(who, sitting, { item0: { c: { text } } });
    must(await handInAndMark(dept.as(who), attempts[who]));
  }
});
afterEach(() => dept.close());

it('what is said is kept for the question, once, and can be said otherwise wherever it was said', async () => {
  must(await say('ada', 'Say why.', { marks: '−½' }));
  must(await say('ben', 'Say why.', { marks: '−½' }));
  must(await say('ben', 'Spelling.', { keep: false }));
  expect((await desk()).kept).toMatchObject([{ words: 'Say why.', marks: '-1/2' }]);
  const first = (await answerOf('ada'))?.remarks[0];
  expect(must(await changeRemark(marker(), { id: first?.id, words: 'Give the cause.', everywhere: true }))).toEqual({
    changed: 2,
  });
  expect((await answerOf('ben'))?.remarks.map(({ words }) => words)).toEqual(['Give the cause.', 'Spelling.']);
  // Here alone: the others keep theirs, and so does the list.
  must(await changeRemark(marker(), { id: first?.id, words: 'Only here.', everywhere: false }));
  expect((await answerOf('ada'))?.remarks.map(({ words }) => words)).toEqual(['Only here.']);
  expect((await answerOf('ben'))?.remarks[0]?.words).toBe('Give the cause.');
  // No longer offered, it stays where it was said.
  const [kept] = (await desk()).kept;
  must(await dropKeptRemark(marker(), { attempt: attempts.ben, kept: kept?.id }));
  expect((await desk()).kept).toEqual([]);
  expect((await answerOf('ben'))?.remarks[0]).toMatchObject({ words: 'Give the cause.', kept: null });
});

it('what is said otherwise everywhere stays as it was where others mark', async () => {
  must(await say('ada', 'Say why.', { marks: '1' }));
  // The same words without marks keep those that went with them.
  must(await say('ben', 'Say why.'));
  expect((await desk()).kept).toMatchObject([{ words: 'Say why.', marks: '1' }]);
  const kept = (await answerOf('ada'))?.remarks[0]?.kept ?? '';
  // A sitting of another course has said it, too: as if its attempt were there.
  await dept.out.db.transaction(async (tx) => {
    const other = { id: 'other', code: 'WT-9', title: 'Another', term: 'autumn' };
    await tx.insert(courses).values(other);
    const [row] = await tx.select().from(sittings).where(eq(sittings.id, sitting));
    if (row) await tx.insert(sittings).values({ ...row, id: 'elsewhere', course: 'other' });
    const [attempt] = await tx
      .select()
      .from(attemptRows)
      .where(eq(attemptRows.id, attempts.ada ?? ''));
    if (attempt) await tx.insert(attemptRows).values({ ...attempt, id: 'theirs', sitting: 'elsewhere' });
    const said = { id: 'r-theirs', attempt: 'theirs', item: 'item0', slot: 'c', kept, words: 'Say why.' };
    await tx.insert(remarks).values({ ...said, anchor: WHOLE, by: dept.id('outsider'), at: dept.now });
  });
  const id = (await answerOf('ada'))?.remarks[0]?.id;
  expect(must(await changeRemark(marker(), { id, words: 'Give the cause.', everywhere: true }))).toEqual({
    changed: 2,
  });
  expect((await answerOf('ben'))?.remarks[0]?.words).toBe('Give the cause.');
  const theirs = await remarksOf(dept.out.db.read, ['theirs'], { viewer: '' });
  expect(theirs.map(({ words }) => words)).toEqual(['Say why.']);
});

it('is pinned only to what stands in the answer', async () => {
  const words = { at: 'words', from: 4, to: 8, quote: 'wind' };
  must(await say('ada', 'Which?', { anchor: words }));
  expect((await answerOf('ada'))?.remarks[0]?.anchor).toEqual(words);
  for (const anchor of [
    { at: 'words', from: 0, to: 5, quote: 'storm' },
    { at: 'spot', page: 'a'.repeat(64), x: 0.5, y: 0.5, w: 0, h: 0 },
    { at: 'shapes', ids: ['1'] },
    { at: 'seconds', from: 1, to: 2 },
  ])
    expect(await say('ada', 'There.', { anchor })).toMatchObject({ ok: false, refusal: { code: 'place-is-gone' } });
  expect(await say('ada', ' ')).toMatchObject({ ok: false, refusal: { code: 'remark-without-words' } });
  expect(await say('ada', 'x', { marks: 'many' })).toMatchObject({ ok: false, refusal: { code: 'mark-not-a-number' } });
});

it('reaches the student with the release and not before, without who said it', async () => {
  for (const who of ['ada', 'ben', 'cleo']) {
    must(await giveMark(marker(), { ...place(who), marks: '1' }));
    must(await say(who, `For ${who}.`));
  }
  expect((await openOwnResult(dept.as('ada'), attempts.ada ?? '')).ok).toBe(false);
  must(
    await releaseResults(dept.as('teacher'), {
      sitting,
      shows: { marks: true, key: false, explanation: false, right: true, remarks: true, atOnce: true },
    }),
  );
  const own = must(await openOwnResult(dept.as('ada'), attempts.ada ?? ''));
  const slot = own.items[0]?.slots.find(({ id }) => id === 'c');
  expect(slot?.remarks).toEqual([{ id: expect.any(String), number: 1, anchor: WHOLE, words: 'For ada.' }]);
  expect(JSON.stringify(own)).not.toContain('For ben.');
});

it('is taken back, and changed, by whoever marks there and by nobody else', async () => {
  must(await say('ada', 'Say why.'));
  const id = (await answerOf('ada'))?.remarks[0]?.id;
  for (const who of ['outsider', 'stranger', 'ada']) {
    expect(await takeBackRemark(dept.as(who), { id })).toMatchObject({ ok: false });
    expect(await changeRemark(dept.as(who), { id, words: 'x', everywhere: true })).toMatchObject({ ok: false });
    expect(await addRemark(dept.as(who), { ...place('ada'), words: 'x', anchor: WHOLE })).toMatchObject({ ok: false });
    expect(await setUnsure(dept.as(who), { ...place('ada'), is: true })).toMatchObject({ ok: false });
    expect(await alikeAnswers(dept.as(who), { sitting, ...place('ada') })).toMatchObject({ ok: false });
    expect(
      await giveAlike(dept.as(who), { item: 'item0', slot: 'c', from: attempts.ada, to: [attempts.ben] }),
    ).toMatchObject({ ok: false });
    expect(await readAnswers(dept.as(who), { sitting, item: 'item0', of: [] })).toMatchObject({ ok: false });
  }
  must(await takeBackRemark(marker(), { id }));
  expect((await answerOf('ada'))?.remarks).toEqual([]);
});

it('a mark that somebody else has given meanwhile is not replaced unseen', async () => {
  const seen = (await answerOf('ada'))?.mark;
  must(await giveMark(dept.as('teacher'), { ...place('ada'), marks: '1', over: seen }));
  expect(await giveMark(marker(), { ...place('ada'), marks: '0', over: seen })).toMatchObject({
    ok: false,
    refusal: { code: 'marked-meanwhile', values: { marks: '1' } },
  });
  const now = (await answerOf('ada'))?.mark;
  must(await giveMark(marker(), { ...place('ada'), marks: '0', over: now }));
  // One's own mark of a moment ago is no other's.
  must(await giveMark(marker(), { ...place('ada'), marks: '½', over: now }));
  expect((await answerOf('ada'))?.marks).toBe('1/2');
});

it('answers alike get mark and remarks of the whole, those that are named and wait', async () => {
  expect(await giveAlike(marker(), { item: 'item0', slot: 'c', from: attempts.ada, to: [attempts.ben] })).toMatchObject(
    { ok: false, refusal: { code: 'not-marked-yet' } },
  );
  must(await giveMark(marker(), { ...place('ada'), marks: '½' }));
  must(await say('ada', 'Say why.'));
  must(await say('ada', 'Which wind?', { anchor: { at: 'words', from: 4, to: 8, quote: 'wind' } }));
  const { alike, whole } = must(await alikeAnswers(marker(), { sitting, ...place('ada') }));
  expect([whole, alike.map(({ attempt, likeness }) => [attempt, likeness === 1])]).toEqual([
    true,
    [
      [attempts.ben, true],
      [attempts.cleo, false],
    ],
  ]);
  must(await giveMark(dept.as('teacher'), { ...place('cleo'), marks: '1' }));
  const given = must(
    await giveAlike(marker(), { item: 'item0', slot: 'c', from: attempts.ada, to: [attempts.ben, attempts.cleo, 'x'] }),
  );
  expect(given).toEqual({ given: [attempts.ben], marks: '1/2' });
  expect((await answerOf('ben'))?.remarks.map(({ words, anchor }) => [words, anchor.at])).toEqual([
    ['Say why.', 'whole'],
  ]);
  expect((await answerOf('cleo'))?.marks).toBe('1');
});

it('an answer that one is unsure of is so for oneself alone', async () => {
  must(await setUnsure(marker(), { ...place('ben'), is: true }));
  must(await setUnsure(marker(), { ...place('ben'), is: true }));
  expect((await desk()).lines.filter(({ unsure }) => unsure).map(({ attempt }) => attempt)).toEqual([attempts.ben]);
  expect(must(await openDesk(dept.as('teacher'), sitting, 'item0')).lines.some(({ unsure }) => unsure)).toBe(false);
  must(await setUnsure(marker(), { ...place('ben'), is: false }));
  expect((await desk()).lines.some(({ unsure }) => unsure)).toBe(false);
});

it('the history of marks keeps every hand', async () => {
  must(await giveMark(marker(), { ...place('ada'), marks: '1' }));
  must(await giveMark(dept.as('teacher'), { ...place('ada'), marks: '0' }));
  const rows = await dept.out.db.read
    .select()
    .from(marks)
    .where(eq(marks.attempt, attempts.ada ?? ''));
  expect(rows.filter(({ item, slot }) => item === 'item0' && slot === 'c').map((m) => m.marks)).toEqual([
    null,
    '1',
    '0',
  ]);
});
