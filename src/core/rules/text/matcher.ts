import { type Amount, amountOf, amountsIn } from './amounts';
import { foldCapitals } from './normalise';
import { type Forgives, type PhrasePlace, type Likeness, likeWord, type Word, wordsOf } from './words';

/** So many different words are remembered; then all are forgotten, so that no flood of answers grows memory. */
const MOST_REMEMBERED = 20_000;

/**
 * Finds the phrases of one rule set in answers. Every different word is
 * compared with the wanted ones only once, however many answers it stands in.
 */
export class Matcher {
  /** Every word that the rules name: none of them is a slip of another. */
  readonly own: ReadonlySet<string>;
  private readonly past: Forgives;
  private readonly phrases = new Map<string, readonly string[]>();
  /** Those that are numbers; they are found by their value. */
  private readonly amounts = new Map<string, Amount>();
  private readonly wanted: readonly string[];
  private readonly remembered = new Map<string, ReadonlyMap<string, Likeness>>();

  constructor(phrases: readonly string[], past: Forgives) {
    this.past = past;
    for (const phrase of phrases) {
      const amount = amountOf(phrase);
      if (amount) this.amounts.set(phrase, amount);
      this.phrases.set(
        phrase,
        wordsOf(phrase, past).map((word) => word.seen),
      );
    }
    this.wanted = [...new Set([...this.phrases.values()].flat())];
    this.own = new Set(this.wanted.map(foldCapitals));
  }

  /** The wanted words that a written one stands for. */
  private standsFor(written: string): ReadonlyMap<string, Likeness> {
    let likenesses = this.remembered.get(written);
    if (!likenesses) {
      if (this.remembered.size >= MOST_REMEMBERED) this.remembered.clear();
      likenesses = new Map(
        this.wanted.flatMap((wanted) => {
          const likeness = likeWord(wanted, written, this.past, this.own);
          return likeness ? [[wanted, likeness] as const] : [];
        }),
      );
      this.remembered.set(written, likenesses);
    }
    return likenesses;
  }

  /** The words of an answer, ready to be searched. */
  read(answer: string): Answer {
    const words = wordsOf(answer, this.past);
    return { words, likenesses: words.map((word) => this.standsFor(word.seen)) };
  }

  /** Every place of a phrase of the rules in an answer, in order. */
  find({ words, likenesses }: Answer, phrase: string): PhrasePlace[] {
    const amount = this.amounts.get(phrase);
    if (amount) return amountsIn(words, amount);
    const parts = this.phrases.get(phrase) ?? [];
    const [first] = parts;
    const found: PhrasePlace[] = [];
    if (first === undefined) return found;
    for (let from = 0; from + parts.length <= words.length; from++) {
      if (!likenesses[from]?.has(first)) continue;
      const likes = parts.map((part, i) => likenesses[from + i]?.get(part));
      if (likes.includes(undefined)) continue;
      const to = from + parts.length;
      const shown = words.slice(from, to).map((word) => word.shown);
      found.push({ from, to, shown: shown.join(' '), likeness: likes.find((like) => like !== 'same') ?? 'same' });
    }
    return found;
  }
}

export interface Answer {
  words: readonly Word[];
  likenesses: readonly ReadonlyMap<string, Likeness>[];
}
