import { exact, max, ONE, ZERO } from '../../base/exact';
import { marked, type Marking, type TraceStep } from '../marking';

/**
 * How marks come from what was placed. `whole`: everything where it belongs and
 * nothing elsewhere, or nothing. `by-part`: each right one earns its part.
 * `by-part-deductions`: each wrong one takes a part back, never below zero.
 */
export const PLACING_SCHEMES = ['by-part', 'by-part-deductions', 'whole'] as const;
export type PlacingScheme = (typeof PLACING_SCHEMES)[number];

/** One thing that earns a part: a place that wants one of some items, or an item that belongs to one of some groups. */
export interface Wanted {
  id: string;
  /** How it is called in the trace. */
  name: string;
  /** Any one of these is right. Empty: nothing belongs here, and leaving it alone earns nothing. */
  accepts: readonly string[];
  /** Said to a student who put something wrong here. */
  feedback: string;
}

/** What stands at one of them; the name is for the trace. */
export interface Given {
  at: string;
  what: string;
  name: string;
}

/**
 * Marks what was placed: right ÷ wanted by parts, with deductions
 * (right − wrong) ÷ wanted ("12 labels, 9 right, 2 wrong: 9/12, or 7/12": common
 * practice, no source). Two right ones at one count once, the second is wrong.
 */
export function markPlaced(wanted: readonly Wanted[], given: readonly Given[], scheme: PlacingScheme): Marking {
  const trace: TraceStep[] = [];
  const feedback: string[] = [];
  let right = 0;
  let wrong = 0;
  for (const { id, name, accepts, feedback: said } of wanted) {
    const here = given.filter(({ at }) => at === id);
    const hit = here.find(({ what }) => accepts.includes(what));
    const off = here.filter((one) => one !== hit);
    if (hit) right += 1;
    wrong += off.length;
    if (hit) trace.push({ code: 'placed-right', values: { at: name }, evidence: [hit.name] });
    for (const one of off) trace.push({ code: 'placed-wrong', values: { at: name }, evidence: [one.name] });
    if (here.length === 0 && accepts.length > 0) trace.push({ code: 'placed-missing', values: { at: name } });
    if (off.length > 0 && said !== '' && !feedback.includes(said)) feedback.push(said);
  }
  const of = wanted.filter(({ accepts }) => accepts.length > 0).length;
  const counted = { code: 'placed-counted', values: { right, wrong, of } };
  return marked(shareOf({ right, wrong, of }, scheme), [counted, ...trace], feedback.join(' '));
}

function shareOf({ right, wrong, of }: { right: number; wrong: number; of: number }, scheme: PlacingScheme) {
  if (of === 0) return ZERO;
  if (scheme === 'whole') return right === of && wrong === 0 ? ONE : ZERO;
  return max(ZERO, exact(`${scheme === 'by-part' ? right : right - wrong}/${of}`));
}
