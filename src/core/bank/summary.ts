import { type Exact, exact, sum } from '../base/exact';
import { firstWords, plainText } from '../content/plain';
import type { KindName } from '../kinds/names';
import { kindOf } from '../kinds/registry';
import { placedSlots, type QuestionBody } from './question';

/** What the bank's lists and search know of a question. */
export interface QuestionSummary {
  title: string;
  text: string;
  kinds: KindName[];
  marks: string;
}

export function titleOf(question: QuestionBody): string {
  return question.title.trim() || firstWords(question.content) || 'Untitled question';
}

/** The marks of the question: the sum over its slots. */
export function totalMarks(question: QuestionBody): Exact {
  return sum(placedSlots(question).map(({ slot }) => exact(slot.marks)));
}

export function summarise(question: QuestionBody): QuestionSummary {
  const slots = placedSlots(question);
  return {
    title: titleOf(question),
    text: [
      plainText(question.content),
      ...passageText(question),
      ...slots.map(({ slot }) => kindOf(slot.kind).describe(slot.setup)),
    ].join('\n'),
    kinds: [...new Set(slots.map(({ slot }) => slot.kind))],
    marks: totalMarks(question).toFraction(),
  };
}

function passageText({ passage }: QuestionBody): string[] {
  return passage ? [plainText(passage.content)] : [];
}
