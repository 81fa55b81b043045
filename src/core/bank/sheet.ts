import { seedFor } from '../base/random';
import { type Content, withoutEmptyEnd } from '../content/document';
import type { KindName } from '../kinds/names';
import { kindOf } from '../kinds/registry';
import { readResponse } from '../kinds/response';
import { type Passage, placedSlots, type QuestionBody } from './question';

/** A slot as the student may see it. */
export interface SheetSlot {
  kind: KindName;
  marks: string;
  /** The kind's own sheet; never the setup. */
  sheet: unknown;
  /** The form of responses that a page with this sheet gives. */
  responseVersion: number;
}

/** A question as the student may see it: content and slots without keys, rules, feedback or explanation. */
export interface QuestionSheet {
  content: Content;
  /** Stands beside the question; the same for every question that refers to it. */
  passage: Passage | null;
  slots: Record<string, SheetSlot>;
}

/** The student's view of a question. Each slot shuffles by its own seed, derived from the one given; without one everything stands in the author's order. */
export function questionSheet(question: QuestionBody, seed: number | null): QuestionSheet {
  return {
    content: withoutEmptyEnd(question.content),
    passage: question.passage && { ...question.passage, content: withoutEmptyEnd(question.passage.content) },
    slots: Object.fromEntries(
      placedSlots(question).map(({ id, slot }) => [
        id,
        {
          kind: slot.kind,
          marks: slot.marks,
          sheet: kindOf(slot.kind).sheet(slot.setup, seed === null ? null : seedFor(seed, id)),
          responseVersion: kindOf(slot.kind).response.version,
        },
      ]),
    ),
  };
}

/** What a student answered to a question, as far as it can be read, in the form that its sheet goes with. By slots; what concerns the whole question stays. */
export function sheetResponses(
  question: QuestionBody,
  stored: Readonly<Record<string, unknown>>,
): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(stored).map(([id, raw]) => {
      const slot = question.slots[id];
      return [id, slot ? readResponse(kindOf(slot.kind), raw)?.response : raw];
    }),
  );
}
