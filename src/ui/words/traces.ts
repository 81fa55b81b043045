import type { TraceStep } from '@/core/rules/marking';
import type { TraceSentence } from '../kinds/contract';
import { SIDES } from '../kinds/registry';
import { marksText } from './marks';
import { quoted } from './quoted';

/** Every step of a trace as a sentence that teacher and student both understand; kinds bring their own. */
const SENTENCES: Record<string, TraceSentence> = {
  ...Object.assign({}, ...SIDES.map(({ words }) => words.traces)),
  blank: () => 'no answer',
  rule: (v) => `rule ${v.number}`,
  settled: (v) => `“${v.answer}” was decided on by itself`,
  everyone: () => 'everybody gets the marks',
  rubric: (v) =>
    `${v.criterion}: ${v.level ? `${v.level}, ` : ''}${marksText(String(v.marks))} of ${marksText(String(v.of))}${v.remark ? ` (${v.remark})` : ''}`,
  'rubric-must': (v) => `“${v.criterion}” had to be reached`,
  'follow-through': (v) => `right with the earlier answer ${v.used}`,
  unreadable: () => 'what was sent cannot be read as an answer of this slot',
  'placed-counted': (v) => `${v.right} of ${v.of} right${Number(v.wrong) > 0 ? `, ${v.wrong} wrong` : ''}`,
  'placed-weighed': (v) => `${v.right} of ${v.of}, as often as each counts`,
  'by-another': (v) => `nearest to “${v.answer}”, which is right too`,
  'placed-right': (v, e) => `${v.at}: ${quoted(e)} is right`,
  'placed-wrong': (v, e) => `${v.at}: ${quoted(e)} does not belong here`,
  'placed-missing': (v) => `${v.at}: nothing`,
  'second-mark-wanted': () => 'it is marked a second time',
  'markers-differ': (v) =>
    `two people have marked it, ${marksText(String(v.first))} and ${marksText(String(v.second))}: settle it`,
  'worth-nothing': () => 'it earns no marks by itself',
  'judged-afterwards': () => 'they judge it themselves after handing in',
  'by-a-person': () => 'marked by a person',
  'takes-too-long': () => 'the rules would think about this for too long; a person decides',
  'no-rule-matched': () => 'none of the accepted answers',
  'text-too-long': () => 'too long for the rules',
  'text-equal': (v) => `the same as “${v.wanted}”`,
  'point-met': (v, e) => `“${v.point}”: found ${quoted(e)}`,
  'point-half': (v, e) => `“${v.point}”, half of it: found ${quoted(e)}`,
  'point-missing': (v) => `“${v.point}” is missing`,
  'point-misplaced': (v, e) => `“${v.point}”: ${quoted(e)} not in the order, or as near, as asked for`,
  'point-refused': (v, e) => `“${v.point}” is lost by ${quoted(e)}`,
  'point-denied': (v, e) => `“${v.point}” is denied: ${quoted(e)}`,
  'point-not-denied': (v, e) => `“${v.point}” has to be denied: ${quoted(e)}`,
  'point-only-if': (v) => `“${v.point}” counts only with another point`,
  'points-refused': (_, e) => `${quoted(e)} must not occur`,
  'points-too-few': (v) => `${v.found} of ${v.least} that have to be there`,
  'points-most': (v) => `at most ${v.most} count`,
  'points-cancelled': (v, e) => `more named than asked for: ${v.taken} less for ${quoted(e)}`,
  'pattern-matched': (v) => `matches the pattern ${v.pattern}`,
  'forgiven-spelling': (_, e) => `${quoted(e)} is another spelling`,
  'forgiven-ending': (_, e) => `${quoted(e)} has another ending`,
  'forgiven-slip': (_, e) => `${quoted(e)} taken for a slip of the pen`,
  'word-calls': (_, e) => `${quoted(e)} calls a person`,
  'doubt-negation': (_, e) => `${quoted(e)} denies something`,
  'doubt-opposites': (_, e) => `both ${e.map((w) => `“${w}”`).join(' and ')} stand in it`,
  'doubt-contradiction': (v, e) => `“${v.point}” is said and denied: ${quoted(e)}`,
  'doubt-taken-back': (_, e) => `${quoted(e)} takes something back`,
  'doubt-alternatives': (_, e) => `${e.map((w) => `“${w}”`).join(' or ')}: one of them is not wanted`,
  'doubt-stuffing': () => 'words in a heap, without how they hang together',
  'doubt-unread': (v, e) => `${v.words} words that no rule has read: ${e.join(', ')}`,
  'doubt-nearly': (_, e) => `${quoted(e)} is a phrase of the rules but for a letter`,
  'doubt-language': (v) => `written in ${LANGUAGES[String(v.language)] ?? 'another language'}`,
  'doubt-order': (_, e) => `${quoted(e)} not in the order, or as near, as asked for`,
  'number-unreadable': (_, e) => `${quoted(e)} does not read as a number`,
  'key-unit-unknown': (v) => `the key’s unit ${v.unit} is not known`,
  'unit-unknown': (v) => `the unit “${v.unit}” is not known`,
  'unit-wrong-dimension': (v) =>
    `${v.unit} does not measure the same as ${v.wanted === '1' ? 'a bare number' : v.wanted}`,
  'unit-missing': (v) => `the unit is missing (${v.wanted})`,
  'number-ambiguous': (_, e) => `${quoted(e)} can be read in two ways`,
  'number-not-near': () => 'not near enough',
  'number-within-absolute': (v) =>
    v.amount === '0' ? `equals ${v.value} ${v.unit}`.trim() : `within ± ${v.amount} of ${v.value} ${v.unit}`.trim(),
  'number-within-relative': (v) => `within ± ${v.amount} % of ${v.value} ${v.unit}`.trim(),
  'number-within-places': (v) => `agrees with ${v.value} ${v.unit} to ${v.amount} decimal places`,
  'number-within-figures': (v) => `agrees with ${v.value} ${v.unit} to ${v.amount} significant figures`,
  'maths-equal': (v) => `equals $${v.key}$`,
  'maths-other-form': () => 'the value is right, but not in the form asked for',
  'maths-unreadable': (_, e) => `${quoted(e)} cannot be read as a formula`,
  'maths-other-shape': (_, e) => `${quoted(e)} is not the kind of answer asked for`,
  'maths-two-readings': (_, e) => `${quoted(e)} can be read in two ways`,
  'maths-undecided': (_, e) => `whether ${quoted(e)} is right cannot be decided by calculation`,
  'number-within-range': (v) => `between ${v.value} and ${v.amount} ${v.unit}`.trim(),
  'number-within-atleast': (v) => `at least ${v.value} ${v.unit}`.trim(),
  'number-within-atmost': (v) => `at most ${v.value} ${v.unit}`.trim(),
  'uncertainty-right': (v) => `uncertainty ± ${v.value} stated`,
  'uncertainty-off': (v) => `its uncertainty is not ± ${v.value}`,
  'uncertainty-missing': () => 'its uncertainty is missing',
  'percent-as-written': () => 'a percentage and a fraction are told apart here',
  'number-any-unit': () => 'whatever its unit',
};

const LANGUAGES: Readonly<Record<string, string>> = { en: 'English', es: 'Spanish', fr: 'French', de: 'German' };

export function traceStepText(step: TraceStep): string {
  return SENTENCES[step.code]?.(step.values ?? {}, step.evidence ?? []) ?? step.code;
}

/** A whole trace on one line. */
export function traceText(trace: readonly TraceStep[]): string {
  return trace.map(traceStepText).join(' · ');
}

/** The words of the answer that a trace quotes. */
export function evidenceIn(trace: readonly TraceStep[]): string[] {
  return trace.flatMap(({ evidence = [] }) => evidence);
}

/** "2 of 3". */
export function outOf(marks: string, of: string): string {
  return `${marksText(marks)} of ${marksText(of)}`;
}

export const TRACE_CODES = Object.keys(SENTENCES);
