/** The facts that decide whether somebody can get in now. */
export interface Door {
  opensAt: number;
  closesAt: number;
  /** When a teacher ended it early; null while not. */
  endedAt: number | null;
  /** A teacher opens it; until then it stays shut. */
  byHand?: boolean;
  questions: number;
  students: number;
  /** Whoever has its link can come, too. */
  link: boolean;
}

export type DoorState = 'before' | 'open' | 'closed';

export function doorState(door: Pick<Door, 'opensAt' | 'closesAt' | 'endedAt' | 'byHand'>, now: number): DoorState {
  if (door.endedAt !== null && now >= door.endedAt) return 'closed';
  if (now >= door.closesAt) return 'closed';
  return now < door.opensAt || door.byHand ? 'before' : 'open';
}

/** Whether students can get in, and the one reason when not. Worded in `ui/words`. */
export function whoCanGetIn(
  door: Door,
  now: number,
):
  | { open: true; until: number }
  | { open: false; reason: 'no-students' | 'no-questions' | 'ended' | 'not-yet' | 'by-hand' | 'over' } {
  if (door.students === 0 && !door.link) return { open: false, reason: 'no-students' };
  if (door.questions === 0) return { open: false, reason: 'no-questions' };
  if (door.endedAt !== null && now >= door.endedAt) return { open: false, reason: 'ended' };
  const state = doorState(door, now);
  if (state === 'before') return { open: false, reason: door.byHand ? 'by-hand' : 'not-yet' };
  if (state === 'closed') return { open: false, reason: 'over' };
  return { open: true, until: door.closesAt };
}
