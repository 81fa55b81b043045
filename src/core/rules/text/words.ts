import { z } from 'zod';
import { editDistance } from '../../text/edit-distance';
import { isEnglishWord, oneSpelling } from '../../text/english';
import { wordsOfLanguage } from '../../text/languages';
import { soundOf } from '../../text/sound';
import { stemOf, STEM_LANGUAGES, type StemLanguage } from '../../text/stems';
import { foldAccents, foldCapitals, plainQuotes, plainReading } from './normalise';

/** What the rules of one slot look past. */
export const forgives = z.object({
  capitals: z.boolean(),
  accents: z.boolean(),
  spaces: z.boolean(),
  quotes: z.boolean(),
  /** Full stops, commas and brackets; within words nothing is taken away. */
  punctuation: z.boolean().default(false),
  /** "co-ordinate", "co ordinate", "coordinate". */
  hyphens: z.boolean().default(false),
  /** British and American spelling. */
  spelling: z.boolean().default(false),
  /** A slip of the pen that makes no other word. */
  slips: z.boolean().default(false),
  /** Endings of words, in one language. */
  endings: z.enum(['none', ...STEM_LANGUAGES]).default('none'),
});
export type Forgives = z.infer<typeof forgives>;

/** What a fresh rule looks past. Endings are left to choose: they merge words that a teacher may tell apart. */
export const FORGIVES_ALL: Forgives = {
  capitals: true,
  accents: true,
  spaces: true,
  quotes: true,
  punctuation: true,
  hyphens: true,
  spelling: true,
  slips: true,
  endings: 'none',
};

/** The text as these rules see it. */
export function seen(text: string, past: Forgives): string {
  let result = past.spaces || past.quotes ? text.normalize('NFC') : text;
  if (past.quotes) result = plainQuotes(result);
  if (past.spaces) result = plainReading(result);
  if (past.capitals) result = foldCapitals(result);
  if (past.accents) result = foldAccents(result);
  return result;
}

/** What an answer comes to as these rules see it: its words and nothing around them. */
export function gistOfText(text: string, past: Forgives): string {
  const plain = past.punctuation
    ? wordsOf(text, past)
        .map((word) => word.seen)
        .join(' ')
    : seen(text.trim(), past);
  return past.hyphens ? plain.replace(/[-‐‑–]/g, ' ') : plain;
}

export interface Word {
  shown: string;
  seen: string;
}

const EDGES = /^[.,;:!?()[\]{}"'…«»]+|[.,;:!?()[\]{}"'…«»]+$/g;

/** The words of a text, without the punctuation around them. */
export function wordsOf(text: string, past: Forgives): Word[] {
  return plainReading(text)
    .split(' ')
    .map((word) => word.replace(EDGES, ''))
    .filter((word) => word !== '')
    .map((word) => ({ shown: word, seen: seenWord(word, past) }));
}

/** Plain small letters are seen as they are, which most words are. */
export function seenWord(word: string, past: Forgives): string {
  return /^[a-z0-9]+$/.test(word) ? word : seen(word, past);
}

/** How a word was taken for the one that is wanted. */
export type Likeness = 'same' | 'spelling' | 'ending' | 'slip';

/** The shortest word in which two neighbours may be swapped, in which a slip is forgiven, and in which two are, in letters. */
const SWAP = 4;
const ONE_SLIP = 5;
const TWO_SLIPS = 9;

/**
 * Whether a written word stands for the wanted one, by what is forgiven; null
 * when it does not. A slip is never forgiven where it makes another word, of
 * English or of the rules themselves (`others`).
 */
export function likeWord(
  wanted: string,
  written: string,
  past: Forgives,
  others: ReadonlySet<string> = new Set(),
): Likeness | null {
  if (wanted === written) return 'same';
  if (past.hyphens && joined(wanted) === joined(written)) return 'spelling';
  const [a, b] = [foldCapitals(wanted), foldCapitals(written)];
  // Where capitals count, nothing else excuses a wrong one.
  if (!past.capitals && (a === b || (a.charAt(0) === b.charAt(0) && wanted.charAt(0) !== written.charAt(0))))
    return null;
  if (past.spelling && oneSpelling(a) === oneSpelling(b)) return 'spelling';
  // A small word is no form of another: Spanish "más" is not "masa".
  const small = past.endings === 'none' ? null : wordsOfLanguage(past.endings).function;
  if (small?.has(foldAccents(b)) && !small.has(foldAccents(a))) return null;
  const [stems, otherStems] =
    past.endings === 'none' ? [[a], [b]] : [stemsOf(a, past.endings), stemsOf(b, past.endings)];
  if (stems.some((stem) => otherStems.includes(stem))) return 'ending';
  if (!past.slips || others.has(b) || isEnglishWord(b)) return null;
  // Of English the words are known; elsewhere a slip of the first letter is another word too often.
  if (past.endings !== 'none' && past.endings !== 'en' && firstHeard(a) !== firstHeard(b)) return null;
  return isSlip(a, b) || stems.some((stem) => otherStems.some((other) => isSlip(stem, other))) ? 'slip' : null;
}

/**
 * The stems under which a word is known, accents away: of the word as it is
 * written, and of the word without its accents, which learners leave out.
 */
export function stemsOf(word: string, language: StemLanguage): string[] {
  const bare = foldAccents(word);
  const stems = [foldAccents(stemOf(word, language)), stemOf(bare, language)];
  return stems[0] === stems[1] ? stems.slice(1) : stems;
}

const firstHeard = (word: string): string =>
  foldAccents(word)
    .replace(/^h(?=.)/, '')
    .charAt(0);

const joined = (word: string): string => word.replaceAll('-', '');

function isSlip(wanted: string, written: string): boolean {
  if (!/^\p{L}+$/u.test(wanted) || !/^\p{L}+$/u.test(written)) return false;
  const [a, b] = [[...wanted], [...written]];
  if (a.length < SWAP || Math.abs(a.length - b.length) > 2) return false;
  const distance = editDistance(a, b, { transpositions: true });
  // Of four letters, only two that changed places.
  if (a.length < ONE_SLIP)
    return distance === 1 && a.length === b.length && [...a].sort().join('') === [...b].sort().join('');
  if (distance <= (a.length >= TWO_SLIPS ? 2 : 1)) return true;
  return distance <= 3 && a[0] === b[0] && soundOf(wanted) === soundOf(written);
}

/** Where a phrase stands among words: from which to before which; how it was written, and what was forgiven. */
export interface PhrasePlace {
  from: number;
  to: number;
  shown: string;
  likeness: Likeness;
}

/** Whether a whole answer is the wanted one, and what was forgiven for it. */
export function likeAnswer(
  wanted: string,
  answer: string,
  past: Forgives,
  others?: ReadonlySet<string>,
): Likeness | null {
  if (seen(wanted, past) === seen(answer, past)) return 'same';
  if (!past.punctuation && !past.slips && past.endings === 'none' && !past.spelling && !past.hyphens) return null;
  const [a, b] = [wanted, answer].map((text) =>
    wordsOf(past.hyphens ? text.replace(/(?<=\p{L})[-‐‑](?=\p{L})/gu, ' ') : text, past),
  );
  if (!a || !b) return null;
  return likeWords(a, b, [wanted, answer], past, others) ?? likeWithoutArticle(a, b, [wanted, answer], past, others);
}

/** "The gearbox" for "gearbox": an article before an answer says nothing, in the languages whose endings are known. */
function likeWithoutArticle(
  a: readonly Word[],
  b: readonly Word[],
  texts: readonly [string, string],
  past: Forgives,
  others?: ReadonlySet<string>,
): Likeness | null {
  const bare = (words: readonly Word[]): readonly Word[] =>
    words.length > 1 && past.capitals && ARTICLES.has(foldCapitals(words[0]?.seen ?? '')) ? words.slice(1) : words;
  const [c, d] = [bare(a), bare(b)];
  return c === a && d === b ? null : likeWords(c, d, texts, past, others);
}

const ARTICLES = new Set('a an the el la los las un una le les une der die das ein eine einen dem den'.split(' '));

function likeWords(
  a: readonly Word[],
  b: readonly Word[],
  [wanted, answer]: readonly [string, string],
  past: Forgives,
  others?: ReadonlySet<string>,
): Likeness | null {
  const bare = (words: readonly Word[]): string => words.map((word) => word.seen).join(' ');
  if (past.punctuation && bare(a) === bare(b)) return 'same';
  if (!past.punctuation && punctuation(wanted) !== punctuation(answer)) return null;
  if (past.hyphens && bare(a).replaceAll(' ', '') === bare(b).replaceAll(' ', '')) return 'spelling';
  if (a.length !== b.length) return null;
  const likenesses = a.map((word, i) => likeWord(word.seen, b[i]?.seen ?? '', past, others));
  if (likenesses.some((like) => like === null)) return null;
  return likenesses.find((like) => like !== 'same') ?? 'same';
}

const punctuation = (text: string): string => (text.match(/[.,;:!?()[\]{}…]/g) ?? []).join('');
