import type { ShownMedia } from '@/core/content/shown';

/** Anything that is written one a line: options, names, steps. */
export interface Row {
  id: string;
  text: string;
  /** A picture or a sound in the place of its words, which then say what it is. */
  media?: ShownMedia | undefined;
}

export function without<T extends { id: string }>(rows: readonly T[], id: string): T[] {
  return rows.filter((row) => row.id !== id);
}

export function moved<T extends { id: string }>(rows: readonly T[], from: number, to: number): T[] {
  const row = rows[from];
  if (!row || to < 0) return [...rows];
  const rest = without(rows, row.id);
  return [...rest.slice(0, to), row, ...rest.slice(to)];
}

/** With a row at a place; as they were when there are as many as can be. */
export function withRow<T extends Row>(rows: readonly T[], at: number, row: T, most: number): T[] {
  return rows.length >= most ? [...rows] : [...rows.slice(0, at), row, ...rows.slice(at)];
}

/** Whether nothing stands in a row yet. */
export const emptyRow = ({ text, media }: Row): boolean => text === '' && !media;

/** A pasted list as rows, a line each, from a place on: it fills empty rows and pushes the others down. `write` makes a row of a line, out of an empty one where there is one. */
export function withLines<T extends Row>(
  rows: readonly T[],
  at: number,
  {
    text,
    most,
    write,
  }: { text: string; most: number; write: (line: string, empty: T | null, rows: readonly T[]) => T },
): T[] {
  const next = [...rows];
  let place = at;
  for (const line of text.split(/\r?\n/).filter((one) => one.trim() !== '')) {
    const there = next[place];
    if (there && emptyRow(there)) next[place] = write(line, there, next);
    else if (next.length < most) next.splice(place, 0, write(line, null, next));
    else break;
    place += 1;
  }
  return next;
}

/** How many lines of a pasted list found no room: neither in an empty row nor as one more. */
export function leftOut(before: readonly Row[], after: readonly Row[], pasted: string): number {
  const lines = pasted.split(/\r?\n/).filter((one) => one.trim() !== '').length;
  const filled = before.filter(emptyRow).length - after.filter(emptyRow).length;
  return lines - (after.length - before.length) - filled;
}

/** Bullets, numbers and letters before a line of a list that was written elsewhere. */
export const LIST_SIGN = /^\s*(?:[-•·–▪*]\s+|\(?[a-zA-Z0-9]{1,2}[.)]\s+)?/;

/** The words of a line of a list, without the sign before them. */
export const lineWords = (line: string, sign: RegExp = LIST_SIGN): string =>
  line.replace(sign, '').trim() || line.trim();
