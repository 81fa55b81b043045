import { exact, stored } from '../base/exact';
import { placedSlots, type QuestionBody } from './question';

/**
 * The question with its fixed total shared out equally among the slots that
 * stand on the sheet, exactly: 2 marks over 3 slots are 2/3 each. The question
 * itself when no total is fixed, no slot stands, or nothing changes by it.
 */
export function sharedOut(question: QuestionBody): QuestionBody {
  const placed = placedSlots(question);
  if (question.total === null || placed.length === 0) return question;
  const marks = stored(exact(question.total).div(placed.length));
  if (placed.every(({ slot }) => slot.marks === marks)) return question;
  const shared = placed.map(({ id, slot }) => [id, { ...slot, marks }] as const);
  return { ...question, slots: { ...question.slots, ...Object.fromEntries(shared) } };
}
