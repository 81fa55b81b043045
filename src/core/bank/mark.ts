import { type Exact, exact, stored } from '../base/exact';
import { kindOf } from '../kinds/registry';
import { type Marking, marked } from '../rules/marking';
import { ZERO } from '../base/exact';
import { placedSlots, type QuestionBody, type Slot, type Trial } from './question';

/** What an automatic marking earns: the marking and, when decided, the exact marks. */
export interface SlotMarking {
  marking: Marking;
  /** Exact marks, or null while a person has to look. */
  marks: Exact | null;
}

/**
 * Marks one slot's response. A missing or blank response earns nothing, of
 * every kind. `worth` overrides the slot's own marks (an exam may).
 */
export function markSlot(slot: Slot, response: unknown, worth: Exact = exact(slot.marks)): SlotMarking {
  const kind = kindOf(slot.kind);
  const parsed = kind.response.safeParse(response);
  const marking =
    !parsed.success || kind.blank(parsed.data)
      ? marked(ZERO, [{ code: 'blank' }])
      : (settledMarking(slot, parsed.data) ?? kind.mark(slot.setup, parsed.data));
  return { marking, marks: marking.state === 'marked' ? marking.share.mul(worth) : null };
}

/** What was decided about this very answer; null when nothing was. */
function settledMarking({ kind: name, setup, settled = [] }: Slot, response: unknown): Marking | null {
  if (settled.length === 0) return null;
  const kind = kindOf(name);
  const gist = kind.gist(setup, response);
  const found = settled.find(
    (answer) => kind.gist(setup, answer.response) === gist || kind.same?.(setup, answer.response, response),
  );
  if (!found) return null;
  const step = { code: 'settled', values: { answer: kind.describeResponse(setup, found.response) } };
  return marked(exact(found.share), [step], found.feedback);
}

/** Marks every slot of a question. `worth` gives the exact marks of each slot where they are not its own. */
export function markQuestion(
  question: QuestionBody,
  responses: Readonly<Record<string, unknown>>,
  worth?: ReadonlyMap<string, Exact>,
): Map<string, SlotMarking> {
  return new Map(placedSlots(question).map(({ id, slot }) => [id, markSlot(slot, responses[id], worth?.get(id))]));
}

/** A trial answer and what the rules make of it. */
export interface TrialOutcome extends SlotMarking {
  trial: Trial;
  letter: string;
  agrees: boolean;
}

/** Runs the trial answers of a question against its rules. Those with no expectation yet agree. */
export function runTrials(question: QuestionBody): TrialOutcome[] {
  const placed = new Map(placedSlots(question).map((p) => [p.id, p]));
  return question.trials.flatMap((trial) => {
    const at = placed.get(trial.slot);
    if (!at) return [];
    const outcome = markSlot(at.slot, kindOf(at.slot.kind).fromTyped(at.slot.setup, trial.typed));
    const got = outcome.marks === null ? 'waits' : stored(outcome.marks);
    const wanted = trial.expected === 'waits' || trial.expected === '' ? trial.expected : stored(exact(trial.expected));
    return [{ trial, letter: at.letter, ...outcome, agrees: wanted === '' || wanted === got }];
  });
}
