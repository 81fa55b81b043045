import { type Exact, exact, parseExact, stored } from '../base/exact';
import { emptyQuestion, type QuestionBody, type Slot } from '../bank/question';
import type { Block } from '../content/document';
import { contentFromLines, inlineFromText } from '../content/lines';
import type { KindName } from '../kinds/names';
import { kindOf, typedKind } from '../kinds/registry';
import { readNumber } from '../rules/number/read';
import type { FoundQuestion } from './split';

/** What a person should look at. */
export type Doubt = 'no-key' | 'no-answer' | 'no-marks' | 'one-option' | 'no-words';

/** What was recognised of a question that is brought in, and what was not. */
export interface Recognised {
  number: string;
  body: QuestionBody;
  doubts: Doubt[];
}

function slotOf(kind: KindName, typed: string, marks: string): Slot {
  const made = typedKind(kind);
  return { kind, marks, setup: typed === '' ? made.fresh() : made.typed.withKey(made.fresh(), typed) };
}

/** "True or false" and its like as two options, the right one with its star; null where nothing of the sort is asked. */
function twoWay(words: string, answer: string): string[] | null {
  const pairs: [RegExp, string, string][] = [
    [/\btrue\s*(?:or|\/)\s*false\b|\(\s*t\s*\/\s*f\s*\)|\bT\s*\/\s*F\b/i, 'True', 'False'],
    [/\byes\s*(?:or|\/)\s*no\b|\(\s*y\s*\/\s*n\s*\)/i, 'Yes', 'No'],
  ];
  const said = answer.trim().replace(/[.!]$/, '').toLowerCase();
  for (const [asked, first, second] of pairs) {
    const [one, other] = [first.toLowerCase(), second.toLowerCase()];
    const names = (word: string): boolean => said === word || said === word.charAt(0);
    const plainly = said === one || said === other;
    if (!plainly && !asked.test(words)) continue;
    return [`${names(one) ? '* ' : ''}${first}`, `${names(other) ? '* ' : ''}${second}`];
  }
  return null;
}

/** Whether a question without an answer wants one that a person reads: it says so, or earns as much. */
function wantsLongAnswer(words: string, marks: Exact | null): boolean {
  const verb =
    /^(?:\W*(?:briefly|please)\s+)?(?:explain|describe|discuss|compare|contrast|justify|evaluate|outline|assess|analyse|analyze|comment on|write)\b/i;
  return verb.test(words.trim()) && (marks === null || marks.compare(3) >= 0);
}

/** A found question as a question of ours: options become a choice, a numeric answer a number, words a short text. */
export function recognise(found: FoundQuestion): Recognised {
  const doubts: Doubt[] = [];
  const typedMarks = parseExact(found.marks);
  if (!typedMarks) doubts.push('no-marks');
  const marks = typedMarks && typedMarks.compare(0) >= 0 ? stored(typedMarks) : stored(exact('1'));
  const blocks = found.lines.flatMap(({ text, blocks: own }): Block[] => {
    const inline = inlineFromText(text);
    return [...(inline.length > 0 ? [{ type: 'paragraph' as const, content: inline }] : []), ...own];
  });
  if (blocks.length === 0) doubts.push('no-words');

  let slot: Slot;
  const words = found.lines.map(({ text }) => text).join(' ');
  const two = found.options.length === 0 ? twoWay(words, found.answer) : null;
  if (two) {
    if (!two.some((option) => option.startsWith('*'))) doubts.push('no-key');
    slot = slotOf('choice', two.join('\n'), marks);
  } else if (found.options.length === 0 && found.answer === '' && wantsLongAnswer(words, typedMarks)) {
    slot = slotOf('longAnswer', '', marks);
  } else if (found.options.length > 0) {
    if (found.options.length === 1) doubts.push('one-option');
    if (!found.options.some((o) => o.key)) doubts.push('no-key');
    slot = slotOf('choice', found.options.map((o) => `${o.key ? '* ' : ''}${o.text}`).join('\n'), marks);
  } else {
    if (found.answer === '') doubts.push('no-answer');
    const isNumber = readNumber(found.answer) !== null || /^[-+−]?\d[\d.,]*\s*(\S{1,8})?$/.test(found.answer);
    slot = slotOf(isNumber ? 'number' : 'shortText', found.answer, marks);
  }
  const node: Block =
    kindOf(slot.kind).placement === 'block'
      ? { type: 'blockSlot', attrs: { id: 's1' } }
      : { type: 'paragraph', content: [{ type: 'inlineSlot', attrs: { id: 's1' } }] };
  return {
    number: found.number,
    doubts,
    body: {
      ...emptyQuestion,
      content: { type: 'doc', content: [...blocks, node] },
      slots: { s1: slot },
      explanation: contentFromLines(found.explanation),
    },
  };
}
