import { z } from 'zod';
import type { TraceStep } from '../marking';
import type { PhrasePlace, Word } from './words';

/** Signs of doubt that call a person instead of guessing, each switched by itself. */
export const doubts = z.object({
  /** "not", "no", "without", "never" beside a hit: a person looks, the hit is refused, or nothing is made of it. */
  negation: z.enum(['waits', 'refused', 'ignored']),
  /** A longer answer in which no rule finds anything. */
  longWithoutHit: z.boolean(),
  /** Both of two opposite words stand in it. */
  opposites: z.boolean(),
  /** "although", "or", "or rather", "not only" beside a hit. */
  hedges: z.boolean(),
  /** A heap of keywords without a sentence. */
  heap: z.boolean(),
  /** All the keywords, but in another order, or further apart, than the rule asks for. */
  order: z.boolean().default(false),
});
export type Doubts = z.infer<typeof doubts>;

export const DOUBTS_ALL: Doubts = {
  negation: 'waits',
  longWithoutHit: true,
  opposites: true,
  hedges: true,
  heap: true,
  order: true,
};
export const DOUBTS_NONE: Doubts = {
  negation: 'ignored',
  longWithoutHit: false,
  opposites: false,
  hedges: false,
  heap: false,
  order: false,
};

const NEGATIONS = new Set([
  'not',
  'no',
  'without',
  'never',
  'neither',
  'nor',
  'none',
  'cannot',
  'hardly',
  'nothing',
  'isnt',
  'arent',
  'wasnt',
  'werent',
  'doesnt',
  'dont',
  'didnt',
  'cant',
  'wont',
  'wouldnt',
  'shouldnt',
  'instead',
  'kein',
  'keine',
  'keinen',
  'nicht',
  'ohne',
  'nie',
  'weder',
  'pas',
  'sans',
  'jamais',
  'aucun',
  'aucune',
  'nunca',
  'sin',
  'ni',
]);
const HEDGES = new Set([
  'although',
  'though',
  'or',
  'either',
  'maybe',
  'perhaps',
  'possibly',
  'unless',
  'except',
  'oder',
  'obwohl',
  'ou',
  'quoique',
  'aunque',
  'quizás',
]);
/** Words that make a sentence of others (common practice, no source). */
const SENTENCE_WORDS = new Set([
  'a',
  'an',
  'the',
  'is',
  'are',
  'was',
  'were',
  'be',
  'it',
  'its',
  'this',
  'that',
  'these',
  'of',
  'to',
  'in',
  'on',
  'at',
  'by',
  'for',
  'from',
  'with',
  'because',
  'so',
  'when',
  'if',
  'which',
  'as',
  'has',
  'have',
  'can',
  'will',
  'must',
  'they',
  'we',
  'i',
  'you',
  'then',
  'than',
  'do',
  'does',
  'and',
  'der',
  'die',
  'das',
  'ein',
  'eine',
  'ist',
  'sind',
  'und',
  'le',
  'la',
  'les',
  'un',
  'une',
  'est',
  'el',
  'los',
  'es',
  'son',
  'y',
  'et',
]);
const OPPOSITES: readonly (readonly [string, string])[] = [
  ['increase', 'decrease'],
  ['increases', 'decreases'],
  ['increasing', 'decreasing'],
  ['rise', 'fall'],
  ['rises', 'falls'],
  ['higher', 'lower'],
  ['high', 'low'],
  ['more', 'less'],
  ['greater', 'smaller'],
  ['larger', 'smaller'],
  ['faster', 'slower'],
  ['hot', 'cold'],
  ['warm', 'cold'],
  ['warmer', 'colder'],
  ['open', 'closed'],
  ['opens', 'closes'],
  ['positive', 'negative'],
  ['parallel', 'series'],
  ['clockwise', 'anticlockwise'],
  ['clockwise', 'counterclockwise'],
  ['left', 'right'],
  ['up', 'down'],
  ['upwind', 'downwind'],
  ['before', 'after'],
  ['above', 'below'],
  ['inside', 'outside'],
  ['attract', 'repel'],
  ['attracts', 'repels'],
  ['gain', 'loss'],
  ['input', 'output'],
  ['stall', 'feather'],
  ['accelerates', 'brakes'],
  ['same', 'different'],
  ['constant', 'variable'],
  ['direct', 'alternating'],
  ['rotor', 'stator'],
  ['always', 'never'],
];

/** How many words before a hit a denial still reaches, and how many after. */
const REACH_BEFORE = 3;
const REACH_AFTER = 2;
const LONG = 12;

const plain = (word: Word): string => word.shown.toLowerCase().replace(/['’]/g, '');

/** The denial beside a place in the answer; null when there is none. What belongs to the wanted phrase itself is no denial. */
export function denialBeside(words: readonly Word[], { from, to }: PhrasePlace): string | null {
  const before = words.slice(Math.max(0, from - REACH_BEFORE), from);
  const after = words.slice(to, to + REACH_AFTER);
  const denial = [...before, ...after].find((word) => NEGATIONS.has(plain(word)));
  return denial?.shown ?? null;
}

/** What makes it doubtful to mark an answer by its hits; null when nothing does. */
export function doubtIn(words: readonly Word[], hits: readonly PhrasePlace[], doubts: Doubts): TraceStep | null {
  if (hits.length === 0) return null;
  if (doubts.negation === 'waits') {
    const denied = hits.map((hit) => denialBeside(words, hit)).find((denial) => denial !== null);
    if (denied) return { code: 'doubt-negation', evidence: [denied] };
  }
  if (doubts.hedges) {
    const hedge = hits
      .flatMap((hit) => words.slice(Math.max(0, hit.from - 3), hit.to + 3))
      .find((word) => HEDGES.has(plain(word)));
    if (hedge) return { code: 'doubt-hedge', evidence: [hedge.shown] };
  }
  if (doubts.opposites) {
    const all = new Set(words.map(plain));
    const touched = new Set(hits.flatMap((hit) => words.slice(hit.from, hit.to).map(plain)));
    const pair = OPPOSITES.find(([a, b]) => all.has(a) && all.has(b) && (touched.has(a) || touched.has(b)));
    if (pair) return { code: 'doubt-opposites', evidence: [...pair] };
  }
  if (doubts.heap && isHeap(words, hits)) return { code: 'doubt-heap' };
  return null;
}

/** Four or more hits that are nearly all there is, without a word that would make a sentence. */
function isHeap(words: readonly Word[], hits: readonly PhrasePlace[]): boolean {
  const covered = new Set(hits.flatMap((hit) => Array.from({ length: hit.to - hit.from }, (_, i) => hit.from + i)));
  if (hits.length < 4 || covered.size < words.length * 0.75) return false;
  return !words.some((word) => SENTENCE_WORDS.has(plain(word)));
}

/** Whether an answer without any hit is long enough that a person should look. */
export function isLong(words: readonly Word[]): boolean {
  return words.length >= LONG;
}
