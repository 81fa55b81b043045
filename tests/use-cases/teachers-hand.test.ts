import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { saveTopic, removeTopic, restoreTopic } from '@/server/bank/banks';
import { listShelves } from '@/server/bank/shelves';
import { OPEN_SEARCH } from '@/core/bank/searching';
import { searchIds, searchQuestions } from '@/server/bank/search';
import { readForBringingIn } from '@/server/exchange/bring-in';
import { keepBroughtIn } from '@/server/exchange/keep';
import { openExam } from '@/server/exams/exams';
import { placeMany } from '@/server/exams/place-many';
import { changeTimes, endSitting, giveMoreTime, startNow } from '@/server/sittings/change-sitting';
import { enterSitting } from '@/server/sittings/enter';
import { watchSitting } from '@/server/sittings/watch';
import { scheduleSitting } from '@/server/sittings/schedule';
import { MINUTE, TestDepartment } from '../drivers/department';
import { sampleQuestion } from '../drivers/samples';

/** What teachers do in passing, and how it is taken back. */
let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

const search = (part: Record<string, unknown>) =>
  searchQuestions(dept.as('teacher'), {
    ...{ ...OPEN_SEARCH, sort: 'best' },
    from: 0,
    ...part,
  });

describe('a search', () => {
  it('forgives a plural and a slip only where nothing else is found, and says so', async () => {
    await dept.question(sampleQuestion('The gearbox of turbine nine'));
    const found = must(await search({ words: 'gearboxes' }));
    expect([found.total, found.instead]).toEqual([1, 'gearbox']);
    expect(must(await search({ words: 'gaerbox turbine' })).instead).toBe('gearbox turbine');
    expect(must(await search({ words: 'gearbox' })).instead).toBeUndefined();
    expect(must(await search({ words: 'zzzzz' }))).toMatchObject({ total: 0, found: [] });
    expect(must(await search({ words: "'; DROP TABLE questions; --" })).total).toBe(0);
  });

  it('narrows by marks and by the last sitting that held a question', async () => {
    const { sitting } = await dept.sitting(1);
    expect(sitting).not.toBe('');
    await dept.question(sampleQuestion('Never sat'));
    expect(must(await search({ marks: '4' })).total).toBe(2);
    expect(must(await search({ marks: '5' })).total).toBe(0);
    expect(must(await search({ used: 'never' })).found.map((q) => q.title)).toEqual(['Never sat']);
    expect(must(await search({ used: 'this-year' })).total).toBe(1);
    dept.pass(60 * 24 * 400);
    expect(must(await search({ used: 'not-this-year' })).total).toBe(2);
  });

  it('gives every id for choosing all, and they go into an exam together, each once', async () => {
    for (const title of ['One', 'Two', 'Three']) await dept.question(sampleQuestion(title));
    const all = { ...OPEN_SEARCH, sort: 'title' };
    const ids = must(await searchIds(dept.as('teacher'), all));
    expect(ids).toHaveLength(3);
    const made = must(await placeMany(dept.as('teacher'), { exam: null, questions: ids }));
    expect(made.placed).toBe(3);
    const again = must(await placeMany(dept.as('teacher'), { exam: made.exam, questions: ids }));
    expect(again.placed).toBe(0);
    expect(must(await openExam(dept.as('teacher'), made.exam)).plan.sections[0]?.items).toHaveLength(3);
    expect(await placeMany(dept.as('marker'), { exam: made.exam, questions: ids })).toMatchObject({ ok: false });
    expect(await placeMany(dept.as('teacher'), { exam: 'none', questions: ids })).toMatchObject({ ok: false });
  });
});

describe('a topic that was taken out', () => {
  it('comes back with its questions and the topics below it', async () => {
    const ctx = dept.as('teacher');
    const parent = must(await saveTopic(ctx, { bank: dept.bank, id: null, name: 'Winter', parent: null })).id;
    const below = must(await saveTopic(ctx, { bank: dept.bank, id: null, name: 'Ice', parent })).id;
    const removed = must(await removeTopic(ctx, { bank: dept.bank, id: parent }));
    const tree = async () =>
      must(await Promise.resolve({ ok: true as const, value: await listShelves(ctx) }))
        .find((s) => s.id === dept.bank)
        ?.topics.map((t) => [t.name, t.parent]);
    expect(await tree()).toContainEqual(['Ice', null]);
    expect(await restoreTopic(dept.as('ada'), removed)).toMatchObject({ ok: false });
    must(await restoreTopic(ctx, removed));
    must(await restoreTopic(ctx, removed));
    expect(await tree()).toContainEqual(['Ice', parent]);
    expect(below).not.toBe('');
  });
});

describe('a sitting', () => {
  const later = async (): Promise<string> => {
    const { exam } = await dept.sitting(1);
    return must(
      await scheduleSitting(dept.as('teacher'), {
        exam,
        course: dept.course,
        opensAt: dept.now + 60 * MINUTE,
        closesAt: dept.now + 120 * MINUTE,
        minutes: 30,
      }),
    ).id;
  };

  it('starts now, once, and not by a student', async () => {
    const sitting = await later();
    expect(await enterSitting(dept.as('ada'), sitting)).toMatchObject({ refusal: { code: 'door-not-yet' } });
    expect(await startNow(dept.as('ada'), sitting)).toMatchObject({ ok: false });
    must(await startNow(dept.as('teacher'), sitting));
    must(await enterSitting(dept.as('ada'), sitting));
    expect(await startNow(dept.as('teacher'), sitting)).toMatchObject({ refusal: { code: 'already-open' } });
  });

  it('changes its times, but never so that those inside are put out of the door', async () => {
    const sitting = await later();
    const times = (opens: number, closes: number, minutes = 30) =>
      changeTimes(dept.as('teacher'), {
        sitting,
        opensAt: dept.now + opens * MINUTE,
        closesAt: dept.now + closes * MINUTE,
        minutes,
      });
    must(await times(-1, 90, 40));
    must(await enterSitting(dept.as('ada'), sitting));
    const watched = must(await watchSitting(dept.as('teacher'), sitting));
    expect([watched.minutes, watched.closesAt]).toEqual([40, dept.now + 90 * MINUTE]);
    expect(await times(10, 90)).toMatchObject({ refusal: { code: 'somebody-has-begun', at: ['opensAt'] } });
    expect(await times(-1, -5)).toMatchObject({ refusal: { at: ['closesAt'] } });
    expect(await times(-1, 90, 0)).toMatchObject({ ok: false });
    must(await endSitting(dept.as('teacher'), sitting));
    expect(await times(-1, 90)).toMatchObject({ refusal: { code: 'sitting-ended' } });
  });

  it('gives more time only to somebody who sits it', async () => {
    const { sitting } = await dept.sitting(1);
    const more = (to: string, who: string) =>
      giveMoreTime(dept.as('teacher'), { sitting: to, people: [dept.id(who)], minutes: 5, reason: '' });
    must(await more(sitting, 'ada'));
    for (const odd of [await more('nothing', 'ada'), await more(sitting, 'cleo'), await more(sitting, 'teacher')])
      expect(odd).toMatchObject({ ok: false, refusal: { code: 'not-found' } });
  });
});

describe('bringing in', () => {
  const read = async (bytes: Uint8Array, name: string) =>
    must(await readForBringingIn(dept.as('teacher'), { name, bytes }));
  const titles = async (): Promise<number> => must(await search({})).total;

  it('reads tables of older and wider encodings', async () => {
    const text = 'kind,question,key\nshort text,Wie heißt der Maschinenträger?,Gondel – größer';
    const latin = Uint8Array.from([...text.replace('–', '-')], (c) => c.charCodeAt(0));
    const wide = new Uint8Array([
      0xff,
      0xfe,
      ...new Uint8Array(Uint16Array.from([...text], (c) => c.charCodeAt(0)).buffer),
    ]);
    for (const bytes of [latin, wide, new TextEncoder().encode(`\ufeff${text}`)]) {
      const [item] = (await read(bytes, 'x.csv')).items;
      expect(JSON.stringify(item?.body.content)).toContain('Maschinenträger');
    }
  });

  it('names what stops a row by its kind', async () => {
    const { bad } = await read(
      new TextEncoder().encode('kind,question,key\nnumber,How much?,"5,000"\nchoice,Which?,one'),
      'x.csv',
    );
    expect(bad.map(({ kind, why }) => [kind, why?.code])).toEqual([
      ['number', 'key-two-readings'],
      ['choice', 'choice-no-key'],
    ]);
  });

  it('in batches is all or nothing: what was sent before the last is in no bank', async () => {
    const { items } = await read(
      new TextEncoder().encode('1. One?\nAnswer: a\n2. Two?\nAnswer: b\n3. Three?\nAnswer: c'),
      'x.txt',
    );
    const batch = (part: typeof items, goesOn: string | null, last: boolean) =>
      keepBroughtIn(dept.as('teacher'), { bank: dept.bank, topic: null, items: part, goesOn, last });
    const first = must(await batch(items.slice(0, 1), null, false));
    expect(await titles()).toBe(0);
    expect(await batch(items.slice(1, 2), 'nothing', false)).toMatchObject({ ok: false });
    must(await batch(items.slice(1, 2), first.undo, false));
    expect(await titles()).toBe(0);
    must(await batch(items.slice(2), first.undo, true));
    expect(await titles()).toBe(3);
  });
});
