import { rubricOf } from '../bank/question';
import { type Exact, percentOf, sum, ZERO } from '../base/exact';
import { counted, type PaperQuestion } from '../exams/paper';
import { criterionMarks, type Judgement, mostOf } from '../rules/rubric/rubric';
import type { Part } from './parts';

/** What was earned of a part, exact. */
export interface Earned {
  marks: Exact;
  of: Exact;
  percent: Exact;
}

/** What an attempt earned, as parts ask for it. */
export interface EarnedByQuestion {
  /** The questions of the paper by their ids. */
  questions: ReadonlyMap<string, PaperQuestion>;
  /** Marks of a question as they count in the whole. */
  earned: (item: string) => Exact;
  /** Marks of a slot; null while it waits for a person. */
  ofSlot: (item: string, slot: string) => Exact | null;
  /** What a person found by the rubric of a slot; null where nobody has. */
  judged: (item: string, slot: string) => Judgement | null;
}

/** What was earned of a part; null where nothing of it is on this paper, or counts. */
export function earnedOfPart(part: Part, by: EarnedByQuestion): Earned | null {
  const { marks, of } = part.is === 'topic' ? ofTopic(part.items, by) : ofCriterion(part, by);
  return of.equals(0) ? null : { marks, of, percent: percentOf(marks, of) };
}

function ofTopic(items: readonly string[], { questions, earned }: EarnedByQuestion): Omit<Earned, 'percent'> {
  const asked = items.flatMap((item) => questions.get(item) ?? []);
  return { marks: sum(asked.map((question) => earned(question.id))), of: sum(asked.map(counted)) };
}

/** The weighted marks of a criterion. Where an answer earned its marks without being judged, they stand for every criterion alike. */
function ofCriterion(
  { item, slot, criterion }: Extract<Part, { is: 'criterion' }>,
  { questions, ofSlot, judged }: EarnedByQuestion,
): Omit<Earned, 'percent'> {
  const nothing = { marks: ZERO, of: ZERO };
  const question = questions.get(item);
  const asked = question?.question.slots[slot];
  const rubric = asked && rubricOf(asked);
  const line = rubric?.criteria.find((one) => one.id === criterion);
  if (!question || question.dropped || !rubric || !line) return nothing;
  const of = mostOf(rubric, line);
  if (question.everyone) return { marks: of, of };
  const found = criterionMarks(rubric, line, judged(item, slot)?.[criterion]);
  if (found) return { marks: found, of };
  const worth = question.worth.get(slot) ?? ZERO;
  const share = worth.equals(0) ? ZERO : (ofSlot(item, slot) ?? ZERO).div(worth);
  return { marks: of.mul(share), of };
}
