import { letterAt } from '../base/letters';
import { z } from 'zod';
import { marksText, shareText } from '../base/exact';
import { readStored, type StoredForm } from '../base/stored-form';
import { contentSchema, emptyContent, slotId, slotIds } from '../content/document';
import { variation } from './variation';
import { type Rubric, rubricSchema } from '../rules/rubric/rubric';
import { settledAnswer } from '../rules/settled';
import { KIND_NAMES } from '../kinds/names';
import { kindOf } from '../kinds/registry';
import { storedResponse } from '../kinds/response';

/**
 * The body of a question: what a revision freezes. The content holds slots as
 * nodes; `slots` says what each one is and what it is worth.
 */
export const slotSchema = z
  .object({
    kind: z.enum(KIND_NAMES),
    marks: marksText,
    setup: z.unknown(),
    /** Marks of each thing that earns a part; `marks` then follow from how many there are. */
    each: marksText.optional(),
    /** Answers that were decided one by one, before the rules of the setup. */
    settled: z.array(settledAnswer).max(200).optional(),
    /** Other answers that are right as a whole, in the form of the slot's kind; the nearest one counts. */
    also: z.array(z.unknown()).max(20).optional(),
    /** By which a person marks it. A copy: changing the one in the bank changes nothing here. */
    rubric: rubricSchema.optional(),
    /** Share of the marks for what is right with the student's own earlier answer; all of them when left out. */
    follow: shareText.optional(),
  })
  .transform((raw, context) => {
    try {
      return { ...raw, setup: readStored(kindOf(raw.kind).setup, raw.setup) };
    } catch (error) {
      context.addIssue({ code: 'custom', message: `setup: ${(error as Error).message}` });
      return z.NEVER;
    }
  });
export type Slot = z.infer<typeof slotSchema>;

/** The most that a trial answer may weigh, in characters of JSON. */
const MOST_TRIAL = 8000;

/** A sample answer kept with the question, as a student would give it, and the marks expected for it. */
const trial = z.object({
  id: z.string().max(40),
  slot: slotId,
  response: z.unknown().refine((response) => (JSON.stringify(response) ?? '').length <= MOST_TRIAL),
  /** Expected marks; "waits" when a person should look; empty while not yet said. */
  expected: z.union([marksText, z.literal('waits'), z.literal('')]),
});
export type Trial = z.infer<typeof trial>;

/** Help that a student may ask for, and what asking costs. */
const hint = z.object({ text: z.string().max(2000), cost: marksText });
export type Hint = z.infer<typeof hint>;

/**
 * What several questions refer to: a text, a picture, a recording. Edited
 * with any of them; the copy that stands here is the newest when the question
 * is opened, and the one that a revision freezes.
 */
/** What of a passage is numbered, so that questions can say "in line 4": nothing, its lines as they were typed, or its paragraphs. */
export const NUMBERINGS = ['nothing', 'lines', 'paragraphs'] as const;
export type Numbering = (typeof NUMBERINGS)[number];

const passage = z.object({
  id: z.string().min(1).max(40),
  content: contentSchema,
  numbered: z.enum(NUMBERINGS).default('nothing'),
});
export type Passage = z.infer<typeof passage>;

const body = z.object({
  version: z.literal(3),
  /** The working title, when the author chose one; else it is derived from the first words. */
  title: z.string().max(200),
  content: contentSchema,
  slots: z.record(slotId, slotSchema),
  passage: passage.nullable().default(null),
  /** Values that differ from student to student or follow from answers; none when left out. */
  vary: variation.optional(),
  /** Marks of the whole question, shared out equally among its slots; null: each slot has its own. */
  total: marksText.nullable().default(null),
  hints: z.array(hint).max(10).default([]),
  explanation: contentSchema,
  notes: z.string().max(5000),
  trials: z.array(trial).max(500),
});
export type QuestionBody = z.infer<typeof body>;

export const questionForm: StoredForm<QuestionBody> = {
  name: 'question',
  version: 3,
  schema: body,
  migrations: [
    { name: 'a formula with places is called so', to: 2, up: placesRenamed },
    { name: 'trial answers are responses', to: 3, up: trialsAsResponses },
  ],
};

/** In version 1 the kind of a formula with places was "places". */
function placesRenamed(old: Record<string, unknown>): Record<string, unknown> {
  const slots = Object.entries(Object(old.slots) as Record<string, { kind?: unknown }>).map(([id, slot]) => [
    id,
    slot.kind === 'places' ? { ...slot, kind: 'formulaWithPlaces' } : slot,
  ]);
  return { ...old, slots: Object.fromEntries(slots) };
}

const typedTrial = z.object({ slot: z.string(), typed: z.string() });
const slotSetup = z.object({ kind: z.enum(KIND_NAMES), setup: z.unknown() });

/** Before version 3 a trial answer was what a teacher typed, and was read by its slot whenever it was marked. */
function trialsAsResponses(old: Record<string, unknown>): Record<string, unknown> {
  const slots = new Map(Object.entries(Object(old.slots) as Record<string, unknown>));
  const trials = (Array.isArray(old.trials) ? old.trials : []).flatMap((raw: unknown) => {
    const { slot: id, typed } = typedTrial.parse(raw);
    // A slot that is gone takes its trial answers with it.
    if (!slots.has(id)) return [];
    const { kind: name, setup } = slotSetup.parse(slots.get(id));
    const kind = kindOf(name);
    const response = kind.typed?.response(readStored(kind.setup, setup), typed);
    return response === undefined ? [] : [{ ...Object(raw), response: storedResponse(kind, response) }];
  });
  return { ...old, trials };
}

export const emptyQuestion: QuestionBody = {
  version: 3,
  title: '',
  content: emptyContent,
  slots: {},
  passage: null,
  total: null,
  hints: [],
  explanation: emptyContent,
  notes: '',
  trials: [],
};

/** A slot that stands in the content, with its letter on the sheet. */
export interface PlacedSlot {
  id: string;
  letter: string;
  slot: Slot;
}

/** The slots in reading order with their letters A, B, C …; slots that no longer stand in the content are left out. */
export function placedSlots(question: QuestionBody): PlacedSlot[] {
  const placed: PlacedSlot[] = [];
  for (const id of slotIds(question.content)) {
    const found = question.slots[id];
    if (found) placed.push({ id, letter: letterAt(placed.length), slot: found });
  }
  return placed;
}

/** The key of a slot in plain words; empty where there is none. */
export function keyWords({ kind, setup }: Slot): string {
  return kindOf(kind).marked?.describeKey(setup) ?? '';
}

/** The question without slots that were taken out of the content and without their trial answers. */
export function tidyQuestion(question: QuestionBody): QuestionBody {
  const ids = new Set(slotIds(question.content));
  return {
    ...question,
    slots: Object.fromEntries(Object.entries(question.slots).filter(([id]) => ids.has(id))),
    trials: question.trials.filter((t) => ids.has(t.slot)),
  };
}

/** The rubric by which a slot is marked: its own, or that of its kind; undefined where there is none. */
export function rubricOf({ kind, setup, rubric }: Slot): Rubric | undefined {
  return rubric ?? kindOf(kind).selfJudged?.rubric(setup);
}
