import { readFileSync } from 'node:fs';
import path from 'node:path';
import { describe, expect, it } from 'vitest';
import { readStored } from '../base/stored-form';
import { checkQuestion } from './checks';
import { questionForm } from './question';

/** Questions as the demo stored them before trial answers were responses. */
const old = JSON.parse(
  readFileSync(path.resolve(import.meta.dirname, '../../../tests/fixtures/questions-version-1.json'), 'utf8'),
) as { trials: { slot: string; typed: string; expected: string }[] }[];

describe('a question that was stored in version 1', () => {
  it('has its trial answers as responses, which are marked as the typed ones were', () => {
    const read = old.map((body) => readStored(questionForm, body));
    expect(read.flatMap((q) => q.trials)).toHaveLength(old.flatMap((q) => q.trials).length);
    expect(read[0]?.trials[0]?.response).toEqual({ version: 1, number: '5.19 MW', unit: '' });
    for (const question of read) {
      const { trials } = checkQuestion(question);
      expect(trials.length).toBeGreaterThan(2);
      expect(trials.filter(({ agrees }) => !agrees)).toEqual([]);
      expect(question.trials.filter(({ expected }) => expected !== '').length).toBeGreaterThan(2);
    }
  });

  it('loses trial answers of slots that are gone, and is refused when one is no trial answer', () => {
    const [first] = old;
    const gone = { ...first, trials: [{ id: 't', slot: 'zz', typed: 'b', expected: '1' }] };
    expect(readStored(questionForm, gone).trials).toEqual([]);
    expect(() => readStored(questionForm, { ...first, trials: [{ id: 't' }] })).toThrow();
  });
});
