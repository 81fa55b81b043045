import { and, eq, inArray, isNull, lt, sql } from 'drizzle-orm';
import type { Participant } from '@/core/people/participant';
import type { AttemptState } from '@/core/sittings/attempt';
import { endOf, type Outage } from '@/core/sittings/time';
import type { Reader } from '../db/database';
import { answersNow, attempts, extensions, outages, participants, sittings } from '../db/schema/exams';
import { participantOf } from '../people/participants';

export type AttemptRow = typeof attempts.$inferSelect;

/** An attempt with the facts of its sitting that decide its time. */
export interface AttemptInTime {
  attempt: AttemptRow;
  state: AttemptState;
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

interface Row {
  attempt: AttemptRow;
  sitting: { closesAt: number; minutes: number; endedAt: number | null };
  extra: number;
  forOutage: number;
}

function inTime({ attempt, sitting, extra, forOutage }: Row, lost: readonly Outage[]): AttemptInTime {
  const minutes = attempt.minutes + extra;
  const { deadline: own, ungiven } = endOf(
    { startedAt: attempt.startedAt, minutes, closesAt: sitting.closesAt, extraMinutes: minutes - sitting.minutes },
    lost,
  );
  const deadline = sitting.endedAt === null ? own : Math.min(own, sitting.endedAt);
  return {
    attempt,
    state: { startedAt: attempt.startedAt, deadline, handedInAt: attempt.handedInAt },
    ungiven: Math.max(0, ungiven - forOutage * 60_000),
  };
}

/** Every outage so far; there are few. */
function allOutages(read: Reader): Promise<Outage[]> {
  return read.select({ from: outages.from, to: outages.to, restored: outages.restored }).from(outages);
}

function select(read: Reader) {
  return read
    .select({
      attempt: attempts,
      sitting: { closesAt: sittings.closesAt, minutes: sittings.minutes, endedAt: sittings.endedAt },
      extra: extraOf,
      forOutage: forOutageOf,
      is: participants.is,
    })
    .from(attempts)
    .innerJoin(participants, eq(participants.id, attempts.participant))
    .innerJoin(sittings, eq(sittings.id, attempts.sitting));
}

/** An attempt with whose it is. */
export interface FoundAttempt extends AttemptInTime {
  participant: Participant;
}

export async function findAttempt(read: Reader, id: string): Promise<FoundAttempt | null> {
  const [row] = await select(read).where(eq(attempts.id, id));
  if (!row) return null;
  const participant = await participantOf(read, row.attempt.participant, row.is);
  return { ...inTime(row, await allOutages(read)), participant };
}

export async function attemptsOf(read: Reader, sitting: string): Promise<AttemptInTime[]> {
  const rows = await select(read).where(eq(attempts.sitting, sitting));
  const lost = await allOutages(read);
  return rows.map((row) => inTime(row, lost));
}

/** The attempts that nobody has handed in and whose time can be over: extensions and outages may still move the end. */
export async function endingAttempts(read: Reader, now: number): Promise<AttemptInTime[]> {
  const earliestEnd = sql`min(${attempts.startedAt} + ${attempts.minutes} * 60000, ${sittings.closesAt}, coalesce(${sittings.endedAt}, ${sittings.closesAt}))`;
  const rows = await select(read).where(and(isNull(attempts.handedInAt), lt(earliestEnd, now)));
  const lost = await allOutages(read);
  return rows.map((row) => inTime(row, lost));
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
