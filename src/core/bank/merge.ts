import { sameValue } from '../base/same-value';
import type { QuestionFacts } from './facts';
import { type QuestionBody, questionForm } from './question';

/** A question as it is written: its body and what is said about it. */
export interface Written {
  body: QuestionBody;
  facts: QuestionFacts;
}

/**
 * The parts that are kept or replaced as a whole: "sheet" (the content),
 * "slot ID", "title", "explanation", "notes", "trials", "fact NAME" …
 */
type Parts = Map<string, unknown>;

function partsOf({ body, facts }: Written): Parts {
  const { version: _, content, slots, ...rest } = body;
  return new Map<string, unknown>([
    ['sheet', content],
    ...Object.entries(slots).map(([id, slot]): [string, unknown] => [`slot ${id}`, slot]),
    ...Object.entries(rest),
    ...Object.entries(facts).map(([name, value]): [string, unknown] => [`fact ${name}`, value]),
  ]);
}

function fromParts(parts: Parts): Written {
  const facts: Record<string, unknown> = {};
  const slots: Record<string, unknown> = {};
  const body: Record<string, unknown> = { version: questionForm.version };
  for (const [name, value] of parts) {
    if (value === undefined) continue;
    if (name === 'sheet') body.content = value;
    else if (name.startsWith('slot ')) slots[name.slice(5)] = value;
    else if (name.startsWith('fact ')) facts[name.slice(5)] = value;
    else body[name] = value;
  }
  return { body: { ...body, slots } as unknown as QuestionBody, facts: facts as QuestionFacts };
}

export type Side = 'mine' | 'theirs';

export interface Merge {
  merged: Written;
  /** Parts that both changed, and differently: somebody has to choose. */
  disputed: string[];
}

/**
 * Brings together two versions of a question that began from the same one: a
 * part that only one side changed is taken from that side. Of a disputed part
 * the chosen side is taken, mine unless said otherwise.
 */
export function mergeWritten(
  base: Written,
  mine: Written,
  theirs: Written,
  choices: Readonly<Record<string, Side>> = {},
): Merge {
  const [from, left, right] = [partsOf(base), partsOf(mine), partsOf(theirs)];
  const merged: Parts = new Map();
  const disputed: string[] = [];
  for (const name of new Set([...left.keys(), ...right.keys()])) {
    const [b, m, t] = [from.get(name), left.get(name), right.get(name)];
    if (sameValue(m, t) || sameValue(b, t)) merged.set(name, m);
    else if (sameValue(b, m)) merged.set(name, t);
    else {
      disputed.push(name);
      merged.set(name, choices[name] === 'theirs' ? t : m);
    }
  }
  return { merged: fromParts(merged), disputed };
}
