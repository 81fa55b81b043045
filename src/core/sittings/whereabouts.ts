/** What of an attempt says where its student is. */
export interface Seen {
  handedInAt: number | null;
  pausedAt: number | null;
  /** Why it was set aside; null while it counts. */
  aside: string | null;
  startedAt: number;
  /** When something was heard of a device last. */
  seenAt: number;
  /** When something was written last; null while nothing is. */
  wroteAt: number | null;
}

export const WHEREABOUTS = ['not begun', 'writing', 'idle', 'offline', 'paused', 'handed in', 'set aside'] as const;
/** Where somebody is who is to sit. */
export type Whereabouts = (typeof WHEREABOUTS)[number];

/** Without a sign of life for so long a room counts as offline, in milliseconds: rooms say oftener that they are there. */
export const SILENT = 40_000;
/** Who has written nothing for so long is idle, in milliseconds. */
export const IDLE = 5 * 60_000;

export function whereabouts(seen: Seen | null, now: number): Whereabouts {
  if (!seen) return 'not begun';
  if (seen.aside !== null) return 'set aside';
  if (seen.handedInAt !== null) return 'handed in';
  if (seen.pausedAt !== null) return 'paused';
  if (now - seen.seenAt > SILENT) return 'offline';
  return now - (seen.wroteAt ?? seen.startedAt) > IDLE ? 'idle' : 'writing';
}
