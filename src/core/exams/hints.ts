import { type Exact, exact, ONE, sum, ZERO } from '../base/exact';
import { totalMarks } from '../bank/summary';
import type { PaperQuestion } from './paper';

/** What each hint of a placed question costs, in their order: as it was written, in the measure of the marks that the exam gives. */
export function hintCosts({ question, marks }: Pick<PaperQuestion, 'question' | 'marks'>): Exact[] {
  const own = totalMarks(question);
  const measure = own.equals(0) ? ONE : marks.div(own);
  return question.hints.map(({ cost }) => exact(cost).mul(measure));
}

/** What the first hints of a placed question cost together; nothing where its marks go to everybody or count nowhere. */
export function costOfHints(item: PaperQuestion, taken: number): Exact {
  return taken === 0 || item.everyone || item.dropped ? ZERO : sum(hintCosts(item).slice(0, taken));
}
