import { keyWords, placedSlots } from '@/core/bank/question';
import { keyedSlots } from '@/core/bank/variant';
import { type Exact, exact, stored } from '@/core/base/exact';
import type { PaperQuestion } from '@/core/exams/paper';
import type { Pinned } from '@/core/content/anchors';
import type { Visible } from '@/core/exams/sees';
import { traceWithoutKey } from '@/core/results/shown-trace';
import type { TraceStep } from '@/core/rules/marking';
import type { Remark } from '../marking/remarks';

/** How an answer came out. */
export type Outcome = 'right' | 'part' | 'wrong' | 'waits';

/** One slot of the student's own sheet, with what the margin says about it. */
export interface ResultSlot {
  id: string;
  letter: string;
  /** Null while it waits for a person, and when marks are not shown. */
  marks: string | null;
  of: string;
  /** Null when it is not shown. */
  outcome: Outcome | null;
  trace: TraceStep[];
  feedback: string;
  /** What whoever marked said, numbered through the slot. */
  remarks: Pinned[];
  /** Null when keys are not shown. */
  key: string | null;
}

function outcomeOf(marks: Exact | null, of: Exact): Outcome {
  if (!marks) return 'waits';
  return marks.compare(of) >= 0 ? 'right' : marks.compare(0) > 0 ? 'part' : 'wrong';
}

/** Remarks in the order in which they were said, without who said them. */
function numbered(said: readonly Remark[]): Pinned[] {
  let number = 0;
  // Signs at words that were read stand in the text, not in the list.
  return said.map(({ id, anchor, words }) => ({ id, number: anchor.at === 'read' ? 0 : ++number, anchor, words }));
}

/** A mark as far as a student can see of it. */
interface GivenMark {
  item: string;
  slot: string;
  /** Exact marks as text; null while it waits for a person. */
  marks: string | null;
  trace: TraceStep[];
  feedback: string;
}

/** What can be seen of the answers to a question. Whoever marks sees the whole trace. */
export function slotsSeen(
  item: PaperQuestion,
  given: readonly GivenMark[],
  visible: Visible,
  { wholeTrace = false, said = [] }: { wholeTrace?: boolean; said?: readonly Remark[] } = {},
): ResultSlot[] {
  const keyed = keyedSlots(item.question);
  return placedSlots(item.question).map(({ id, letter, slot }): ResultSlot => {
    const mark = given.find((m) => m.item === item.id && m.slot === id);
    const worth = item.worth.get(id) ?? item.marks;
    const marks = mark?.marks ?? null;
    const trace = mark?.trace ?? [];
    return {
      id,
      letter,
      marks: visible.marks ? marks : null,
      of: stored(worth),
      outcome: visible.right || visible.marks ? outcomeOf(marks === null ? null : exact(marks), worth) : null,
      trace: visible.marks ? (wholeTrace || visible.key ? trace : traceWithoutKey(trace)) : [],
      feedback: visible.remarks ? (mark?.feedback ?? '') : '',
      remarks: visible.remarks ? numbered(said.filter((one) => one.item === item.id && one.slot === id)) : [],
      key: visible.key ? keyWords(keyed.get(id) ?? slot) : null,
    };
  });
}
