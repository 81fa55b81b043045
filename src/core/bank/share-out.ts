import { exact, min, MOST_MARKS, stored } from '../base/exact';
import { kindOf } from '../kinds/registry';
import { placedSlots, type QuestionBody, type Slot } from './question';

/** How many parts earn marks in a slot, those that count more as often as they count; 0 where parts are not counted. */
export function partsOf({ kind, setup }: Slot): number {
  const worth = kindOf(kind).marked?.worth?.(setup) ?? [];
  return worth.reduce((all, one) => all + one, 0);
}

/** The question with the marks of its slots as they follow: from a fixed total, else from what each part earns. The question itself when nothing changes by it. */
export const followedMarks = (question: QuestionBody): QuestionBody =>
  question.total === null ? eachCounted(question) : sharedOut(question);

/** Where each part earns so much, all of them earn the marks of the slot; none yet, one part's. */
function eachCounted(question: QuestionBody): QuestionBody {
  const counted = Object.entries(question.slots).flatMap(([id, slot]) => {
    if (slot.each === undefined) return [];
    const marks = stored(min(exact(MOST_MARKS), exact(slot.each).mul(Math.max(1, partsOf(slot)))));
    return marks === slot.marks ? [] : [[id, { ...slot, marks }] as const];
  });
  return counted.length === 0
    ? question
    : { ...question, slots: { ...question.slots, ...Object.fromEntries(counted) } };
}

/**
 * The question with its fixed total shared out equally among the slots that
 * stand on the sheet, exactly: 2 marks over 3 slots are 2/3 each. The question
 * itself when no total is fixed, no slot stands, or nothing changes by it.
 */
function sharedOut(question: QuestionBody): QuestionBody {
  const placed = placedSlots(question);
  if (question.total === null || placed.length === 0) return question;
  const marks = stored(exact(question.total).div(placed.length));
  if (placed.every(({ slot }) => slot.marks === marks)) return question;
  const shared = placed.map(({ id, slot }) => [id, { ...slot, marks }] as const);
  return { ...question, slots: { ...question.slots, ...Object.fromEntries(shared) } };
}
