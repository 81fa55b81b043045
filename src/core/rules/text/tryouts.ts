import type { PointsRule } from './points';
import type { TextRules } from './rules';
import { isJoined, type Wording } from './wordings';

/** A wording as an answer would have it. */
function said(one: Wording | undefined): string {
  if (one === undefined || (typeof one !== 'string' && !isJoined(one))) return '';
  return typeof one === 'string' ? one.replace(/"|…|\.\.\./g, '') : one.parts.map(([first]) => first).join(' ');
}

/** What meets every point of a rule, by the first wording of each. */
export function sayingAll({ sets }: PointsRule): string {
  const points = sets.flatMap(({ points: own, most }) => own.slice(0, most ?? own.length));
  return points
    .map(({ accept: [first] }) => said(first))
    .filter((part) => part !== '')
    .join(points.length > 1 ? '; ' : ' ');
}

/** Answers worth trying on text rules: every key, keys in capitals, without accents, with a slip, within a sentence, denied. */
export function textTryouts({ rules }: TextRules): string[] {
  const keys = rules.flatMap((rule) => {
    if (rule.when === 'exact') return rule.answers;
    if (rule.when === 'pattern') return [];
    return [sayingAll(rule), ...rule.sets.flatMap(({ points }) => points.map(({ accept: [first] }) => said(first)))];
  });
  const [first = ''] = keys;
  if (first === '') return [];
  const all = [
    ...keys.slice(0, 6),
    first.toUpperCase(),
    first.normalize('NFD').replace(/\p{M}/gu, ''),
    withSlip(first),
    `I think it is ${first}.`,
    `not ${first}`,
  ];
  return [...new Set(all.filter((typed) => typed.trim() !== ''))];
}

/** The word with two neighbouring letters in its middle swapped. */
function withSlip(word: string): string {
  const at = Math.floor(word.length / 2);
  const [before, a, b, after] = [word.slice(0, at - 1), word[at - 1] ?? '', word[at] ?? '', word.slice(at + 1)];
  return word.length < 4 ? word : before + b + a + after;
}
