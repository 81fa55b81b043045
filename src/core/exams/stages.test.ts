import { describe, expect, it } from 'vitest';
import { sampleExam } from '../../../tests/drivers/samples';
import { ofSeed } from './lot';
import { assemble, unmended } from './paper';
import { examForm, type ExamPlan } from './plan';
import { examReadiness } from './readiness';
import { hasStages, stagesOf } from './stages';

const { plan, revisions } = sampleExam(3);
const stages = (of: Partial<ExamPlan>) => {
  const changed = { ...plan, ...of };
  return stagesOf(changed, assemble(unmended(changed, revisions), ofSeed(0)));
};
const timed = plan.sections.map((section, i) => (i === 1 ? { ...section, minutes: 20 } : section));

describe('stages', () => {
  it('are none where one may move freely', () => {
    expect([hasStages(plan), stages({ pages: 'question' })]).toEqual([false, []]);
  });

  it('are the questions where there is no way back and one is shown at a time, else the sections', () => {
    const all = plan.sections.flatMap(({ items }) => items.map(({ id }) => id));
    expect(stages({ moves: 'forward', pages: 'question' }).map(({ id }) => id)).toEqual(all);
    for (const pages of ['section', 'whole'] as const)
      expect(stages({ moves: 'forward', pages }).map(({ id }) => id)).toEqual(plan.sections.map(({ id }) => id));
    expect(stages({ moves: 'forward', pages: 'section' }).flatMap(({ items }) => items)).toEqual(all);
  });

  it('are the sections where one of them has a time of its own, which its questions share', () => {
    expect(stages({ sections: timed }).map(({ id, minutes }) => [id, minutes])).toEqual(
      timed.map(({ id }, i) => [id, i === 1 ? 20 : null]),
    );
    const single = stages({ sections: timed, moves: 'forward', pages: 'question' });
    expect(new Set(single.filter(({ section }) => section === timed[1]?.id).map(({ minutes }) => minutes))).toEqual(
      new Set([20]),
    );
  });
});

describe('questions with a time of their own', () => {
  const each = plan.sections.map((section, i) => (i === 1 ? { ...section, secondsEach: 90 } : section));

  it('are stages of one, whatever the pages are; the other sections stay whole', () => {
    const [first, second] = each;
    for (const pages of ['question', 'section', 'whole'] as const)
      expect(stages({ sections: each, pages }).map(({ items, seconds }) => [items, seconds])).toEqual([
        [first?.items.map(({ id }) => id), null],
        ...(second?.items ?? []).map(({ id }) => [[id], 90]),
        ...each.slice(2).map(({ items }) => [items.map(({ id }) => id), null]),
      ]);
  });

  it('are reckoned by how many a paper has, or by the time of the section where that is shorter', () => {
    const count = each[1]?.items.length ?? 0;
    const said = (minutes: number, whole: number): unknown =>
      examReadiness(
        unmended(
          { ...plan, minutes: whole, sections: each.map((one, i) => (i === 1 ? { ...one, minutes } : one)) },
          revisions,
        ),
      ).findings.find(({ code }) => code === 'sections-longer')?.values?.sections;
    const byQuestions = Math.ceil(count * 1.5);
    expect([said(1000, byQuestions), said(1000, byQuestions - 1)]).toEqual([undefined, byQuestions]);
    expect(said(2, 1)).toBe(Math.min(2, byQuestions));
  });
});

describe('sections with a time of their own', () => {
  const said = (minutes: number[], whole: number): unknown[] => {
    const sections = plan.sections.map((section, i) => ({
      ...section,
      ...(minutes[i] ? { minutes: minutes[i] } : {}),
    }));
    return examReadiness(unmended({ ...plan, minutes: whole, sections }, revisions))
      .findings.filter(({ code }) => code === 'sections-longer')
      .map(({ values }) => values);
  };

  it('that have more than the whole are warned of', () => {
    expect(said([40, 50], 80)).toEqual([{ sections: 90, minutes: 80 }]);
    expect([said([40, 40], 80), said([40], 80), said([], 80)]).toEqual([[], [], []]);
  });
});

it('an exam of before is gone through freely, without aids', () => {
  const { moves: _, ...before } = plan;
  const read = examForm.schema.parse(before);
  expect([read.moves, read.calculator, read.formulas, hasStages(read)]).toEqual(['free', undefined, undefined, false]);
});
