import { describe, expect, it } from 'vitest';
import { sampleExam } from '../../../tests/drivers/samples';
import { ofSeed } from './lot';
import { assemble, unmended } from './paper';
import type { ExamPlan } from './plan';
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
