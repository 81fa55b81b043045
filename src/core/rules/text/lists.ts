import { z } from 'zod';

/** A named list of words of the department. A line may be `{name}` of another list. */
export const wordList = z.object({
  name: z.string().trim().min(1).max(60),
  words: z.array(z.string().trim().min(1).max(200)).max(20_000),
});
export type WordList = z.infer<typeof wordList>;

const NAMED = /^\{(.+)\}$/;

const plainName = (name: string): string => name.trim().toLowerCase();

/** The list that a phrase names: `{load cases}`; null when it is words. */
export function listNamed(phrase: string): string | null {
  return NAMED.exec(phrase.trim())?.[1]?.trim() ?? null;
}

/**
 * What each phrase stands for: itself, or the words of the list that it names,
 * and of the lists that are named in it. A list that names itself adds nothing;
 * a name that nobody has stands for nothing.
 */
export function listsOf(lists: readonly WordList[]): (phrase: string) => readonly string[] {
  const byName = new Map(lists.map((list) => [plainName(list.name), list.words]));
  const known = new Map<string, readonly string[]>();
  const gather = (name: string, into: Set<string>, seen: Set<string>): void => {
    if (seen.has(name)) return;
    seen.add(name);
    for (const word of byName.get(name) ?? []) {
      const other = listNamed(word);
      if (other === null) into.add(word);
      else gather(plainName(other), into, seen);
    }
  };
  return (phrase) => {
    const name = listNamed(phrase);
    if (name === null) return [phrase];
    let words = known.get(phrase);
    if (!words) {
      const all = new Set<string>();
      gather(plainName(name), all, new Set());
      words = [...all];
      known.set(phrase, words);
    }
    return words;
  };
}

/** A list that names itself, through others or directly; null when none does. */
export function circularList(lists: readonly WordList[]): string | null {
  const byName = new Map(lists.map((list) => [plainName(list.name), list]));
  const names = (list: WordList): string[] => list.words.flatMap((word) => listNamed(word) ?? []).map(plainName);
  const done = new Set<string>();
  const visit = (list: WordList, path: readonly string[]): string | null => {
    const name = plainName(list.name);
    if (path.includes(name)) return list.name;
    if (done.has(name)) return null;
    for (const other of names(list)) {
      const next = byName.get(other);
      const found = next ? visit(next, [...path, name]) : null;
      if (found !== null) return found;
    }
    done.add(name);
    return null;
  };
  for (const list of lists) {
    const found = visit(list, []);
    if (found !== null) return found;
  }
  return null;
}
