import { type Decided, markQuestion, type SlotMarking } from '../bank/mark';
import { ONE } from '../base/exact';
import { marked } from '../rules/marking';
import type { PaperQuestion } from './paper';

/** Marks what one attempt answered to one question of its paper: by the rules, or everything when everybody has it. */
export function markPlaced(
  item: PaperQuestion,
  responses: Readonly<Record<string, unknown>>,
  decided?: Decided,
): Map<string, SlotMarking> {
  if (!item.everyone) return markQuestion(item.question, responses, item.worth, decided);
  return new Map([...item.worth].map(([id, marks]) => [id, { marking: marked(ONE, [{ code: 'everyone' }]), marks }]));
}
