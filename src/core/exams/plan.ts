import { z } from 'zod';
import { type Exact, exact, marksText, ONE, percentText, ROUNDING_MODES } from '../base/exact';
import type { StoredForm } from '../base/stored-form';
import { CALCULATORS } from '../aids/calculator';
import { contentSchema } from '../content/document';
import { searchSchema } from '../bank/searching';
import { PAPER_NUMBERINGS } from './numbering';
import { ON_RELEASE, seesSchema } from './sees';
import { studentWords } from './student-words';

/** A question placed in an exam by revision. */
const placement = z.object({
  id: z.string().max(40),
  question: z.string().max(40),
  revision: z.number().int().min(1),
  /** Marks that override the question's own; null keeps them. */
  marks: marksText.nullable(),
  /** Earns on top: not in the total, never needed. */
  bonus: z.boolean(),
  /** Written in place of the number that it would have. */
  number: z.string().trim().min(1).max(12).optional(),
  /** A part of the question above it: 4a, 4b. */
  part: z.boolean().optional(),
});
export type Placement = z.infer<typeof placement>;

/** A section places at most so many questions. */
const MOST_PLACED = 200;

/** A draw that seeks takes from at most so many. */
export const MOST_SOUGHT = 100;

/** Of some of the section's questions each paper has only so many, drawn for it. */
const draw = z.object({
  id: z.string().max(40),
  take: z.number().int().min(1).max(200),
  /** Ids of placements of the section; none of a draw that seeks its questions in the bank until they are sought. */
  items: z.array(z.string().max(40)).max(200),
  /** What it takes from: the questions that this finds when a sitting is scheduled. */
  seeks: searchSchema.optional(),
  /** Leaves out what the course has met in a sitting before. */
  unseen: z.boolean().optional(),
  /** Marks of each question that it seeks; their own when left out. */
  marks: marksText.optional(),
});
export type Draw = z.infer<typeof draw>;

/** Some students: those with one of the subjects, in one of the groups, or named. */
export const onlySchema = z.object({
  subjects: z.array(z.string().trim().min(1).max(80)).max(30),
  groups: z.array(z.string().max(40)).max(100),
  members: z.array(z.string().max(40)).max(500),
});
export type Only = z.infer<typeof onlySchema>;

const section = z.object({
  id: z.string().max(40),
  title: z.string().max(200),
  instructions: z.string().max(3000),
  /** Everything that may be met; what no draw names is on every paper. */
  items: z.array(placement).max(MOST_PLACED),
  draws: z.array(draw).max(50).default([]),
  /** Percent of this section's marks that a pass needs too; null when only the whole counts. */
  passPercent: percentText.nullable(),
  shuffleQuestions: z.boolean(),
  /** Marks of each question that says nothing else; their own when left out. */
  marks: marksText.optional(),
  /** Only these students have it; everybody when left out. */
  only: onlySchema.optional(),
  /** Minutes of its own, from entering it; none when left out. It is then entered in its turn and left for good. */
  minutes: z.number().int().min(1).max(1440).optional(),
  /** Seconds of each of its questions, from entering it; none when left out. Its questions are then entered one by one and left for good. */
  secondsEach: z.number().int().min(5).max(7200).optional(),
});
export type Section = z.infer<typeof section>;

export const blueprintRow = z.object({ topic: z.string().max(40), know: marksText, use: marksText, judge: marksText });
/** The marks wanted of one topic, by what its questions demand. */
export type BlueprintRow = z.infer<typeof blueprintRow>;

const gloss = z.object({ word: z.string().trim().min(1).max(80), meaning: z.string().trim().min(1).max(500) });
/** A word of an exam and what it means. */
export type Gloss = z.infer<typeof gloss>;

/** How answers are checked while they are written. */
const practice = z.object({
  /** At the student's wish, or by itself once a question is answered. */
  check: z.enum(['wish', 'itself']),
  /** How often a question is checked; afterwards its answer stays. Null for as often as is wanted. */
  tries: z.number().int().min(1).max(20).nullable(),
  /** The key may be looked at; afterwards the answer stays. */
  key: z.boolean(),
  /** Asked again before an answer is checked, and before what is wrong in it is taken away for another try. */
  confirmCheck: z.boolean().optional(),
  confirmAgain: z.boolean().optional(),
});
export type Practice = z.infer<typeof practice>;

const plan = z.object({
  version: z.literal(1),
  title: z.string().trim().min(1).max(200),
  instructions: z.string().max(5000),
  /** Working time in minutes. */
  minutes: z.number().int().min(1).max(1440),
  sections: z.array(section).max(30),
  passPercent: percentText,
  /** How the paper is turned: one question at a time, a section on one page, or not at all. */
  pages: z.enum(['question', 'section', 'whole']),
  /** Whether one may go back to what was left. */
  moves: z.enum(['free', 'forward']).default('free'),
  confirmHandIn: z.boolean(),
  numbering: z.enum(PAPER_NUMBERINGS).default('through'),
  /** From when on students see what of their answers. */
  sees: seesSchema.default(ON_RELEASE),
  /** Answers can be checked while they are written; not when left out. */
  practice: practice.optional(),
  /** Hints can be asked for, at the cost that is written beside each. */
  hints: z.boolean().default(false),
  /** Where answers take marks back, a question can earn less than nothing; the whole never does. */
  belowZero: z.boolean().default(false),
  /** The room is large, spoken and one thing at a time, for the young, with or without a clock; as for everybody when left out. */
  young: z.object({ clock: z.boolean() }).optional(),
  /** Words of the student's screens that are this exam's own. */
  words: studentWords.optional(),
  /** What is asked about one passage stays together, in draws and shuffles. */
  keepPassages: z.boolean().default(false),
  /** A calculator stands in the room; none when left out. */
  calculator: z.enum(CALCULATORS).optional(),
  /** A sheet of formulas and tables that may be looked at; none when left out. */
  formulas: contentSchema.optional(),
  /** Words that are explained to those who are entitled to it. */
  glosses: z.array(gloss).max(200).optional(),
  /** The marks wanted, topics × demand; none when left out. */
  blueprint: z.array(blueprintRow).max(200).optional(),
  rounding: z.object({ mode: z.enum(ROUNDING_MODES), places: z.number().int().min(0).max(4), first: z.boolean() }),
});
export type ExamPlan = z.infer<typeof plan>;
export type Rounding = ExamPlan['rounding'];

export const examForm: StoredForm<ExamPlan> = { name: 'exam plan', version: 1, schema: plan, migrations: [] };

/** Every placement of the plan with the section it is in: all that may be met. */
export function placements(exam: ExamPlan): { section: Section; item: Placement }[] {
  return exam.sections.flatMap((s) => s.items.map((item) => ({ section: s, item })));
}

/** On what share of the papers that have its section a question is, from 0 to 1. */
export function shareOf(plan: ExamPlan, item: string): Exact {
  const draw = plan.sections.flatMap((s) => s.draws).find(({ items }) => items.includes(item));
  return draw && draw.take < draw.items.length ? exact(`${draw.take}/${draw.items.length}`) : ONE;
}

/** How many questions a paper has. */
export function paperLength({ sections }: ExamPlan): number {
  return sections.reduce((all, { items, draws }) => {
    const drawn = new Set(draws.flatMap((one) => one.items));
    const always = items.filter(({ id }) => !drawn.has(id)).length;
    return all + always + draws.reduce((n, { take }) => n + take, 0);
  }, 0);
}

/** A question that a draw has found, by the revision that is placed. */
export interface Sought {
  question: string;
  revision: number;
}

/** The plan with what its draws have found placed in it, behind the other questions of each section. A found question gives the placement its id; what stands in the plan already is not placed again. */
export function withSought(plan: ExamPlan, sought: ReadonlyMap<string, readonly Sought[]>): ExamPlan {
  const placed = new Set(placements(plan).map(({ item }) => item.question));
  const sections = plan.sections.map((one): Section => {
    const items = [...one.items];
    const draws = one.draws.map(({ seeks, unseen: _, marks, ...rest }): Draw => {
      if (!seeks) return rest;
      const room = Math.min(MOST_SOUGHT, MOST_PLACED - items.length);
      const found = (sought.get(rest.id) ?? []).filter(({ question }) => !placed.has(question)).slice(0, room);
      for (const { question, revision } of found) {
        placed.add(question);
        items.push({ id: question, question, revision, marks: marks ?? null, bonus: false });
      }
      return { ...rest, items: found.map(({ question }) => question) };
    });
    return { ...one, items, draws };
  });
  return { ...plan, sections };
}

/** The key of a revision in maps that hold several questions. */
export function revisionKey(question: string, revision: number): string {
  return `${question}@${revision}`;
}
