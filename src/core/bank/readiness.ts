import { exact } from '../base/exact';
import { type Finding, stops, under, warns } from '../base/finding';
import { plainText } from '../content/plain';
import { contentReadiness } from '../content/readiness';
import { kindOf } from '../kinds/registry';
import { runTrials } from './mark';
import { placedSlots, type QuestionBody } from './question';

/** Everything that stops or weakens a question. Slot findings carry the path ["slot", id, …]. */
export function questionReadiness(question: QuestionBody, trials = runTrials(question)): Finding[] {
  const findings: Finding[] = [...contentReadiness(question.content)];
  const slots = placedSlots(question);
  if (slots.length === 0) findings.push(stops('no-slot', []));
  if (plainText(question.content).replace(/…/g, '').trim() === '') findings.push(warns('no-text', []));
  for (const { id, slot } of slots) {
    const own = kindOf(slot.kind).readiness(slot.setup);
    if (exact(slot.marks).equals(0)) own.push(warns('marks-zero', []));
    findings.push(...under('slot', under(id, own)));
  }
  for (const outcome of trials) {
    if (!outcome.agrees) {
      findings.push(
        stops('trial-not-as-expected', ['slot', outcome.trial.slot, 'trials', outcome.trial.id], {
          typed: outcome.trial.typed,
        }),
      );
    }
  }
  return findings;
}

export function isReady(findings: readonly Finding[]): boolean {
  return findings.every((finding) => finding.weight !== 'stops');
}
