/**
 * Time in a sitting. All instants are milliseconds since 1970 on the server's
 * clock; the clock is always passed in.
 */

export interface Stretch {
  from: number;
  to: number;
}

/** A stretch in which the server did not serve. */
export interface Outage extends Stretch {
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

/** When an attempt ends, and how much of what outages took from it was not given back by itself, in milliseconds. */
export interface End {
  deadline: number;
  ungiven: number;
}

/**
 * When an attempt ends: its own working time, not past the end of the window
 * (moved by the student's extra minutes), plus all of the pauses, plus what
 * outages of the server took from it, up to `MOST_GIVEN_BACK` in all. Whoever
 * had time left when a longer outage began has it when the server is back,
 * again up to that much, so that a teacher can still decide about the rest.
 * Nothing the student's side lost is given back here. A pause that lasts is
 * given as one that ends now: the time left stands still.
 */
export function endOf(allowance: Allowance, outages: readonly Outage[], pauses: readonly Stretch[] = []): End {
  const own = allowance.startedAt + allowance.minutes * 60_000;
  let deadline = Math.min(own, allowance.closesAt + allowance.extraMinutes * 60_000);
  let left = MOST_GIVEN_BACK;
  let ungiven = 0;
  const still = united(pauses);
  // What two processes have noticed is one outage.
  const noticed = [
    ...united(outages.filter(({ restored }) => !restored)),
    ...outages.filter(({ restored }) => restored),
  ];
  const lost = noticed.flatMap((outage: Outage) => without(outage, still).map((part) => ({ ...part, pause: false })));
  const stretches = [...lost, ...still.map((part) => ({ ...part, pause: true, restored: false }))];
  for (const { from: began, to, restored, pause } of stretches.sort(
    (a, b) => a.from - b.from || a.to - b.to || Number(a.restored) - Number(b.restored),
  )) {
    const from = Math.max(began, allowance.startedAt);
    if (from >= deadline || to <= from) continue;
    const took = to - from;
    const before = deadline;
    if (pause) deadline += took;
    else if (!restored) {
      const given = Math.min(took, left);
      left -= given;
      deadline = Math.max(before + given, to + Math.min(before - from, MOST_GIVEN_BACK));
    }
    ungiven += Math.max(0, took - (deadline - before));
  }
  return { deadline, ungiven };
}

/** Stretches of time as disjoint ones, in order. */
function united(stretches: readonly Stretch[]): Stretch[] {
  const found: Stretch[] = [];
  for (const { from, to } of [...stretches].sort((a, b) => a.from - b.from)) {
    const last = found.at(-1);
    if (last && from <= last.to) last.to = Math.max(last.to, to);
    else found.push({ from, to });
  }
  return found;
}

/** What is left of an outage outside of pauses: while the time stands still nothing is lost. */
function without({ from, to, restored = false }: Outage, still: readonly Stretch[]): Required<Outage>[] {
  const parts: Required<Outage>[] = [];
  let at = from;
  for (const pause of still) {
    if (pause.to <= at || pause.from >= to) continue;
    if (pause.from > at) parts.push({ from: at, to: pause.from, restored });
    at = pause.to;
  }
  if (at < to) parts.push({ from: at, to, restored });
  return parts;
}
