import type { KeywordGroup, TextRule, TextRules } from '@/core/rules/text/rules';
import { marksText } from './marks';

const quoted = (words: readonly string[], joint: string): string => words.map((word) => `“${word}”`).join(joint);

function groupWords({ need, words, ordered, within }: KeywordGroup): string {
  const many = need === 'any' ? 'any of' : need === 'all' ? 'all of' : `${need} of`;
  const order = ordered ? ' in this order' : '';
  const near = within === undefined ? '' : ` within ${within} words`;
  return `${many} ${quoted(words, ', ')}${order}${near}`;
}

/** What each group earns, and what must not stand beside it. */
function keywordWords(groups: readonly KeywordGroup[]): string {
  const earning = groups.filter(({ need }) => need !== 'none');
  const [only] = earning;
  const said =
    earning.length === 1 && only?.share === '1'
      ? groupWords(only)
      : earning.map((group) => `${marksText(group.share)} of the marks for ${groupWords(group)}`).join(' plus ');
  const forbidden = groups.filter(({ need }) => need === 'none').flatMap(({ words }) => words);
  return forbidden.length === 0 ? said : `${said}, unless ${quoted(forbidden, ' or ')} stands in it`;
}

function ruleWords(rule: TextRule): string {
  if (rule.when === 'keywords') return keywordWords(rule.groups);
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

/** The rules as one sentence. */
export function textRulesSentence(rules: TextRules): string {
  const said = rules.rules
    .map(ruleWords)
    .filter((part) => part !== '')
    .join('; else ');
  const rest = rules.otherwise === 'waits' ? 'anything else waits for a person' : 'anything else earns nothing';
  const calls = rules.calls.length === 0 ? '' : `; ${quoted(rules.calls, ' or ')} calls a person`;
  return said === ''
    ? 'No key yet. Every answer waits for a person.'
    : `${said}${forgivenWords(rules)}${calls}; ${rest}.`;
}
