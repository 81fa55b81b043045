import { z } from 'zod';
import { exact, percentText } from '../base/exact';
import { plainText } from '../content/plain';
import { contentFromText, withTexts, writtenSchema } from '../content/written';
import type { Content } from '../content/document';
import { type Finding, stops, warns } from '../base/finding';
import { partSchema } from './parts';

/** The boundaries name no more topics and criteria. */
export const MOST_PARTS = 60;
/** The longest text of a range, in characters. */
const MOST_TEXT = 2000;

/** What students read, with values filled in. It was plain text before. */
const feedbackText = z
  .union([z.string().transform(contentFromText), writtenSchema])
  .refine((text) => plainText(text).length <= MOST_TEXT, { message: 'range-text-long' });

/** A range of scores from `from` percent up to the next range, and what those in it read. */
export const feedbackRange = z.object({ from: percentText, text: feedbackText });

/** A grade from `from` percent up to the next one. */
export const gradeStep = z.object({ from: percentText, grade: z.string().trim().min(1).max(30) });
export type GradeStep = z.infer<typeof gradeStep>;

/** The boundaries of one sitting's results. Both lists begin at 0, in rising order. */
export const boundariesSchema = z.object({
  version: z.literal(1),
  passPercent: percentText,
  ranges: z.array(feedbackRange).min(1).max(12),
  grades: z.array(gradeStep).max(20),
  /** What is said of single sections: another pass mark than the exam's, and what students read of their score in it. */
  sections: z
    .array(
      z.object({
        section: z.string().max(60),
        /** Null for none; missing where the exam's stands. */
        passPercent: percentText.nullable().optional(),
        ranges: z.array(feedbackRange).max(12),
      }),
    )
    .max(60)
    .optional(),
  /** What is said of topics and of criteria of rubrics: the percent that a pass needs (null for none), and what students read of it. */
  parts: z
    .array(partSchema.and(z.object({ passPercent: percentText.nullable(), ranges: z.array(feedbackRange).max(12) })))
    .max(MOST_PARTS)
    .optional(),
  /** So many sections and topics may be short by so many percent where the whole reaches so much; null or missing where none may. */
  compensation: z
    .object({ sections: z.number().int().min(1).max(20), by: percentText, whole: percentText })
    .nullable()
    .optional(),
});
export type Boundaries = z.infer<typeof boundariesSchema>;

/** Whether a text says that its reader has passed or has not; null when it says neither. */
function saysPassed(text: string): boolean | null {
  if (/\b(not|n.t|yet to)\s+(quite\s+|yet\s+)?pass|\bfail/i.test(text)) return false;
  return /\bpass(ed)?\b(?!\s+mark)/i.test(text) ? true : null;
}

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
  for (const list of ['sections', 'parts'] as const)
    (boundaries[list] ?? []).forEach(({ ranges }, i) => {
      const wrong = ranges.some((step, n) => {
        const before = ranges[n - 1];
        return before ? exact(step.from).compare(exact(before.from)) <= 0 : !exact(step.from).equals(0);
      });
      if (wrong) findings.push(stops('part-ranges-order', [list, i]));
    });
  const pass = exact(boundaries.passPercent);
  const topics = (boundaries.parts ?? []).some(({ is }) => is === 'topic');
  boundaries.ranges.forEach((range, i) => {
    const at = ['ranges', i];
    const text = plainText(range.text);
    if (!topics && /\[(weakest|best) topic\]/.test(text)) findings.push(warns('range-without-topics', at));
    if (text.length > MOST_TEXT) findings.push(stops('range-text-long', at, { most: MOST_TEXT }));
    if (text === '') findings.push(warns('range-without-text', at));
    const next = boundaries.ranges[i + 1];
    const begins = exact(range.from).compare(pass) >= 0;
    const ends = next !== undefined && exact(next.from).compare(pass) <= 0;
    const says = saysPassed(text);
    if (says === true && !begins) findings.push(warns('range-says-passed', at, { pass: boundaries.passPercent }));
    if (says === false && !ends && pass.compare(100) <= 0)
      findings.push(warns('range-says-not-passed', at, { pass: boundaries.passPercent }));
  });
  if (boundaries.grades.length > 1 && boundaries.grades.every(({ from }) => !exact(from).equals(pass))) {
    const step = boundaries.grades.findLast(({ from }) => exact(from).compare(pass) < 0);
    if (step && pass.compare(0) > 0)
      findings.push(warns('grade-across-pass', ['grades'], { grade: step.grade, pass: boundaries.passPercent }));
  }
  return findings;
}

/**
 * The boundaries with the pass mark at another percent. Edges of ranges and grades that stood on the pass mark go with
 * it, as far as their neighbours let them: one line decides what a student reads, gets and is told.
 */
export function withPassMark(boundaries: Boundaries, passPercent: string): Boundaries {
  const before = exact(boundaries.passPercent);
  const moved = <T extends { from: string }>(steps: T[]): T[] => {
    const at = steps.findIndex((step, i) => i > 0 && exact(step.from).equals(before));
    const [below, above] = [steps[at - 1], steps[at + 1]];
    const value = exact(passPercent);
    const fits =
      at > 0 && value.compare(exact(below?.from ?? '0')) > 0 && (!above || value.compare(exact(above.from)) < 0);
    return fits ? steps.map((step, i) => (i === at ? { ...step, from: passPercent } : step)) : steps;
  };
  return { ...boundaries, passPercent, ranges: moved(boundaries.ranges), grades: moved(boundaries.grades) };
}

/** The values that a range's text may carry, each written as [name]. */
export const FILL_INS = [
  'score',
  'total',
  'percent',
  'name',
  'weakest section',
  'best section',
  'weakest topic',
  'best topic',
  'to the next range',
  'date',
] as const;
export type FillIn = (typeof FILL_INS)[number];

/** The text with its values filled in; unknown names in brackets stay as they are. */
export function fillIn(text: Content, values: Readonly<Record<FillIn, string>>): Content {
  return withTexts(text, (part) =>
    part.replace(/\[([a-z ]+)\]/g, (whole, name: string) =>
      (FILL_INS as readonly string[]).includes(name) ? values[name as FillIn] : whole,
    ),
  );
}
