import { z } from 'zod';
import { shuffled } from '../../base/random';

/** What can be taken, or put on: names on a picture, tiles, answers of pairs; and places, groups, prompts. */
export const partId = z.string().regex(/^[a-z0-9]{1,12}$/);

/** An item on a place. */
export interface Putting {
  item: string;
  place: string;
}

/** What a student has put where: in every kind in which something is placed. */
export const placedResponse = z.object({
  placed: z.array(z.object({ item: partId, place: partId })).max(1000),
});
export type PlacedResponse = z.infer<typeof placedResponse>;

/** What there is to place, and where it can go. */
export interface Arrangement {
  items: readonly string[];
  /** Places with how many items each holds at most; null for any number. */
  places: readonly { id: string; most: number | null }[];
  /** Whether an item may be put on several places. */
  again: boolean;
}

/** Whether a student can have come to this: known items on known places, none twice on one place, none too many. */
export function canStand({ items, places, again }: Arrangement, placed: readonly Putting[]): boolean {
  const known = new Set(items);
  const room = new Map(places.map(({ id, most }) => [id, most ?? items.length]));
  const there = new Set<string>();
  const used = new Set<string>();
  for (const { item, place } of placed) {
    const left = room.get(place) ?? 0;
    if (!known.has(item) || left === 0 || there.has(`${item}/${place}`) || (!again && used.has(item))) return false;
    there.add(`${item}/${place}`);
    used.add(item);
    room.set(place, left - 1);
  }
  return true;
}

/** The same puttings in one order, whatever they were made in. */
export function inOrder(placed: readonly Putting[]): Putting[] {
  const key = ({ item, place }: Putting): string => `${place} ${item}`;
  return [...placed].sort((a, b) => (key(a) < key(b) ? -1 : 1));
}

/** Under other names; each that is spoken of has one. */
export const renamed = ({ placed }: PlacedResponse, names: ReadonlyMap<string, string>): PlacedResponse => ({
  placed: placed.map(({ item, place }) => ({ item: names.get(item) ?? item, place: names.get(place) ?? place })),
});

/** The names that a response speaks of. */
export const spokenOf = ({ placed }: PlacedResponse): string[] => placed.flatMap(({ item, place }) => [item, place]);

/** What was put where, as one line. */
export const placedGist = ({ placed }: PlacedResponse): string =>
  inOrder(placed)
    .map(({ item, place }) => `${place}:${item}`)
    .join(' ');

/** Answers worth trying, each once, without an empty one. */
export function different(tried: readonly (readonly Putting[])[]): PlacedResponse[] {
  const answers = tried.filter((placed) => placed.length > 0).map((placed) => ({ placed: [...placed] }));
  return [...new Map(answers.map((answer) => [placedGist(answer), answer])).values()];
}

/** Answers near a right one: itself, two changed about, one missing, one alone. */
export function nearKey(key: readonly Putting[]): PlacedResponse[] {
  const [first, second, ...rest] = key;
  if (!first || !second) return different([key]);
  const changed = [{ ...first, item: second.item }, { ...second, item: first.item }, ...rest];
  return different([key, changed, [second, ...rest], [first]]);
}

/**
 * A right answer: each place with the first of its items that is still free.
 * Null while no place accepts anything.
 */
export function firstAccepted(
  places: readonly { id: string; accepts: readonly string[] }[],
  again: boolean,
): PlacedResponse | null {
  const used = new Set<string>();
  const placed = places.flatMap(({ id, accepts }) => {
    const item = accepts.find((one) => again || !used.has(one));
    if (item === undefined) return [];
    used.add(item);
    return [{ item, place: id }];
  });
  return placed.length > 0 ? { placed } : null;
}

/** What no place accepts. */
export function leftOver<T extends { id: string }>(
  things: readonly T[],
  places: readonly { accepts: readonly string[] }[],
): T[] {
  const wanted = new Set(places.flatMap(({ accepts }) => accepts));
  return things.filter(({ id }) => !wanted.has(id));
}

/** An arrangement in which every place holds one thing. */
export const oneOnEach = (
  items: readonly { id: string }[],
  places: readonly { id: string }[],
  again: boolean,
): Arrangement => ({
  items: items.map(({ id }) => id),
  places: places.map(({ id }) => ({ id, most: 1 })),
  again,
});

/** A place that accepts what stands on it in a response, and nothing else. */
export const acceptingWhatStands = <T extends { id: string; accepts: string[] }>(
  place: T,
  { placed }: PlacedResponse,
): T => ({ ...place, accepts: placed.filter((one) => one.place === place.id).map(({ item }) => item) });

/** In the order of ids: nothing that the author ordered shows through. */
export const byId = <T extends { id: string }>(parts: readonly T[]): T[] =>
  [...parts].sort((a, b) => (a.id < b.id ? -1 : 1));

/** Mixed by a seed, from the same order whatever the author's was; without one in the order of ids. */
export const mixed = <T extends { id: string }>(parts: readonly T[], seed: number | null): T[] =>
  seed === null ? byId(parts) : shuffled(byId(parts), seed);

/** An id that none of these parts has: the letter and a number. */
export function freshPart(parts: readonly { id: string }[], letter: string): string {
  const used = new Set(parts.map(({ id }) => id));
  let n = 1;
  while (used.has(`${letter}${n}`)) n += 1;
  return `${letter}${n}`;
}
