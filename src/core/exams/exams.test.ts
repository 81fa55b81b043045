import { describe, expect, it } from 'vitest';
import { sampleExam, sampleQuestion } from '../../../tests/drivers/samples';
import { exact, stored, sum } from '../base/exact';
import { ofSeed, placementsMet } from './lot';
import { assemble, paperQuestions, slotWorth, type Pinned, unmended } from './paper';
import { poolQuestions, poolOf } from './pool';
import { examReadiness } from './readiness';

describe('a paper', () => {
  const { plan, revisions } = sampleExam(6);
  const shuffledPlan = { ...plan, sections: plan.sections.map((s) => ({ ...s, shuffleQuestions: true })) };

  it('is the same for the same seed, and numbered from 1 through all sections', () => {
    const order = (seed: number): string[] =>
      paperQuestions(assemble(unmended(shuffledPlan, revisions), ofSeed(seed))).map((i) => i.id);
    expect(order(5)).toEqual(order(5));
    expect(new Set(Array.from({ length: 30 }, (_, seed) => order(seed).join())).size).toBeGreaterThan(10);
    expect(paperQuestions(assemble(unmended(shuffledPlan, revisions), ofSeed(5))).map((i) => i.number)).toEqual([
      ...'123456',
    ]);
  });

  it('keeps the shuffle of questions inside their section', () => {
    const first = new Set(plan.sections[0]?.items.map((i) => i.id));
    for (let seed = 0; seed < 20; seed++) {
      const items = assemble(unmended(shuffledPlan, revisions), ofSeed(seed)).sections[0]?.items ?? [];
      expect(items.every((i) => first.has(i.id))).toBe(true);
    }
  });

  it('shares the marks that an exam gives over the slots, exactly', () => {
    const worth = slotWorth(sampleQuestion('q'), { marks: '1' });
    expect([...worth.values()].map(stored)).toEqual(['1/4', '1/2', '1/4']);
    expect(stored(sum(worth.values()))).toBe('1');
  });

  it('leaves bonus questions out of the total', () => {
    const [section] = plan.sections;
    if (!section) throw new Error('no section');
    const bonus = {
      ...plan,
      sections: [{ ...section, items: section.items.map((i, n) => ({ ...i, bonus: n === 0 })) }],
    };
    expect(stored(assemble(unmended(bonus, revisions), ofSeed(0)).marks)).toBe(
      stored(exact(4 * (section.items.length - 1))),
    );
  });
});

describe('a draw', () => {
  const { plan, revisions } = sampleExam(6);
  const [first, second] = plan.sections;
  if (!first || !second) throw new Error('Two sections');
  const drawing = (take: number, items = ['i0', 'i1', 'i2']) =>
    unmended({ ...plan, sections: [{ ...first, draws: [{ id: 'd', take, items }] }, second] }, revisions);
  const ids = (seed: number, pinned = drawing(1)): string[] =>
    paperQuestions(assemble(pinned, ofSeed(seed))).map(({ id }) => id);

  it('gives each paper so many of its questions, the others always, numbered through', () => {
    const papers = Array.from({ length: 300 }, (_, seed) => ids(seed));
    for (const paper of papers) {
      expect(paper).toHaveLength(4);
      expect(paper.slice(1)).toEqual(['i3', 'i4', 'i5']);
    }
    const drawn = new Map<string, number>();
    for (const [one = ''] of papers) drawn.set(one, (drawn.get(one) ?? 0) + 1);
    expect([...drawn.keys()].sort()).toEqual(['i0', 'i1', 'i2']);
    // Each of three in 300 draws: within five standard deviations of 100.
    for (const count of drawn.values()) expect(Math.abs(count - 100)).toBeLessThan(5 * Math.sqrt((300 * 2) / 9));
    expect(paperQuestions(assemble(drawing(2), ofSeed(5))).map(({ number }) => number)).toEqual([...'12345']);
    expect(ids(7)).toEqual(ids(7));
    expect([...placementsMet(drawing(1), ofSeed(7))].sort()).toEqual([...ids(7)].sort());
  });

  it('passes over what is no longer in its section', () => {
    const gone = { ...first, items: first.items.slice(1), draws: [{ id: 'd', take: 2, items: ['i0', 'i1', 'i2'] }] };
    for (let seed = 0; seed < 20; seed++)
      expect(ids(seed, unmended({ ...plan, sections: [gone] }, revisions))).toEqual(['i1', 'i2']);
  });

  it('is in the pool with all that may be met, and its least and most marks', () => {
    const dearer = drawing(1);
    const marked = first.items.map((item, n) => ({ ...item, marks: n === 0 ? '6' : null }));
    const section = { ...first, items: marked, draws: [{ id: 'd', take: 1, items: ['i0', 'i1', 'i2'] }] };
    const pool = poolOf({ ...dearer, plan: { ...plan, sections: [section, second] } });
    expect(poolQuestions(pool).map(({ id, number }) => `${id} ${number}`)).toEqual(
      [0, 1, 2, 3, 4, 5].map((n) => `i${n} ${n + 1}`),
    );
    expect([stored(pool.least), stored(pool.most)]).toEqual(['16', '18']);
    expect([stored(poolOf(dearer).least), stored(poolOf(dearer).most)]).toEqual(['16', '16']);
  });

  it('that takes more than there is stops the exam, of unequal questions it is remarked', () => {
    const codes = (pinned: Pinned): string[] => examReadiness(pinned).findings.map(({ code }) => code);
    expect(codes(drawing(2))).toEqual([]);
    expect(codes(drawing(4))).toEqual(['draw-too-few']);
    const [cheap, ...others] = first.items;
    if (!cheap) throw new Error('It has questions');
    const section = { ...first, items: [{ ...cheap, marks: '1' }, ...others] };
    const unequal = { ...section, draws: [{ id: 'd', take: 1, items: ['i0', 'i1', 'i2'] }] };
    expect(codes(unmended({ ...plan, sections: [unequal, second] }, revisions))).toEqual(['draw-marks-differ']);
  });
});

describe('readiness of an exam', () => {
  it('is silent when all is well', () => {
    const { plan, revisions } = sampleExam(3);
    expect(examReadiness(unmended(plan, revisions))).toMatchObject({ ready: 3, questions: 3, findings: [] });
  });

  it('names empty sections, too little time, a pass mark of nothing, and the same title twice', () => {
    const { plan, revisions } = sampleExam(2, () => sampleQuestion('Twice'));
    const [first] = plan.sections;
    if (!first) throw new Error('no section');
    const sections = [...plan.sections, { ...first, id: 'e', items: [] }];
    const codes = examReadiness(unmended({ ...plan, minutes: 1, passPercent: '0', sections }, revisions)).findings.map(
      (f) => f.code,
    );
    expect(codes).toEqual(['same-title', 'section-empty', 'pass-mark-zero', 'too-little-time']);
  });

  it('sees that the right option always stands in one place', () => {
    const { plan, revisions } = sampleExam(3, (i) => {
      const question = sampleQuestion(`Question ${i}`);
      const choice = question.slots.a;
      if (choice) choice.setup = { ...(choice.setup as object), shuffle: false };
      return question;
    });
    expect(examReadiness(unmended(plan, revisions)).findings).toMatchObject([
      { code: 'key-always-in-one-place', values: { place: 2, count: 3 } },
    ]);
  });
});
