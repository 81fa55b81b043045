import { and, eq, inArray, isNotNull, isNull, lt, sql } from 'drizzle-orm';
import type { Participant } from '@/core/people/participant';
import type { AttemptState } from '@/core/sittings/attempt';
import type { Lateness } from '@/core/sittings/late';
import { endOf, type Outage, type Stretch } from '@/core/sittings/time';
import type { Reader } from '../db/database';
import { preparedOn } from '../db/prepared';
import { answersNow, attempts } from '../db/schema/attempts';
import { extensions, participants, pauses, sittings } from '../db/schema/exams';
import { outages } from '../db/schema/jobs';
import { participantOf } from '../people/participants';

export type AttemptRow = typeof attempts.$inferSelect;

/** Breaks that a student may take by themselves. */
export interface Rest {
  left: number;
  /** Null while they write. */
  until: number | null;
}

/** An attempt with the facts of its sitting that decide its time. */
export interface AttemptInTime {
  attempt: AttemptRow;
  state: AttemptState;
  /** Since when a teacher has its time stand still; null while it runs. */
  pausedAt: number | null;
  /** Milliseconds of breaks that are left, and until when one lasts. */
  rest: Rest;
  /** What moves its end: outages of the server, and pauses up to now. */
  stood: { outages: readonly Outage[]; pauses: readonly Stretch[] };
  /** From when on it is late; null where nothing is. */
  dueAt: number | null;
  /** How late it was handed in, or is by now, and by which rule; null where nothing is late. */
  late: Lateness | null;
  /** Milliseconds that outages of the server took and that were not given back by themselves. */
  ungiven: number;
}

const extraOf = sql<number>`(SELECT coalesce(sum(${extensions.minutes}), 0) FROM ${extensions}
  WHERE ${extensions.sitting} = ${attempts.sitting} AND ${extensions.participant} = ${attempts.participant})`;

/** The reason of minutes that a teacher gave for an outage. */
export const FOR_OUTAGE = 'the server was away';

const forOutageOf = sql<number>`(SELECT coalesce(sum(${extensions.minutes}), 0) FROM ${extensions}
  WHERE ${extensions.sitting} = ${attempts.sitting} AND ${extensions.participant} = ${attempts.participant}
    AND ${extensions.reason} = ${FOR_OUTAGE})`;

/** Handed in, and not set aside: what is marked, and counts. */
export const COUNTS = and(isNotNull(attempts.handedInAt), isNull(attempts.asideAt));

/** The pauses of an attempt's sitting that are for it, as JSON. */
const pausesOf = sql<string>`(SELECT json_group_array(json_array(${pauses.from}, ${pauses.to}, ${pauses.by} = ${attempts.participant})) FROM ${pauses}
  WHERE ${pauses.sitting} = ${attempts.sitting}
    AND (${pauses.participant} IS NULL OR ${pauses.participant} = ${attempts.participant}))`;

/** Every outage so far, as JSON; there are few. */
const outagesOf = sql<string>`(SELECT json_group_array(json_array(${outages.from}, ${outages.to}, ${outages.restored})) FROM ${outages})`;

interface Row {
  attempt: AttemptRow;
  sitting: Pick<typeof sittings.$inferSelect, 'closesAt' | 'minutes' | 'endedAt' | 'dueAt' | 'late'>;
  extra: number;
  forOutage: number;
  pauses: string;
  outages: string;
}

function inTime({ attempt, sitting, extra, forOutage, ...row }: Row, now: number): AttemptInTime {
  const lost = (JSON.parse(row.outages) as [from: number, to: number, restored: 0 | 1][]).map(
    ([from, to, restored]): Outage => ({ from, to, restored: restored === 1 }),
  );
  const { startedAt, handedInAt } = attempt;
  const minutes = attempt.minutes + extra;
  const extraMinutes = minutes - sitting.minutes;
  const told = JSON.parse(row.pauses) as [from: number, to: number | null, own: 0 | 1][];
  // A break ends by itself at a time that is known when it begins.
  const still = told.map(([from, to]) => ({ from, to: Math.min(to ?? now, now) }));
  const breaks = told.filter(([, , own]) => own === 1);
  const { deadline: own, ungiven } = endOf(
    { startedAt, minutes, closesAt: sitting.closesAt, extraMinutes },
    lost,
    still,
  );
  const deadline = sitting.endedAt === null ? own : Math.min(own, sitting.endedAt);
  const over = handedInAt !== null || now > deadline;
  const lasting = told.flatMap(([from, to]) => (to === null || to > now ? [from] : []));
  const { dueAt, late } = sitting;
  // The due time moves as the end does: by what the student has more, by pauses and by what outages took.
  const due =
    dueAt === null
      ? null
      : endOf({ startedAt, minutes: Infinity, closesAt: dueAt, extraMinutes }, lost, still).deadline;
  return {
    attempt,
    state: { startedAt, deadline, handedInAt },
    stood: { outages: lost, pauses: still },
    pausedAt: over || lasting.length === 0 ? null : Math.min(...lasting),
    dueAt: due,
    late: due === null || late === null ? null : { rule: late, by: Math.max(0, (handedInAt ?? now) - due) },
    rest: {
      left:
        attempt.breakMinutes * 60_000 - breaks.reduce((all, [from, to]) => all + Math.min(to ?? now, now) - from, 0),
      until: breaks.map(([, to]) => to ?? 0).find((to) => to > now && !over) ?? null,
    },
    ungiven: Math.max(0, ungiven - forOutage * 60_000),
  };
}

function select(read: Reader) {
  return read
    .select({
      attempt: attempts,
      sitting: {
        closesAt: sittings.closesAt,
        minutes: sittings.minutes,
        endedAt: sittings.endedAt,
        dueAt: sittings.dueAt,
        late: sittings.late,
      },
      pauses: pausesOf,
      outages: outagesOf,
      extra: extraOf,
      forOutage: forOutageOf,
      is: participants.is,
    })
    .from(attempts)
    .innerJoin(participants, eq(participants.id, attempts.participant))
    .innerJoin(sittings, eq(sittings.id, attempts.sitting));
}

/** An attempt as it is stored. */
export async function attemptRow(read: Reader, id: string): Promise<AttemptRow> {
  const [row] = await read.select().from(attempts).where(eq(attempts.id, id));
  if (!row) throw new Error(`There is no attempt ${id}`);
  return row;
}

/** An attempt with whose it is. */
export interface FoundAttempt extends AttemptInTime {
  participant: Participant;
}

/** Made once for each connection: every save asks it. */
const finding = preparedOn((read) =>
  select(read)
    .where(eq(attempts.id, sql.placeholder('id')))
    .prepare(),
);

export async function findAttempt(read: Reader, id: string, now: number): Promise<FoundAttempt | null> {
  const [row] = await finding(read).execute({ id });
  if (!row) return null;
  const participant = await participantOf(read, row.attempt.participant, row.is);
  return { ...inTime(row, now), participant };
}

export async function attemptsOf(read: Reader, sitting: string, now: number): Promise<AttemptInTime[]> {
  const rows = await select(read).where(eq(attempts.sitting, sitting));
  return rows.map((row) => inTime(row, now));
}

/** The attempts that nobody has handed in and whose time can be over: extensions and outages may still move the end. */
export async function endingAttempts(read: Reader, now: number): Promise<AttemptInTime[]> {
  const earliestEnd = sql`min(${attempts.startedAt} + ${attempts.minutes} * 60000, ${sittings.closesAt}, coalesce(${sittings.endedAt}, ${sittings.closesAt}))`;
  const rows = await select(read).where(and(isNull(attempts.handedInAt), lt(earliestEnd, now)));
  return rows.map((row) => inTime(row, now));
}

/** Present answers by item and slot: the one written last, whichever device it came from. */
export type Answers = Record<string, Record<string, unknown>>;

/** Present answers of several attempts to some of the questions. */
export async function currentAnswersOf(
  read: Reader,
  ids: readonly string[],
  items: readonly string[],
): Promise<Map<string, Answers>> {
  const rows = await read
    .select({ attempt: answersNow.attempt, item: answersNow.item, slot: answersNow.slot, value: answersNow.value })
    .from(answersNow)
    .where(and(inArray(answersNow.attempt, [...ids]), inArray(answersNow.item, [...items])));
  const all = new Map<string, Answers>();
  for (const { attempt, item, slot, value } of rows) {
    const mine = all.get(attempt) ?? {};
    (mine[item] ??= {})[slot] = value;
    all.set(attempt, mine);
  }
  return all;
}

export async function currentAnswers(read: Reader, attempt: string): Promise<Answers> {
  const rows = await read
    .select({ item: answersNow.item, slot: answersNow.slot, value: answersNow.value })
    .from(answersNow)
    .where(eq(answersNow.attempt, attempt));
  const current: Answers = {};
  for (const { item, slot, value } of rows) (current[item] ??= {})[slot] = value;
  return current;
}
