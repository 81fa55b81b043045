/**
 * Time in a sitting. All instants are milliseconds since 1970 on the server's
 * clock; the clock is always passed in.
 */

/** A stretch in which the server did not serve. */
export interface Outage {
  from: number;
  to: number;
}

/** Answers written before the deadline are taken for so long after it, to let the last ones arrive. */
export const GRACE = 30_000;

export interface Allowance {
  startedAt: number;
  /** Working time of this student, extra time included. */
  minutes: number;
  /** When the sitting ends for everybody; extra time reaches past it only when started late enough to need it. */
  closesAt: number;
  /** Extra minutes of this student, which move the common end too. */
  extraMinutes: number;
}

/** Working minutes with extra time in percent, rounded up to whole minutes. */
export function minutesWith(minutes: number, extraPercent: number): number {
  return Math.ceil((minutes * (100 + extraPercent)) / 100);
}

/**
 * When an attempt ends: its own working time, not past the end of the window
 * (moved by the student's extra minutes), plus what outages of the server took
 * from it. Nothing the student's side lost is given back here.
 */
export function deadlineOf(allowance: Allowance, outages: readonly Outage[]): number {
  const own = allowance.startedAt + allowance.minutes * 60_000;
  let end = Math.min(own, allowance.closesAt + allowance.extraMinutes * 60_000);
  for (const outage of [...outages].sort((a, b) => a.from - b.from)) {
    const from = Math.max(outage.from, allowance.startedAt);
    if (from < end && outage.to > from) end += outage.to - from;
  }
  return end;
}
