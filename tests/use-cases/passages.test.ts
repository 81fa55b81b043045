import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { freshFacts, type QuestionFacts } from '@/core/bank/facts';
import { questionSheet } from '@/core/bank/sheet';
import type { Numbering } from '@/core/bank/question';
import { must } from '@/core/base/result';
import { contentFromLines } from '@/core/content/lines';
import { saveBank } from '@/server/bank/banks';
import { createQuestion } from '@/server/bank/create-question';
import { openQuestion, openRevision } from '@/server/bank/open-question';
import { listPassages } from '@/server/bank/passages';
import { saveDraft } from '@/server/bank/save-draft';
import { OPEN_SEARCH } from '@/core/bank/searching';
import { searchQuestions } from '@/server/bank/search';
import { revisionToPlace } from '@/server/exams/exams';
import { drawSheetFormulas } from '@/ui/sheet/formulas';
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

describe('a passage', () => {
  const words = (text: string) => contentFromLines(text);
  const withPassage = (title: string, text: string, numbered: Numbering = 'nothing') => ({
    ...sampleQuestion(title),
    passage: { id: 'p1', content: words(text), numbered },
  });
  const make = async (title: string, text: string): Promise<string> =>
    must(await createQuestion(dept.as('teacher'), { bank: dept.bank, body: withPassage(title, text) })).id;
  const save = async (question: string, base: number, text: string, who = 'teacher') =>
    saveDraft(dept.as(who), { question, base, body: withPassage('One', text), facts: freshFacts });

  it('is one for every question that refers to it; what exams placed keeps the one it had', async () => {
    const [one, two] = [await make('One', 'The storm of March.'), await make('Two', 'other words are not taken')];
    const placed = must(await revisionToPlace(dept.as('teacher'), two)).revision;
    must(await save(one, 1, 'The storm of April.'));
    const opened = must(await openQuestion(dept.as('teacher'), two));
    expect(opened.body.passage?.content).toEqual(words('The storm of April.'));
    expect([opened.version, opened.changed]).toEqual([2, true]);
    expect(must(await openRevision(dept.as('teacher'), two, placed)).passage?.content).toEqual(
      words('The storm of March.'),
    );
    expect(must(await revisionToPlace(dept.as('teacher'), two)).revision).toBe(placed + 1);
    expect(must(await listPassages(dept.as('lead'), dept.bank))).toMatchObject([
      { title: 'The storm of April.', questions: 2 },
    ]);
    expect(await titles({ words: 'April' })).toEqual(['One', 'Two']);
  });

  it('is numbered beside every question that refers to it', async () => {
    const [one, two] = [await make('One', 'First.'), await make('Two', 'First.')];
    const body = withPassage('One', 'First.', 'lines');
    must(await saveDraft(dept.as('teacher'), { question: one, base: 1, body, facts: freshFacts }));
    const opened = must(await openQuestion(dept.as('teacher'), two));
    expect([opened.body.passage?.numbered, opened.version]).toEqual(['lines', 2]);
    expect(questionSheet(opened.body, 1).passage?.numbered).toBe('lines');
  });

  it('changed on one bench refuses the other, and never half', async () => {
    const [one, two] = [await make('One', 'First.'), await make('Two', 'First.')];
    must(await save(one, 1, 'Second.'));
    const late = await saveDraft(dept.as('lead'), {
      question: two,
      base: 1,
      body: withPassage('Two', 'Third.'),
      facts: freshFacts,
    });
    expect(late).toMatchObject({ ok: false, refusal: { code: 'changed-elsewhere' } });
    expect(must(await openQuestion(dept.as('lead'), one)).body.passage?.content).toEqual(words('Second.'));
  });

  it('stands on the sheet, searched and checked with its question', async () => {
    const sheet = questionSheet(withPassage('One', 'A storm of $v^3$.'), 1);
    expect(Object.keys(drawSheetFormulas(sheet))).toEqual(['i:v^3']);
    await make('One', 'Sastrugi on the plain.');
    expect(await titles({ words: 'sastrugi' })).toEqual(['One']);
  });

  it('of a bank that is not theirs cannot be written through another question', async () => {
    const shelf_ = { id: null, name: 'Drawer', share: 'private', named: [], reviewRequired: false };
    const drawer = must(await saveBank(dept.as('teacher'), shelf_)).id;
    must(await createQuestion(dept.as('teacher'), { bank: drawer, body: withPassage('One', 'Secret.') }));
    const open = await question('Open');
    const stolen = {
      ...sampleQuestion('Open'),
      passage: { id: 'p1', content: words('Changed.'), numbered: 'nothing' },
    };
    expect(
      await saveDraft(dept.as('lead'), { question: open, base: 1, body: stolen, facts: freshFacts }),
    ).toMatchObject({
      ok: false,
      refusal: { code: 'forbidden' },
    });
  });
});
