import { z } from 'zod';
import type { Answer } from './matcher';
import { compiledPattern } from './patterns';
import type { Token } from './reading';
import type { PhrasePlace } from './words';

/** So many characters of a phrase are taken, where it is typed. */
export const LONGEST_PHRASE = 200;

/** Words, a number with or without its unit, or `{name}` of a word list. */
export const phrase = z.string().trim().min(1).max(LONGEST_PHRASE);

/** How near the parts of a wording have to stand, or that what follows has to be said of what comes first. */
export const NEARNESS = ['answer', 'sentence', 'clause', 'tied'] as const;

const joined = z.object({
  /** One phrase of each part (or of so many parts) has to occur. */
  parts: z.array(z.array(phrase).min(1).max(200)).min(1).max(40),
  /** How many of the parts; all of them where it is not said. */
  least: z.number().int().min(1).max(40).optional(),
  where: z.enum(NEARNESS).default('answer'),
  /** What is found has to stand in the order of the parts. */
  ordered: z.boolean().optional(),
  /** What is found has to stand within so many words of each other. */
  within: z.number().int().min(1).max(100).optional(),
  /** For what is tied: other things that it could be said of instead. */
  rivals: z.array(phrase).max(40).optional(),
});
export type Joined = z.infer<typeof joined>;

/** A regular expression (RE2 syntax) that occurs in the answer. */
const patterned = z.object({ pattern: z.string().min(1).max(500) });

/** One way of saying something: a phrase, several that belong together, or a pattern. */
export const wording = z.union([phrase, joined, patterned]);
export type Wording = z.infer<typeof wording>;

/** Where a wording is met: the places of its phrases, in order. */
export type Placement = readonly PhrasePlace[];

/** So many ways to meet one wording are looked at. */
const MOST_PLACEMENTS = 40;
/** So many places of all the parts of one wording are looked at, the first of each. */
const MOST_HITS = 240;

export const isJoined = (one: Wording): one is Joined => typeof one !== 'string' && 'parts' in one;

/** Every phrase that a wording names. */
export function phrasesIn(one: Wording): string[] {
  if (typeof one === 'string') return [one];
  return isJoined(one) ? [...one.parts.flat(), ...(one.rivals ?? [])] : [];
}

/** A stretch of an answer, by its words; what lies outside is not looked at. */
export type Zone = (place: PhrasePlace) => boolean;

export interface Looking {
  answer: Answer;
  /** The phrases that a name of a word list, or a phrase, stands for. */
  expand: (phrase: string) => readonly string[];
  /** What the things are that something can be said of, in the whole rule. */
  subjects?: readonly string[];
  anyCapitals: boolean;
}

/** Every placement of a wording within a zone of the answer, in the order of the answer. */
export function placementsOf(one: Wording, looking: Looking, zone: Zone): Placement[] {
  const { answer, expand } = looking;
  const places = (list: readonly string[]): PhrasePlace[] => {
    const found: PhrasePlace[] = [];
    for (const wanted of list)
      for (const each of expand(wanted))
        for (const place of answer.places.get(each) ?? []) if (zone(place)) found.push(place);
    return found;
  };
  if (typeof one === 'string') return places([one]).map((place) => [place]);
  if (!isJoined(one))
    return patternPlaces(one.pattern, looking)
      .filter(zone)
      .map((place) => [place]);
  const found = one.parts.map(places);
  if (found.filter((list) => list.length > 0).length < (one.least ?? one.parts.length)) return [];
  if (one.where === 'tied') return tied(one, found, looking);
  return stretches(found, one.where, answer.tokens).flatMap((stretch) => {
    const picked = pick(stretch, one);
    return picked ? [picked] : [];
  });
}

/** Places of a pattern, as runs of words. */
function patternPlaces(pattern: string, { answer, anyCapitals }: Looking): PhrasePlace[] {
  const compiled = compiledPattern(pattern, anyCapitals);
  if (!compiled) return [];
  const found: PhrasePlace[] = [];
  const matcher = compiled.matcher(answer.text);
  while (found.length < MOST_PLACEMENTS && matcher.find()) {
    const [start, end] = [matcher.start(), matcher.end()];
    const from = answer.tokens.findIndex((token) => token.to > start);
    if (from < 0 || end <= start) continue;
    const after = answer.tokens.findIndex((token) => token.from >= end);
    const to = after < 0 ? answer.tokens.length : Math.max(from + 1, after);
    found.push({ from, to, shown: answer.text.slice(start, end), likeness: 'same' });
  }
  return found;
}

/** The hits of each part, by the stretch of the answer that they stand in. */
function stretches(
  found: readonly PhrasePlace[][],
  where: Exclude<Joined['where'], 'tied'>,
  tokens: readonly Token[],
): PhrasePlace[][][] {
  if (where === 'answer') return [found.map((list) => [...list])];
  const at = (place: PhrasePlace): number => tokens[place.from]?.[where] ?? -1;
  const all = [...new Set(found.flat().map(at))].sort((a, b) => a - b);
  return all.map((stretch) => found.map((list) => list.filter((place) => at(place) === stretch)));
}

interface Hit {
  part: number;
  place: PhrasePlace;
}

/** So many parts picked from their hits, no two at one place, in their order and near enough where that is asked for; null when it cannot be done. */
function pick(found: readonly PhrasePlace[][], { parts, least, ordered, within }: Joined): Placement | null {
  const wanted = least ?? parts.length;
  const most = Math.max(5, Math.floor(MOST_HITS / parts.length));
  const hits = found
    .flatMap((list, part) => list.slice(0, most).map((place): Hit => ({ part, place })))
    .sort((a, b) => a.place.to - b.place.to || b.place.from - a.place.from);
  const picked = ordered ? inOrder(hits, within, wanted) : together(hits, within, wanted);
  return picked?.map(({ place }) => place) ?? null;
}

/**
 * So many different parts within one stretch of words, no two sharing a word.
 * From every hit on, those that begin near enough behind it are tried together.
 */
function together(hits: readonly Hit[], within = Number.POSITIVE_INFINITY, wanted: number): Hit[] | null {
  const byStart = [...hits].sort((a, b) => a.place.from - b.place.from || a.place.to - b.place.to);
  const starts = within === Number.POSITIVE_INFINITY ? byStart.slice(0, 1) : byStart;
  for (const [index, first] of starts.entries()) {
    const near = byStart.slice(index).filter(({ place }) => place.from - first.place.from <= within);
    const picked = apart(near, wanted);
    if (picked) return picked;
  }
  return null;
}

/** A place for each of as many parts as can have one, the scarce ones first. */
function apart(hits: readonly Hit[], wanted: number): Hit[] | null {
  const byPart = new Map<number, Hit[]>();
  for (const hit of hits) {
    const list = byPart.get(hit.part) ?? [];
    if (list.length < MOST_PLACEMENTS) list.push(hit);
    byPart.set(hit.part, list);
  }
  if (byPart.size < wanted) return null;
  const picked: Hit[] = [];
  for (const list of [...byPart.values()].sort((a, b) => a.length - b.length)) {
    // The longest first: "wing tip" before "wing".
    const longest = [...list].sort((a, b) => b.place.to - b.place.from - (a.place.to - a.place.from));
    const free = longest.find(({ place }) => picked.every((other) => !overlap(other.place, place)));
    if (free) picked.push(free);
  }
  return picked.length >= wanted ? picked.sort((a, b) => a.place.from - b.place.from) : null;
}

/** Whether a place is a part of a longer one: "halves" within "three halves". */
export const inside = (place: PhrasePlace, hit: PhrasePlace): boolean =>
  place.from >= hit.from && place.to <= hit.to && place.to - place.from < hit.to - hit.from;

export const overlap = (a: PhrasePlace, b: PhrasePlace): boolean => a.from < b.to && b.from < a.to;

/** So many parts in the order of the list, in one stretch. Of every run, by its length and last part, only the one that begins last is worth keeping. */
function inOrder(hits: readonly Hit[], within = Number.POSITIVE_INFINITY, wanted: number): Hit[] | null {
  const runs: Map<number, Hit[]>[] = Array.from({ length: wanted + 1 }, () => new Map());
  for (const hit of hits) {
    for (let length = wanted; length >= 1; length--) {
      let best: Hit[] | null = length === 1 ? [hit] : null;
      for (const [last, run] of runs[length - 1] ?? []) {
        const before = run.at(-1);
        if (last >= hit.part || !before || before.place.to > hit.place.from) continue;
        if (!best || (run[0]?.place.from ?? 0) > (best[0]?.place.from ?? 0)) best = [...run, hit];
      }
      if (!best) continue;
      if (length === wanted && hit.place.from - (best[0]?.place.from ?? 0) <= within) return best;
      const known = runs[length]?.get(hit.part);
      if (!known || (known[0]?.place.from ?? 0) < (best[0]?.place.from ?? 0)) runs[length]?.set(hit.part, best);
    }
  }
  return null;
}

/**
 * What is said of the first part: each hit of the others belongs to the one
 * subject of its stretch, else to the subject named last before it, else to the
 * first that follows in its sentence. Subjects are the first parts of every
 * tied wording of the rule, and the rivals.
 */
function tied(one: Joined, [own = [], ...others]: readonly PhrasePlace[][], looking: Looking): Placement[] {
  const { tokens, places } = looking.answer;
  const rivals = [...(one.rivals ?? []), ...(looking.subjects ?? [])]
    .flatMap((wanted) => looking.expand(wanted).flatMap((each) => places.get(each) ?? []))
    .filter((place) => !own.some((mine) => overlap(mine, place)));
  const subjects = [...own, ...rivals].sort((a, b) => a.from - b.from);
  const owner = (hit: PhrasePlace): PhrasePlace | undefined => {
    const free = subjects.filter((subject) => !overlap(subject, hit));
    const at = tokens[hit.from];
    const here = free.filter(({ from }) => tokens[from]?.segment === at?.segment);
    const mine = new Set(here.map((subject) => own.includes(subject)));
    if (mine.size === 1) return here[0];
    const before = free.filter(({ to }) => to <= hit.from).at(-1);
    return before ?? free.find(({ from }) => from >= hit.to && tokens[from]?.sentence === at?.sentence);
  };
  const said = others.map((list) =>
    list.filter((hit) => {
      const subject = owner(hit);
      return subject !== undefined && own.includes(subject);
    }),
  );
  const picked = pick(said, { ...one, parts: one.parts.slice(1), least: (one.least ?? one.parts.length) - 1 });
  return picked ? [picked] : [];
}
