import { freshPart } from '../../rules/placing/placed';

/** How a text is split before anything is joined. */
export const UNIT_SIZES = ['words', 'sentences'] as const;
export type UnitSize = (typeof UNIT_SIZES)[number];

/** A stretch of the text that is selected as a whole, by its first sign and the one behind its last. */
export interface Unit {
  id: string;
  from: number;
  to: number;
  key: boolean;
  /** Said to a student who selected it and should not have. */
  feedback: string;
}

/** Words with what belongs to them: hyphens, apostrophes, decimal signs and units of per cent. */
const WORD = /[\p{L}\p{N}](?:[\p{L}\p{N}\p{M}’'\-–.,](?=[\p{L}\p{N}])|[\p{L}\p{N}\p{M}%°])*/gu;
/** Up to what ends a sentence with the signs behind it, or to the end of a line. */
const SENTENCE = /[^\s.!?][^\n]*?(?:[.!?…]+[)\]”"’']*(?=\s|$)|(?=\n|$))/gu;

const PATTERN: Record<UnitSize, RegExp> = { words: WORD, sentences: SENTENCE };

/** Where the units of a text begin and end. */
export function stretches(text: string, size: UnitSize): { from: number; to: number }[] {
  return [...text.matchAll(PATTERN[size])].map((found) => ({ from: found.index, to: found.index + found[0].length }));
}

/**
 * The text split anew. A unit whose words still stand there, the n-th of the
 * same words as before, keeps its id, its key and what is said about it; so do
 * joined ones whose words still follow one another.
 */
export function resplit(
  before: { text: string; units: readonly Unit[] },
  text: string,
  size: UnitSize,
  most: number,
): Unit[] {
  const words = ({ from, to }: { from: number; to: number }, of: string): string => of.slice(from, to);
  const counts = new Map<string, number>();
  const nth = (what: string): string => {
    const n = (counts.get(what) ?? 0) + 1;
    counts.set(what, n);
    return `${n} ${what}`;
  };
  const known = new Map(before.units.map((unit) => [nth(words(unit, before.text)), unit]));
  counts.clear();
  const units: Unit[] = [];
  for (const stretch of stretches(text, size).slice(0, most)) {
    const old = known.get(nth(words(stretch, text)));
    const id = old?.id ?? freshPart([...before.units, ...units], 'u');
    units.push({ id, key: old?.key ?? false, feedback: old?.feedback ?? '', ...stretch });
  }
  return rejoined(units, before, text, size);
}

/** What was joined before, joined again where the same words still follow one another. */
function rejoined(
  units: Unit[],
  before: { text: string; units: readonly Unit[] },
  text: string,
  size: UnitSize,
): Unit[] {
  let next = units;
  let searched = 0;
  for (const phrase of before.units) {
    const words = before.text.slice(phrase.from, phrase.to);
    if (stretches(words, size).length < 2) continue;
    const from = text.indexOf(words, searched);
    const to = from + words.length;
    const within = next.filter((unit) => unit.from >= from && unit.to <= to);
    if (from < 0 || within[0]?.from !== from || within.at(-1)?.to !== to) continue;
    searched = to;
    next = next.flatMap((unit) =>
      unit === within[0] ? [{ ...phrase, from, to }] : within.includes(unit) ? [] : [unit],
    );
  }
  return next;
}

/** One unit joined with the one before it; what stood between belongs to it. */
export function joined(units: readonly Unit[], id: string): Unit[] {
  const at = units.findIndex((unit) => unit.id === id);
  const [before, unit] = [units[at - 1], units[at]];
  if (!before || !unit) return [...units];
  const one = { ...before, to: unit.to, key: before.key || unit.key };
  return [...units.slice(0, at - 1), one, ...units.slice(at + 1)];
}

/** A joined unit in its pieces again; the first keeps what was set. */
export function parted(units: readonly Unit[], id: string, text: string, size: UnitSize): Unit[] {
  const at = units.findIndex((unit) => unit.id === id);
  const unit = units[at];
  if (!unit) return [...units];
  const pieces: Unit[] = [];
  for (const { from, to } of stretches(text.slice(unit.from, unit.to), size)) {
    const first = pieces.length === 0;
    pieces.push({
      ...unit,
      id: first ? unit.id : freshPart([...units, ...pieces], 'u'),
      feedback: first ? unit.feedback : '',
      from: unit.from + from,
      to: unit.from + to,
    });
  }
  return [...units.slice(0, at), ...pieces, ...units.slice(at + 1)];
}

/** The whole text in pieces: those that can be selected by their ids, and what stands between. */
export function piecesOf(
  text: string,
  units: readonly Pick<Unit, 'id' | 'from' | 'to'>[],
): { id: string | null; text: string }[] {
  const pieces: { id: string | null; text: string }[] = [];
  let at = 0;
  for (const { id, from, to } of units) {
    if (from > at) pieces.push({ id: null, text: text.slice(at, from) });
    pieces.push({ id, text: text.slice(from, to) });
    at = to;
  }
  if (at < text.length) pieces.push({ id: null, text: text.slice(at) });
  return pieces;
}
