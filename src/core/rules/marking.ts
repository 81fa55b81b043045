import { type Exact } from '../base/exact';

/**
 * One fact of how an automatic mark came about; worded in `ui/words/trace`.
 * `evidence` quotes the answer where the rule found what it looked for.
 */
export interface TraceStep {
  code: string;
  values?: Readonly<Record<string, string | number>>;
  evidence?: readonly string[];
}

/**
 * What a rule set makes of an answer. The share is of the slot's marks, exact,
 * and may be below zero only where a rule set deducts. `waits`: no rule
 * decides and a person must.
 */
export type Marking =
  | { state: 'marked'; share: Exact; trace: TraceStep[]; feedback?: string }
  | { state: 'waits'; trace: TraceStep[] };

export function marked(share: Exact, trace: TraceStep[], feedback?: string): Marking {
  return { state: 'marked', share, trace, ...(feedback ? { feedback } : {}) };
}

export function waits(trace: TraceStep[]): Marking {
  return { state: 'waits', trace };
}
