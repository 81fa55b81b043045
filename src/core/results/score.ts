import { type Exact, exact, max, min, percentOf, round, shown, sum, ZERO } from '../base/exact';
import type { Rounding } from '../exams/plan';
import { costOfHints } from '../exams/hints';
import type { Paper, PaperQuestion } from '../exams/paper';
import { lateCost, type Lateness } from '../sittings/late';
import { decidedPercent } from './decided';
import { passOf } from './pass';
import type { Boundaries } from './policy';

/** Exact marks by item and slot; null while the answer waits for a person. */
export type SlotMarks = ReadonlyMap<string, ReadonlyMap<string, Exact | null>>;

export interface SectionScore {
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

/** What besides the answers decides a score: how late it was, and how many hints of each question were asked for. */
export interface Circumstances {
  lateness?: Lateness | null | undefined;
  hints?: ReadonlyMap<string, number> | undefined;
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
  sections: SectionScore[];
  passed: boolean;
  grade: string | null;
  /** Index into the boundaries' ranges. */
  range: number;
  /** For reading: rounded once, by the policy. */
  shown: { marks: string; of: string; percent: string };
}

/** The last step whose lower boundary the percent reaches; steps rise from 0. */
export function stepAt<T extends { from: string }>(steps: readonly T[], percent: Exact): number {
  let found = 0;
  steps.forEach((step, i) => {
    if (percent.compare(exact(step.from)) >= 0) found = i;
  });
  return found;
}

/** As `stepAt`, but below the pass mark: who reaches it and still does not pass, by a section, is not told the contrary. */
export function stepBelow<T extends { from: string }>(steps: readonly T[], percent: Exact, pass: Exact): number {
  const below = steps.filter((step, i) => i === 0 || exact(step.from).compare(pass) < 0);
  return stepAt(below, percent);
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
  { lateness = null, hints = new Map() }: Circumstances = {},
): Score {
  let waiting = 0;
  let forHints = ZERO;
  const sections = paper.sections.map(
    ({ id, title, items, marks: of, passPercent }): Omit<SectionScore, 'passed' | 'madeUp'> => {
      const marks = sum(
        items.map((item) => {
          if (item.dropped) return ZERO;
          const earned = [...item.worth.keys()].map((slot) => {
            const value = slotMarks.get(item.id)?.get(slot);
            if (value === null || value === undefined) waiting += 1;
            return value ?? ZERO;
          });
          const cost = costOfHints(item, hints.get(item.id) ?? 0);
          forHints = forHints.add(inMeasure(item, cost));
          const own = sum(earned).sub(cost);
          return inMeasure(item, item.belowZero ? own : max(ZERO, own));
        }),
      );
      return { id, title, marks, of, percent: percentOf(marks, of), passPercent };
    },
  );
  const earned = max(ZERO, sum(sections.map((s) => s.marks)));
  const cost = lateness ? lateCost(lateness, { earned, of: paper.marks }) : ZERO;
  const marks = earned.sub(cost);
  const late = lateness && lateness.by > 0 ? { by: lateness.by, cost } : null;
  const percent = percentOf(marks, paper.marks);
  return decided({ marks, of: paper.marks, percent, waiting, late, hints: forHints, sections }, policy);
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
  const sections = new Map<string, SectionScore[]>();
  for (const section of scores.flatMap((one) => one.sections))
    sections.set(section.id, [...(sections.get(section.id) ?? []), section]);
  return decided(
    {
      ...of(scores),
      waiting: scores.reduce((n, one) => n + one.waiting, 0),
      late: null,
      hints: ZERO,
      sections: [...sections.values()].flatMap(([first, ...more]) =>
        first ? [{ ...first, ...of([first, ...more]) }] : [],
      ),
    },
    policy,
  );
}

type Undecided = Omit<Score, 'sections' | 'passed' | 'grade' | 'range' | 'shown'> & {
  sections: readonly Omit<SectionScore, 'passed' | 'madeUp'>[];
};

/** Decides pass, grade and range of what was earned. */
function decided(earned: Undecided, { boundaries, rounding }: Policy): Score {
  const passing = passOf(boundaries, rounding, earned.percent, earned.sections);
  const sections = earned.sections.map((section, i): SectionScore => {
    const { passPercent = section.passPercent, reached = true, madeUp = false } = passing.sections[i] ?? {};
    return { ...section, passPercent, passed: reached, madeUp };
  });
  const percent = decidedPercent(earned.percent, rounding);
  const pass = exact(boundaries.passPercent);
  const { passed } = passing;
  const step = (steps: readonly { from: string }[]): number =>
    passed ? stepAt(steps, percent) : stepBelow(steps, percent, pass);
  return {
    ...earned,
    sections,
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
