import { wordsOfLanguage } from '../../text/languages';
import { readText, type Token } from './reading';
import { type Forgives, stemsOf } from './words';

/** So many words in a row, as they stand in the question, are copied from it. */
const COPIED = 5;

/** What is known of a question's own words. */
export interface Asked {
  /** Whether the question uses a word; in small letters without accents. */
  has: (bare: string) => boolean;
  /** Which words of an answer are copied from the question; null when none is. */
  copiedIn: (tokens: readonly Token[]) => readonly boolean[] | null;
}

const NOT_ASKED: Asked = { has: () => false, copiedIn: () => null };
const remembered = new Map<string, Asked>();

/** The words of a question's text, by their stems where endings are forgiven. */
export function askedIn(text: string, past: Forgives): Asked {
  if (text.trim() === '') return NOT_ASKED;
  const { endings } = past;
  const key = `${endings} ${text}`;
  const known = remembered.get(key);
  if (known) return known;
  if (remembered.size >= 200) remembered.clear();
  const { tokens } = readText(text, past, wordsOfLanguage(endings));
  const stems = (bare: string): string[] => (endings === 'none' ? [bare] : stemsOf(bare, endings));
  const words = new Set(tokens.flatMap(({ bare }) => stems(bare)));
  const runs = new Set(tokens.map((_, i) => runAt(tokens, i)));
  const made: Asked = {
    has: (bare) => words.has(bare) || stems(bare).some((stem) => words.has(stem)),
    copiedIn(answer) {
      const copied = answer.map(() => false);
      answer.forEach((_, i) => {
        if (i + COPIED <= answer.length && runs.has(runAt(answer, i))) copied.fill(true, i, i + COPIED);
      });
      return copied.includes(true) ? copied : null;
    },
  };
  remembered.set(key, made);
  return made;
}

const runAt = (tokens: readonly Token[], at: number): string =>
  tokens
    .slice(at, at + COPIED)
    .map(({ bare }) => bare)
    .join(' ');
