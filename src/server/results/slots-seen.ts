import { keyWords, placedSlots } from '@/core/bank/question';
import { keyedSlots } from '@/core/bank/variant';
import { type Exact, exact, stored } from '@/core/base/exact';
import type { PaperQuestion } from '@/core/exams/paper';
import type { Visible } from '@/core/exams/sees';
import { traceWithoutKey } from '@/core/results/shown-trace';
import type { TraceStep } from '@/core/rules/marking';

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
  remark: string;
  /** Null when keys are not shown. */
  key: string | null;
}

function outcomeOf(marks: Exact | null, of: Exact): Outcome {
  if (!marks) return 'waits';
  return marks.compare(of) >= 0 ? 'right' : marks.compare(0) > 0 ? 'part' : 'wrong';
}

/** A mark as far as a student can see of it. */
interface GivenMark {
  item: string;
  slot: string;
  /** Exact marks as text; null while it waits for a person. */
  marks: string | null;
  trace: TraceStep[];
  feedback: string;
  remark?: string;
}

/** What can be seen of the answers to a question. Whoever marks sees the whole trace. */
export function slotsSeen(
  item: PaperQuestion,
  given: readonly GivenMark[],
  visible: Visible,
  wholeTrace = false,
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
      remark: visible.remarks ? (mark?.remark ?? '') : '',
      key: visible.key ? keyWords(keyed.get(id) ?? slot) : null,
    };
  });
}
