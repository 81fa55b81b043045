import { editDistance } from '../../text/edit-distance';
import { isEnglishWord, oneSpelling } from '../../text/english';
import { LANGUAGE_WORDS, wordsOfLanguage } from '../../text/languages';
import { soundOf } from '../../text/sound';
import { type Amount, amountOf, amountsIn } from './amounts';
import { foldCapitals } from './normalise';
import { bareWord, type Reading, readText, type Token } from './reading';
import { type Forgives, type PhrasePlace, type Likeness, likeWord, stemsOf } from './words';

/** So many different words are remembered; then all are forgotten, so that no flood of answers grows memory. */
const MOST_REMEMBERED = 20_000;
/** Rule sets with more words than this look for one slip in a word, never for two. */
const MANY_WORDS = 3000;

/** A word of a phrase. `"ATP"` wants exactly these signs, `'planter'` this form of the word, `dilat…` any ending. */
interface Part {
  seen: string;
  exactly: boolean;
  /** No other ending and no slip of it. */
  form: boolean;
  beginning: boolean;
}

/** An answer, ready to be searched: its words, and where each phrase of the rules stands. */
export interface Answer extends Reading {
  places: ReadonlyMap<string, readonly PhrasePlace[]>;
  /** A phrase of several words that stands there but for a letter of one of them; worked out when it is asked for. */
  nearly: () => PhrasePlace | null;
}

/**
 * Finds the phrases of one rule set in answers. Every different word is
 * compared with the wanted ones only once, however many answers it stands in,
 * and only with those that share a key with it (stem, spelling, sound, or the
 * word less a letter).
 */
export class Matcher {
  /** Every word that the rules name: none of them is a slip of another. */
  readonly own: ReadonlySet<string>;
  private readonly past: Forgives;
  private readonly phrases = new Map<string, readonly Part[]>();
  /** Those that are numbers; they are found by their value. */
  private readonly amounts = new Map<string, Amount>();
  /** The phrases that begin with a word. */
  private readonly byFirst = new Map<string, string[]>();
  /** The phrases of two to six longer words of which a word is the first or the second. */
  private readonly inPhrases = new Map<string, { phrase: string; parts: readonly Part[]; index: number }[]>();
  /** The phrases of several words, written as one. */
  private readonly asOne = new Map<string, string>();
  private readonly beginnings: string[] = [];
  private readonly byKey = new Map<string, Set<string>>();
  private readonly remembered = new Map<string, ReadonlyMap<string, Likeness>>();

  constructor(phrases: readonly string[], past: Forgives) {
    this.past = past;
    for (const phrase of new Set(phrases)) this.know(phrase);
    const wanted = new Set([...this.phrases.values()].flatMap((parts) => parts.map(({ seen }) => seen)));
    this.own = new Set([...wanted].map(foldCapitals));
    for (const word of [...wanted, ...this.asOne.keys()]) {
      for (const key of this.keysOf(word, wanted.size <= MANY_WORDS)) {
        const known = this.byKey.get(key);
        if (known) known.add(word);
        else this.byKey.set(key, new Set([word]));
      }
    }
  }

  private know(phrase: string): void {
    const amount = amountOf(phrase);
    const parts = amount ? [] : withoutDeterminers(partsOf(phrase, this.past), this.past);
    this.phrases.set(phrase, parts);
    if (amount) this.amounts.set(phrase, amount);
    const [first] = parts;
    if (!first) return;
    put(this.byFirst, first.seen, phrase);
    if (first.beginning) this.beginnings.push(first.seen);
    if (parts.length > 1 && parts.length <= 6 && parts.every(({ seen }) => seen.length >= 3))
      parts.slice(0, 2).forEach(({ seen }, index) => put(this.inPhrases, seen, { phrase, parts, index }));
    const joined = parts.map(({ seen }) => seen).join('');
    if (parts.length > 1 && joined.length >= 6) this.asOne.set(joined, phrase);
  }

  /** What a word and those that may stand for it share. */
  private *keysOf(word: string, twice: boolean): Iterable<string> {
    const small = foldCapitals(word);
    yield `=${small.replaceAll('-', '')}`;
    if (this.past.spelling) yield `=${oneSpelling(small)}`;
    if (this.past.endings !== 'none') for (const stem of stemsOf(small, this.past.endings)) yield `=${stem}`;
    if (!this.past.slips || small.length < 4 || small.length > 30) return;
    yield `~${soundOf(small)}`;
    const less = lessOne(small);
    yield `-${small}`;
    for (const one of less) yield `-${one}`;
    if (twice && small.length >= 9) for (const one of less) for (const two of lessOne(one)) yield `-${two}`;
  }

  /** The wanted words that a written one stands for. */
  private standsFor({ seen }: Pick<Token, 'seen'>): ReadonlyMap<string, Likeness> {
    let likenesses = this.remembered.get(seen);
    if (!likenesses) {
      if (this.remembered.size >= MOST_REMEMBERED) this.remembered.clear();
      likenesses = this.compare(seen);
      this.remembered.set(seen, likenesses);
    }
    return likenesses;
  }

  private compare(written: string): ReadonlyMap<string, Likeness> {
    const found = new Map<string, Likeness>();
    const tried = new Set<string>();
    for (const key of this.keysOf(written, true)) {
      for (const wanted of this.byKey.get(key) ?? []) {
        if (tried.has(wanted)) continue;
        tried.add(wanted);
        const likeness = likeWord(wanted, written, this.past, this.own);
        if (likeness) found.set(wanted, likeness);
      }
    }
    for (const beginning of this.beginnings)
      if (!found.has(beginning) && written.startsWith(beginning)) found.set(beginning, 'ending');
    return found;
  }

  /** The words of an answer, with every place of every phrase in it. */
  read(answer: string): Answer {
    const { endings } = this.past;
    const words = wordsOfLanguage(endings);
    const reading = this.unglued(readText(answer, this.past, words));
    const { tokens } = reading;
    const places = new Map<string, PhrasePlace[]>();
    const likenesses = tokens.map((token) => this.standsFor(token));
    tokens.forEach((token, from) => {
      for (const wanted of likenesses[from]?.keys() ?? []) {
        for (const phrase of this.byFirst.get(wanted) ?? []) {
          const place = this.placeAt(phrase, from, tokens, likenesses, words.determiners);
          if (place) put(places, phrase, place);
        }
        const whole = this.asOne.get(wanted);
        if (whole) put(places, whole, { from, to: from + 1, shown: token.shown, likeness: 'spelling' });
      }
      this.partedAt(from, tokens, places);
    });
    for (const [phrase, amount] of this.amounts) {
      const found = amountsIn(reading, amount, endings);
      if (found.length > 0) places.set(phrase, found);
    }
    return { ...reading, places, nearly: () => this.nearlyIn(tokens, likenesses, places) };
  }

  /** "concentrationwithout": a word that is none, and two words of English when it is parted. */
  private unglued(reading: Reading): Reading {
    const { endings, hyphens } = this.past;
    if (!hyphens || (endings !== 'en' && endings !== 'none')) return reading;
    const glued = (token: Token): boolean =>
      token.bare.length >= 8 &&
      /^[a-z]+$/.test(token.bare) &&
      !isEnglishWord(token.bare) &&
      this.standsFor(token).size === 0;
    if (!reading.tokens.some(glued)) return reading;
    const tokens = reading.tokens.flatMap((token) => {
      const at = glued(token) ? joint(token.bare) : 0;
      if (at === 0) return [token];
      const part = (from: number, to?: number): Token => ({
        ...token,
        shown: token.shown.slice(from, to),
        seen: token.seen.slice(from, to),
        bare: token.bare.slice(from, to),
        from: token.from + from,
        to: to === undefined ? token.to : token.from + to,
        choice: token.choice && from === 0,
      });
      return [part(0, at), part(at)];
    });
    return { ...reading, tokens };
  }

  private nearlyIn(
    tokens: readonly Token[],
    likenesses: readonly ReadonlyMap<string, Likeness>[],
    places: ReadonlyMap<string, readonly PhrasePlace[]>,
  ): PhrasePlace | null {
    if (!this.past.slips) return null;
    for (const [at, stands] of likenesses.entries()) {
      for (const wanted of stands.keys()) {
        for (const { phrase, parts, index } of this.inPhrases.get(wanted) ?? []) {
          const from = at - index;
          if (from < 0 || from + parts.length > tokens.length || places.has(phrase)) continue;
          // A phrase whose first word stands there was looked at by that word.
          if (index === 1 && likenesses[from]?.has(parts[0]?.seen ?? '')) continue;
          if (!this.missesALetter(parts, tokens, likenesses, from)) continue;
          const shown = tokens.slice(from, from + parts.length).map((token) => token.shown);
          return { from, to: from + parts.length, shown: shown.join(' '), likeness: 'slip' };
        }
      }
    }
    return null;
  }

  /** Whether the words of a phrase stand there, all but one, and that one but for a letter. */
  private missesALetter(
    parts: readonly Part[],
    tokens: readonly Token[],
    likenesses: readonly ReadonlyMap<string, Likeness>[],
    from: number,
  ): boolean {
    let missed = -1;
    for (let i = 0; i < parts.length; i++) {
      if (likenesses[from + i]?.has(parts[i]?.seen ?? '')) continue;
      if (missed >= 0) return false;
      missed = i;
    }
    const [wanted, written] = [parts[missed]?.seen ?? '', tokens[from + missed]?.bare ?? ''];
    if (Math.min(wanted.length, written.length) < 3 || Math.abs(wanted.length - written.length) > 1) return false;
    // A small word is none of the matter's, however near.
    if (this.own.has(written) || wordsOfLanguage(this.past.endings).function.has(written)) return false;
    return editDistance([...wanted], [...written], { transpositions: true }) === 1;
  }

  private placeAt(
    phrase: string,
    from: number,
    tokens: readonly Token[],
    likenesses: readonly ReadonlyMap<string, Likeness>[],
    determiners: ReadonlySet<string>,
  ): PhrasePlace | null {
    const parts = this.phrases.get(phrase) ?? [];
    let likeness: Likeness = 'same';
    let at = from;
    for (const [index, { seen, exactly, form, beginning }] of parts.entries()) {
      // Articles within a phrase say nothing.
      while (index > 0 && tokens[at] && !likenesses[at]?.has(seen) && determiners.has(tokens[at]?.bare ?? '')) at++;
      const token = tokens[at];
      const like = likenesses[at]?.get(seen);
      if (!token || !like || (exactly && token.shown !== seen)) return null;
      if (form && (like === 'ending' || like === 'slip')) return null;
      if (beginning && !token.seen.startsWith(seen) && like !== 'same') return null;
      if (index > 0 && token.sentence !== tokens[from]?.sentence) return null;
      if (like !== 'same' && !beginning) likeness = like;
      at++;
    }
    const shown = tokens
      .slice(from, at)
      .map((token) => token.shown)
      .join(' ');
    return { from, to: at, shown, likeness };
  }

  /** "photo synthesis" for "photosynthesis": two words that are one of the rules' together. */
  private partedAt(from: number, tokens: readonly Token[], places: Map<string, PhrasePlace[]>): void {
    const [a, b] = [tokens[from], tokens[from + 1]];
    if (!this.past.hyphens || !a || !b || a.segment !== b.segment || a.seen.length + b.seen.length < 6) return;
    for (const phrase of this.byFirst.get(a.seen + b.seen) ?? []) {
      if (this.phrases.get(phrase)?.length !== 1) continue;
      put(places, phrase, { from, to: from + 2, shown: `${a.shown} ${b.shown}`, likeness: 'spelling' });
    }
  }
}

function put<V>(map: Map<string, V[]>, key: string, value: V): void {
  const known = map.get(key);
  if (known) known.push(value);
  else map.set(key, [value]);
}

function lessOne(word: string): string[] {
  return Array.from({ length: word.length }, (_, i) => word.slice(0, i) + word.slice(i + 1));
}

/** The words of a phrase as it is typed, with the signs that say how strictly each is meant. */
function partsOf(phrase: string, past: Forgives): Part[] {
  const pieces = phrase.split(/("[^"]+"|(?<!\p{L})'[^']+'(?!\p{L}))/u).filter((piece) => piece.trim() !== '');
  return pieces.flatMap((piece) => {
    const exactly = /^".+"$/.test(piece);
    const form = /^'.+'$/.test(piece);
    return piece.split(/(?<=…|\.\.\.)/).flatMap((part) => {
      const beginning = /(?:…|\.\.\.)$/.test(part);
      const { tokens } = readText(part.replace(/(?:…|\.\.\.)$/, ''), past, wordsOfLanguage(past.endings));
      return tokens.map(({ seen, shown }, i) => ({
        seen: exactly ? shown : seen,
        exactly,
        form,
        beginning: beginning && i === tokens.length - 1,
      }));
    });
  });
}

/** A phrase without its articles, which answers leave out as they please; one of nothing else keeps them. */
function withoutDeterminers(parts: readonly Part[], past: Forgives): readonly Part[] {
  const { determiners } = wordsOfLanguage(past.endings);
  const left = parts.filter(({ seen, exactly }) => exactly || !determiners.has(bareWord(seen)));
  return left.length > 0 ? left : parts;
}

/** Where two English words were written as one; 0 where they were not. The longest first word wins. */
function joint(word: string): number {
  const known = (part: string): boolean => isEnglishWord(part) || LANGUAGE_WORDS.en.function.has(part);
  for (let at = word.length - 2; at >= 2; at--) {
    const [first, second] = [word.slice(0, at), word.slice(at)];
    if (Math.max(first.length, second.length) >= 5 && known(first) && known(second)) return at;
  }
  return 0;
}
