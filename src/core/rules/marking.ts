import { type Exact, exact, max, min, ONE, ZERO } from '../base/exact';

/**
 * One fact of how an automatic mark came about; worded in `ui/words/trace`.
 * `evidence` quotes the answer where the rule found what it looked for.
 */
export interface TraceStep {
  code: string;
  values?: Readonly<Record<string, string | number>>;
  evidence?: readonly string[];
}

type Marked = { state: 'marked'; share: Exact; belowZero?: Exact; trace: TraceStep[]; feedback?: string };

/**
 * What a rule set makes of an answer. The share is of the slot's marks, exact,
 * from 0 to 1. `belowZero`: what it comes to where deductions take more than
 * was earned, at least −1; it counts where the exam says so. `waits`: no rule
 * decides and a person must.
 */
export type Marking = Marked | { state: 'waits'; trace: TraceStep[] };

export function marked(share: Exact, trace: TraceStep[], feedback?: string): Marked {
  return { state: 'marked', share, trace, ...(feedback ? { feedback } : {}) };
}

/** A marking with deductions: never below zero by itself, but told what it would be. */
export function markedWithDeductions(earned: Exact, trace: TraceStep[], feedback?: string): Marking {
  const marking = marked(min(ONE, max(ZERO, earned)), trace, feedback);
  return earned.compare(0) < 0 ? { ...marking, belowZero: max(exact('-1'), earned) } : marking;
}

export function waits(trace: TraceStep[]): Marking {
  return { state: 'waits', trace };
}
