import { z } from 'zod';
import { exact, exactText, parseExact } from '../base/exact';
import { type Finding, stops, warns } from '../base/finding';

const percent = exactText.refine(
  (text) => {
    const value = parseExact(text);
    return value !== null && value.compare(0) >= 0 && value.compare(100) <= 0;
  },
  { message: 'percent-range' },
);

/** A range of scores from `from` percent up to the next range, and what those in it read. */
export const feedbackRange = z.object({ from: percent, text: z.string().max(2000) });

/** A grade from `from` percent up to the next one. */
export const gradeStep = z.object({ from: percent, grade: z.string().trim().min(1).max(30) });

/** The boundaries of one sitting's results. Both lists begin at 0, in rising order. */
export const boundariesSchema = z.object({
  version: z.literal(1),
  passPercent: percent,
  ranges: z.array(feedbackRange).min(1).max(12),
  grades: z.array(gradeStep).max(20),
});
export type Boundaries = z.infer<typeof boundariesSchema>;

/** What is wrong with the boundaries: a list that does not rise from 0 leaves gaps or overlaps. */
export function boundariesReadiness(boundaries: Boundaries): Finding[] {
  const findings: Finding[] = [];
  const check = (name: 'ranges' | 'grades', steps: readonly { from: string }[]): void => {
    if (steps.length > 0 && !exact(steps[0]?.from ?? '0').equals(0))
      findings.push(stops('boundary-gap-at-zero', [name, 0]));
    steps.forEach((step, i) => {
      const before = steps[i - 1];
      if (before && exact(step.from).compare(exact(before.from)) <= 0) {
        findings.push(stops('boundary-order', [name, i], { from: step.from, before: before.from }));
      }
    });
  };
  check('ranges', boundaries.ranges);
  check('grades', boundaries.grades);
  boundaries.ranges.forEach((range, i) => {
    if (range.text.trim() === '') findings.push(warns('range-without-text', ['ranges', i]));
  });
  return findings;
}

/** The values that a range's text may carry, each written as [name]. */
export const FILL_INS = ['score', 'total', 'percent', 'name', 'weakest section', 'best section'] as const;
export type FillIn = (typeof FILL_INS)[number];

/** The text with its values filled in; unknown names in brackets stay as they are. */
export function fillIn(text: string, values: Readonly<Record<FillIn, string>>): string {
  return text.replace(/\[([a-z ]+)\]/g, (whole, name: string) =>
    (FILL_INS as readonly string[]).includes(name) ? values[name as FillIn] : whole,
  );
}
