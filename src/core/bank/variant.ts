import { type Finding, isStop, stops, under } from '../base/finding';
import { seedFor } from '../base/random';
import { nodesOf } from '../content/document';
import { putInContent } from '../content/put';
import { kindOf } from '../kinds/registry';
import { readResponse } from '../kinds/response';
import { MOST_WORK, workDone } from '../rules/maths/work';
import { placedSlots, type QuestionBody, type Slot } from './question';
import { drawValues, fromAnswers, putting, type Values, type Variation, variationReadiness } from './variation';

/** So many draws are looked at for one in which nothing breaks (two options alike, a key without a value), while they take no more work than this. */
const MOST_TRIED = 40;
const MOST_WORK_TRIED = MOST_WORK;
/** So many variants of a question are kept ready. */
const MOST_KEPT = 300;

const kept = new WeakMap<QuestionBody, Map<number, QuestionBody>>();

/**
 * The question as one student gets it: every value drawn and put in. A
 * question without values is its own variant. Draws in which something breaks
 * are passed over, so that no student meets one while there are others.
 */
export function variantOf(question: QuestionBody, seed: number): QuestionBody {
  if (!question.vary) return question;
  const mine = kept.get(question) ?? new Map<number, QuestionBody>();
  kept.set(question, mine);
  const known = mine.get(seed);
  if (known) return known;
  const made = makeVariant(question, question.vary, seed);
  if (mine.size >= MOST_KEPT) mine.delete(mine.keys().next().value ?? 0);
  mine.set(seed, made);
  return made;
}

function makeVariant(question: QuestionBody, vary: Variation, seed: number): QuestionBody {
  let first: QuestionBody | null = null;
  const before = workDone();
  for (let i = 0; i < MOST_TRIED && workDone() - before <= MOST_WORK_TRIED; i++) {
    const values = drawValues(vary, i === 0 ? seed : seedFor(seed, `try ${i}`));
    // Where a first search found nothing, or this far on, further ones would only take as long again.
    if (!values) break;
    const variant = withValues(question, vary, values);
    first ??= variant;
    if (!breaks(variant)) return variant;
  }
  return first ?? question;
}

/** Whether a slot of a variant cannot be marked with these values. */
function breaks(variant: QuestionBody): boolean {
  return [...keyedSlots(variant).values()].some(({ kind, setup }) => kindOf(kind).readiness(setup).some(isStop));
}

function withValues(question: QuestionBody, vary: Variation, values: Values): QuestionBody {
  const put = putting(values);
  const fixed = (name: string, text: string): Variation['values'][number] => ({
    name,
    from: { by: 'list', items: [text] },
  });
  return {
    ...question,
    content: putInContent(question.content, put),
    passage: question.passage && { ...question.passage, content: putInContent(question.passage.content, put) },
    slots: Object.fromEntries(
      Object.entries(question.slots).map(([id, slot]) => [
        id,
        { ...slot, setup: kindOf(slot.kind).put(slot.setup, put) },
      ]),
    ),
    hints: question.hints.map((hint) => ({ ...hint, text: put(hint.text, 'words') })),
    explanation: putInContent(question.explanation, put),
    // What was drawn is drawn; what follows from answers is still open.
    vary: {
      ...vary,
      values: vary.values.map((one) => {
        const text = values.get(one.name);
        return text === undefined ? one : fixed(one.name, text);
      }),
      conditions: [],
    },
  };
}

/** The answer of a slot as a value; null when it has none. */
function valueOfAnswer({ kind: name, setup }: Slot, response: unknown): string | null {
  const kind = kindOf(name);
  const read = readResponse(kind, response);
  return read && !kind.blank(read.response) ? (kind.valued?.value(setup, read.response) ?? null) : null;
}

/** The key of a slot as a value; null when it has none. */
function valueOfKey(slot: Slot): string | null {
  return valueOfAnswer(slot, kindOf(slot.kind).marked?.key(slot.setup));
}

const keyed = new WeakMap<QuestionBody, Map<string, Slot>>();

/** The slots of a variant with the keys of earlier slots put into later ones. */
export function keyedSlots(question: QuestionBody): ReadonlyMap<string, Slot> {
  const known = keyed.get(question);
  if (known) return known;
  const slots = new Map<string, Slot>();
  keyed.set(question, slots);
  for (const { id } of placedSlots(question)) {
    const slot = withAnswers(question, id, (earlier) => {
      const found = slots.get(earlier);
      return found ? valueOfKey(found) : null;
    });
    slots.set(id, slot);
  }
  return slots;
}

function withAnswers(question: QuestionBody, id: string, answerOf: (slot: string) => string | null): Slot {
  const slot = question.slots[id];
  if (!slot) throw new Error(`There is no slot ${id}`);
  if (!question.vary || fromAnswers(question.vary).size === 0) return slot;
  const values = drawValues(question.vary, 0, answerOf);
  return values ? { ...slot, setup: kindOf(slot.kind).put(slot.setup, putting(values)) } : slot;
}

/** A slot with what a student answered before it put in where its key follows from that; null when it does not, or when something is missing. */
export function followedSlot(
  question: QuestionBody,
  id: string,
  responses: Readonly<Record<string, unknown>>,
): { slot: Slot /** The answers that were put in. */; used: string[] } | null {
  const { vary } = question;
  if (!vary) return null;
  const following = fromAnswers(vary);
  const names = [...following.keys()].filter((name) => uses(question.slots[id], name));
  if (names.length === 0) return null;
  const slots = keyedSlots(question);
  const answers = new Map<string, string>();
  for (const { from } of vary.values) {
    if (from.by !== 'answer') continue;
    const earlier = slots.get(from.slot);
    const value = earlier ? valueOfAnswer(earlier, responses[from.slot]) : null;
    if (value !== null) answers.set(from.slot, value);
  }
  const values = drawValues(vary, 0, (slot) => answers.get(slot) ?? null);
  if (!values || names.some((name) => !values.has(name))) return null;
  const slot = withAnswers(question, id, (earlier) => answers.get(earlier) ?? null);
  const behind = new Set(names.flatMap((name) => [...(following.get(name) ?? [])]));
  return { slot, used: [...behind].map((earlier) => answers.get(earlier) ?? '') };
}

/** Whether the key of a slot follows from earlier answers. */
export function followsAnswers(question: QuestionBody, id: string): boolean {
  const { vary } = question;
  return vary !== undefined && [...fromAnswers(vary).keys()].some((name) => uses(question.slots[id], name));
}

/** The values of a variant, answers as their keys have them; null when it has none. */
export function keyedValues(variant: QuestionBody): Values | null {
  if (!variant.vary) return null;
  const slots = keyedSlots(variant);
  return drawValues(variant.vary, 0, (id) => {
    const slot = slots.get(id);
    return slot ? valueOfKey(slot) : null;
  });
}

const uses = (slot: Slot | undefined, name: string): boolean =>
  slot !== undefined && JSON.stringify(slot.setup).includes(`<${name}>`);

/** What stops or weakens the values of a question, beside what each variant shows. */
export function varyReadiness(question: QuestionBody): Finding[] {
  const { vary } = question;
  if (!vary) return [];
  const placed = placedSlots(question).map(({ id }) => id);
  const findings = variationReadiness(vary, placed);
  if (findings.some(isStop)) return under('vary', findings);
  if (!drawValues(vary, 1)) findings.push(stops('values-impossible', ['conditions']));
  const answers = fromAnswers(vary);
  const shown = [...nodesOf(question.content)].map((node) => JSON.stringify('content' in node ? '' : node)).join(' ');
  for (const [name, behind] of answers) {
    if (shown.includes(`<${name}>`)) findings.push(stops('value-gives-key-away', ['values'], { name }));
    const last = Math.max(...[...behind].map((slot) => placed.indexOf(slot)));
    const early = placed.slice(0, last + 1).some((id) => uses(question.slots[id], name));
    if (early) findings.push(stops('value-answer-later', ['values'], { name }));
  }
  return under('vary', findings);
}
