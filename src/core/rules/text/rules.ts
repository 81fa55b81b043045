import { z } from 'zod';
import { type Finding, stops, warns } from '../../base/finding';
import { type Exact, exact, ONE, shareText, sum, ZERO } from '../../base/exact';
import { marked, type Marking, type TraceStep, waits } from '../marking';
import { foldAccents, foldCapitals, plainQuotes, plainReading } from './normalise';

/** What the rules of one slot look past. */
const forgives = z.object({
  capitals: z.boolean(),
  accents: z.boolean(),
  spaces: z.boolean(),
  quotes: z.boolean(),
});
export type Forgives = z.infer<typeof forgives>;

const phrase = z.string().trim().min(1).max(200);

/** Words or phrases of which some must occur; a fulfilled group adds its share. */
const keywordGroup = z.object({
  need: z.union([z.literal('any'), z.literal('all'), z.number().int().min(1).max(20)]),
  words: z.array(phrase).min(1).max(40),
  share: shareText,
});

const textRule = z.discriminatedUnion('when', [
  z.object({
    when: z.literal('exact'),
    answers: z.array(phrase).max(40),
    share: shareText,
    feedback: z.string().max(1000),
  }),
  z.object({
    when: z.literal('keywords'),
    groups: z.array(keywordGroup).min(1).max(10),
    feedback: z.string().max(1000),
  }),
]);
export type TextRule = z.infer<typeof textRule>;

export const textRules = z.object({
  forgives,
  rules: z.array(textRule).max(20),
  /** What happens to an answer on which no rule decides. */
  otherwise: z.enum(['waits', 'zero']),
  otherwiseFeedback: z.string().max(1000),
});
export type TextRules = z.infer<typeof textRules>;

export const FORGIVES_ALL: Forgives = { capitals: true, accents: true, spaces: true, quotes: true };

/** The rules that a typed key makes: this answer, full marks; anything else is looked at by a person. */
export function rulesFromKey(key: string): TextRules {
  const answers = key.trim() === '' ? [] : [key.trim()];
  return {
    forgives: FORGIVES_ALL,
    rules: [{ when: 'exact', answers, share: '1', feedback: '' }],
    otherwise: 'waits',
    otherwiseFeedback: '',
  };
}

/** The text as these rules see it. */
function seen(text: string, past: Forgives): string {
  let result = past.spaces || past.quotes ? text.normalize('NFC') : text;
  if (past.quotes) result = plainQuotes(result);
  if (past.spaces) result = plainReading(result);
  if (past.capitals) result = foldCapitals(result);
  if (past.accents) result = foldAccents(result);
  return result;
}

interface Word {
  shown: string;
  seen: string;
}

/** The words of an answer, without the punctuation around them. */
function wordsOf(text: string, past: Forgives): Word[] {
  return plainReading(text)
    .split(' ')
    .map((word) => word.replace(/^[.,;:!?()[\]"'…]+|[.,;:!?()[\]"'…]+$/g, ''))
    .filter((word) => word !== '')
    .map((word) => ({ shown: word, seen: seen(word, past) }));
}

/** Where a phrase stands in the answer, as it was written there; null when it does not. */
function findPhrase(words: readonly Word[], wanted: string, past: Forgives): string | null {
  const parts = wordsOf(wanted, past);
  if (parts.length === 0) return null;
  for (let start = 0; start + parts.length <= words.length; start++) {
    if (parts.every((part, i) => words[start + i]?.seen === part.seen)) {
      return words
        .slice(start, start + parts.length)
        .map((word) => word.shown)
        .join(' ');
    }
  }
  return null;
}

/**
 * Marks a typed answer: the first rule that holds gives its share. Keyword
 * groups add up to at most the whole. Answers longer than 5000 characters wait.
 */
export function markText(rules: TextRules, text: string): Marking {
  if (text.length > 5000) return waits([{ code: 'text-too-long' }]);
  const answer = seen(text, rules.forgives);
  const words = wordsOf(text, rules.forgives);
  for (const [index, rule] of rules.rules.entries()) {
    const verdict =
      rule.when === 'exact' ? tryExact(rule, answer, rules.forgives) : tryKeywords(rule, words, rules.forgives);
    if (verdict) {
      const at: TraceStep = { code: 'rule', values: { number: index + 1 } };
      return marked(verdict.share, [at, ...verdict.trace], rule.feedback);
    }
  }
  const nothing: TraceStep = { code: 'no-rule-matched' };
  return rules.otherwise === 'zero' ? marked(ZERO, [nothing], rules.otherwiseFeedback) : waits([nothing]);
}

interface Verdict {
  share: Exact;
  trace: TraceStep[];
}

function tryExact(rule: TextRule & { when: 'exact' }, answer: string, past: Forgives): Verdict | null {
  const hit = rule.answers.find((wanted) => seen(wanted, past) === answer);
  if (hit === undefined) return null;
  return { share: exact(rule.share), trace: [{ code: 'text-equal', values: { wanted: hit } }] };
}

function tryKeywords(rule: TextRule & { when: 'keywords' }, words: readonly Word[], past: Forgives): Verdict | null {
  const trace: TraceStep[] = [];
  const earned: Exact[] = [];
  for (const group of rule.groups) {
    const found = group.words.map((word) => findPhrase(words, word, past));
    const evidence = found.filter((hit) => hit !== null);
    const wanted = group.need === 'any' ? 1 : group.need === 'all' ? group.words.length : group.need;
    const list = group.words.join(', ');
    if (evidence.length >= wanted) {
      earned.push(exact(group.share));
      trace.push({ code: 'keywords-found', values: { share: group.share, words: list }, evidence });
    } else {
      trace.push({
        code: 'keywords-missing',
        values: { found: evidence.length, wanted, words: group.words.filter((_, i) => found[i] === null).join(', ') },
        ...(evidence.length ? { evidence } : {}),
      });
    }
  }
  if (earned.length === 0) return null;
  const total = sum(earned);
  return { share: total.compare(1) > 0 ? ONE : total, trace };
}

/** What stops or weakens these rules. */
export function textRulesReadiness(rules: TextRules): Finding[] {
  const findings: Finding[] = [];
  const answers = rules.rules.flatMap((rule) =>
    rule.when === 'exact' ? rule.answers : rule.groups.flatMap((group) => group.words),
  );
  if (answers.length === 0 && rules.otherwise === 'zero') findings.push(stops('no-key', []));
  else if (answers.length === 0) findings.push(warns('no-key-all-wait', []));
  rules.rules.forEach((rule, i) => {
    if (rule.when !== 'keywords') return;
    for (const group of rule.groups) {
      if (typeof group.need === 'number' && group.need > group.words.length) {
        findings.push(stops('keywords-too-few', ['rules', i], { need: group.need, have: group.words.length }));
      }
    }
    const total = sum(rule.groups.map((group) => exact(group.share)));
    if (!total.equals(1))
      findings.push(warns('keywords-do-not-add-up', ['rules', i], { total: total.toFraction(true) }));
  });
  return findings;
}
