import { kindOf } from '../kinds/registry';
import { readResponse } from '../kinds/response';
import { placedSlots, type QuestionBody } from './question';
import { questionSheet, type QuestionSheet, sheetResponses } from './sheet';

/**
 * Names that the parts of a slot (options, places) have on one student's sheet
 * and on no other: letters and digits, at most twelve. Whoever gives them sees
 * to it that nobody can work out from them what the author called a part.
 */
export type OwnNames = (slot: string, part: string) => string;

type Names = ReadonlyMap<string, string>;

function namesIn(question: QuestionBody, own: OwnNames): Map<string, Names> {
  return new Map(
    placedSlots(question).flatMap(({ id, slot }) => {
      const parts = kindOf(slot.kind).parts;
      return parts ? [[id, new Map(parts.of(slot.setup).map((part) => [part, own(id, part)]))] as const] : [];
    }),
  );
}

/**
 * The sheet of one attempt: its parts under their own names, and those that
 * may stand in any order in the order of these names. So neither names nor
 * order tell anything of the author's.
 */
export function ownSheet(question: QuestionBody, own: OwnNames): QuestionSheet {
  const names = namesIn(question, own);
  const sheet = questionSheet(question, null);
  const slots = Object.entries(sheet.slots).map(([id, slot]) => {
    const mine = names.get(id);
    return [id, mine ? { ...slot, sheet: kindOf(slot.kind).parts?.rename(slot.sheet, mine) } : slot];
  });
  return { ...sheet, slots: Object.fromEntries(slots) };
}

/** What a student answered to a question, as far as it can be read, in the names of the own sheet. */
export function ownResponses(
  question: QuestionBody,
  stored: Readonly<Record<string, unknown>>,
  own: OwnNames,
): Record<string, unknown> {
  const names = namesIn(question, own);
  return Object.fromEntries(
    Object.entries(sheetResponses(question, stored)).map(([id, response]) => {
      const mine = names.get(id);
      const slot = question.slots[id];
      return [id, mine && slot && response !== undefined ? kindOf(slot.kind).parts?.inNames(response, mine) : response];
    }),
  );
}

/**
 * A response that was given on the own sheet of an attempt, in the author's
 * names, of the present form; null when it cannot be read, or speaks of
 * something by a name that stands on another sheet: what would be taken for an
 * author's name would tell which one it is.
 */
export function authoredResponse(
  question: QuestionBody,
  slotId: string,
  raw: unknown,
  own: OwnNames,
): { response: unknown } | null {
  const slot = question.slots[slotId];
  const read = slot && readResponse(kindOf(slot.kind), raw);
  if (!slot || !read) return null;
  const parts = kindOf(slot.kind).parts;
  if (!parts) return read;
  const authored = new Map(parts.of(slot.setup).map((part) => [own(slotId, part), part]));
  const known = parts.spokenOf(read.response).every((name) => authored.has(name));
  return known ? { response: parts.inNames(read.response, authored) } : null;
}
