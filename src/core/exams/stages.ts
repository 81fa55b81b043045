import type { Paper } from './paper';
import type { ExamPlan } from './plan';

/** A stretch of a paper that is entered in its turn and left for good. */
export interface Stage {
  /** The id of its section, or of its one question. */
  id: string;
  section: string;
  items: string[];
  /** Minutes that its section has for itself; null when only the whole counts. */
  minutes: number | null;
}

/** Whether papers of a plan are gone through in stages: where there is no way back, or where a section has a time of its own. */
export function hasStages(plan: ExamPlan): boolean {
  return plan.moves === 'forward' || plan.sections.some(({ minutes }) => minutes !== undefined);
}

/**
 * The stages of a paper in their order; none when one may move freely. Where
 * there is no way back and a page holds one question, each question is a
 * stage, else each section.
 */
export function stagesOf(plan: ExamPlan, paper: Paper): Stage[] {
  if (!hasStages(plan)) return [];
  const single = plan.moves === 'forward' && plan.pages === 'question';
  return paper.sections.flatMap(({ id: section, items }): Stage[] => {
    const minutes = plan.sections.find(({ id }) => id === section)?.minutes ?? null;
    const ids = items.map(({ id }) => id);
    if (ids.length === 0) return [];
    if (single) return ids.map((id) => ({ id, section, items: [id], minutes }));
    return [{ id: section, section, items: ids, minutes }];
  });
}
