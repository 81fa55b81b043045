import type { Exact } from '../base/exact';
import type { PaperQuestion } from './paper';

/** Minutes a question takes by rule of thumb: one a mark and half a minute for each slot (common practice, no source). */
export function expectedMinutes(marks: Exact, slots: number): number {
  return Math.ceil(marks.valueOf() + slots * 0.5);
}

/** The median minutes that earlier students were at each question, by its id in the bank; those that were not sat often enough are missing. */
export type MinutesTaken = ReadonlyMap<string, number>;

export const NONE_TAKEN: MinutesTaken = new Map();

/** Minutes that a placed question takes: as earlier students took, else by rule of thumb. */
export function minutesFor({ source, marks, worth }: PaperQuestion, taken: MinutesTaken): number {
  return taken.get(source) ?? expectedMinutes(marks, worth.size);
}

/** A change of an answer to a question. */
export interface Written {
  question: string;
  /** Milliseconds since 1970. */
  at: number;
}

/** Longer than this nobody is at one question without writing; what is longer is something else, in milliseconds. */
const MOST_BETWEEN = 10 * 60_000;

/**
 * Seconds that an attempt was at each question: between two changes it was at
 * that of the later one, ten minutes at most (common practice, no source). An
 * attempt whose answers came in heaps, so that fewer than half of its questions
 * have a time, tells nothing.
 */
export function secondsAtQuestions(startedAt: number, changes: readonly Written[]): Map<string, number> {
  const seconds = new Map<string, number>();
  let before = startedAt;
  for (const { question, at } of [...changes].sort((a, b) => a.at - b.at)) {
    const took = Math.min(MOST_BETWEEN, Math.max(0, at - before));
    seconds.set(question, (seconds.get(question) ?? 0) + took / 1000);
    before = Math.max(before, at);
  }
  const timed = [...seconds]
    .filter(([, one]) => one >= 1)
    .map(([question, one]) => [question, Math.round(one)] as const);
  return timed.length * 2 < seconds.size ? new Map() : new Map(timed);
}
