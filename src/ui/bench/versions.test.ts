import { expect, it } from 'vitest';
import { freshFacts } from '@/core/bank/facts';
import { contentFromLines } from '@/core/content/lines';
import { sampleQuestion } from '../../../tests/drivers/samples';
import { compareVersions } from './versions';

it('tells the words that differ, part by part, and leaves out what is empty in both', () => {
  const body = { ...sampleQuestion('Oil'), content: contentFromLines('The oil is hot.'), notes: '' };
  const before = { body, facts: freshFacts };
  const after = {
    body: { ...body, content: contentFromLines('The oil is too hot.'), notes: 'Checked.' },
    facts: freshFacts,
  };
  const compared = compareVersions(before, after);
  expect(compared.find((p) => p.part === 'sheet')?.stretches).toEqual([
    { text: 'The oil is ', only: null },
    { text: 'too ', only: 'after' },
    { text: 'hot.', only: null },
  ]);
  expect(compared.filter((p) => !p.same).map((p) => p.name)).toEqual(['Sheet', 'Notes to colleagues']);
  expect(compared.map((p) => p.part)).not.toContain('trials');
});
