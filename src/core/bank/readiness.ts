import { exact, stored, sum } from '../base/exact';
import { type Finding, stops, under, warns } from '../base/finding';
import { plainText } from '../content/plain';
import { contentReadiness } from '../content/readiness';
import { kindOf } from '../kinds/registry';
import { rubricReadiness } from '../rules/rubric/rubric';
import { readability } from '../text/readability';
import { runTrials } from './mark';
import { placedSlots, type QuestionBody } from './question';
import { totalMarks } from './summary';
import { keyedSlots } from './variant';

/** Everything that stops or weakens a question. Slot findings carry the path ["slot", id, …]. */
export function questionReadiness(question: QuestionBody, trials = runTrials(question)): Finding[] {
  const findings: Finding[] = [
    ...contentReadiness(question.content),
    ...(question.passage ? contentReadiness(question.passage.content) : []),
  ];
  const slots = placedSlots(question);
  if (slots.length === 0) findings.push(stops('no-slot', []));
  if (plainText(question.content).replace(/…/g, '').trim() === '') findings.push(warns('no-text', []));
  findings.push(...readingFindings(question), ...hintFindings(question));
  for (const [id, slot] of keyedSlots(question)) {
    const own = kindOf(slot.kind).readiness(slot.setup);
    if (slot.rubric) own.push(...under('rubric', rubricReadiness(slot.rubric)));
    if (exact(slot.marks).equals(0)) own.push(warns('marks-zero', []));
    findings.push(...under('slot', under(id, own)));
  }
  for (const outcome of trials) {
    const { id, slot } = outcome.trial;
    if (!outcome.agrees)
      findings.push(stops('trial-not-as-expected', ['slot', slot, 'trials', id], { answer: outcome.answer }));
  }
  return findings;
}

/** Years of schooling in English beyond which a question is called hard to read (common practice, no source). */
const HARD_GRADE = 14;
/** Words a minute of a careful reader (common practice, no source). */
const WORDS_A_MINUTE = 150;
/** Minutes that a mark is expected to take (common practice, no source). */
const MINUTES_A_MARK = 1.5;

function readingFindings(question: QuestionBody): Finding[] {
  const read = readability(plainText(question.content));
  if (!read) return [];
  const findings: Finding[] = [];
  if (read.grade > HARD_GRADE) findings.push(warns('hard-to-read', ['sheet'], { grade: Math.round(read.grade) }));
  const minutes = Math.round(read.words / WORDS_A_MINUTE);
  const expected = Number(totalMarks(question).valueOf()) * MINUTES_A_MARK;
  if (minutes >= 2 && minutes > expected)
    findings.push(warns('long-to-read', ['sheet'], { minutes, words: read.words }));
  return findings;
}

function hintFindings({ hints, ...question }: QuestionBody): Finding[] {
  const cost = sum(hints.map((hint) => exact(hint.cost)));
  const total = totalMarks({ ...question, hints });
  return [
    ...hints.flatMap((hint, i) => (hint.text.trim() === '' ? [warns('hint-empty', ['hints', i])] : [])),
    ...(cost.compare(total) > 0
      ? [warns('hints-cost-more', ['hints'], { cost: stored(cost), total: stored(total) })]
      : []),
  ];
}

export function isReady(findings: readonly Finding[]): boolean {
  return findings.every((finding) => finding.weight !== 'stops');
}
