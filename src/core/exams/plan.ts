import { z } from 'zod';
import { marksText, percentText, ROUNDING_MODES } from '../base/exact';
import type { StoredForm } from '../base/stored-form';

/** A question placed in an exam by revision. */
const placement = z.object({
  id: z.string().max(40),
  question: z.string().max(40),
  revision: z.number().int().min(1),
  /** Marks that override the question's own; null keeps them. */
  marks: marksText.nullable(),
  /** Earns on top: not in the total, never needed. */
  bonus: z.boolean(),
});
export type Placement = z.infer<typeof placement>;

/** Of some of the section's questions each paper has only so many, drawn for it. */
const draw = z.object({
  id: z.string().max(40),
  take: z.number().int().min(1).max(200),
  /** Ids of placements of the section. */
  items: z.array(z.string().max(40)).min(1).max(200),
});

const section = z.object({
  id: z.string().max(40),
  title: z.string().max(200),
  instructions: z.string().max(3000),
  /** Everything that may be met; what no draw names is on every paper. */
  items: z.array(placement).max(200),
  draws: z.array(draw).max(50).default([]),
  /** Percent of this section's marks that a pass needs too; null when only the whole counts. */
  passPercent: percentText.nullable(),
  shuffleQuestions: z.boolean(),
});
export type Section = z.infer<typeof section>;

const plan = z.object({
  version: z.literal(1),
  title: z.string().trim().min(1).max(200),
  instructions: z.string().max(5000),
  /** Working time in minutes. */
  minutes: z.number().int().min(1).max(1440),
  sections: z.array(section).max(30),
  passPercent: percentText,
  /** How the paper is turned: one question at a time, or a section on one page. */
  pages: z.enum(['question', 'section']),
  confirmHandIn: z.boolean(),
  rounding: z.object({ mode: z.enum(ROUNDING_MODES), places: z.number().int().min(0).max(4), first: z.boolean() }),
});
export type ExamPlan = z.infer<typeof plan>;
export type Rounding = ExamPlan['rounding'];

export const examForm: StoredForm<ExamPlan> = { name: 'exam plan', version: 1, schema: plan, migrations: [] };

/** Every placement of the plan with the section it is in: all that may be met. */
export function placements(exam: ExamPlan): { section: Section; item: Placement }[] {
  return exam.sections.flatMap((s) => s.items.map((item) => ({ section: s, item })));
}

/** The key of a revision in maps that hold several questions. */
export function revisionKey(question: string, revision: number): string {
  return `${question}@${revision}`;
}
