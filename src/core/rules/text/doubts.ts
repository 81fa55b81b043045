import { z } from 'zod';
import { languageBySigns, type LanguageWords, otherLanguage } from '../../text/languages';
import type { StemLanguage } from '../../text/stems';
import type { TraceStep } from '../marking';
import { OPPOSITES } from './opposites';
import type { Reading, Token } from './reading';
import { phrase } from './wordings';
import { bareWord } from './reading';
import type { PhrasePlace } from './words';

/** Signs of doubt that call a person instead of guessing, each switched by itself. */
export const doubts = z.object({
  /** What is denied: a person looks, it does not count, or nothing is made of it. */
  negation: z.enum(['waits', 'refused', 'ignored']),
  /** Much was not read in an answer that earns less than everything. */
  unread: z.boolean(),
  /** One thing is said and denied, or two opposites, or something is taken back. */
  contradiction: z.boolean(),
  /** "A or B", where one of them is not wanted. */
  alternatives: z.boolean(),
  /** A heap of words that says nothing about how they hang together. */
  stuffing: z.boolean(),
  /** Another language than the rules'. */
  language: z.boolean(),
  /** All the words of a point, but in another order, or further apart, than it asks for. */
  order: z.boolean(),
  /** A phrase of several words, but for a letter of one of them. */
  nearly: z.boolean().default(true),
  /** Further pairs of opposites. */
  opposites: z
    .array(z.tuple([phrase, phrase]))
    .max(100)
    .default([]),
});
export type Doubts = z.infer<typeof doubts>;

export const DOUBTS_ALL: Doubts = {
  negation: 'waits',
  unread: true,
  contradiction: true,
  alternatives: true,
  stuffing: true,
  language: true,
  order: true,
  nearly: true,
  opposites: [],
};
export const DOUBTS_NONE: Doubts = {
  negation: 'ignored',
  unread: false,
  contradiction: false,
  alternatives: false,
  stuffing: false,
  language: false,
  order: false,
  nearly: false,
  opposites: [],
};

export interface Doubting {
  reading: Reading;
  /** A phrase that stands in it but for a letter. */
  nearly: () => PhrasePlace | null;
  /** Whether some phrase of the rules covers a word. */
  read: (index: number) => boolean;
  /** Every word that the rules name, in small letters. */
  named: ReadonlySet<string>;
  /** Whether a word stands in the question. */
  asked: (bare: string) => boolean;
  words: LanguageWords;
  language: StemLanguage | 'none';
  doubts: Doubts;
}

/** So many words have to be unread, and such a part of all that have a matter of their own, before a person is called. */
const MUCH = 5;
const MOST_PART = 0.5;

/** Words with a matter of their own that no rule has read and the question did not ask with. */
export function unreadWords(
  { reading, asked, words }: Pick<Doubting, 'reading' | 'asked' | 'words'>,
  touched: readonly PhrasePlace[],
): Token[] {
  const read = new Set(touched.flatMap(({ from, to }) => Array.from({ length: to - from }, (_, i) => from + i)));
  return reading.tokens.filter((token, index) => hasMatter(token, words) && !read.has(index) && !asked(token.bare));
}

/** Whether a word says something by itself. */
export const hasMatter = ({ bare }: Token, words: LanguageWords): boolean =>
  !words.function.has(bare) && (bare.length > 2 || !/^\p{L}+$/u.test(bare));

/** Whether much of an answer was not read. */
export function unreadDoubt(looking: Doubting, touched: readonly PhrasePlace[]): TraceStep | null {
  if (!looking.doubts.unread) return null;
  const unread = unreadWords(looking, touched);
  const all = looking.reading.tokens.filter((token) => hasMatter(token, looking.words) && !looking.asked(token.bare));
  if (unread.length < MUCH || unread.length < all.length * MOST_PART) return null;
  return {
    code: 'doubt-unread',
    values: { words: unread.length },
    evidence: unread.slice(0, 8).map(({ shown }) => shown),
  };
}

/**
 * A denial of something that no rule has read, in an answer that would earn
 * everything: "without cutting it" may turn all the rest round.
 */
export function looseDenial(
  { reading: { tokens }, asked, read, words, doubts }: Doubting,
  touched: readonly PhrasePlace[],
): TraceStep | null {
  if (doubts.negation !== 'waits') return null;
  for (const [index, token] of tokens.entries()) {
    if (!words.denials.has(token.bare) || touched.some(({ from, to }) => index >= from && index < to)) continue;
    if (!touched.some(({ from }) => tokens[from]?.sentence === token.sentence)) continue;
    const behind = tokens
      .slice(index + 1, index + 5)
      .filter((next) => next.segment === token.segment && hasMatter(next, words));
    const [denied] = behind;
    if (denied && !asked(denied.bare) && !behind.some((next) => read(tokens.indexOf(next))))
      return { code: 'doubt-negation', evidence: [`${token.shown} … ${denied.shown}`] };
  }
  return null;
}

/** A phrase but for a letter that makes another word of it: "lost leader" for "loss leader". */
export function nearlyDoubt({ nearly, doubts }: Doubting): TraceStep | null {
  const place = doubts.nearly ? nearly() : null;
  return place ? { code: 'doubt-nearly', evidence: [place.shown] } : null;
}

/** Another language than that of the rules. */
export function languageDoubt({ reading, language, doubts }: Doubting): TraceStep | null {
  if (!doubts.language || language === 'none') return null;
  const bare = reading.tokens.map((token) => token.bare);
  const other = otherLanguage(bare, language) ?? languageBySigns(reading.text, bare, language);
  return other ? { code: 'doubt-language', values: { language: other } } : null;
}

/** What makes it doubtful to mark an answer by its hits; null when nothing does. */
export function doubtIn(looking: Doubting, hits: readonly PhrasePlace[], list: boolean): TraceStep | null {
  if (hits.length === 0) return null;
  const { doubts } = looking;
  return (
    (doubts.contradiction ? (takenBack(looking) ?? opposed(looking, hits)) : null) ??
    (doubts.alternatives ? alternative(looking, hits) : null) ??
    (doubts.stuffing && isHeap(looking, hits, list) ? { code: 'doubt-stuffing' } : null)
  );
}

/** "No, I mean …" */
function takenBack({ reading, words }: Doubting): TraceStep | null {
  if (!reading.tokens.some(({ bare }) => words.corrections.some((cue) => cue.startsWith(bare)))) return null;
  const said = ` ${reading.tokens.map(({ bare }) => bare).join(' ')} `;
  const cue = words.corrections.find((correction) => said.includes(` ${correction} `));
  return cue === undefined ? null : { code: 'doubt-taken-back', evidence: [cue] };
}

/**
 * Two opposite words: one among the hits and the other loose, or a loose one
 * right beside a hit whose opposite the rules ask for. Loose is what no phrase of the
 * rules names and the question did not ask with.
 */
function opposed(
  { reading: { tokens }, read, asked, named, words, doubts }: Doubting,
  hits: readonly PhrasePlace[],
): TraceStep | null {
  const pairs = doubts.opposites.map(([a, b]) => [bareWord(a), bareWord(b)] as const);
  const touched = new Set(hits.flatMap(({ from, to }) => tokens.slice(from, to).map(({ bare }) => bare)));
  const beside = new Set(hits.flatMap(({ from, to }) => [from - 1, to]));
  for (const [index, { bare }] of tokens.entries()) {
    if (read(index) || asked(bare)) continue;
    const others = [
      ...(OPPOSITES.get(bare) ?? []),
      ...pairs.flatMap(([a, b]) => (a === bare ? [b] : b === bare ? [a] : [])),
    ];
    const other = others.find(
      (one) => touched.has(one) || (beside.has(index) && !words.function.has(bare) && named.has(one)),
    );
    if (other !== undefined) return { code: 'doubt-opposites', evidence: [other, bare] };
  }
  return null;
}

/** "A or B": a hit on one side, on the other words that no rule has read. */
function alternative({ reading: { tokens }, read, words }: Doubting, hits: readonly PhrasePlace[]): TraceStep | null {
  for (const [index, token] of tokens.entries()) {
    if (!token.choice) continue;
    const word = words.ors.has(tokens[index - 1]?.bare ?? '');
    const right = word ? neighbour(tokens, index, 1, words) : index;
    const left = word ? neighbour(tokens, index - 2, -1, words) : index - 1;
    if (left === null || right === null || read(left) === read(right)) continue;
    const hit = read(left) ? left : right;
    if (!hits.some(({ from, to }) => hit >= from && hit < to)) continue;
    const [a, b] = [tokens[left]?.shown ?? '', tokens[right]?.shown ?? ''];
    // "Na/K", "m/s": signs, not words.
    if (Math.min(a.length, b.length) <= 2) continue;
    return { code: 'doubt-alternatives', evidence: [a, b] };
  }
  return null;
}

/** The nearest word with a matter of its own in one direction, within the sentence. */
function neighbour(tokens: readonly Token[], start: number, step: 1 | -1, words: LanguageWords): number | null {
  const sentence = tokens[start]?.sentence;
  for (let at = start; at >= 0 && at < tokens.length && Math.abs(at - start) < 4; at += step) {
    const token = tokens[at];
    if (!token || token.sentence !== sentence) return null;
    if (hasMatter(token, words)) return at;
  }
  return null;
}

/**
 * Words that are nearly all there is, none of them a small one that would make
 * a sentence. With commas between them they may be a list: then only where no
 * list is asked for, and they are many and short. Arrows and lines make notes
 * of them.
 */
function isHeap({ reading, words }: Doubting, hits: readonly PhrasePlace[], list: boolean): boolean {
  const { tokens, parted } = reading;
  if (parted === 'notes' || tokens.length < 4 || hits.length < 2) return false;
  const covered = new Set(hits.flatMap((hit) => Array.from({ length: hit.to - hit.from }, (_, i) => hit.from + i)));
  if (covered.size < tokens.length * 0.4) return false;
  const items = new Set(tokens.map(({ segment }) => segment)).size;
  if (parted === 'commas' && (list || items < 5 || tokens.length > items * 2.2)) return false;
  return !tokens.some(({ bare }, index) => !covered.has(index) && (words.function.has(bare) || VERBAL.test(bare)));
}

/** What looks like a verb with a subject (common practice, no source): a heap has none. */
const VERBAL = /(?:ed|ing)$/;
