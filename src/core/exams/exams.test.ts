import { describe, expect, it } from 'vitest';
import { sampleExam, sampleQuestion } from '../../../tests/drivers/samples';
import { exact, stored, sum } from '../base/exact';
import { assemble, paperItems, slotWorth } from './paper';
import { examReadiness } from './readiness';

describe('a paper', () => {
  const { plan, revisions } = sampleExam(6);
  const shuffledPlan = { ...plan, sections: plan.sections.map((s) => ({ ...s, shuffleQuestions: true })) };

  it('is the same for the same seed, and numbered from 1 through all sections', () => {
    const order = (seed: number): string[] => paperItems(assemble(shuffledPlan, revisions, seed)).map((i) => i.id);
    expect(order(5)).toEqual(order(5));
    expect(new Set(Array.from({ length: 30 }, (_, seed) => order(seed).join())).size).toBeGreaterThan(10);
    expect(paperItems(assemble(shuffledPlan, revisions, 5)).map((i) => i.number)).toEqual([1, 2, 3, 4, 5, 6]);
  });

  it('keeps the shuffle of questions inside their section', () => {
    const first = new Set(plan.sections[0]?.items.map((i) => i.id));
    for (let seed = 0; seed < 20; seed++) {
      const items = assemble(shuffledPlan, revisions, seed).sections[0]?.items ?? [];
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
    expect(stored(assemble(bonus, revisions, 0).marks)).toBe(stored(exact(4 * (section.items.length - 1))));
  });
});

describe('readiness of an exam', () => {
  it('is silent when all is well', () => {
    const { plan, revisions } = sampleExam(3);
    expect(examReadiness(plan, revisions)).toMatchObject({ ready: 3, questions: 3, findings: [] });
  });

  it('names empty sections, too little time, a pass mark of nothing, and the same title twice', () => {
    const { plan, revisions } = sampleExam(2, () => sampleQuestion('Twice'));
    const [first] = plan.sections;
    if (!first) throw new Error('no section');
    const codes = examReadiness(
      { ...plan, minutes: 1, passPercent: '0', sections: [...plan.sections, { ...first, id: 'e', items: [] }] },
      revisions,
    ).findings.map((f) => f.code);
    expect(codes).toEqual(['same-title', 'section-empty', 'pass-mark-zero', 'too-little-time']);
  });

  it('sees that the right option always stands in one place', () => {
    const { plan, revisions } = sampleExam(3, (i) => {
      const question = sampleQuestion(`Question ${i}`);
      const choice = question.slots.a;
      if (choice) choice.setup = { ...(choice.setup as object), shuffle: false };
      return question;
    });
    expect(examReadiness(plan, revisions).findings).toMatchObject([
      { code: 'key-always-in-one-place', values: { place: 2, count: 3 } },
    ]);
  });
});
