import { z } from 'zod';
import { type Exact, exact, shareText, ZERO } from '../../base/exact';
import type { Put } from '../../content/put';
import { type LanguageWords, wordsOfLanguage } from '../../text/languages';
import { marked, type Marking, type TraceStep, waits } from '../marking';
import {
  type Doubting,
  doubtIn,
  doubts,
  DOUBTS_ALL,
  languageDoubt,
  looseDenial,
  nearlyDoubt,
  unreadDoubt,
} from './doubts';
import { denialsIn } from './denials';
import { listsOf, wordList } from './lists';
import { type Answer, Matcher } from './matcher';
import { compiledPattern } from './patterns';
import { pointsIn, type PointsRule, pointsRule, wordingsIn } from './points';
import { type PointsVerdict, tryPoints } from './try-points';
import { type Asked, askedIn } from './asked';
import { isJoined, LONGEST_PHRASE, phrase, phrasesIn, placementsOf, type Wording, wording } from './wordings';
import { type Forgives, forgives, FORGIVES_ALL, type Likeness, likeAnswer, type PhrasePlace, seen } from './words';

const textRule = z.discriminatedUnion('when', [
  z.object({
    when: z.literal('exact'),
    answers: z.array(phrase).max(40),
    share: shareText,
    feedback: z.string().max(1000),
  }),
  pointsRule,
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
  forgives: forgives.default(FORGIVES_ALL),
  rules: z.array(textRule).max(20),
  /** Words and patterns that call a person, wherever they stand. */
  calls: z.array(wording).max(40).default([]),
  doubts: doubts.default(DOUBTS_ALL),
  /** What happens to an answer on which no rule decides. */
  otherwise: z.enum(['waits', 'zero']),
  otherwiseFeedback: z.string().max(1000).default(''),
  /** The word lists that are used by name, as they were when the rules were set. */
  lists: z.array(wordList).max(40).default([]),
});
export type TextRules = z.infer<typeof textRules>;

/** Wordings typed in one line, with semicolons between them: forty at most, and of each as much as a phrase has. */
export function wordingsOf(typed: string): string[] {
  return typed
    .split(/[;\n]/)
    .map((one) => one.trim().slice(0, LONGEST_PHRASE).trim())
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
    lists: [],
  };
}

/**
 * Marks a typed answer: the first rule that holds gives its share. The points
 * of a rule add up to at most the whole. It waits when a word calls a person,
 * when a sign of doubt stands in it, and when it is longer than 5000
 * characters. `asked` is the text of the question: what is copied from it earns
 * nothing by itself, and its words are no unread ones.
 */
export function markText(rules: TextRules, text: string, asked = ''): Marking {
  if (text.length > 5000) return waits([{ code: 'text-too-long' }]);
  const { matcher } = preparedOf(rules);
  const answer = matcher.read(text);
  const looking = lookingIn(rules, answer, askedIn(asked, rules.forgives));
  const call = rules.calls.map((one) => placementsOf(one, looking, () => true)[0]?.[0]).find((found) => found);
  if (call) return waits([{ code: 'word-calls', evidence: [call.shown] }]);
  const touched: PhrasePlace[] = [];
  for (const [index, rule] of rules.rules.entries()) {
    const at: TraceStep = { code: 'rule', values: { number: index + 1 } };
    if (rule.when === 'points') {
      const verdict = tryPoints(rule, looking);
      touched.push(...verdict.touched);
      const doubt = doubtOf(verdict, looking, rule);
      if (doubt) return waits([at, ...verdict.trace, doubt]);
      if (verdict.share) return marked(verdict.share, [at, ...verdict.trace], rule.feedback);
      continue;
    }
    const verdict =
      rule.when === 'exact'
        ? tryExact(rule, text, rules.forgives, matcher.own)
        : tryPattern(rule, text, rules.forgives);
    if (verdict) return marked(verdict.share, [at, ...verdict.trace], rule.feedback);
  }
  const nothing: TraceStep = { code: 'no-rule-matched' };
  const doubt = languageDoubt(looking) ?? nearlyDoubt(looking) ?? unreadDoubt(looking, touched);
  if (doubt) return waits([nothing, doubt]);
  return rules.otherwise === 'zero' ? marked(ZERO, [nothing], rules.otherwiseFeedback) : waits([nothing]);
}

/** How an answer was read, without its mark: which words some point has read, and which points it has. */
export function lookAt(rules: TextRules, text: string, asked = '') {
  const { matcher } = preparedOf(rules);
  const answer = matcher.read(text.slice(0, 5000));
  const looking = lookingIn(rules, answer, askedIn(asked, rules.forgives));
  const read = new Set<number>();
  const met = new Set<string>();
  for (const [index, rule] of rules.rules.entries()) {
    if (rule.when !== 'points') continue;
    const { touched, met: ids } = tryPoints(rule, looking);
    for (const { from, to } of touched) for (let at = from; at < to; at++) read.add(at);
    for (const id of ids) met.add(`${index}:${id}`);
  }
  return { answer, words: looking.words, read, met, has: looking.asked };
}

/** What makes it doubtful to give an answer what its points come to. */
function doubtOf(
  { share, trace, hits, touched, doubt }: PointsVerdict,
  looking: Doubting,
  rule: PointsRule,
): TraceStep | null {
  if (doubt) return doubt;
  const beside = doubtIn(looking, hits, isList(rule));
  if (beside) return beside;
  const { doubts } = looking;
  const misplaced = doubts.order ? trace.find(({ code }) => code === 'point-misplaced') : undefined;
  if (misplaced) return { code: 'doubt-order', ...(misplaced.evidence ? { evidence: misplaced.evidence } : {}) };
  if (!share) return null;
  const foreign = languageDoubt(looking);
  if (foreign || share.equals(1)) return foreign ?? looseDenial(looking, touched);
  return nearlyDoubt(looking) ?? unreadDoubt(looking, touched);
}

/** Whether a rule asks for things to be named, so that a heap of words is an answer. */
const isList = ({ sets }: PointsRule): boolean =>
  sets.some(({ most, points }) => most !== null || (sets.length === 1 && points.length === 1));

interface Prepared {
  of: Pick<TextRules, 'calls' | 'forgives' | 'lists'>;
  matcher: Matcher;
  words: LanguageWords;
  expand: (phrase: string) => readonly string[];
}
const prepared = new WeakMap<TextRules['rules'], Prepared>();

/** The matcher of a rule set and its word lists, made when they are first needed; another choice of doubts goes on with the same. */
function preparedOf(rules: TextRules): Prepared {
  const { calls, forgives: past, lists } = rules;
  const known = prepared.get(rules.rules);
  if (known && known.of.calls === calls && known.of.forgives === past && known.of.lists === lists) return known;
  const expand = listsOf(rules.lists);
  const wordings: Wording[] = [
    ...rules.calls,
    ...rules.rules.flatMap((rule) =>
      rule.when === 'exact' ? rule.answers : rule.when === 'points' ? wordingsIn(rule) : [],
    ),
  ];
  const phrases = wordings.flatMap(phrasesIn).flatMap((one) => [...expand(one)]);
  const matcher = new Matcher(phrases, rules.forgives);
  const language = wordsOfLanguage(rules.forgives.endings);
  // "Fewer" takes from nothing where the rules themselves ask for it.
  const lessening = new Set([...language.lessening].filter((word) => !matcher.own.has(word)));
  const made = { of: { calls, forgives: past, lists }, matcher, words: { ...language, lessening }, expand };
  prepared.set(rules.rules, made);
  return made;
}

function lookingIn(rules: TextRules, answer: Answer, asked: Asked) {
  const covered = new Set<number>();
  for (const places of answer.places.values())
    for (const { from, to } of places) for (let at = from; at < to; at++) covered.add(at);
  const { expand, matcher, words } = preparedOf(rules);
  const language = rules.forgives.endings;
  const copied = asked.copiedIn(answer.tokens);
  return {
    answer,
    expand,
    anyCapitals: rules.forgives.capitals,
    language,
    words,
    denial: denialsIn(answer, words),
    doubts: rules.doubts,
    own: ({ from, to }: { from: number; to: number }) => !copied || !copied.slice(from, to).every(Boolean),
    reading: answer,
    nearly: answer.nearly,
    read: (index: number) => covered.has(index),
    named: matcher.own,
    asked: asked.has,
  };
}

function forgiven(likeness: Likeness, shown: string): TraceStep[] {
  return likeness === 'same' ? [] : [{ code: `forgiven-${likeness}`, evidence: [shown] }];
}

interface Verdict {
  share: Exact;
  trace: TraceStep[];
}

function tryExact(
  rule: TextRule & { when: 'exact' },
  answer: string,
  past: Forgives,
  others: ReadonlySet<string>,
): Verdict | null {
  for (const wanted of rule.answers) {
    const likeness = likeAnswer(wanted, answer, past, others);
    if (likeness === null) continue;
    const trace = [{ code: 'text-equal', values: { wanted } }, ...forgiven(likeness, answer.trim())];
    return { share: exact(rule.share), trace };
  }
  return null;
}

/** A pattern says itself which letters it wants: where capitals are forgiven it reads past them, and the answer keeps its own. */
function tryPattern(rule: TextRule & { when: 'pattern' }, text: string, past: Forgives): Verdict | null {
  const answer = seen(text, { ...past, capitals: false });
  if (!compiledPattern(rule.pattern, past.capitals)?.matches(answer)) return null;
  return { share: exact(rule.share), trace: [{ code: 'pattern-matched', values: { pattern: rule.pattern } }] };
}

/** The words of the rules that stand in a text, as they were written there; nothing is marked. */
export function keywordsIn(rules: TextRules, text: string): string[] {
  const { matcher, expand } = preparedOf(rules);
  const { places } = matcher.read(text);
  const wanted = rules.rules.flatMap((rule) =>
    rule.when === 'points'
      ? pointsIn(rule).flatMap(({ accept, half }) => [...accept, ...half].flatMap(phrasesIn))
      : rule.when === 'exact'
        ? rule.answers
        : [],
  );
  const found = wanted.flatMap((one) => expand(one).flatMap((each) => places.get(each) ?? []));
  return [...new Set(found.map(({ shown }) => shown))];
}

/** The rules with named values put into what is looked for and what is said. */
export function putInText(rules: TextRules, put: Put): TextRules {
  const words = (list: readonly string[]): string[] => list.map((word) => put(word, 'words'));
  const inWording = (one: Wording): Wording => {
    if (typeof one === 'string') return put(one, 'words');
    if (!isJoined(one)) return one;
    return { ...one, parts: one.parts.map(words), ...(one.rivals ? { rivals: words(one.rivals) } : {}) };
  };
  return {
    ...rules,
    rules: rules.rules.map((rule): TextRule => {
      const feedback = put(rule.feedback, 'words');
      if (rule.when === 'exact') return { ...rule, feedback, answers: words(rule.answers) };
      if (rule.when === 'pattern') return { ...rule, feedback };
      const sets = rule.sets.map((set) => ({
        ...set,
        wrong: set.wrong.map(inWording),
        points: set.points.map((point) => ({
          ...point,
          accept: point.accept.map(inWording),
          half: point.half.map(inWording),
          refuse: point.refuse.map(inWording),
          under: words(point.under),
        })),
      }));
      return { ...rule, feedback, sets, refuse: rule.refuse.map(inWording) };
    }),
    calls: rules.calls.map(inWording),
    otherwiseFeedback: put(rules.otherwiseFeedback, 'words'),
  };
}
