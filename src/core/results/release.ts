/** How far results of a sitting are out. */
export interface Released {
  releasedAt: number | null;
  /** To these participants only; null for all. */
  releasedTo: readonly string[] | null;
}

/** Whether results are out for a participant. */
export const isOutFor = ({ releasedAt, releasedTo }: Released, participant: string): boolean =>
  releasedAt !== null && (releasedTo === null || releasedTo.includes(participant));

/** When results go out by themselves. */
export type ReleaseMoment = { is: 'at'; at: number } | { is: 'marked' };

/** What of a sitting decides whether a planned release is due. */
export interface ReleaseState {
  now: number;
  /** Nobody can get in or go on. */
  over: boolean;
  /** Answers that wait for a person. */
  waiting: number;
}

/** Whether a planned release is due: at its time, or when nobody writes any more; and in either case only when all is marked. */
export function releaseIsDue(moment: ReleaseMoment, { now, over, waiting }: ReleaseState): boolean {
  if (waiting > 0) return false;
  return moment.is === 'at' ? now >= moment.at : over;
}
