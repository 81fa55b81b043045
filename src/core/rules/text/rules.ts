import { z } from 'zod';
import { type Finding, stops, warns } from '../../base/finding';
import { RE2JS } from 're2js';
import { type Exact, exact, ONE, shareText, sum, ZERO } from '../../base/exact';
import { marked, type Marking, type TraceStep, waits } from '../marking';
import { denialBeside, doubtIn, type Doubts, doubts, DOUBTS_ALL, DOUBTS_NONE, isLong } from './doubts';
import type { Put } from '../../content/put';
import { type Answer, Matcher } from './matcher';
import { type Forgives, forgives, FORGIVES_ALL, type PhrasePlace, type Likeness, likeAnswer, seen } from './words';

const phrase = z.string().trim().min(1).max(200);

/** Words or phrases of which some must occur (or none may); a fulfilled group adds its share. */
const keywordGroup = z.object({
  need: z.union([z.literal('any'), z.literal('all'), z.literal('none'), z.number().int().min(1).max(20)]),
  words: z.array(phrase).min(1).max(40),
  share: shareText,
  /** What is found has to stand in the order of the list. */
  ordered: z.boolean().optional(),
  /** What is found has to stand within so many words of each other. */
  within: z.number().int().min(1).max(100).optional(),
});
export type KeywordGroup = z.infer<typeof keywordGroup>;

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
  z.object({
    when: z.literal('pattern'),
    /** A regular expression (RE2 syntax) that the whole answer has to match. */
    pattern: z.string().max(500),
    share: shareText,
    feedback: z.string().max(1000),
  }),
]);
export type TextRule = z.infer<typeof textRule>;

export const textRules = z.object({
  forgives,
  rules: z.array(textRule).max(20),
  /** Words that call a person, wherever they stand. */
  calls: z.array(phrase).max(40).default([]),
  doubts: doubts.default(DOUBTS_NONE),
  /** What happens to an answer on which no rule decides. */
  otherwise: z.enum(['waits', 'zero']),
  otherwiseFeedback: z.string().max(1000),
});
export type TextRules = z.infer<typeof textRules>;

/** Wordings typed in one line, with semicolons between them. */
export function wordingsOf(typed: string): string[] {
  return typed
    .split(/[;\n]/)
    .map((one) => one.trim())
    .filter((one) => one !== '')
    .slice(0, 40);
}

/** The rules that a typed key makes: any of its wordings, full marks; anything else is looked at by a person. */
export function rulesFromKey(key: string): TextRules {
  const answers = wordingsOf(key);
  return {
    forgives: FORGIVES_ALL,
    rules: [{ when: 'exact', answers, share: '1', feedback: '' }],
    calls: [],
    doubts: DOUBTS_ALL,
    otherwise: 'waits',
    otherwiseFeedback: '',
  };
}

/**
 * Marks a typed answer: the first rule that holds gives its share. Keyword
 * groups add up to at most the whole; a group of words that must not occur earns nothing by itself. It waits when a word calls a person,
 * when a sign of doubt stands beside what was found, and when it is longer
 * than 5000 characters.
 */
export function markText(rules: TextRules, text: string): Marking {
  if (text.length > 5000) return waits([{ code: 'text-too-long' }]);
  const matcher = matcherOf(rules);
  const answer = matcher.read(text);
  const { words } = answer;
  const call = rules.calls.map((word) => matcher.find(answer, word)[0]).find((found) => found !== undefined);
  if (call) return waits([{ code: 'word-calls', evidence: [call.shown] }]);
  let touched = false;
  for (const [index, rule] of rules.rules.entries()) {
    const verdict =
      rule.when === 'exact'
        ? tryExact(rule, text, rules.forgives, matcher.own)
        : rule.when === 'pattern'
          ? tryPattern(rule, text, rules.forgives)
          : tryKeywords(rule, answer, matcher, rules.doubts);
    touched ||= verdict.hits.length > 0;
    const at: TraceStep = { code: 'rule', values: { number: index + 1 } };
    const doubt = rule.when === 'keywords' ? doubtIn(words, verdict.hits, rules.doubts) : null;
    if (doubt) return waits([at, ...verdict.trace, doubt]);
    if (rules.doubts.order && verdict.trace.some(({ code }) => MISPLACED.has(code)))
      return waits([at, ...verdict.trace]);
    if (verdict.share) return marked(verdict.share, [at, ...verdict.trace], rule.feedback);
  }
  const nothing: TraceStep = { code: 'no-rule-matched' };
  if (rules.doubts.longWithoutHit && !touched && isLong(words)) return waits([nothing, { code: 'doubt-long' }]);
  return rules.otherwise === 'zero' ? marked(ZERO, [nothing], rules.otherwiseFeedback) : waits([nothing]);
}

/** All the words of a group are there, but not where the rule wants them. */
const MISPLACED = new Set(['keywords-out-of-order', 'keywords-too-far']);

interface Verdict {
  /** Null when the rule does not hold. */
  share: Exact | null;
  trace: TraceStep[];
  hits: PhrasePlace[];
}

const NOTHING: Verdict = { share: null, trace: [], hits: [] };

const matchers = new WeakMap<TextRules, Matcher>();

/** One matcher for a rule set, made when it is first needed. */
function matcherOf(rules: TextRules): Matcher {
  const known = matchers.get(rules);
  if (known) return known;
  const phrases = rules.rules.flatMap((rule) =>
    rule.when === 'exact' ? rule.answers : rule.when === 'keywords' ? rule.groups.flatMap((group) => group.words) : [],
  );
  const made = new Matcher([...phrases, ...rules.calls], rules.forgives);
  matchers.set(rules, made);
  return made;
}

function forgiven(likeness: Likeness, shown: string): TraceStep[] {
  return likeness === 'same' ? [] : [{ code: `forgiven-${likeness}`, evidence: [shown] }];
}

function tryExact(
  rule: TextRule & { when: 'exact' },
  answer: string,
  past: Forgives,
  others: ReadonlySet<string>,
): Verdict {
  for (const wanted of rule.answers) {
    const likeness = likeAnswer(wanted, answer, past, others);
    if (likeness === null) continue;
    const trace = [{ code: 'text-equal', values: { wanted } }, ...forgiven(likeness, answer.trim())];
    return { share: exact(rule.share), trace, hits: [] };
  }
  return NOTHING;
}

/** A pattern says itself which letters it wants: where capitals are forgiven it reads past them, and the answer keeps its own. */
function tryPattern(rule: TextRule & { when: 'pattern' }, text: string, past: Forgives): Verdict {
  const answer = seen(text, { ...past, capitals: false });
  if (!compiledPattern(rule.pattern, past.capitals)?.matches(answer)) return NOTHING;
  return {
    share: exact(rule.share),
    trace: [{ code: 'pattern-matched', values: { pattern: rule.pattern } }],
    hits: [],
  };
}

/** The pattern, matched in linear time (RE2); null when it is none. */
function compiledPattern(pattern: string, anyCapitals = false): RE2JS | null {
  try {
    return pattern === '' ? null : RE2JS.compile(pattern, anyCapitals ? RE2JS.CASE_INSENSITIVE : 0);
  } catch {
    return null;
  }
}

function tryKeywords(
  rule: TextRule & { when: 'keywords' },
  answer: Answer,
  matcher: Matcher,
  { negation }: Doubts,
): Verdict {
  const trace: TraceStep[] = [];
  const earned: Exact[] = [];
  const hits: PhrasePlace[] = [];
  for (const group of rule.groups) {
    const places = group.words.map((word) =>
      matcher
        .find(answer, word)
        .filter((found) => negation !== 'refused' || denialBeside(answer.words, found) === null),
    );
    const found = places.flatMap(([first]) => (first ? [first] : []));
    const evidence = found.map((hit) => hit.shown);
    const list = group.words.join(', ');
    if (group.need === 'none') {
      if (found.length > 0) return { share: null, trace: [{ code: 'keywords-forbidden', evidence }], hits };
      continue;
    }
    hits.push(...found);
    const wanted = group.need === 'any' ? 1 : group.need === 'all' ? group.words.length : group.need;
    const placed = found.length >= wanted && inPlace(group, places, wanted);
    if (placed) {
      earned.push(exact(group.share));
      trace.push({ code: 'keywords-found', values: { share: group.share, words: list }, evidence });
      trace.push(...found.flatMap(({ likeness, shown }) => forgiven(likeness, shown)));
    } else if (found.length >= wanted) {
      trace.push({
        code: group.ordered ? 'keywords-out-of-order' : 'keywords-too-far',
        values: { words: list },
        evidence,
      });
    } else {
      trace.push({
        code: 'keywords-missing',
        values: {
          found: evidence.length,
          wanted,
          words: group.words.filter((_, i) => places[i]?.length === 0).join(', '),
        },
        ...(evidence.length ? { evidence } : {}),
      });
    }
  }
  if (earned.length === 0) return { share: null, trace, hits };
  const total = sum(earned);
  return { share: total.compare(1) > 0 ? ONE : total, trace, hits };
}

/** A word of a group where it was found. */
interface Hit {
  word: number;
  from: number;
}

/** Whether so many of the group's words can be picked in their order, near enough to each other. */
function inPlace(
  { ordered, within = Number.POSITIVE_INFINITY }: KeywordGroup,
  places: readonly PhrasePlace[][],
  wanted: number,
): boolean {
  if (!ordered && within === Number.POSITIVE_INFINITY) return true;
  const hits = places
    .flatMap((list, word) => list.map(({ from }): Hit => ({ word, from })))
    .sort((a, b) => a.from - b.from);
  return ordered ? inOrder(hits, within, wanted) : together(hits, within, wanted);
}

/** Whether so many different words stand in one stretch. One pass: the stretch moves over the hits. */
function together(hits: readonly Hit[], within: number, wanted: number): boolean {
  const inside = new Map<number, number>();
  let first = 0;
  for (const { word, from } of hits) {
    inside.set(word, (inside.get(word) ?? 0) + 1);
    for (let gone = hits[first]; gone && from - gone.from > within; gone = hits[++first]) {
      const left = (inside.get(gone.word) ?? 0) - 1;
      if (left > 0) inside.set(gone.word, left);
      else inside.delete(gone.word);
    }
    if (inside.size >= wanted) return true;
  }
  return false;
}

/**
 * Whether so many words stand in the order of the list in one stretch. One pass: of every run of words, by its length
 * and last word, only the one that begins last is worth keeping.
 */
function inOrder(hits: readonly Hit[], within: number, wanted: number): boolean {
  const begins: Map<number, number>[] = Array.from({ length: wanted + 1 }, () => new Map());
  for (const { word, from } of hits) {
    for (let length = wanted; length >= 1; length--) {
      let begin = length === 1 ? from : Number.NEGATIVE_INFINITY;
      for (const [last, at] of begins[length - 1] ?? []) if (last < word) begin = Math.max(begin, at);
      if (begin === Number.NEGATIVE_INFINITY) continue;
      if (length === wanted && from - begin <= within) return true;
      const known = begins[length]?.get(word) ?? Number.NEGATIVE_INFINITY;
      if (begin > known) begins[length]?.set(word, begin);
    }
  }
  return false;
}

/** The words of the rules that stand in a text, as they were written there; nothing is marked. */
export function keywordsIn(rules: TextRules, text: string): string[] {
  const matcher = matcherOf(rules);
  const answer = matcher.read(text);
  const wanted = rules.rules.flatMap((rule) =>
    rule.when === 'keywords'
      ? rule.groups.filter(({ need }) => need !== 'none').flatMap(({ words }) => words)
      : rule.when === 'exact'
        ? rule.answers
        : [],
  );
  return [...new Set(wanted.flatMap((word) => matcher.find(answer, word).map(({ shown }) => shown)))];
}

/** The rules with named values put into what is looked for and what is said. */
export function putInText(rules: TextRules, put: Put): TextRules {
  const words = (list: readonly string[]): string[] => list.map((word) => put(word, 'words'));
  return {
    ...rules,
    rules: rules.rules.map((rule): TextRule => {
      const feedback = put(rule.feedback, 'words');
      if (rule.when === 'exact') return { ...rule, feedback, answers: words(rule.answers) };
      if (rule.when === 'pattern') return { ...rule, feedback };
      return { ...rule, feedback, groups: rule.groups.map((group) => ({ ...group, words: words(group.words) })) };
    }),
    calls: words(rules.calls),
    otherwiseFeedback: put(rules.otherwiseFeedback, 'words'),
  };
}

/** What stops or weakens these rules. */
export function textRulesReadiness(rules: TextRules): Finding[] {
  const findings: Finding[] = [];
  const answers = rules.rules.flatMap((rule) =>
    rule.when === 'exact'
      ? rule.answers
      : rule.when === 'keywords'
        ? rule.groups.flatMap((group) => group.words)
        : [rule.pattern],
  );
  if (answers.length === 0 && rules.otherwise === 'zero') findings.push(stops('no-key', []));
  else if (answers.length === 0) findings.push(warns('no-key-all-wait', []));
  rules.rules.forEach((rule, i) => {
    if (rule.when === 'pattern' && compiledPattern(rule.pattern) === null)
      findings.push(stops('pattern-broken', ['rules', i], { pattern: rule.pattern }));
    if (rule.when === 'exact') {
      const twice = rule.answers.find((answer) =>
        rules.rules
          .slice(0, i)
          .some(
            (other) =>
              other.when === 'exact' && other.answers.some((a) => likeAnswer(a, answer, rules.forgives) !== null),
          ),
      );
      if (twice) findings.push(warns('rule-never-reached', ['rules', i], { number: i + 1, answer: twice }));
    }
    if (rule.when !== 'keywords') return;
    for (const group of rule.groups) {
      if (typeof group.need === 'number' && group.need > group.words.length) {
        findings.push(stops('keywords-too-few', ['rules', i], { need: group.need, have: group.words.length }));
      }
    }
    const forbidden = rule.groups.filter((g) => g.need === 'none').flatMap((g) => g.words);
    const both = rule.groups
      .filter((g) => g.need !== 'none')
      .flatMap((g) => g.words)
      .find((word) => forbidden.includes(word));
    if (both) findings.push(stops('keyword-wanted-and-forbidden', ['rules', i], { word: both }));
    const earning = rule.groups.filter((group) => group.need !== 'none');
    if (earning.length === 0) findings.push(stops('keywords-only-forbidden', ['rules', i], { number: i + 1 }));
    const total = sum(earning.map((group) => exact(group.share)));
    if (earning.length > 0 && !total.equals(1))
      findings.push(warns('keywords-do-not-add-up', ['rules', i], { total: total.toFraction(true) }));
  });
  return findings;
}
