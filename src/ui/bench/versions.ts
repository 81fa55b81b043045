import { diffWordsWithSpace } from 'diff';
import type { Written } from '@/core/bank/merge';
import { placedSlots, type QuestionBody, type Slot, type Trial } from '@/core/bank/question';
import { plainText } from '@/core/content/plain';
import { kindOf } from '@/core/kinds/registry';
import { responseWords } from '@/core/kinds/response';
import { editorSide } from '../kinds/editors';
import { sideOf } from '../kinds/registry';
import { marksText } from '../words/marks';
import { variationText } from '../words/variation';

/** A part of a question in words, to be held against the same part of another version. */
export interface WordedPart {
  /** As the parts of a merge are called. */
  part: string;
  name: string;
  text: string;
}

/** A slot in words: its marks, its rule, and what was added to it. */
function slotText({ kind, marks, setup, also = [], settled = [], rubric, follow }: Slot): string {
  const answers = settled.map(
    ({ response, share }) => `“${responseWords(kindOf(kind), setup, response) ?? ''}” earns ${marksText(share)} of it.`,
  );
  return [
    `[${marksText(marks)}] ${editorSide(kind).sentence(setup)}`,
    ...also.map((response) => `“${responseWords(kindOf(kind), setup, response) ?? ''}” is right too.`),
    ...answers,
    ...(rubric ? [`Rubric ${rubric.title}: ${rubric.criteria.map(({ title }) => title).join(', ')}.`] : []),
    ...(follow ? [`Right with an own earlier answer: ${marksText(follow)} of it.`] : []),
  ].join('\n');
}

function trialText({ slots }: QuestionBody, { slot: id, response, expected }: Trial): string {
  const slot = slots[id];
  return `${(slot && responseWords(kindOf(slot.kind), slot.setup, response)) ?? ''} → ${expected || '?'}`;
}

/** A question part by part in words: the sheet, every slot with its rule, what is said about it. */
export function wordedParts({ body, facts }: Written): WordedPart[] {
  const facts_ = [
    `difficulty ${facts.difficulty}`,
    facts.demand,
    ...(facts.tags.length > 0 ? [`tags ${facts.tags.join(', ')}`] : []),
  ].join(' · ');
  return [
    { part: 'title', name: 'Working title', text: body.title },
    { part: 'passage', name: 'Passage', text: body.passage ? plainText(body.passage.content) : '' },
    { part: 'sheet', name: 'Sheet', text: plainText(body.content) },
    ...placedSlots(body).map(({ id, letter, slot }) => ({
      part: `slot ${id}`,
      name: `Slot ${letter}, ${sideOf(slot.kind).words.name}`,
      text: slotText(slot),
    })),
    { part: 'vary', name: 'Numbers that vary', text: body.vary ? variationText(body.vary) : '' },
    { part: 'total', name: 'Total', text: body.total === null ? '' : `${marksText(body.total)}, shared out` },
    {
      part: 'hints',
      name: 'Hints',
      text: body.hints.map((hint) => `${hint.text} (costs ${marksText(hint.cost)})`).join('\n'),
    },
    { part: 'explanation', name: 'Explanation', text: plainText(body.explanation) },
    { part: 'notes', name: 'Notes to colleagues', text: body.notes },
    {
      part: 'trials',
      name: 'Trial answers',
      text: body.trials.map((t) => trialText(body, t)).join('\n'),
    },
    { part: 'fact', name: 'About it', text: facts_ },
  ];
}

/** A stretch of words: in both versions, or in one of them only. */
export interface Stretch {
  text: string;
  only: 'before' | 'after' | null;
}

export interface ComparedPart {
  part: string;
  name: string;
  stretches: Stretch[];
  same: boolean;
}

/** Two versions part by part, with the words that differ told apart. Parts that are empty in both are left out. */
export function compareVersions(before: Written, after: Written): ComparedPart[] {
  const [left, right] = [wordedParts(before), wordedParts(after)];
  const names = new Map([...left, ...right].map(({ part, name }) => [part, name]));
  return [...names].flatMap(([part, name]) => {
    const a = left.find((p) => p.part === part)?.text ?? '';
    const b = right.find((p) => p.part === part)?.text ?? '';
    if (a === '' && b === '') return [];
    const stretches = diffWordsWithSpace(a, b).map(
      ({ value, added, removed }): Stretch => ({ text: value, only: added ? 'after' : removed ? 'before' : null }),
    );
    return [{ part, name, stretches, same: a === b }];
  });
}
