/**
 * Time in a sitting. All instants are milliseconds since 1970 on the server's
 * clock; the clock is always passed in.
 */

/** A stretch in which the server did not serve. */
export interface Outage {
  from: number;
  to: number;
  /** It ended with the data of its beginning brought back: what was lost then is for a person to judge. */
  restored?: boolean;
}

/** Answers written before the deadline are taken for so long after it, from devices that were offline at the end. */
export const GRACE = 30_000;
/** Whatever was on its way when the time ended arrives within this. */
export const ON_ITS_WAY = 3_000;
/** A device of which nothing was heard for so long counts as offline; near the end a room says oftener than this that it is there. */
export const UNHEARD = 12_000;
/** Outages give back so much time by themselves; beyond it a teacher is asked. */
export const MOST_GIVEN_BACK = 10 * 60_000;

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

/** When an attempt ends, and how much of what outages took from it was not given back by itself, in milliseconds. */
export interface End {
  deadline: number;
  ungiven: number;
}

/**
 * When an attempt ends: its own working time, not past the end of the window
 * (moved by the student's extra minutes), plus what outages of the server took
 * from it, up to `MOST_GIVEN_BACK` in all. Whoever had time left when a longer
 * outage began has it when the server is back, again up to that much, so that
 * a teacher can still decide about the rest. Nothing the student's side lost
 * is given back here.
 */
export function endOf(allowance: Allowance, outages: readonly Outage[]): End {
  const own = allowance.startedAt + allowance.minutes * 60_000;
  let deadline = Math.min(own, allowance.closesAt + allowance.extraMinutes * 60_000);
  let left = MOST_GIVEN_BACK;
  let ungiven = 0;
  for (const { from: began, to, restored = false } of [...outages].sort((a, b) => a.from - b.from)) {
    const from = Math.max(began, allowance.startedAt);
    if (from >= deadline || to <= from) continue;
    const lost = to - from;
    const before = deadline;
    if (!restored) {
      const given = Math.min(lost, left);
      left -= given;
      deadline = Math.max(before + given, to + Math.min(before - from, MOST_GIVEN_BACK));
    }
    ungiven += Math.max(0, lost - (deadline - before));
  }
  return { deadline, ungiven };
}
