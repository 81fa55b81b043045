import { describe, expect, it } from 'vitest';
import { sampleExam } from '../../../tests/drivers/samples';
import { ofSeed } from './lot';
import { stored } from '../base/exact';
import { comparePapers } from './compare';
import { assemble, paperQuestions, unmended } from './paper';
import { type Draw, examForm, type ExamPlan, MOST_SOUGHT, paperLength, type Sought, withSought } from './plan';

const { plan, revisions } = sampleExam(6);
const [first, second] = plan.sections;
if (!first || !second) throw new Error('Two sections');
const drawing = (draws: Draw[]): ExamPlan => ({ ...plan, sections: [{ ...first, draws }, second] });
const seeks = { bank: null, topic: null, words: '' } as unknown as Draw['seeks'];
const sought = (...questions: string[]): Sought[] => questions.map((question) => ({ question, revision: 1 }));

describe('papers side by side', () => {
  it('are counted by what they hold: marks, minutes, difficulty by marks, topics', () => {
    const known = new Map(
      Array.from({ length: 6 }, (_, i) => [`q${i}`, { difficulty: i < 3 ? 3 : 1, topic: i < 3 ? 'Rotor' : null }]),
    );
    const pinned = unmended(drawing([{ id: 'd', take: 1, items: ['i0', 'i1', 'i2'] }]), revisions);
    const [one, two] = comparePapers(pinned, known, [ofSeed(1), ofSeed(2)]);
    // One hard question of 4 marks and three easy ones: (3 · 4 + 3 · 4) ÷ 16.
    expect(one).toMatchObject({ seed: 1, questions: 4, minutes: 24, difficulty: 1.5 });
    expect([one && stored(one.marks), [...(one?.topics ?? [])]]).toEqual(['16', [['Rotor', 1]]]);
    expect(two?.seed).toBe(2);
    const empty = unmended({ ...plan, sections: [] }, revisions);
    expect(comparePapers(empty, known, [ofSeed(1)])[0]).toMatchObject({ questions: 0, minutes: 0, difficulty: 0 });
  });
});

describe('what draws have found', () => {
  const two = drawing([
    { id: 'd', take: 2, items: [], seeks, marks: '3' },
    { id: 'e', take: 1, items: [], seeks, unseen: true },
  ]);

  it('is placed behind the others of its section, once, and drawn from', () => {
    const filled = withSought(
      two,
      new Map([
        ['d', sought('q9', 'q0', 'q8')],
        ['e', sought('q8', 'q7')],
      ]),
    );
    const [section] = filled.sections;
    // Question q0 stands in the plan already, and q8 has been found before.
    expect(section?.items.slice(first.items.length).map(({ id, marks }) => [id, marks])).toEqual([
      ['q9', '3'],
      ['q8', '3'],
      ['q7', null],
    ]);
    expect(section?.draws).toEqual([
      { id: 'd', take: 2, items: ['q9', 'q8'] },
      { id: 'e', take: 1, items: ['q7'] },
    ]);
    expect(filled.sections[1]).toEqual(second);
  });

  it('is at most so much, and a draw that names its questions keeps them', () => {
    const many = Array.from({ length: MOST_SOUGHT + 50 }, (_, i) => `more${i}`);
    expect(withSought(two, new Map([['d', sought(...many)]])).sections[0]?.draws[0]?.items).toHaveLength(MOST_SOUGHT);
    // Whatever many draws find, a section stays one that can be read again.
    const draws = Array.from({ length: 4 }, (_, i): Draw => ({ id: `d${i}`, take: 1, items: [], seeks }));
    const found = draws.map(({ id }) => [id, sought(...many.map((question) => `${id}${question}`))] as const);
    const full = withSought(drawing(draws), new Map(found));
    expect(examForm.schema.parse(full)).toEqual(full);
    expect(full.sections[0]?.items).toHaveLength(200);
    const named = drawing([{ id: 'd', take: 1, items: ['i0', 'i1'] }]);
    expect(withSought(named, new Map())).toEqual(named);
  });

  it('counts as what a paper takes of it', () => {
    expect(paperLength(plan)).toBe(6);
    expect(paperLength(two)).toBe(9);
    expect(paperLength(drawing([{ id: 'd', take: 1, items: ['i0', 'i1'] }]))).toBe(5);
  });
});

describe('draws', () => {
  it('give every pair the same chance: chi-square over 5,000 papers', () => {
    const pinned = unmended(drawing([{ id: 'd', take: 2, items: ['i0', 'i1', 'i2'] }]), revisions);
    const counts = new Map<string, number>();
    const papers = 5000;
    for (let seed = 0; seed < papers; seed++) {
      const pair = paperQuestions(assemble(pinned, ofSeed(seed * 7919 + 1)))
        .map(({ id }) => id)
        .filter((id) => ['i0', 'i1', 'i2'].includes(id))
        .sort()
        .join();
      counts.set(pair, (counts.get(pair) ?? 0) + 1);
    }
    const expected = papers / 3;
    const statistic = [...counts.values()].reduce((all, n) => all + (n - expected) ** 2 / expected, 0);
    // Two degrees of freedom, upper tail 0.001: 13.816 (NIST/SEMATECH e-Handbook of Statistical Methods, 1.3.6.7.4; from memory).
    expect(counts.size).toBe(3);
    expect(statistic).toBeLessThan(13.816);
  });
});
