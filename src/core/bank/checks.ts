import { stored } from '../base/exact';
import { type Finding, isStop } from '../base/finding';
import type { TraceStep } from '../rules/marking';
import { MOST_WORK, workDone } from '../rules/maths/work';
import { runTrials, type TrialOutcome } from './mark';
import type { QuestionBody } from './question';
import { questionReadiness } from './readiness';
import { variantOf, varyReadiness } from './variant';

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

/** A question with values is looked at in so many variants, fewer where it has many trial answers or they take much work. */
const MOST_VARIANTS = 40;
const MOST_TRIALS_RUN = 1500;
const MOST_WORK_CHECKED = 2 * MOST_WORK;

/**
 * Readiness and trial answers. A question whose numbers vary is checked in
 * many variants: what breaks in any of them is found, and a trial answer
 * agrees only when it does in all.
 */
export function checkQuestion(question: QuestionBody): Checks {
  const before = workDone();
  const shown = checkVariant(question, 1);
  if (!question.vary) return plain(shown);
  const varying = varyReadiness(question);
  const findings = [...varying, ...shown.findings];
  const many = Math.max(4, Math.min(MOST_VARIANTS, Math.floor(MOST_TRIALS_RUN / Math.max(1, question.trials.length))));
  const disagreeing = new Set<string>();
  // Values that stop by themselves make every further variant the same question without them.
  const hopeless = varying.some(isStop);
  for (let seed = 2; seed <= many && !hopeless && workDone() - before <= MOST_WORK_CHECKED; seed++) {
    const next = checkVariant(question, seed);
    for (const finding of next.findings)
      if (!findings.some((one) => one.code === finding.code && one.at.join() === finding.at.join()))
        findings.push({ ...finding, values: { ...finding.values, variant: seed } });
    for (const { trial, agrees } of next.outcomes) if (!agrees) disagreeing.add(trial.id);
  }
  const { trials } = plain(shown);
  return { findings, trials: trials.map((one) => ({ ...one, agrees: one.agrees && !disagreeing.has(one.id) })) };
}

interface Looked {
  findings: Finding[];
  outcomes: TrialOutcome[];
}

function checkVariant(question: QuestionBody, seed: number): Looked {
  const variant = variantOf(question, seed);
  const outcomes = runTrials(variant);
  return { findings: questionReadiness(variant, outcomes), outcomes };
}

function plain({ findings, outcomes }: Looked): Checks {
  return {
    findings,
    trials: outcomes.map(({ trial, marks, marking, agrees }) => ({
      id: trial.id,
      slot: trial.slot,
      marks: marks === null ? null : stored(marks),
      trace: marking.trace,
      agrees,
    })),
  };
}
