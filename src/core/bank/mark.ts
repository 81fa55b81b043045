import { type Exact, exact, stored } from '../base/exact';
import { plainText } from '../content/plain';
import { keyedBy } from './also';
import { kindOf } from '../kinds/registry';
import { putInResponse, readResponse, responseWords } from '../kinds/response';
import { type Marking, marked, waits } from '../rules/marking';
import { MOST_WORK, workDone } from '../rules/maths/work';
import { ZERO } from '../base/exact';
import { placedSlots, type QuestionBody, type Slot, type Trial } from './question';
import { followedSlot, keyedSlots, keyedValues } from './variant';
import { putting } from './variation';

/** What an automatic marking earns: the marking and, when decided, the exact marks. */
export interface SlotMarking {
  marking: Marking;
  /** Exact marks, or null while a person has to look. */
  marks: Exact | null;
}

const BLANK = marked(ZERO, [{ code: 'blank' }]);
/** Nothing has been judged yet, since that comes after handing in. */
const JUDGED_LATER = waits([{ code: 'judged-afterwards' }]);

/** An answer that takes the rules too long waits for a person. */
export const TOO_LONG: SlotMarking = { marking: waits([{ code: 'takes-too-long' }]), marks: null };

/**
 * Marks one slot's response. A missing or blank response earns nothing, of
 * every kind; one that cannot be read waits for a person. `worth` overrides the slot's own marks (an exam may);
 * `asked` is the text of the question.
 */
export function markSlot(
  slot: Slot,
  response: unknown,
  { worth = exact(slot.marks), asked = '' }: { worth?: Exact; asked?: string } = {},
): SlotMarking {
  const marking = markResponse(slot, response, asked);
  return { marking, marks: marking.state === 'marked' ? marking.share.mul(worth) : null };
}

function markResponse(slot: Slot, raw: unknown, asked: string): Marking {
  const kind = kindOf(slot.kind);
  const blank = kind.selfJudged?.afterwards(slot.setup) ? JUDGED_LATER : BLANK;
  if (raw === undefined || raw === null) return blank;
  const read = readResponse(kind, raw);
  if (!read) return waits([{ code: 'unreadable' }]);
  if (kind.blank(read.response)) return blank;
  const settled = settledMarking(slot, read.response);
  return settled ?? nearestMarking(slot, read.response, asked) ?? waits([{ code: 'by-a-person' }]);
}

/** By the key, or by another answer that is right as a whole where that earns more; null when no machine marks it. */
function nearestMarking(slot: Slot, response: unknown, asked: string): Marking | null {
  const kind = kindOf(slot.kind);
  if (!kind.marked) return null;
  const { mark } = kind.marked;
  let best = mark(slot.setup, response, asked);
  for (const other of slot.also ?? []) {
    const keyed = keyedBy(slot, other);
    if (best.state === 'waits' || keyed === null) continue;
    const marking = mark(keyed, response, asked);
    if (marking.state === 'waits' || marking.share.compare(best.share) <= 0) continue;
    const step = { code: 'by-another', values: { answer: responseWords(kind, slot.setup, other) ?? '' } };
    best = { ...marking, trace: [step, ...marking.trace] };
  }
  return best;
}

/** What was decided about this very answer; null when nothing was. */
function settledMarking({ kind: name, setup, settled = [] }: Slot, response: unknown): Marking | null {
  if (settled.length === 0) return null;
  const kind = kindOf(name);
  const gist = kind.gist(setup, response);
  for (const { response: raw, share, feedback } of settled) {
    const answer = readResponse(kind, raw)?.response;
    if (!answer || !(kind.gist(setup, answer) === gist || kind.same?.(setup, answer, response))) continue;
    const step = { code: 'settled', values: { answer: kind.describeResponse(setup, answer) } };
    return marked(exact(share), [step], feedback);
  }
  return null;
}

/** Asked before a slot is marked: what is said there stands; null lets the rules decide. */
export type Decided = (slot: string) => SlotMarking | null;

/**
 * Marks every slot of a variant. `worth` gives the exact marks of each slot
 * where they are not its own. Where a key follows from an earlier answer, work
 * that is right with the student's own answer earns the slot's share for that.
 */
export function markQuestion(
  question: QuestionBody,
  responses: Readonly<Record<string, unknown>>,
  worth?: ReadonlyMap<string, Exact>,
  decided: Decided = () => null,
): Map<string, SlotMarking> {
  const asked = plainText(question.content);
  return new Map(
    [...keyedSlots(question)].map(([id, slot]) => {
      const already = decided(id);
      if (already) return [id, already];
      const marks = worth?.get(id) ?? exact(slot.marks);
      const byKey = markSlot(slot, responses[id], { worth: marks, asked });
      return [id, followThrough(question, id, responses, marks, byKey) ?? byKey];
    }),
  );
}

/** The marking with the student's own earlier answers, where that earns more; else null. */
function followThrough(
  question: QuestionBody,
  id: string,
  responses: Readonly<Record<string, unknown>>,
  worth: Exact,
  { marking: byKey }: SlotMarking,
): SlotMarking | null {
  if (byKey.state === 'waits' || byKey.share.compare(1) >= 0) return null;
  const followed = followedSlot(question, id, responses);
  if (!followed) return null;
  const { marking } = markSlot(followed.slot, responses[id], { worth, asked: plainText(question.content) });
  if (marking.state === 'waits') return null;
  const share = marking.share.mul(exact(followed.slot.follow ?? '1'));
  if (share.compare(byKey.share) <= 0) return null;
  const step = { code: 'follow-through', values: { used: followed.used.join(', ') } };
  return { marking: { ...marking, share, trace: [step, ...marking.trace] }, marks: share.mul(worth) };
}

/** A trial answer and what the rules make of it. */
export interface TrialOutcome extends SlotMarking {
  trial: Trial;
  letter: string;
  /** In plain words. */
  answer: string;
  agrees: boolean;
}

/** All work that the trial answers of a question may take; those after it wait. */
const MOST_WORK_TRIALS = 4 * MOST_WORK;

/** Runs the trial answers of a variant against its rules. Those with no expectation yet agree. */
export function runTrials(question: QuestionBody): TrialOutcome[] {
  const before = workDone();
  const asked = plainText(question.content);
  const slots = keyedSlots(question);
  const values = keyedValues(question);
  const withValues = (response: unknown): unknown => (values ? putInResponse(response, putting(values)) : response);
  const letters = new Map(placedSlots(question).map(({ id, letter }) => [id, letter]));
  return question.trials.flatMap((trial) => {
    const slot = slots.get(trial.slot);
    if (!slot) return [];
    const spent = workDone() - before > MOST_WORK_TRIALS;
    const outcome = spent ? TOO_LONG : markSlot(slot, withValues(trial.response), { asked });
    const got = outcome.marks === null ? 'waits' : stored(outcome.marks);
    const wanted = trial.expected === 'waits' || trial.expected === '' ? trial.expected : stored(exact(trial.expected));
    const answer = responseWords(kindOf(slot.kind), slot.setup, trial.response) ?? '';
    const letter = letters.get(trial.slot) ?? '';
    return [{ trial, letter, answer, ...outcome, agrees: wanted === '' || wanted === got }];
  });
}
