import { exact } from '@/core/base/exact';
import { pointLabel, type Point, pointsIn, type PointSet, type PointsRule } from '@/core/rules/text/points';
import type { TextRule, TextRules } from '@/core/rules/text/rules';
import { isJoined, type Joined, type Wording } from '@/core/rules/text/wordings';
import { marksText } from './marks';

const quoted = (words: readonly string[], joint: string): string => words.map((word) => `“${word}”`).join(joint);

export const NEARNESS_WORDS: Record<Joined['where'], string> = {
  answer: 'anywhere in the answer',
  sentence: 'in one sentence',
  clause: 'in one clause',
  tied: 'said of the first',
};

/** What belongs together, as part of a sentence. */
function joinedWords({ parts, least, where, ordered, within, rivals = [] }: Joined): string {
  const alone = parts.every((part) => part.length === 1);
  const some = least !== undefined && least < parts.length;
  const said = alone
    ? `${some ? `${least} of` : 'all of'} ${quoted(parts.flat(), ', ')}`
    : `${some ? `${least} of ` : ''}${parts.map((part) => quoted(part, ' or ')).join(' with ')}`;
  const near = where === 'answer' ? '' : ` ${NEARNESS_WORDS[where]}`;
  const order = ordered ? ' in this order' : '';
  const far = within === undefined ? '' : ` within ${within} words`;
  const not = rivals.length === 0 ? '' : ` and not of ${quoted(rivals, ' or ')}`;
  return `${said}${near}${order}${far}${not}`;
}

/** Wordings of which one is enough. */
function wordingsWords(list: readonly Wording[]): string {
  const phrases = list.filter((one) => typeof one === 'string');
  const others = list
    .filter((one) => typeof one !== 'string')
    .map((one) => (isJoined(one) ? joinedWords(one) : `what matches ${one.pattern}`));
  const plain = phrases.length > 0 ? [`any of ${quoted(phrases, ', ')}`] : [];
  return [...plain, ...others].join(', or ');
}

/** What earns a point, and on what conditions. */
function pointWords(point: Point, all: readonly Point[]): string {
  const { accept, half, refuse, polarity, onlyIf, under } = point;
  const denied = polarity === 'denied' ? ', denied' : polarity === 'either' ? ', said or denied' : '';
  const halved = half.length > 0 ? ` (half of it for ${wordingsWords(half)})` : '';
  const refused = refuse.length > 0 ? `, not with ${wordingsWords(refuse)}` : '';
  const other = all.find(({ id }) => id === onlyIf);
  const only = other ? `, only with “${pointLabel(other)}”` : '';
  const below = under.length > 0 ? `, under ${quoted(under, ' or ')}` : '';
  return `${accept.length > 0 ? wordingsWords(accept) : 'nothing yet'}${denied}${halved}${refused}${only}${below}`;
}

/** How the points of a set count together; empty where each counts by itself. */
export function setWords({ points, least, most, which, apart, wrong }: PointSet): string {
  const parts = [
    ...(least === 'all' ? ['only all of them together'] : least > 1 ? [`only from ${least} of them on`] : []),
    ...(most !== null && most < points.length
      ? [`at most ${most} of them, the ${which === 'best' ? 'best' : 'first named'}`]
      : []),
    ...(apart ? ['each at a place of its own'] : []),
    ...(wrong.length > 0 ? [`where more is named, one less for ${wordingsWords(wrong)}`] : []),
  ];
  return parts.join(', ');
}

function pointsWords(rule: PointsRule): string {
  const all = pointsIn(rule);
  if (all.every(({ accept, half }) => accept.length + half.length === 0)) return '';
  const [only] = all;
  const alone = all.length === 1 && only?.share === '1';
  const sets = rule.sets.map((set) => {
    const lines = set.points.map((point) =>
      alone ? pointWords(point, all) : `${marksText(point.share)} of the marks for ${pointWords(point, all)}`,
    );
    const together = setWords(set);
    return `${lines.join(' plus\n')}${together === '' ? '' : ` (${together})`}`;
  });
  const most =
    rule.most === undefined || exact(rule.most).equals(1) ? '' : `, at most ${marksText(rule.most)} of the marks`;
  const refuse = rule.refuse.length === 0 ? '' : `, unless ${refusedWords(rule.refuse)} stands in it`;
  return `${sets.join(' plus\n')}${most}${refuse}`;
}

function refusedWords(refuse: readonly Wording[]): string {
  return refuse
    .map((one) =>
      typeof one === 'string' ? `“${one}”` : isJoined(one) ? joinedWords(one) : `what matches ${one.pattern}`,
    )
    .join(' or ');
}

function ruleWords(rule: TextRule): string {
  if (rule.when === 'points') return pointsWords(rule);
  const said =
    rule.when === 'exact' ? quoted(rule.answers, ' or ') : rule.pattern === '' ? '' : `what matches ${rule.pattern}`;
  return said === '' || rule.share === '1' ? said : `${said} earns ${marksText(rule.share)} of the marks`;
}

/** What goes beyond capitals, accents, spaces and quotes. */
function forgivenWords({ forgives }: TextRules): string {
  const more = [
    ...(forgives.slips ? ['slips'] : []),
    ...(forgives.endings === 'none' ? [] : ['endings']),
    ...(forgives.spelling ? ['British or American spelling'] : []),
  ];
  const strict = [...(forgives.capitals ? [] : ['capitals']), ...(forgives.accents ? [] : ['accents'])];
  const forgiven = more.length > 0 ? `; ${more.join(' and ')} forgiven` : '';
  return `${forgiven}${strict.length > 0 ? `; ${strict.join(' and ')} count` : ''}`;
}

/** The rules as one sentence; the points of a scheme each on a line of its own. */
export function textRulesSentence(rules: TextRules): string {
  const said = rules.rules
    .map(ruleWords)
    .filter((part) => part !== '')
    .join('; else ');
  const rest = rules.otherwise === 'waits' ? 'anything else waits for a person' : 'anything else earns nothing';
  const calls = rules.calls.length === 0 ? '' : `; ${refusedWords(rules.calls)} calls a person`;
  return said === ''
    ? 'No key yet. Every answer waits for a person.'
    : `${said}${forgivenWords(rules)}${calls}; ${rest}.`;
}
