import { foldCapitals } from './normalise';

const plain = (word: string): string => foldCapitals(word.trim());

const shares = (set: readonly string[], words: readonly string[]): boolean =>
  set.some((one) => words.some((word) => plain(word) === plain(one)));

/** Words that mean the same as some of these and are not among them, as sets of synonyms know. */
export function synonymsOf(words: readonly string[], sets: readonly (readonly string[])[]): string[] {
  const have = new Set(words.map(plain));
  const more = sets.filter((set) => shares(set, words)).flat();
  return [...new Map(more.map((word) => [plain(word), word])).values()].filter((word) => !have.has(plain(word)));
}

/** The sets with these words as synonyms: sets that share a word with them become one. */
export function withSynonyms(sets: readonly (readonly string[])[], words: readonly string[]): string[][] {
  const joined = sets.filter((set) => shares(set, words)).flat();
  const all = [...new Map([...joined, ...words].map((word) => [plain(word), word.trim()])).values()];
  return [...sets.filter((set) => !shares(set, words)).map((set) => [...set]), all];
}

/** Whether the sets know already that these words mean the same. */
export function knownSynonyms(sets: readonly (readonly string[])[], words: readonly string[]): boolean {
  return sets.some((set) => words.every((word) => shares(set, [word])));
}
