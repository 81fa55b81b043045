import { hasMatter } from './doubts';
import { pointLabel, pointsIn, type PointsRule } from './points';
import type { Token } from './reading';
import { lookAt, type TextRules } from './rules';
import { stemsOf } from './words';

/** A point that a rule set knows, by a name of its own in all the rules. */
export interface NamedPoint {
  id: string;
  label: string;
}

/** A stretch of an answer, and whether some point has read it. */
export interface Piece {
  text: string;
  read: boolean;
}

/** Words that no rule has read, as one or more answers have them. */
export interface UnreadPhrase {
  phrase: string;
  /** In how many answers it stands. */
  answers: number;
  /** Points that some of these answers have not, with how many; those that miss most first. */
  missing: readonly { point: NamedPoint; answers: number }[];
  /** How many of these answers a person gave marks, and how many none. */
  given: number;
  refused: number;
}

/** An answer of a class, so many times. */
export interface ClassAnswer {
  text: string;
  count: number;
  /** Whether it earns everything; its words are not looked for. */
  full: boolean;
  /** How many of them a person gave some marks, and how many none. */
  given: number;
  refused: number;
}

const nameOf = (rule: number, id: string): string => `${rule}:${id}`;

/** Every point of the rules that can be given a further wording. */
export function namedPoints(rules: TextRules): NamedPoint[] {
  return rules.rules.flatMap((rule, index) =>
    rule.when === 'points'
      ? pointsIn(rule).map((point) => ({ id: nameOf(index, point.id), label: pointLabel(point) }))
      : [],
  );
}

/** The rules with one more wording accepted for a point. */
export function giveToPoint(rules: TextRules, point: string, wording: string): TextRules {
  const inRule = (rule: PointsRule, index: number): PointsRule => ({
    ...rule,
    sets: rule.sets.map((set) => ({
      ...set,
      points: set.points.map((one) =>
        nameOf(index, one.id) === point && !one.accept.includes(wording) && one.accept.length < 60
          ? { ...one, accept: [...one.accept, wording] }
          : one,
      ),
    })),
  });
  return { ...rules, rules: rules.rules.map((rule, i) => (rule.when === 'points' ? inRule(rule, i) : rule)) };
}

/** An answer in pieces, those that no rule has read told from the others; small words go with what they stand beside. */
export function piecesOf(rules: TextRules, text: string, asked = ''): Piece[] {
  const { answer, read, words } = lookAt(rules, text, asked);
  const pieces: Piece[] = [];
  let at = 0;
  const add = (to: number, isRead: boolean): void => {
    const last = pieces.at(-1);
    const part = answer.text.slice(at, to);
    at = to;
    if (part === '') return;
    if (last?.read === isRead) last.text += part;
    else pieces.push({ text: part, read: isRead });
  };
  answer.tokens.forEach((token, index) => {
    const isRead = read.has(index) || !hasMatter(token, words);
    add(token.from, pieces.at(-1)?.read ?? isRead);
    add(token.to, isRead);
  });
  add(answer.text.length, pieces.at(-1)?.read ?? true);
  return pieces;
}

/** So many words make a phrase at most; so many phrases are shown. */
const LONGEST = 3;
const MOST_SHOWN = 20;

interface Found {
  shown: string;
  words: number;
  answers: number;
  given: number;
  refused: number;
  missing: Map<string, number>;
}

/**
 * The phrases of one to three words that no rule has read, in the answers of a
 * class that earn less than everything: counted by answers, words of one stem
 * as one, the most frequent first; a phrase that never stands without a longer
 * one is left to that.
 */
export function unreadPhrases(rules: TextRules, answers: readonly ClassAnswer[], asked = ''): UnreadPhrase[] {
  const points = namedPoints(rules);
  const found = new Map<string, Found>();
  for (const { text, count, full, given, refused } of answers) {
    if (full) continue;
    const looked = lookAt(rules, text, asked);
    const unmet = points.filter(({ id }) => !looked.met.has(id));
    const mine = new Map<string, string>();
    for (const run of runsIn(looked)) {
      for (let from = 0; from < run.length; from++) {
        for (let length = 1; length <= LONGEST && from + length <= run.length; length++) {
          const words = run.slice(from, from + length);
          const ends = [words[0], words.at(-1)];
          if (!ends.every((token) => token && hasMatter(token, looked.words))) continue;
          const key = words.map((token) => keyOf(token, rules)).join(' ');
          if (!mine.has(key)) mine.set(key, words.map(({ shown }) => shown).join(' '));
        }
      }
    }
    for (const [key, shown] of mine) {
      const one = found.get(key) ?? {
        shown,
        words: key.split(' ').length,
        answers: 0,
        given: 0,
        refused: 0,
        missing: new Map<string, number>(),
      };
      one.answers += count;
      one.given += given;
      one.refused += refused;
      for (const { id } of unmet) one.missing.set(id, (one.missing.get(id) ?? 0) + count);
      found.set(key, one);
    }
  }
  const inLonger = (key: string, { words, answers: own }: Found): boolean =>
    [...found].some(
      ([other, { words: more, answers: count }]) => more > words && count >= own && ` ${other} `.includes(` ${key} `),
    );
  return [...found]
    .sort(([, a], [, b]) => b.answers - a.answers || b.words - a.words)
    .slice(0, MOST_SHOWN * 10)
    .filter(([key, one]) => one.missing.size > 0 && !inLonger(key, one))
    .slice(0, MOST_SHOWN)
    .map(([, { shown, answers: count, given, refused, missing }]) => ({
      phrase: shown,
      answers: count,
      given,
      refused,
      missing: points
        .flatMap((point) => (missing.has(point.id) ? [{ point, answers: missing.get(point.id) ?? 0 }] : []))
        .sort((a, b) => b.answers - a.answers),
    }));
}

/** Runs of words within one stretch that nothing has read and the question did not ask with. */
function runsIn({ answer, read, has }: ReturnType<typeof lookAt>): Token[][] {
  const runs: Token[][] = [];
  let run: Token[] = [];
  answer.tokens.forEach((token, index) => {
    if (run.at(-1)?.segment !== token.segment && run.length > 0) run = [];
    if (read.has(index) || has(token.bare)) {
      run = [];
      return;
    }
    if (run.length === 0) runs.push(run);
    run.push(token);
  });
  return runs;
}

const keyOf = ({ bare }: Token, { forgives: { endings } }: TextRules): string =>
  endings === 'none' ? bare : (stemsOf(bare, endings)[0] ?? bare);
