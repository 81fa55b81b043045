import { type Decided, markQuestion, type SlotMarking } from '../bank/mark';
import { type Exact, ONE, ZERO } from '../base/exact';
import { marked } from '../rules/marking';
import type { PaperQuestion } from './paper';

/** Marks what one attempt answered to one question of its paper: by the rules, or everything when everybody has it. */
export function markPlaced(
  item: PaperQuestion,
  responses: Readonly<Record<string, unknown>>,
  decided?: Decided,
): Map<string, SlotMarking> {
  if (!item.everyone) {
    const markings = withoutIdleWaiting(markQuestion(item.question, responses, item.worth, decided), item.worth);
    return item.belowZero ? withDeductions(markings, item.worth) : markings;
  }
  return new Map([...item.worth].map(([id, marks]) => [id, { marking: marked(ONE, [{ code: 'everyone' }]), marks }]));
}

/** What is worth nothing waits for nobody. */
function withoutIdleWaiting(
  markings: Map<string, SlotMarking>,
  worth: ReadonlyMap<string, Exact>,
): Map<string, SlotMarking> {
  return new Map(
    [...markings].map(([id, one]) => {
      const idle = one.marking.state === 'waits' && (worth.get(id) ?? ZERO).equals(0);
      return [id, idle ? { marking: marked(ZERO, [{ code: 'worth-nothing' }]), marks: ZERO } : one];
    }),
  );
}

/** Marks where deductions may take more than was earned. */
function withDeductions(
  markings: Map<string, SlotMarking>,
  worth: ReadonlyMap<string, Exact>,
): Map<string, SlotMarking> {
  return new Map(
    [...markings].map(([id, { marking, marks }]) => {
      const below = marking.state === 'marked' ? marking.belowZero : undefined;
      return [id, { marking, marks: below ? below.mul(worth.get(id) ?? ZERO) : marks }];
    }),
  );
}
