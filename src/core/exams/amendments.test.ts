import { contentFromText } from '../content/written';
import { describe, expect, it } from 'vitest';
import { sampleExam } from '../../../tests/drivers/samples';
import { ofSeed } from './lot';
import { stored } from '../base/exact';
import { groupAnswers } from '../results/answer-groups';
import { markAnew, type StandingMark } from '../results/mark-anew';
import { type Boundaries } from '../results/policy';
import { score } from '../results/score';
import { amendmentsOf, type Change } from './amendments';
import { markPlaced } from './mark-placed';
import { assemble, paperQuestions, unmended } from './paper';

const { plan, revisions } = sampleExam(2);
const answer = (text: string, share: string): Change => ({
  what: 'answer',
  slot: 'c',
  response: { text },
  share,
  feedback: '',
});
const amended = (...changes: Change[]) =>
  assemble({ plan, revisions, amendments: amendmentsOf([{ item: 'i0', changes }]) }, ofSeed(1));
const marksOf = (paper: ReturnType<typeof assemble>, text: string): string | null => {
  const [item] = paperQuestions(paper);
  const found = item && markPlaced(item, { c: { text } }).get('c')?.marks;
  return found ? stored(found) : null;
};
const boundaries: Boundaries = {
  version: 1,
  passPercent: '50',
  ranges: [{ from: '0', text: contentFromText('') }],
  grades: [],
};

describe('amendments', () => {
  it('decide an answer however it is written, before the rules; the last word counts', () => {
    expect([
      marksOf(assemble(unmended(plan, revisions), ofSeed(1)), 'wire'),
      marksOf(assemble(unmended(plan, revisions), ofSeed(1)), 'secretkeyword'),
    ]).toEqual([null, '1']);
    const paper = amended(answer('wire', '1/2'), answer('secretkeyword', '0'));
    expect([marksOf(paper, ' Wire.'), marksOf(paper, 'Secretkeyword'), marksOf(paper, 'other')]).toEqual([
      '1/2',
      '0',
      null,
    ]);
    expect(marksOf(amended(answer('wire', '1/2'), answer('wire', '1')), 'wire')).toBe('1');
    const twice = amendmentsOf(
      [{ item: 'i0', changes: [answer('wire', '0')] }],
      amendmentsOf([{ item: 'i0', changes: [answer('wire', '1')] }]),
    );
    expect(marksOf(assemble({ plan, revisions, amendments: twice }, ofSeed(1)), 'wire')).toBe('0');
  });

  it('touch no other question, and leave the revision as it is', () => {
    const before = JSON.stringify([...revisions]);
    const [, other] = paperQuestions(amended(answer('wire', '1')));
    const found = other && markPlaced(other, { c: { text: 'wire' } }).get('c');
    expect(found?.marks).toBeNull();
    expect(JSON.stringify([...revisions])).toBe(before);
  });

  it('give everybody the marks, whatever was answered', () => {
    const [item] = paperQuestions(amended({ what: 'everyone' }));
    expect(
      [...markPlaced(item ?? (undefined as never), {}).values()].map(({ marks }) => marks && stored(marks)),
    ).toEqual(['1', '2', '1']);
  });

  it('let a question count other marks, in whose measure all that was earned counts', () => {
    const paper = amended({ what: 'marks', marks: '2' });
    const half = new Map(
      paperQuestions(paper).map(({ id, worth }) => [
        id,
        new Map([...worth].map(([slot, marks]) => [slot, marks.div(2)])),
      ]),
    );
    const result = score(paper, half, { boundaries, rounding: plan.rounding });
    // Four marks become two; half of them, and half of the other four.
    expect([stored(paper.marks), stored(result.marks), stored(result.percent)]).toEqual(['6', '3', '50']);
    const twice = amended({ what: 'marks', marks: '2' }, { what: 'marks', marks: '4' });
    expect(stored(twice.marks)).toBe('8');
    expect(stored(amended({ what: 'marks', marks: '2' }, { what: 'drop' }).marks)).toBe('4');
  });

  it('drop a question from the total and from what is earned and waits', () => {
    const paper = amended({ what: 'drop' });
    const marks = new Map(paperQuestions(paper).map(({ id, worth }) => [id, new Map(worth)]));
    const result = score(paper, marks, { boundaries, rounding: plan.rounding });
    expect([stored(paper.marks), stored(result.marks), result.waiting]).toEqual(['4', '4', 0]);
    expect(score(paper, new Map([...marks].slice(1)), { boundaries, rounding: plan.rounding }).waiting).toBe(0);
  });
});

describe('marking anew', () => {
  const standing = (marks: string | null, byPerson = false): StandingMark => ({
    marks,
    trace: [],
    feedback: '',
    byPerson,
  });
  const again = (before: StandingMark, overPersons = false) =>
    markAnew({
      paper: amended(answer('wire', '1/2')),
      items: new Set(['i0']),
      answers: { i0: { c: { text: 'wire' } } },
      standing: (_, slot) => (slot === 'c' ? before : { ...standing('0'), trace: [{ code: 'blank' }] }),
      overPersons,
    });

  it('says what differs, and nothing of what does not', () => {
    expect(again(standing(null)).changes).toMatchObject([{ item: 'i0', slot: 'c', from: null, marks: '1/2' }]);
    const settled = again(standing(null)).changes[0];
    expect(again({ ...standing('1/2'), trace: settled?.trace ?? [] })).toEqual({ changes: [], kept: [] });
  });

  it('leaves what a person gave, and tells of it, unless it is asked to change that too', () => {
    expect(again(standing('1', true))).toMatchObject({ changes: [], kept: [{ from: '1', marks: '1/2' }] });
    expect(again(standing('1', true), true)).toMatchObject({ changes: [{ from: '1', marks: '1/2' }], kept: [] });
    expect(again(standing('1/2', true))).toEqual({ changes: [], kept: [] });
  });
});

describe('answers of many', () => {
  const slot = revisions.get('q0@1')?.slots ?? {};
  const given = (response: unknown, marks: string | null = null) => ({
    response,
    marks,
    byPerson: marks !== null,
    trace: [],
  });

  it('are gathered by what they come to, the most frequent first, those without an answer last', () => {
    const { b, c } = slot;
    if (!b || !c) throw new Error('The sample has these');
    const texts = ['wire', 'Wire.', 'a wire', ' ', 'wire'].map((text) => given({ text }));
    expect(
      groupAnswers(c, [...texts, given(undefined)]).map(({ answer: text, count, writings }) => [text, count, writings]),
    ).toEqual([
      ['wire', 3, ['Wire.']],
      ['a wire', 1, []],
      ['', 2, []],
    ]);
    const numbers = ['12 kW', '12000 W', '12', '12 kg'].map((number) => given({ number, unit: '' }, '0'));
    expect(groupAnswers(b, numbers).map(({ count, marks, byPerson }) => [count, marks, byPerson])).toEqual([
      [2, ['0'], 2],
      [1, ['0'], 1],
      [1, ['0'], 1],
    ]);
  });
});
