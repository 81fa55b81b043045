import { contentFromText } from '../content/written';
import { describe, expect, it } from 'vitest';
import { sampleExam } from '../../../tests/drivers/samples';
import { exact, stored } from '../base/exact';
import { ofSeed } from '../exams/lot';
import { assemble, type Paper, type PaperQuestion, paperQuestions, unmended } from '../exams/paper';
import { freshRubric, type Judgement } from '../rules/rubric/rubric';
import type { Part } from './parts';
import type { Boundaries } from './policy';
import { score } from './score';

const { plan, revisions } = sampleExam(3);
const rubric = freshRubric('grid');
const sample = assemble(unmended(plan, revisions), ofSeed(0));
const [first, second, third] = paperQuestions(sample).map(({ id }) => id);

/** The sample's paper with its questions changed; the short text of each is judged by a rubric. */
function paperWith(change: (question: PaperQuestion) => Partial<PaperQuestion>): Paper {
  const judged = (item: PaperQuestion): PaperQuestion => {
    const slots = Object.entries(item.question.slots).map(([id, slot]) => [
      id,
      id === 'c' ? { ...slot, rubric } : slot,
    ]);
    return { ...item, question: { ...item.question, slots: Object.fromEntries(slots) }, ...change(item) };
  };
  return { ...sample, sections: sample.sections.map((one) => ({ ...one, items: one.items.map(judged) })) };
}
const asIs = paperWith(() => ({}));
const topic = (...items: (string | undefined)[]): Part => ({
  is: 'topic',
  id: 't',
  title: 'Rotor',
  items: items.map((item) => item ?? ''),
});
const criterion = (item = first, slot = 'c'): Part => ({
  is: 'criterion',
  id: 'k',
  title: 'First',
  item: item ?? '',
  slot,
  criterion: 'c1',
});
const level = (at: number): Judgement => ({ c1: { level: at, marks: null, remark: '' } });

function partOf(part: Part, paper: Paper, share = '1/2', judgement?: Judgement): string[] | null {
  const boundaries: Boundaries = {
    version: 1,
    passPercent: '50',
    ranges: [{ from: '0', text: contentFromText('') }],
    grades: [],
    parts: [{ ...part, passPercent: '50', ranges: [] }],
  };
  const marks = new Map(
    paperQuestions(paper).map(({ id, worth }) => [
      id,
      new Map([...worth].map(([slot, of]) => [slot, of.mul(exact(share))])),
    ]),
  );
  const judgements = new Map(judgement ? [[first ?? '', new Map([['c', judgement]])]] : []);
  const { parts } = score(paper, marks, { boundaries, rounding: plan.rounding }, { judgements });
  const [own] = parts;
  return own ? [stored(own.marks), stored(own.of), stored(own.percent)] : null;
}

describe('a topic', () => {
  it('earns what its questions earn, of what they count', () => {
    expect(partOf(topic(first, third), asIs)).toEqual(['4', '8', '50']);
    expect(partOf(topic(second, 'on another paper'), asIs, '3/4')).toEqual(['3', '4', '75']);
  });

  it('is none where nothing of it is on the paper, or all was taken out of the counting', () => {
    expect(partOf(topic('on another paper'), asIs)).toBeNull();
    expect(
      partOf(
        topic(first),
        paperWith(({ id }) => ({ dropped: id === first })),
      ),
    ).toBeNull();
    const bonus = paperWith(({ id }) => ({ bonus: id === first }));
    expect(partOf(topic(first), bonus)).toBeNull();
    expect(partOf(topic(first, second), bonus)).toEqual(['4', '4', '100']);
  });
});

describe('a criterion', () => {
  it('earns what was found for it, whatever the answer earned', () => {
    expect(partOf(criterion(), asIs, '0', level(2))).toEqual(['2', '3', '200/3']);
    expect(partOf(criterion(), asIs, '1', level(0))).toEqual(['0', '3', '0']);
  });

  it('earns what the whole answer earned where nobody judged it, and all where everybody has it', () => {
    expect(partOf(criterion(), asIs)).toEqual(['3/2', '3', '50']);
    expect(partOf(criterion(), asIs, '0', { c2: { level: 3, marks: null, remark: '' } })).toEqual(['0', '3', '0']);
    expect(
      partOf(
        criterion(),
        paperWith(() => ({ everyone: true })),
        '0',
        level(0),
      ),
    ).toEqual(['3', '3', '100']);
  });

  it('is none where its question, slot or rubric is not there any more', () => {
    expect(partOf(criterion('on another paper'), asIs)).toBeNull();
    expect(partOf(criterion(first, 'a'), asIs)).toBeNull();
    expect(partOf(criterion(), sample)).toBeNull();
    expect(
      partOf(
        criterion(),
        paperWith(() => ({ dropped: true })),
      ),
    ).toBeNull();
  });
});
