import { eq } from 'drizzle-orm';
import sharp from 'sharp';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { freshFacts } from '@/core/bank/facts';
import { must } from '@/core/base/result';
import { leaveBench, saveDraft } from '@/server/bank/save-draft';
import { openQuestion } from '@/server/bank/open-question';
import { searchQuestions } from '@/server/bank/search';
import { media, revisions } from '@/server/db/schema/bank';
import { copyExam, openExam, revisionToPlace, savePlan } from '@/server/exams/exams';
import { addMedia } from '@/server/media/add-media';
import { readMedia } from '@/server/media/read-media';
import { giveNow } from '@/server/sittings/schedule';
import { watchSitting } from '@/server/sittings/watch';
import { find } from '@/server/today/find';
import { TestDepartment } from '../drivers/department';
import { sampleQuestion } from '../drivers/samples';

let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

const facts = freshFacts;

describe('a question on two benches', () => {
  it('whoever saves later is told and overwrites nothing', async () => {
    const question = await dept.question();
    must(await saveDraft(dept.as('teacher'), { question, base: 1, body: sampleQuestion('Mine'), facts }));
    const later = await saveDraft(dept.as('lead'), { question, base: 1, body: sampleQuestion('Theirs'), facts });
    expect(later).toMatchObject({ ok: false, refusal: { code: 'changed-elsewhere', values: { by: 'teacher' } } });
    expect(must(await openQuestion(dept.as('lead'), question)).body.title).toBe('Mine');
  });

  it('students and markers may neither see nor write it', async () => {
    const question = await dept.question();
    for (const who of ['marker', 'ada']) {
      expect((await openQuestion(dept.as(who), question)).ok).toBe(false);
      expect(await saveDraft(dept.as(who), { question, base: 1, body: sampleQuestion('X'), facts })).toMatchObject({
        ok: false,
        refusal: { code: 'forbidden' },
      });
    }
  });
});

describe('revisions', () => {
  it('are cut when left with changes, never rewritten, and exams keep the one they placed', async () => {
    const question = await dept.question();
    expect(must(await leaveBench(dept.as('teacher'), question)).revision).toBe(1);
    expect(must(await leaveBench(dept.as('teacher'), question)).revision).toBe(1);
    must(await saveDraft(dept.as('teacher'), { question, base: 1, body: sampleQuestion('Second'), facts }));
    expect(must(await revisionToPlace(dept.as('teacher'), question)).revision).toBe(2);
    const rows = await dept.out.db.read.select().from(revisions).where(eq(revisions.question, question));
    expect(rows.map((r) => (r.body as { title: string }).title)).toEqual(['Sample', 'Second']);
  });

  it('a plan that places a revision that does not exist is refused', async () => {
    const { exam } = await dept.sitting(1);
    const { plan, version } = must(await openExam(dept.as('teacher'), exam));
    const [section] = plan.sections;
    const broken = { ...plan, sections: [{ ...section, items: section?.items.map((i) => ({ ...i, revision: 99 })) }] };
    expect(await savePlan(dept.as('teacher'), { exam, base: version, plan: broken })).toMatchObject({
      ok: false,
      refusal: { code: 'revision-unknown' },
    });
  });
});

it('a whole exam is copied with its questions, and changing the copy leaves the original', async () => {
  const { exam } = await dept.sitting(2);
  const original = must(await openExam(dept.as('teacher'), exam)).plan;
  const { id } = must(await copyExam(dept.as('lead'), exam));
  const copy = must(await openExam(dept.as('lead'), id));
  expect(copy.plan).toEqual({ ...original, title: 'Test exam, copy' });
  must(await savePlan(dept.as('lead'), { exam: id, base: copy.version, plan: { ...copy.plan, minutes: 99 } }));
  expect(must(await openExam(dept.as('teacher'), exam)).plan).toEqual(original);
  expect((await copyExam(dept.as('ada'), exam)).ok).toBe(false);
});

describe('search', () => {
  const search = async (words: string, who = 'teacher') => {
    const result = await searchQuestions(dept.as(who), {
      bank: null,
      topic: null,
      words,
      kind: null,
      difficulty: null,
      sort: 'best',
      from: 0,
    });
    return result.ok ? result.value.found.map((f) => f.title) : result.refusal.code;
  };

  it('finds by beginnings of words, accents forgiven, and survives any text', async () => {
    await dept.question(sampleQuestion('Gearbox cooling'));
    await dept.question(sampleQuestion('Élan of the rotor'));
    expect(await search('gear')).toEqual(['Gearbox cooling']);
    expect(await search('ELAN rot')).toEqual(['Élan of the rotor']);
    for (const odd of ['"', "' OR 1=1 --", 'NEAR(a b)', '*', '<b>', 'a"b*'])
      expect(Array.isArray(await search(odd))).toBe(true);
    expect(await search('secretkeyword')).toEqual([]);
  });

  it('follows every save, and the finder looks in the same index', async () => {
    const question = await dept.question(sampleQuestion('Before'));
    must(await saveDraft(dept.as('teacher'), { question, base: 1, body: sampleQuestion('Afterwards'), facts }));
    expect([await search('before'), await search('afterw')]).toEqual([[], ['Afterwards']]);
    expect((await find(dept.as('teacher'), 'afterw')).map((h) => h.what)).toEqual(['question']);
    expect(await find(dept.as('ada'), 'afterw')).toEqual([]);
  });
});

it('one question reaches the class with everything at its default', async () => {
  const question = await dept.question();
  const given = must(await giveNow(dept.as('teacher'), question, dept.course));
  const watched = must(await watchSitting(dept.as('teacher'), given.id));
  expect(watched.people.map((p) => p.name)).toEqual(['ada', 'ben']);
  expect(watched.opensAt).toBe(dept.now);
  const unready = await dept.question({ ...sampleQuestion('No slots'), slots: {} });
  expect(await giveNow(dept.as('teacher'), unready, dept.course)).toMatchObject({
    ok: false,
    refusal: { code: 'question-not-ready' },
  });
});

describe('pictures', () => {
  const add = (bytes: Uint8Array | string) =>
    addMedia(dept.as('teacher'), typeof bytes === 'string' ? new TextEncoder().encode(bytes) : bytes);

  it('are kept once, by their bytes, and served as what they are', async () => {
    const png = await sharp({ create: { width: 30, height: 20, channels: 3, background: 'red' } })
      .png()
      .toBuffer();
    const first = must(await add(png));
    expect(first).toMatchObject({ ratio: 1.5, width: 30 });
    expect(must(await add(png)).media).toBe(first.media);
    expect(await dept.out.db.read.select().from(media)).toHaveLength(1);
    expect((await readMedia(dept.out, first.media))?.mime).toBe('image/png');
    expect(await readMedia(dept.out, '../../etc/passwd')).toBeNull();
  });

  it.each([
    ['a text that calls itself a picture', 'hello', 'picture-not-one'],
    ['nothing', '', 'picture-empty'],
    ['half a PNG', '\u0089PNG\r\n\u001a\n', 'picture-not-one'],
    [
      'an SVG with a script',
      '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script>alert(1)</script></svg>',
      'picture-active',
    ],
    [
      'an SVG with a handler',
      '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9" onload="x()"/>',
      'picture-active',
    ],
    [
      'an SVG that loads from outside',
      '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><image href="https://example.org/x.png"/></svg>',
      'picture-active',
    ],
    [
      'an SVG with an entity',
      '<!DOCTYPE svg [<!ENTITY a "b">]><svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>',
      'picture-active',
    ],
  ])('%s is refused', async (_, text, code) => {
    expect(await add(text)).toMatchObject({ ok: false, refusal: { code } });
  });

  it('60 MB are refused with both figures', async () => {
    expect(await add(new Uint8Array(60 * 1048576))).toMatchObject({
      ok: false,
      refusal: { code: 'picture-too-large', values: { size: 60, most: 50 } },
    });
  });
});
