import { GRACE } from './time';

/** The life of an attempt, as far as decisions need it. */
export interface AttemptState {
  startedAt: number;
  deadline: number;
  handedInAt: number | null;
}

/** One change of an answer as the device sends it. */
export interface AnswerEntry {
  /** Number on its device, counting up. */
  seq: number;
  item: string;
  /** A slot of the question, or null for what concerns the question as a whole. */
  slot: string | null;
  value: unknown;
  /** Milliseconds since it was written, on the device's own clock: only the difference counts, so a wrong clock does no harm. */
  age: number;
}

/** When an answer was written, on the server's clock, never before the attempt began. */
export function writtenAt(entry: Pick<AnswerEntry, 'age'>, state: AttemptState, now: number): number {
  return Math.max(state.startedAt, now - Math.max(0, entry.age));
}

/**
 * Whether an answer that arrives now counts: the attempt is not handed in, the
 * answer was written before the deadline and arrives within the grace.
 */
export function accepts(state: AttemptState, entry: Pick<AnswerEntry, 'age'>, now: number): boolean {
  if (state.handedInAt !== null) return false;
  return now <= state.deadline + GRACE && writtenAt(entry, state, now) <= state.deadline;
}

/** Whether the clock hands this attempt in now. */
export function isOverdue(state: AttemptState, now: number): boolean {
  return state.handedInAt === null && now > state.deadline + GRACE;
}
