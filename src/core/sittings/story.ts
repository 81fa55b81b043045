/** What can be done about an attempt besides writing in it. */
export const HAPPENINGS = [
  'handed in',
  'handed in by the clock',
  'let back in',
  'set aside',
  'brought back',
  'told',
  'read what was said',
] as const;
export type Happening = (typeof HAPPENINGS)[number];

/** A step of the story of an attempt. `until` where it took a while; `by` where somebody of the staff did it. */
export interface StoryStep {
  at: number;
  until?: number | null;
  what:
    | Happening
    | 'began'
    | 'another device'
    | 'offline'
    | 'more minutes'
    | 'paused'
    | 'server away'
    | 'wrote while paused'
    | 'hint'
    | 'break';
  by?: string;
  note?: string;
  /** Minutes given, changes that arrived together, or which hint of a question. */
  count?: number;
}

/** A change as it arrived: from which device, when it was written and when it came. */
export interface Arrival {
  device: string;
  writtenAt: number;
  receivedAt: number;
}

/** What was written so long before it arrived was written without a connection, in milliseconds. */
export const OFFLINE_BEHIND = 30_000;

/**
 * What the arrivals of an attempt tell: devices beyond the first, and stretches
 * that were written without a connection (from what came first to when all of
 * it had arrived). In order of time.
 */
export function arrivalSteps(arrivals: readonly Arrival[]): StoryStep[] {
  const steps: StoryStep[] = [];
  const devices = new Set<string>();
  let offline: (StoryStep & { until: number; count: number }) | null = null;
  for (const { device, writtenAt, receivedAt } of [...arrivals].sort((a, b) => a.receivedAt - b.receivedAt)) {
    if (devices.size > 0 && !devices.has(device)) steps.push({ at: writtenAt, what: 'another device' });
    devices.add(device);
    if (receivedAt - writtenAt < OFFLINE_BEHIND) continue;
    if (offline && writtenAt <= offline.until) {
      offline.at = Math.min(offline.at, writtenAt);
      offline.until = receivedAt;
      offline.count += 1;
    } else steps.push((offline = { at: writtenAt, until: receivedAt, what: 'offline', count: 1 }));
  }
  return steps.sort((a, b) => a.at - b.at);
}

/** How many changes were written while the time stood still, and from when to when; null when none were. */
export function writtenWhilePaused(
  arrivals: readonly Arrival[],
  pauses: readonly { from: number; to: number | null }[],
): StoryStep | null {
  const inside = arrivals.filter(({ writtenAt }) =>
    pauses.some(({ from, to }) => writtenAt > from + HEARD_WITHIN && (to === null || writtenAt < to)),
  );
  const at = Math.min(...inside.map(({ writtenAt }) => writtenAt));
  const until = Math.max(...inside.map(({ writtenAt }) => writtenAt));
  return inside.length === 0 ? null : { at, until, what: 'wrote while paused', count: inside.length };
}

/** A room with a connection hears within this that it is paused, in milliseconds. */
const HEARD_WITHIN = 20_000;
