import type { PlacedSlot, Trial } from '@/core/bank/question';
import { stored } from '@/core/base/exact';
import { kindOf } from '@/core/kinds/registry';
import { readResponse, responseWords, storedResponse } from '@/core/kinds/response';
import { wholeNumber } from '@/core/rules/number/read';

/** A trial answer before it has its place among the others. */
export type NewTrial = Pick<Trial, 'response' | 'expected'>;

/** What a teacher types as expected marks: "2", "1½", "waits", or nothing. Null when it is none of these. */
export function readExpected(typed: string): Trial['expected'] | null {
  const text = typed.trim().toLowerCase();
  if (text === '') return '';
  if (/^w(a(i(ts?)?)?)?$/.test(text)) return 'waits';
  const value = wholeNumber(text);
  return value && value.compare(0) >= 0 ? stored(value) : null;
}

/** A typed answer as a response; null for nothing, and for a kind that cannot be typed. */
export function typedTrial({ slot }: PlacedSlot, typed: string, expected: Trial['expected'] = ''): NewTrial | null {
  const kind = kindOf(slot.kind);
  if (!kind.typed || typed.trim() === '') return null;
  return { response: storedResponse(kind, kind.typed.response(slot.setup, typed.slice(0, 5000))), expected };
}

/** A pasted column of answers, with the marks expected behind a tab. */
export function trialsFromLines(slot: PlacedSlot, lines: readonly string[]): NewTrial[] {
  return lines
    .map((line) => {
      const [typed = '', expected = ''] = line.split('\t');
      return typedTrial(slot, typed, readExpected(expected) ?? '');
    })
    .filter((trial) => trial !== null);
}

/** Answers worth trying that are not there yet: from the rules, and those that are right too or were decided one by one. */
export function suggestedTrials({ slot }: PlacedSlot, there: readonly Trial[]): NewTrial[] {
  const kind = kindOf(slot.kind);
  const words = (response: unknown): string => responseWords(kind, slot.setup, response) ?? '';
  const known = new Set(there.map((trial) => words(trial.response)));
  const settled = (slot.settled ?? []).map(({ response }) => response);
  const decided = [...(slot.also ?? []), ...settled].flatMap((one) => readResponse(kind, one)?.response ?? []);
  const suggested: NewTrial[] = [];
  for (const response of [...(kind.marked?.tryouts(slot.setup) ?? []), ...decided]) {
    if (known.has(words(response)) || words(response) === '') continue;
    known.add(words(response));
    suggested.push({ response: storedResponse(kind, response), expected: '' });
  }
  return suggested;
}

/** So many trial answers are looked at while rules are written. */
const MOST_LOOKED_AT = 60;

/** The trial answers of a slot as texts. */
export function trialTexts(trials: readonly Trial[], { id, slot }: PlacedSlot): string[] {
  const kind = kindOf(slot.kind);
  return trials
    .filter((trial) => trial.slot === id)
    .slice(0, MOST_LOOKED_AT)
    .flatMap(({ response }) => responseWords(kind, slot.setup, response) ?? []);
}
