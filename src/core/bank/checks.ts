import { stored } from '../base/exact';
import type { Finding } from '../base/finding';
import type { TraceStep } from '../rules/marking';
import { runTrials } from './mark';
import type { QuestionBody } from './question';
import { questionReadiness } from './readiness';

/** What the rules make of a trial answer, in plain values. */
export interface TrialCheck {
  id: string;
  slot: string;
  /** Exact marks as text; null while a person has to look. */
  marks: string | null;
  trace: readonly TraceStep[];
  agrees: boolean;
}

/** Everything that is worked out anew at every change of a question. Plain values, so that a worker can send them. */
export interface Checks {
  findings: Finding[];
  trials: TrialCheck[];
}

export function checkQuestion(question: QuestionBody): Checks {
  const outcomes = runTrials(question);
  return {
    findings: questionReadiness(question, outcomes),
    trials: outcomes.map(({ trial, marks, marking, agrees }) => ({
      id: trial.id,
      slot: trial.slot,
      marks: marks === null ? null : stored(marks),
      trace: marking.trace,
      agrees,
    })),
  };
}
