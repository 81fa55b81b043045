import { type Exact, exact, max, min, percentOf, round, shown, sum, ZERO } from '../base/exact';
import type { Rounding } from '../exams/plan';
import { costOfHints } from '../exams/hints';
import { type Paper, type PaperQuestion, paperQuestions } from '../exams/paper';
import { lateCost, type Lateness } from '../sittings/late';
import type { Judgement } from '../rules/rubric/rubric';
import { decidedPercent, stepAt, stepBelow } from './decided';
import { earnedOfPart } from './part-earned';
import { passOf } from './pass';
import type { Boundaries } from './policy';

/** Exact marks by item and slot; null while the answer waits for a person. */
export type SlotMarks = ReadonlyMap<string, ReadonlyMap<string, Exact | null>>;

/** What was earned of a section, a topic, or a criterion of a rubric. */
export interface PartScore {
  id: string;
  title: string;
  marks: Exact;
  of: Exact;
  percent: Exact;
  /** Percent of its marks that a pass needs; null when only the whole counts. */
  passPercent: string | null;
  passed: boolean;
  /** It is below what a pass needs, and the whole makes up for it. */
  madeUp: boolean;
}

/** What lateness took, and by how many milliseconds it was late. */
export interface LateTaken {
  by: number;
  cost: Exact;
}

/** What besides the marks decides a score. */
export interface Circumstances {
  /** How late it was. */
  lateness?: Lateness | null | undefined;
  /** How many hints of each question were asked for. */
  hints?: ReadonlyMap<string, number> | undefined;
  /** What persons found by rubrics, by item and slot. */
  judgements?: ReadonlyMap<string, ReadonlyMap<string, Judgement>> | undefined;
}

/** What an attempt has earned. Nothing here is rounded but `shown`. */
export interface Score {
  marks: Exact;
  of: Exact;
  percent: Exact;
  /** Slots that still wait for a person; while there are any, the rest is not final. */
  waiting: number;
  /** What lateness took from the marks; null when nothing was late. */
  late: LateTaken | null;
  /** What the hints that were asked for cost, whether or not there was so much to take. */
  hints: Exact;
  /** As they were earned, whatever lateness took from the whole. */
  sections: PartScore[];
  /** The topics and criteria of which the boundaries say something, as far as they are on this paper. */
  parts: PartScore[];
  passed: boolean;
  grade: string | null;
  /** Index into the boundaries' ranges. */
  range: number;
  /** For reading: rounded once, by the policy. */
  shown: { marks: string; of: string; percent: string };
}

/** The boundaries and the rounding by which scores of a sitting are decided. */
export interface Policy {
  boundaries: Boundaries;
  rounding: Rounding;
}

/**
 * Adds up an attempt, and takes from it what lateness costs. Pass, range and
 * grade are decided on the exact percent, unless the policy says to round
 * first; who does not pass because of a section gets the highest range and
 * grade below the pass mark (common practice, no source). The whole never
 * earns less than zero, and a question only where the exam says so; what hints
 * cost is taken from their question.
 */
export function score(
  paper: Paper,
  slotMarks: SlotMarks,
  policy: Policy,
  { lateness = null, hints = new Map(), judgements = new Map() }: Circumstances = {},
): Score {
  let waiting = 0;
  let forHints = ZERO;
  const earnedBy = new Map<string, Exact>();
  for (const item of paperQuestions(paper)) {
    if (item.dropped) continue;
    const given = [...item.worth.keys()].map((slot) => {
      const value = slotMarks.get(item.id)?.get(slot);
      if (value === null || value === undefined) waiting += 1;
      return value ?? ZERO;
    });
    const cost = costOfHints(item, hints.get(item.id) ?? 0);
    forHints = forHints.add(inMeasure(item, cost));
    const own = sum(given).sub(cost);
    earnedBy.set(item.id, inMeasure(item, item.belowZero ? own : max(ZERO, own)));
  }
  const earned = (item: string): Exact => earnedBy.get(item) ?? ZERO;
  const sections = paper.sections.map(({ id, title, items, marks: of, passPercent }): UndecidedPart => {
    const marks = sum(items.map((item) => earned(item.id)));
    return { id, title, marks, of, percent: percentOf(marks, of), passPercent };
  });
  const byQuestion = {
    questions: new Map(paperQuestions(paper).map((item) => [item.id, item])),
    earned,
    ofSlot: (item: string, slot: string) => slotMarks.get(item)?.get(slot) ?? null,
    judged: (item: string, slot: string) => judgements.get(item)?.get(slot) ?? null,
  };
  const parts = (policy.boundaries.parts ?? []).flatMap((part): UndecidedPart[] => {
    const own = earnedOfPart(part, byQuestion);
    return own ? [{ id: part.id, title: part.title, passPercent: part.passPercent, ...own }] : [];
  });
  const whole = max(ZERO, sum(sections.map((s) => s.marks)));
  const cost = lateness ? lateCost(lateness, { earned: whole, of: paper.marks }) : ZERO;
  const marks = whole.sub(cost);
  const late = lateness && lateness.by > 0 ? { by: lateness.by, cost } : null;
  const percent = percentOf(marks, paper.marks);
  return decided({ marks, of: paper.marks, percent, waiting, late, hints: forHints, sections, parts }, policy);
}

/** A score with marks more, or less, for one of a group; never below zero nor above all there is. The sections stay as they were earned. */
export function withChange(score: Score, change: Exact, policy: Policy): Score {
  const marks = max(ZERO, min(score.of, score.marks.add(change)));
  return decided({ ...score, marks, percent: percentOf(marks, score.of) }, policy);
}

/** Marks of a question as they count in the whole. */
function inMeasure({ marks, counts }: PaperQuestion, earned: Exact): Exact {
  return marks.equals(counts) || marks.equals(0) ? earned : earned.mul(counts).div(marks);
}

/** The mean of several scores of one participant: of marks, totals and percents, for the whole and for each section. */
export function meanScore(scores: readonly Score[], policy: Policy): Score {
  const mean = (values: readonly Exact[]): Exact => (values.length === 0 ? ZERO : sum(values).div(values.length));
  const of = (all: readonly Pick<Score, 'marks' | 'of' | 'percent'>[]) => ({
    marks: mean(all.map((one) => one.marks)),
    of: mean(all.map((one) => one.of)),
    percent: mean(all.map((one) => one.percent)),
  });
  const ofParts = (lists: readonly (readonly PartScore[])[]): PartScore[] => {
    const byId = new Map<string, PartScore[]>();
    for (const part of lists.flat()) byId.set(part.id, [...(byId.get(part.id) ?? []), part]);
    return [...byId.values()].flatMap(([first, ...more]) => (first ? [{ ...first, ...of([first, ...more]) }] : []));
  };
  return decided(
    {
      ...of(scores),
      waiting: scores.reduce((n, one) => n + one.waiting, 0),
      late: null,
      hints: ZERO,
      sections: ofParts(scores.map((one) => one.sections)),
      parts: ofParts(scores.map((one) => one.parts)),
    },
    policy,
  );
}

type UndecidedPart = Omit<PartScore, 'passed' | 'madeUp'>;
type Undecided = Omit<Score, 'sections' | 'parts' | 'passed' | 'grade' | 'range' | 'shown'> & {
  sections: readonly UndecidedPart[];
  parts: readonly UndecidedPart[];
};

/** Decides pass, grade and range of what was earned. */
function decided(earned: Undecided, { boundaries, rounding }: Policy): Score {
  const asked = [...earned.sections, ...earned.parts];
  const passing = passOf(boundaries, rounding, earned.percent, asked);
  const found = asked.map((part, i): PartScore => {
    const { passPercent = part.passPercent, reached = true, madeUp = false } = passing.parts[i] ?? {};
    return { ...part, passPercent, passed: reached, madeUp };
  });
  const percent = decidedPercent(earned.percent, rounding);
  const pass = exact(boundaries.passPercent);
  const { passed } = passing;
  const step = (steps: readonly { from: string }[]): number =>
    passed ? stepAt(steps, percent) : stepBelow(steps, percent, pass);
  return {
    ...earned,
    sections: found.slice(0, earned.sections.length),
    parts: found.slice(earned.sections.length),
    passed,
    grade: boundaries.grades[step(boundaries.grades)]?.grade ?? null,
    range: step(boundaries.ranges),
    shown: {
      marks: shown(earned.marks, 2, rounding.mode),
      of: shown(earned.of, 2, rounding.mode),
      percent: round(earned.percent, rounding.places, rounding.mode),
    },
  };
}
