import type { LanguageWords } from '../../text/languages';
import { foldAccents, foldCapitals, plainReading } from './normalise';
import { type Forgives, seenWord } from './words';

/** A word, number or picture of an answer, and where it stands. */
export interface Token {
  shown: string;
  /** As the rules see it. */
  seen: string;
  /** Small letters without accents and apostrophes, to be looked up in lists. */
  bare: string;
  /** Its place in the reading's text. */
  from: number;
  to: number;
  /** Stretches between commas, brackets and words that turn; each lies in one clause, each clause in one sentence. */
  segment: number;
  clause: number;
  sentence: number;
  /** A slash, or a word that says "or", stands right before it. */
  choice: boolean;
}

/** An answer taken apart. */
export interface Reading {
  /** Lines as they were written, everything invisible folded away. */
  text: string;
  tokens: readonly Token[];
  /** Whether commas part it, or lines and arrows, as in notes. */
  parted: 'not' | 'commas' | 'notes';
}

const TOKEN = new RegExp(
  [
    // A number; a sign counts only where nothing stands before it.
    String.raw`((?<![\p{L}\p{N})%.])[-+]?(?:\d{1,3}(?:[ '.,]\d{3})+(?![\d])(?:[.,]\d+)?|\d+(?:[.,]\d+)?))`,
    // Scripts that are written without blanks are read sign by sign.
    String.raw`([\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Thai}\p{Script=Lao}\p{Script=Khmer}\p{Script=Myanmar}]\p{M}*)`,
    String.raw`([\p{L}\p{M}\p{N}_][\p{L}\p{M}\p{N}_]*(?:['-][\p{L}\p{M}\p{N}]+)*(?:\+\+|#)?)`,
    String.raw`(\p{Extended_Pictographic}(?:\u200d\p{Extended_Pictographic}|\ufe0f)*)`,
    String.raw`(->|=>|-->|[^\s])`,
  ].join('|'),
  'gu',
);

const SENTENCE_END = new Set(['.', '!', '?', '…']);
const CLAUSE_END = new Set([';', ':', '•', '·', '*']);
const SEGMENT_END = new Set([',', '(', ')', '[', ']', '{', '}', '"', '-']);
const ARROWS = new Set(['→', '⇒', '->', '=>', '-->', '=', '<', '>', '⟶', '↑', '↓']);
/** A full stop behind these ends nothing. */
const SHORTENED = new Set(['eg', 'e', 'g', 'ie', 'i', 'etc', 'approx', 'ca', 'vs', 'no', 'fig', 'bzw', 'z', 'b', 'ej']);
/** Before a hyphen these make another word; everything else beside one is a word of its own. */
const PREFIXES = new Set(
  'anti non un in de dis re counter pre post co sub over under semi multi micro macro photo electro thermo hydro bio inter intra hyper hypo vaso e x ex'.split(
    ' ',
  ),
);
const ELIDED = /^(?:[ldnjmtsc]|qu|jusqu|lorsqu|puisqu)$/i;

/** The lines of an answer, as they are read. */
export function plainLines(text: string): string {
  if (!/[\n\r\u2028\u2029]/.test(text)) return plainReading(text);
  return text
    .split(/\r\n|[\n\r\u2028\u2029]/)
    .map(plainReading)
    .filter((line) => line !== '')
    .join('\n');
}

/**
 * Takes an answer apart into words, numbers and signs, whether blanks stand
 * between them or not ("wide/thin", "P=7500W"), with the sentence, clause and
 * stretch that each stands in. One pass.
 */
export function readText(raw: string, past: Forgives, { turns, ands, ors }: LanguageWords): Reading {
  const text = plainLines(raw);
  const tokens: Token[] = [];
  let [segment, clause, sentence] = [0, 0, 0];
  let parted: Reading['parted'] = 'not';
  let choice = false;
  const next = (which: 'segment' | 'clause' | 'sentence'): void => {
    segment++;
    if (which !== 'segment') clause++;
    if (which === 'sentence') sentence++;
  };
  const take = (shown: string, from: number, to: number): void => {
    const bare = bareWord(shown);
    if (turns.has(bare)) next('clause');
    else if (ands.has(bare)) next('segment');
    tokens.push({
      shown,
      seen: seenWord(shown, past),
      bare,
      from,
      to,
      segment,
      clause,
      sentence,
      choice,
    });
    choice = ors.has(bare);
  };
  let line = 0;
  for (const match of text.matchAll(TOKEN)) {
    const at = match.index;
    for (let end = text.indexOf('\n', line); end >= 0 && end < at; end = text.indexOf('\n', line)) {
      next('sentence');
      parted = 'notes';
      line = end + 1;
    }
    const [written, number, sign, word, picture, other] = match;
    if (number ?? sign ?? picture) take(written, at, at + written.length);
    else if (word) for (const { part, from, to } of partsOf(word, past)) take(part, at + from, at + to);
    else if (other) {
      const before = tokens.at(-1);
      const free = !/\S/.test(text.charAt(at + other.length));
      if (SENTENCE_END.has(other)) {
        if ((free || other !== '.') && !(other === '.' && SHORTENED.has(before?.bare ?? ''))) next('sentence');
      } else if (CLAUSE_END.has(other)) next('clause');
      else if (SEGMENT_END.has(other)) {
        if (other !== '-' || free) next('segment');
      }
      if (other === '/') {
        choice = true;
        next('segment');
      }
      if (other === '&' || other === '+') next('segment');
      if (ARROWS.has(other) || CLAUSE_END.has(other)) parted = 'notes';
      else if (parted === 'not' && (SEGMENT_END.has(other) || other === '/')) parted = 'commas';
    }
  }
  return { text, tokens, parted };
}

/** A word in small letters, without accents and apostrophes. */
export function bareWord(shown: string): string {
  if (/^[a-z0-9]+$/.test(shown)) return shown;
  return foldAccents(foldCapitals(shown)).replace(/'/g, '');
}

/** "loss-leader" is two words, "anti-clockwise" one; "l'eau" is two, "isn't" one. */
function partsOf(word: string, past: Forgives): { part: string; from: number; to: number }[] {
  const found: { part: string; from: number; to: number }[] = [];
  let held = '';
  let from = 0;
  let at = 0;
  const leave = (to: number): void => {
    if (held !== '') found.push({ part: held, from, to });
    held = '';
  };
  for (const piece of word.split(/([-'])/)) {
    if (held === '') from = at;
    const parts =
      piece === '-' ? past.hyphens && !PREFIXES.has(held.toLowerCase()) : piece === "'" && ELIDED.test(held);
    if (parts) leave(at);
    else if (piece !== '-' || !past.hyphens) held += piece;
    at += piece.length;
  }
  leave(at);
  return found;
}
