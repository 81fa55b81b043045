import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { must } from '@/core/base/result';
import { proposeWordings } from '@/server/vocabulary/propose';
import { keepWordList, listWordLists, openWordList } from '@/server/vocabulary/word-lists';
import { relatedWords } from '@/server/vocabulary/wordnet';
import { TestDepartment } from '../drivers/department';

let dept: TestDepartment;
beforeAll(async () => {
  dept = await TestDepartment.open();
});
afterAll(() => dept.close());

describe('word lists of the department', () => {
  it('are kept by name, opened with those that they name, and gone without words', async () => {
    must(await keepWordList(dept.as('teacher'), { name: 'grid', words: ['grid loss'] }));
    must(await keepWordList(dept.as('teacher'), { name: 'Load cases', words: ['gust', '{Grid}', 'gust'] }));
    expect(must(await listWordLists(dept.as('teacher')))).toEqual([
      { name: 'Load cases', words: 2 },
      { name: 'grid', words: 1 },
    ]);
    expect(must(await openWordList(dept.as('teacher'), 'load cases')).map(({ name }) => name)).toEqual([
      'Load cases',
      'grid',
    ]);
    expect(await keepWordList(dept.as('teacher'), { name: 'GRID', words: ['{load cases}'] })).toMatchObject({
      refusal: { code: 'list-circular' },
    });
    must(await keepWordList(dept.as('teacher'), { name: 'load cases', words: [] }));
    expect(must(await listWordLists(dept.as('teacher')))).toHaveLength(1);
  });

  it('are for those who build exams', async () => {
    for (const who of ['marker', 'ada']) {
      expect(await keepWordList(dept.as(who), { name: 'x', words: ['y'] })).toMatchObject({ ok: false });
      expect(await openWordList(dept.as(who), 'grid')).toMatchObject({ ok: false });
      expect(await listWordLists(dept.as(who))).toMatchObject({ ok: false });
    }
    const many = Array.from({ length: 20_001 }, (_, i) => `w${i}`);
    expect(await keepWordList(dept.as('teacher'), { name: 'many', words: many })).toMatchObject({ ok: false });
    expect(await keepWordList(dept.as('teacher'), { name: '{x}', words: ['y'] })).toMatchObject({
      refusal: { code: 'list-name-braces' },
    });
  });
});

describe('further wordings', () => {
  it('come from the dictionary (WordNet 3.1): of one meaning, kinds of a noun, opposites apart', async () => {
    const words = async (word: string, relation: string): Promise<string[]> =>
      (await relatedWords(word)).filter((one) => one.relation === relation).map((one) => one.word);
    expect(await words('collision', 'same')).toContain('hit');
    expect(await words('widen', 'narrower')).toContain('dilate');
    expect(await words('widens', 'opposite')).toContain('narrow');
    expect(await words('fruit', 'narrower')).toContain('apple');
    for (const odd of ['', 'zzzzzz', 'a'.repeat(500), '../../etc', '漢', '$', ' '])
      expect(await relatedWords(odd)).toEqual([]);
  });

  it('are ranked by where they come from, in English only from the dictionary, and for those who see the bank', async () => {
    must(await keepWordList(dept.as('teacher'), { name: 'units', words: ['watt'] }));
    const ask = (who: string, words: string[], language = 'en') =>
      proposeWordings(dept.as(who), { bank: dept.bank, topic: null, words, language });
    const found = must(await ask('teacher', ['watt']));
    expect(found.map(({ from }) => from)).toEqual(
      [...found.map(({ from }) => from)].sort((a, b) => ORDER.indexOf(a) - ORDER.indexOf(b)),
    );
    expect(found.slice(0, 2)).toEqual([
      { wording: '{units}', from: 'list', instead: 'watt' },
      { wording: 'W', from: 'symbol', instead: 'watt' },
    ]);
    expect(must(await ask('teacher', ['fewer collisions'])).map(({ wording }) => wording)).toContain('fewer hit');
    expect(must(await ask('teacher', ['widen']))).toContainEqual({
      wording: 'narrow',
      from: 'opposite',
      instead: 'widen',
    });
    expect(must(await ask('teacher', ['collision'], 'es'))).toEqual([]);
    expect(await ask('ada', ['watt'])).toMatchObject({ ok: false });
  });
});

const ORDER = ['topic', 'list', 'symbol', 'same', 'narrower', 'opposite'];
