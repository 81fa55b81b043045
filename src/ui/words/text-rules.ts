import type { KeywordGroup, TextRule, TextRules } from '@/core/rules/text/rules';
import { marksText } from './marks';

const quoted = (words: readonly string[], joint: string): string => words.map((word) => `“${word}”`).join(joint);

function groupWords({ need, words, ordered, within }: KeywordGroup): string {
  const many = need === 'any' ? 'any of' : need === 'all' ? 'all of' : need === 'none' ? 'none of' : `${need} of`;
  const order = ordered ? ' in this order' : '';
  const near = within === undefined ? '' : ` within ${within} words`;
  return `${many} ${quoted(words, ', ')}${order}${near}`;
}

function ruleWords(rule: TextRule): string {
  if (rule.when === 'keywords') return rule.groups.map(groupWords).join(' and ');
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
  return said === '' ? 'No key yet. Every answer waits for a person.' : `${said}${forgivenWords(rules)}; ${rest}.`;
}
