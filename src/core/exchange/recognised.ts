import { exact, parseExact, stored } from '../base/exact';
import { emptyQuestion, type QuestionBody, type Slot } from '../bank/question';
import type { Block } from '../content/document';
import { contentFromLines, inlineFromText } from '../content/lines';
import { type KindName, kindOf } from '../kinds/registry';
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
  const made = kindOf(kind);
  return { kind, marks, setup: typed === '' ? made.fresh() : made.withKey(made.fresh(), typed) };
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
  if (found.options.length > 0) {
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
