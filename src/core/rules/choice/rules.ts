import { exact, ONE, ZERO } from '../../base/exact';
import { marked, markedWithDeductions, type Marking, type TraceStep } from '../marking';

/**
 * How marks come from several choices. `whole`: all keys and nothing else, or
 * nothing. `by-part`: each right key earns its part; choosing more than there are
 * keys earns nothing. `by-part-deductions`: each wrong one takes a part back, below zero only where the exam says so.
 */
export const CHOICE_SCHEMES = ['whole', 'by-part', 'by-part-deductions'] as const;
export type ChoiceScheme = (typeof CHOICE_SCHEMES)[number];

/**
 * Marks chosen options against the keys. Part marks are right ÷ keys
 * ("two keys, one mark: one right and one wrong chosen gives ½ with part
 * marks, 0 without": common practice, no source); with deductions
 * (right − wrong) ÷ keys.
 */
export function markChoices(keys: ReadonlySet<string>, chosen: readonly string[], scheme: ChoiceScheme): Marking {
  const picked = new Set(chosen);
  const right = [...picked].filter((id) => keys.has(id)).length;
  const wrong = picked.size - right;
  const trace: TraceStep[] = [{ code: 'choices-counted', values: { right, wrong, keys: keys.size } }];
  if (scheme === 'whole' || keys.size === 0) {
    return marked(keys.size > 0 && right === keys.size && wrong === 0 ? ONE : ZERO, trace);
  }
  if (scheme === 'by-part') {
    if (picked.size > keys.size)
      return marked(ZERO, [...trace, { code: 'choices-too-many', values: { keys: keys.size } }]);
    return marked(exact(`${right}/${keys.size}`), trace);
  }
  return markedWithDeductions(exact(`${right - wrong}/${keys.size}`), [
    ...trace,
    { code: 'choices-deducted', values: { wrong } },
  ]);
}
