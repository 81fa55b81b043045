import { GRACE, ON_ITS_WAY, UNHEARD } from './time';

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
 * answer was written before the deadline, and it arrives when it can have been
 * on its way then, or within the grace when nothing was heard of the student's
 * devices as the time ended. `heardAt`: when something was heard of them last.
 */
export function accepts(
  state: AttemptState,
  entry: Pick<AnswerEntry, 'age'>,
  { now, heardAt }: { now: number; heardAt: number },
): boolean {
  if (state.handedInAt !== null || writtenAt(entry, state, now) > state.deadline) return false;
  if (now <= state.deadline + ON_ITS_WAY) return true;
  return now <= state.deadline + GRACE && heardAt < state.deadline - UNHEARD;
}

/** Whether nothing can be written any more. */
export function isOver(state: AttemptState, now: number): boolean {
  return state.handedInAt !== null || now > state.deadline;
}

/** Whether the clock hands this attempt in now. */
export function isOverdue(state: AttemptState, now: number): boolean {
  return state.handedInAt === null && now > state.deadline + GRACE;
}
