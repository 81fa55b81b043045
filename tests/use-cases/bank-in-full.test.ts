import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { freshFacts, type QuestionFacts } from '@/core/bank/facts';
import { HIT } from '@/core/bank/searching';
import { must } from '@/core/base/result';
import { alikeTo, questionsLike } from '@/server/bank/alike';
import { arrangeTopics, removeTopic, saveBank, saveTopic } from '@/server/bank/banks';
import { actOnMany, undoMany } from '@/server/bank/bulk';
import { createQuestion } from '@/server/bank/create-question';
import { saveGoals } from '@/server/bank/goals';
import { forgetSearch, keepSearch, listKeptSearches } from '@/server/bank/kept-searches';
import { openQuestion } from '@/server/bank/open-question';
import { reviewQuestion } from '@/server/bank/review';
import { saveDraft } from '@/server/bank/save-draft';
import { OPEN_SEARCH } from '@/core/bank/searching';
import { searchQuestions } from '@/server/bank/search';
import { listGoals, listShelves, listTags } from '@/server/bank/shelves';
import { keepSynonyms } from '@/server/bank/synonyms';
import { keepBroughtIn } from '@/server/exchange/keep';
import { readDepartment, setPolicy } from '@/server/people/policy';
import { revisionToPlace } from '@/server/exams/exams';
import { TestDepartment } from '../drivers/department';
import { sampleQuestion } from '../drivers/samples';

let dept: TestDepartment;
beforeEach(async () => {
  dept = await TestDepartment.open();
});
afterEach(() => dept.close());

const question = async (title: string, facts: Partial<QuestionFacts> = {}, bank = dept.bank): Promise<string> =>
  must(await createQuestion(dept.as('teacher'), { bank, facts, body: sampleQuestion(title) })).id;
const OPEN = { ...OPEN_SEARCH, sort: 'title' };
const titles = async (part: Partial<typeof OPEN>, who = 'teacher'): Promise<string[]> =>
  must(await searchQuestions(dept.as(who), { ...OPEN, ...part, from: 0 })).found.map((q) => q.title);
const shelf = async (who = 'teacher', name = 'Bank') => (await listShelves(dept.as(who))).find((s) => s.name === name);
const topic = async (name: string, parent: string | null = null): Promise<string> =>
  must(await saveTopic(dept.as('teacher'), { bank: dept.bank, id: null, name, parent })).id;

describe('banks', () => {
  it('are seen by those they are shared with, and changed by their owner alone', async () => {
    const make = async (name: string, share: string, named: string[] = []) =>
      must(await saveBank(dept.as('teacher'), { id: null, name, share, named, reviewRequired: false })).id;
    await make('Drawer', 'private');
    const shared = await make('With the lead', 'named', [dept.id('lead')]);
    expect((await listShelves(dept.as('lead'))).map((s) => s.name)).toEqual(['Bank', 'With the lead']);
    const rename = { id: shared, name: 'Mine now', share: 'department', named: [], reviewRequired: false };
    expect(await saveBank(dept.as('lead'), rename)).toMatchObject({ ok: false, refusal: { code: 'forbidden' } });
    expect(await saveBank(dept.as('teacher'), { ...rename, name: ' drawer ' })).toMatchObject({
      ok: false,
      refusal: { code: 'name-taken', at: ['name'] },
    });
    expect((await saveBank(dept.as('ada'), { ...rename, id: null })).ok).toBe(false);
  });

  it('that require review let only agreed questions into exams', async () => {
    const settings = { id: dept.bank, name: 'Bank', share: 'department', named: [], reviewRequired: true };
    must(await saveBank(dept.as('lead'), settings));
    const id = await question('Careful');
    const place = () => revisionToPlace(dept.as('teacher'), id);
    expect(await place()).toMatchObject({ ok: false, refusal: { code: 'review-required' } });
    must(await reviewQuestion(dept.as('teacher'), { question: id, act: 'asked' }));
    must(await reviewQuestion(dept.as('lead'), { question: id, act: 'agreed' }));
    expect((await place()).ok).toBe(true);
  });
});

describe('topics', () => {
  it('make a tree that counts what is below, and is put in order as a whole or not at all', async () => {
    const inner = await topic('Inner', (await shelf())?.topics[0]?.id);
    await question('Deep', { topic: inner });
    const before = (await shelf())?.topics.map((t) => [t.name, t.questions]);
    expect(before).toEqual([
      ['Topic', 1],
      ['Inner', 1],
    ]);
    const outer = (await shelf())?.topics[0]?.id ?? '';
    expect(await titles({ topic: outer })).toEqual(['Deep']);
    const arrange = (order: { id: string; parent: string | null }[]) =>
      arrangeTopics(dept.as('teacher'), { bank: dept.bank, order });
    const circle = [
      { id: outer, parent: inner },
      { id: inner, parent: outer },
    ];
    for (const bad of [
      circle,
      circle.slice(1),
      [{ id: outer, parent: 'nowhere' }, circle[1] ?? { id: '', parent: null }],
    ]) {
      expect(await arrange(bad)).toMatchObject({ ok: false, refusal: { code: 'topics-changed' } });
    }
    must(
      await arrange([
        { id: inner, parent: null },
        { id: outer, parent: inner },
      ]),
    );
    expect((await shelf())?.topics.map((t) => t.name)).toEqual(['Inner', 'Topic']);
    const other = must(
      await saveBank(dept.as('teacher'), {
        id: null,
        name: 'Other',
        share: 'private',
        named: [],
        reviewRequired: false,
      }),
    ).id;
    for (const foreign of [
      { id: null, parent: inner },
      { id: inner, parent: null },
    ]) {
      const refused = await saveTopic(dept.as('teacher'), { bank: other, name: 'Foreign', ...foreign });
      expect(refused).toMatchObject({ ok: false, refusal: { code: 'topics-changed' } });
    }
    must(await removeTopic(dept.as('teacher'), { bank: dept.bank, id: inner }));
    expect((await shelf())?.topics.map((t) => [t.name, t.parent])).toEqual([['Topic', null]]);
    expect(await titles({})).toEqual(['Deep']);
  });
});

describe('searching', () => {
  it('narrows by everything that is said about a question', async () => {
    const goals = must(await saveGoals(dept.as('lead'), { goals: [{ code: 'G1', words: 'names parts' }] }));
    await question('Plain');
    await question('Labelled', { difficulty: 3, demand: 'judge', tags: ['Winter'], goals: [goals[0]?.id ?? ''] });
    for (const part of [
      { difficulty: 3 },
      { demand: 'judge' as const },
      { tag: 'Winter' },
      { goal: goals[0]?.id ?? '' },
    ]) {
      expect(await titles(part)).toEqual(['Labelled']);
    }
    expect(await titles({ author: dept.id('lead') })).toEqual([]);
    expect(await titles({ review: 'draft' })).toEqual(['Labelled', 'Plain']);
    expect(await listTags(dept.as('teacher'))).toEqual(['Winter']);
  });

  it('shows where the words stand, and counts all though it lists a page', async () => {
    for (let i = 0; i < 70; i++) await question(`Number ${String(i).padStart(2, '0')}`);
    const first = must(await searchQuestions(dept.as('teacher'), { ...OPEN, words: 'choose', from: 0 }));
    expect([first.total, first.found.length]).toEqual([70, 60]);
    expect(first.found[0]?.snippet).toContain(`${HIT}choose${HIT}`);
    const rest = must(await searchQuestions(dept.as('teacher'), { ...OPEN, words: 'choose', from: 60 }));
    expect(rest.found[0]?.title).toBe('Number 60');
  });

  it('is kept under a name by whoever keeps it', async () => {
    must(await keepSearch(dept.as('teacher'), { name: 'Hard ones', search: { ...OPEN, difficulty: 3 } }));
    const again = must(await keepSearch(dept.as('teacher'), { name: 'Hard ones', search: { ...OPEN, difficulty: 2 } }));
    expect(again.map((k) => [k.name, k.search.difficulty])).toEqual([['Hard ones', 2]]);
    expect(await listKeptSearches(dept.as('lead'))).toEqual([]);
    expect(must(await forgetSearch(dept.as('lead'), again[0]?.id ?? ''))).toEqual([]);
    expect(await listKeptSearches(dept.as('teacher'))).toHaveLength(1);
  });

  it('finds what is alike, and not what shares only small words', async () => {
    const one = await question('The gearbox oil of turbine seven is too hot at noon');
    await question('The gearbox oil of turbine nine is too hot at night');
    await question('Yaw drives turn the nacelle');
    const alike = await alikeTo(dept.as('teacher'), one);
    expect(alike.map((q) => q.title)).toEqual(['The gearbox oil of turbine nine is too hot at night']);
    const text = 'The gearbox oil of turbine seven is too hot at noon';
    expect((await questionsLike(dept.as('teacher'), { text, except: one, least: 0.2 })).map((q) => q.id)).toEqual(
      alike.map((q) => q.id),
    );
    expect(await questionsLike(dept.as('ada'), { text, except: null, least: 0 })).toEqual([]);
  });
});

describe('many at once', () => {
  it('moves, tags, archives and deletes to all or none, and goes back', async () => {
    const to = await topic('Other');
    const ids = [await question('A', { tags: ['old'] }), await question('B')];
    const act = async (what: object, who = 'teacher') => actOnMany(dept.as(who), { questions: ids, act: what });
    const moved = must(await act({ do: 'move', bank: dept.bank, topic: to }));
    expect(moved.count).toBe(2);
    expect(await titles({ topic: to })).toEqual(['A', 'B']);
    must(await act({ do: 'tag', tag: 'New' }));
    expect(await titles({ tag: 'New' })).toEqual(['A', 'B']);
    must(await act({ do: 'untag', tag: 'old' }));
    expect(await titles({ tag: 'old' })).toEqual([]);
    must(await undoMany(dept.as('teacher'), moved.undo));
    expect(await titles({ tag: 'old' })).toEqual(['A']);
    expect(await titles({ topic: to })).toEqual([]);
    expect(await undoMany(dept.as('teacher'), moved.undo)).toMatchObject({
      ok: false,
      refusal: { code: 'undone-already' },
    });

    const deleted = must(await act({ do: 'delete' }));
    expect([await titles({}), await titles({ kept: 'deleted' })]).toEqual([[], ['A', 'B']]);
    expect(await undoMany(dept.as('lead'), deleted.undo)).toMatchObject({ ok: false, refusal: { code: 'forbidden' } });
    must(await undoMany(dept.as('teacher'), deleted.undo));
    must(await act({ do: 'archive' }));
    expect([await titles({}), await titles({ kept: 'archived' })]).toEqual([[], ['A', 'B']]);
    must(await act({ do: 'bring-back' }));
    expect(await titles({})).toEqual(['A', 'B']);

    const copied = must(await act({ do: 'copy', bank: dept.bank, topic: to }));
    expect(await titles({})).toEqual(['A', 'A', 'B', 'B']);
    must(await undoMany(dept.as('teacher'), copied.undo));
    expect(await titles({})).toEqual(['A', 'B']);
    expect((await act({ do: 'archive' }, 'ada')).ok).toBe(false);
    expect((await actOnMany(dept.as('teacher'), { questions: [...ids, 'none'], act: { do: 'archive' } })).ok).toBe(
      false,
    );
    expect(await titles({})).toEqual(['A', 'B']);
  });

  it('never deletes what an exam places, and an open bench learns of a change', async () => {
    const { exam: _ } = await dept.sitting(1);
    const [used] = must(await searchQuestions(dept.as('teacher'), { ...OPEN, from: 0 })).found;
    const id = used?.id ?? '';
    expect(await actOnMany(dept.as('teacher'), { questions: [id], act: { do: 'delete' } })).toMatchObject({
      ok: false,
      refusal: { code: 'question-in-use', values: { count: 1 } },
    });
    const opened = must(await openQuestion(dept.as('lead'), id));
    must(await actOnMany(dept.as('teacher'), { questions: [id], act: { do: 'difficulty', to: 3 } }));
    const late = { question: id, base: opened.version, body: opened.body, facts: opened.facts };
    expect(await saveDraft(dept.as('lead'), late)).toMatchObject({ ok: false, refusal: { code: 'changed-elsewhere' } });
  });
});

describe('review', () => {
  it('goes from draft over asked to agreed or returned, and back to draft when it is changed', async () => {
    const id = await question('Reviewed');
    const act = (who: string, what: object) => reviewQuestion(dept.as(who), { question: id, ...what });
    expect(await act('lead', { act: 'agreed' })).toMatchObject({ ok: false, refusal: { code: 'review-not-asked' } });
    must(await act('teacher', { act: 'asked' }));
    expect(await act('teacher', { act: 'agreed' })).toMatchObject({ ok: false, refusal: { code: 'review-own' } });
    expect(await act('lead', { act: 'returned' })).toMatchObject({ ok: false, refusal: { code: 'remark-missing' } });
    must(await act('lead', { act: 'returned', slot: 'b', remark: 'Which unit?' }));
    must(await act('teacher', { act: 'asked' }));
    must(await act('lead', { act: 'agreed' }));
    const opened = must(await openQuestion(dept.as('teacher'), id));
    expect(opened.review).toBe('agreed');
    expect(opened.story.map((s) => [s.act, s.by, s.remark])).toEqual([
      ['asked', 'teacher', ''],
      ['returned', 'lead', 'Which unit?'],
      ['asked', 'teacher', ''],
      ['agreed', 'lead', ''],
    ]);
    must(
      await saveDraft(dept.as('teacher'), {
        question: id,
        base: opened.version,
        body: sampleQuestion('Changed'),
        facts: freshFacts,
      }),
    );
    expect(must(await openQuestion(dept.as('teacher'), id)).review).toBe('draft');
  });

  it('is not asked while a trial answer is not marked as expected', async () => {
    const body = {
      ...sampleQuestion('Tried'),
      trials: [{ id: 't1', slot: 'b', response: { number: '1 kW', unit: '' }, expected: '2' as const }],
    };
    const { id } = must(await createQuestion(dept.as('teacher'), { bank: dept.bank, body }));
    expect(await reviewQuestion(dept.as('teacher'), { question: id, act: 'asked' })).toMatchObject({
      ok: false,
      refusal: { code: 'trials-not-as-expected', values: { count: 1 } },
    });
  });
});

describe('learning goals', () => {
  it('are known by their code; those left out leave their questions', async () => {
    const goals = must(
      await saveGoals(dept.as('teacher'), {
        goals: [
          { code: 'A', words: 'first' },
          { code: 'B', words: 'second' },
        ],
      }),
    );
    await question('Aimed', { goals: goals.map((g) => g.id) });
    must(await saveGoals(dept.as('teacher'), { goals: [{ code: 'B', words: 'renamed' }] }));
    expect((await listGoals(dept.as('teacher'))).map((g) => [g.code, g.words, g.id === goals[1]?.id])).toEqual([
      ['B', 'renamed', true],
    ]);
    expect(await titles({ goal: goals[0]?.id ?? '' })).toEqual([]);
    expect(await titles({ goal: goals[1]?.id ?? '' })).toEqual(['Aimed']);
    const twice = [
      { code: 'B', words: '' },
      { code: 'B', words: '' },
    ];
    expect(await saveGoals(dept.as('teacher'), { goals: twice })).toMatchObject({
      ok: false,
      refusal: { at: ['goals', 1] },
    });
  });
});

describe('a page in a sheet', () => {
  const withPage = (address: string) => {
    const body = sampleQuestion('Page');
    body.content.content.push({ type: 'page', attrs: { address, description: 'x', height: 300 } });
    return body;
  };
  const make = async (address: string) =>
    createQuestion(dept.as('teacher'), { bank: dept.bank, body: withPage(address) });

  it('is one of our own or of a host that the lead allows; no way around', async () => {
    must(await make('/simulations/blade-pitch'));
    const refused = { ok: false, refusal: { code: 'page-not-allowed' } };
    expect(await make('https://sims.example.org/a')).toMatchObject(refused);
    const id = await question('Plain');
    const late = { question: id, base: 1, body: withPage('https://sims.example.org/a'), facts: freshFacts };
    expect(await saveDraft(dept.as('teacher'), late)).toMatchObject(refused);
    const item = { body: late.body, facts: freshFacts, topic: [], goals: [] };
    expect(await keepBroughtIn(dept.as('teacher'), { bank: dept.bank, topic: null, items: [item] })).toMatchObject(
      refused,
    );
    const { policy } = await readDepartment(dept.out.db.read);
    expect((await setPolicy(dept.as('lead'), { ...policy, pages: ['https://example.org/'] })).ok).toBe(false);
    must(await setPolicy(dept.as('lead'), { ...policy, pages: ['Example.org'] }));
    must(await saveDraft(dept.as('teacher'), late));
  });
});

it('synonyms are kept in a topic, hold below it, and become one set where they share a word', async () => {
  const ctx = dept.as('teacher');
  const question = await dept.question(sampleQuestion('Synonyms'));
  const keep = (words: string[], topic: string | null) => keepSynonyms(ctx, { bank: dept.bank, topic, words });
  must(await keep(['gearbox', 'step-up gear'], null));
  must(await keep(['Gearbox', 'transmission'], null));
  const { synonyms } = must(await openQuestion(ctx, question));
  expect(synonyms).toEqual([['Gearbox', 'step-up gear', 'transmission']]);
  expect(await keep(['alone'], null)).toMatchObject({ ok: false });
  expect(await keepSynonyms(dept.as('marker'), { bank: dept.bank, topic: null, words: ['a', 'b'] })).toMatchObject({
    ok: false,
  });
});
