import { describe, expect, it } from 'vitest';
import { sampleQuestion } from '../../../tests/drivers/samples';
import { exact, stored } from '../base/exact';
import { contentFromLines } from '../content/lines';
import { typedKind } from '../kinds/registry';
import { markSlot, runTrials } from './mark';
import { letterAt } from '../base/letters';
import { emptyQuestion, placedSlots, type QuestionBody, tidyQuestion } from './question';
import { isReady, questionReadiness } from './readiness';
import { summarise } from './summary';

const question = sampleQuestion('Power');
const slot = (id: string) => {
  const found = question.slots[id];
  if (!found) throw new Error(`no slot ${id}`);
  return found;
};

describe('a question', () => {
  it('names its slots in reading order', () => {
    expect(placedSlots(question).map((p) => p.letter + p.id)).toEqual(['Aa', 'Bb', 'Cc']);
    expect([letterAt(25), letterAt(26), letterAt(51), letterAt(52)]).toEqual(['Z', 'AA', 'AZ', 'BA']);
  });

  it('sums up for lists and search, without its keys', () => {
    const summary = summarise(question);
    expect(summary).toMatchObject({ title: 'Power', kinds: ['choice', 'number', 'shortText'], marks: '4' });
    expect(summary.text).not.toContain('secretkeyword');
  });

  it('loses slots and trial answers that no longer stand in the content', () => {
    const cut: QuestionBody = {
      ...question,
      content: emptyQuestion.content,
      trials: [{ id: 't', slot: 'a', response: { chosen: ['o2'] }, expected: '1' }],
    };
    expect(tidyQuestion(cut)).toMatchObject({ slots: {}, trials: [] });
  });
});

describe('marking a slot', () => {
  it.each([[undefined], [null]])('gives nothing for %j, and says so', (response) => {
    for (const id of ['a', 'b', 'c']) {
      const { marks, marking } = markSlot(slot(id), response);
      expect([marks && stored(marks), marking.trace[0]?.code]).toEqual(['0', 'blank']);
    }
  });

  it('gives nothing for what is blank in its own form', () => {
    const blank = { a: { chosen: [] }, b: { number: ' ', unit: '' }, c: { text: '  ' } };
    for (const [id, response] of Object.entries(blank)) {
      const { marks, marking } = markSlot(slot(id), response);
      expect([marks && stored(marks), marking.trace[0]?.code]).toEqual(['0', 'blank']);
    }
  });

  it.each([['nonsense'], [{ chosen: 'x' }], [7]])('waits for a person with %j, which cannot be read', (response) => {
    for (const id of ['a', 'b', 'c']) {
      const { marks, marking } = markSlot(slot(id), response);
      expect([marks, marking.state, marking.trace[0]?.code]).toEqual([null, 'waits', 'unreadable']);
    }
  });

  it('scales to what the exam gives', () => {
    const { marks } = markSlot(slot('b'), { number: '73219', unit: '' }, { worth: exact('1/3') });
    expect(marks && stored(marks)).toBe('1/6');
  });
});

describe('trial answers', () => {
  const tried = (trials: [string, string, string][]): QuestionBody => ({
    ...question,
    trials: trials.map(([s, typed, expected], i) => {
      const { kind, setup } = slot(s);
      return { id: `t${i}`, slot: s, response: typedKind(kind).typed.response(setup, typed), expected };
    }),
  });

  it('agree or not, and one that does not stops the question', () => {
    const outcome = runTrials(
      tried([
        ['a', 'b', '1'],
        ['b', '73.2 MW', '2'],
        ['b', '73219', '1'],
        ['c', 'SECRETKEYWORD', '1'],
        ['c', 'else', 'waits'],
        ['c', 'else', '0'],
        ['b', 'x', ''],
      ]),
    );
    expect(outcome.map((o) => o.agrees)).toEqual([true, true, true, true, true, false, true]);
    expect(questionReadiness(tried([['c', 'else', '0']])).map((f) => f.code)).toEqual(['trial-not-as-expected']);
    expect(isReady(questionReadiness(tried([['c', 'else', 'waits']])))).toBe(true);
  });
});

it('an empty question is told what it needs', () => {
  expect(questionReadiness(emptyQuestion).map((f) => [f.code, f.weight])).toEqual([
    ['no-slot', 'stops'],
    ['no-text', 'warns'],
  ]);
});

describe('readiness of words and hints', () => {
  const codes = (body: QuestionBody): string[] => questionReadiness(body).map((f) => f.code);
  const plain = sampleQuestion('Plain');
  const withText = (text: string): QuestionBody => ({
    ...plain,
    content: { type: 'doc', content: [...contentFromLines(text).content, ...plain.content.content] },
  });

  it('says when a text is hard, or too long for its marks', () => {
    const hard =
      'Notwithstanding meteorological indeterminacy, institutional optimisation methodologies necessitate comprehensive aerodynamic characterisation, particularly whenever turbulence intensities systematically compromise operational predictability across heterogeneous geographical environments with considerable topographical irregularities and seasonal variability.';
    expect(codes(withText(hard))).toContain('hard-to-read');
    expect(
      codes(withText('The wind is strong. We stop the rotor. We climb when it is calm again. '.repeat(12))),
    ).not.toContain('hard-to-read');
    expect(codes(withText('The wind is strong. We stop the rotor. '.repeat(180)))).toContain('long-to-read');
  });

  it('says when a hint is empty, or all hints cost more than there is', () => {
    expect(codes({ ...plain, hints: [{ text: ' ', cost: '1' }] })).toContain('hint-empty');
    expect(
      codes({
        ...plain,
        hints: [
          { text: 'a', cost: '3' },
          { text: 'b', cost: '2' },
        ],
      }),
    ).toContain('hints-cost-more');
    expect(codes({ ...plain, hints: [{ text: 'a', cost: '1' }] })).toEqual(codes(plain));
  });
});
