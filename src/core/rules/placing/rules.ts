import { z } from 'zod';
import type { Put } from '../../content/put';
import { type Exact, exact, ONE, ZERO } from '../../base/exact';
import { markedWithDeductions, type Marking, type TraceStep } from '../marking';
import { partId } from './placed';

/**
 * How marks come from what was placed. `whole`: everything where it belongs and
 * nothing elsewhere, or nothing. `by-part`: each right one earns its part.
 * `by-part-deductions`: each wrong one takes a part back, below zero only where the exam says so.
 */
export const PLACING_SCHEMES = ['by-part', 'by-part-deductions', 'whole'] as const;
export type PlacingScheme = (typeof PLACING_SCHEMES)[number];

/** What is said of one particular wrong thing ("generator on the place of the gearbox"). */
const slip = z.object({ what: partId, feedback: z.string().max(1000) });
export type Slip = z.infer<typeof slip>;

/** What every place of a setup may have beside what it accepts. */
export const placeRules = {
  /** Said to a student who put something wrong here. */
  feedback: z.string().max(1000),
  /** Said instead where exactly this was put here. */
  slips: z.array(slip).max(60).optional(),
  /** How many times it counts; once when left out. */
  weight: z.int().min(1).max(99).optional(),
};

/** How a place marks what stands on it. */
export interface PlaceRules {
  accepts: string[];
  feedback: string;
  slips?: Slip[] | undefined;
  weight?: number | undefined;
}

/** The same with named values put into what is said. */
export function putRules<T extends Omit<PlaceRules, 'accepts'>>(place: T, put: Put): T {
  const slips = place.slips?.map((one) => ({ ...one, feedback: put(one.feedback, 'words') }));
  return { ...place, feedback: put(place.feedback, 'words'), ...(slips ? { slips } : {}) };
}

/** One thing that earns a part: a place that wants one of some items, or an item that belongs to one of some groups. */
export interface Wanted {
  id: string;
  /** How it is called in the trace. */
  name: string;
  /** Any one of these is right. Empty: nothing belongs here, and leaving it alone earns nothing. */
  accepts: readonly string[];
  feedback: string;
  slips?: readonly Slip[] | undefined;
  weight?: number | undefined;
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
 * practice, no source), each as often as its place counts. Two right ones at
 * one count once, the second is wrong.
 */
export function markPlaced(wanted: readonly Wanted[], given: readonly Given[], scheme: PlacingScheme): Marking {
  const trace: TraceStep[] = [];
  const feedback: string[] = [];
  const right: number[] = [];
  const wrong: number[] = [];
  for (const { id, name, accepts, feedback: said, slips = [], weight = 1 } of wanted) {
    const here = given.filter(({ at }) => at === id);
    const hit = here.find(({ what }) => accepts.includes(what));
    const off = here.filter((one) => one !== hit);
    if (hit) right.push(weight);
    wrong.push(...off.map(() => weight));
    if (hit) trace.push({ code: 'placed-right', values: { at: name }, evidence: [hit.name] });
    for (const one of off) trace.push({ code: 'placed-wrong', values: { at: name }, evidence: [one.name] });
    if (here.length === 0 && accepts.length > 0) trace.push({ code: 'placed-missing', values: { at: name } });
    for (const one of off) {
      const sentence = slips.find(({ what }) => what === one.what)?.feedback ?? said;
      if (sentence !== '' && !feedback.includes(sentence)) feedback.push(sentence);
    }
  }
  const of = worthOf(wanted);
  const counted: TraceStep = {
    code: 'placed-counted',
    values: { right: right.length, wrong: wrong.length, of: of.length },
  };
  const weighed: TraceStep[] = of.every((weight) => weight === 1)
    ? []
    : [{ code: 'placed-weighed', values: { right: sum(right), of: sum(of) } }];
  return markedWithDeductions(
    shareOf({ right, wrong, of }, scheme),
    [counted, ...weighed, ...trace],
    feedback.join(' '),
  );
}

/** How often each thing that earns a part counts. */
export const worthOf = (wanted: readonly { accepts: readonly string[]; weight?: number | undefined }[]): number[] =>
  wanted.filter(({ accepts }) => accepts.length > 0).map(({ weight = 1 }) => weight);

const sum = (numbers: readonly number[]): number => numbers.reduce((all, one) => all + one, 0);

/** By the weights of what was right, wrong, and wanted. */
function shareOf({ right, wrong, of }: Record<'right' | 'wrong' | 'of', number[]>, scheme: PlacingScheme): Exact {
  if (of.length === 0) return ZERO;
  if (scheme === 'whole') return right.length === of.length && wrong.length === 0 ? ONE : ZERO;
  const earned = sum(right) - (scheme === 'by-part' ? 0 : sum(wrong));
  return exact(`${earned}/${sum(of)}`);
}
