import type { Paper } from './paper';
import type { ExamPlan, Section } from './plan';

/** A stretch of a paper that is entered in its turn and left for good. */
export interface Stage {
  /** The id of its section, or of its one question. */
  id: string;
  section: string;
  items: string[];
  /** Minutes that its section has for itself; null when only the whole counts. */
  minutes: number | null;
  /** Seconds that it has for itself, as a single question; null where it has none. */
  seconds: number | null;
}

/** Whether a section, or each of its questions, ends by its own time. */
export function isTimed({ minutes, secondsEach }: Section): boolean {
  return minutes !== undefined || secondsEach !== undefined;
}

/** Whether papers of a plan are gone through in stages: where there is no way back, or where a section or its questions have a time of their own. */
export function hasStages(plan: ExamPlan): boolean {
  return plan.moves === 'forward' || plan.sections.some(isTimed);
}

/**
 * The stages of a paper in their order; none when one may move freely. Where
 * there is no way back and a page holds one question, and where questions have
 * a time of their own, each question is a stage, else each section.
 */
export function stagesOf(plan: ExamPlan, paper: Paper): Stage[] {
  if (!hasStages(plan)) return [];
  const byQuestion = plan.moves === 'forward' && plan.pages === 'question';
  return paper.sections.flatMap(({ id: section, items }): Stage[] => {
    const { minutes = null, secondsEach: seconds = null } = plan.sections.find(({ id }) => id === section) ?? {};
    const ids = items.map(({ id }) => id);
    if (ids.length === 0) return [];
    if (byQuestion || seconds !== null) return ids.map((id) => ({ id, section, items: [id], minutes, seconds }));
    return [{ id: section, section, items: ids, minutes, seconds }];
  });
}
