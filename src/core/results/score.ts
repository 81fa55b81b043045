import { type Exact, exact, max, percentOf, round, shown, sum, ZERO } from '../base/exact';
import type { Rounding } from '../exams/plan';
import type { Paper } from '../exams/paper';
import type { Boundaries } from './policy';

/** Exact marks by item and slot; null while the answer waits for a person. */
export type SlotMarks = ReadonlyMap<string, ReadonlyMap<string, Exact | null>>;

export interface SectionScore {
  id: string;
  title: string;
  marks: Exact;
  of: Exact;
  percent: Exact;
  passed: boolean;
}

/** What an attempt has earned. Nothing here is rounded but `shown`. */
export interface Score {
  marks: Exact;
  of: Exact;
  percent: Exact;
  /** Slots that still wait for a person; while there are any, the rest is not final. */
  waiting: number;
  sections: SectionScore[];
  passed: boolean;
  grade: string | null;
  /** Index into the boundaries' ranges. */
  range: number;
  /** For reading: rounded once, by the policy. */
  shown: { marks: string; of: string; percent: string };
}

/** The percent by which pass, range and grade are decided: exact, or rounded first when the policy says so. */
export function decidedPercent(percent: Exact, rounding: Rounding): Exact {
  return rounding.first ? exact(round(percent, rounding.places, rounding.mode)) : percent;
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

/**
 * Adds up an attempt. Pass, range and grade are decided on the exact percent,
 * unless the policy says to round first; who does not pass because of a section
 * gets the highest range and grade below the pass mark (common practice, no
 * source). A question never earns less than zero.
 */
export function score(paper: Paper, slotMarks: SlotMarks, boundaries: Boundaries, rounding: Rounding): Score {
  let waiting = 0;
  const sections = paper.sections.map((section): SectionScore => {
    const marks = sum(
      section.items.map((item) => {
        if (item.dropped) return ZERO;
        const earned = [...item.worth.keys()].map((slot) => {
          const value = slotMarks.get(item.id)?.get(slot);
          if (value === null || value === undefined) waiting += 1;
          return value ?? ZERO;
        });
        return max(ZERO, sum(earned));
      }),
    );
    const percent = percentOf(marks, section.marks);
    const passed =
      section.passPercent === null || decidedPercent(percent, rounding).compare(exact(section.passPercent)) >= 0;
    return { id: section.id, title: section.title, marks, of: section.marks, percent, passed };
  });
  const marks = sum(sections.map((s) => s.marks));
  const percent = percentOf(marks, paper.marks);
  const decided = decidedPercent(percent, rounding);
  const pass = exact(boundaries.passPercent);
  const passed = decided.compare(pass) >= 0 && sections.every((s) => s.passed);
  const step = (steps: readonly { from: string }[]): number =>
    passed ? stepAt(steps, decided) : stepBelow(steps, decided, pass);
  return {
    marks,
    of: paper.marks,
    percent,
    waiting,
    sections,
    passed,
    grade: boundaries.grades[step(boundaries.grades)]?.grade ?? null,
    range: step(boundaries.ranges),
    shown: {
      marks: shown(marks, 2, rounding.mode),
      of: shown(paper.marks, 2, rounding.mode),
      percent: round(percent, rounding.places, rounding.mode),
    },
  };
}
