import { and, asc, eq, isNull } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { assemble } from '@/core/exams/paper';
import { hasStages, type Stage, stagesOf } from '@/core/exams/stages';
import { type ExtraTime, secondsWithExtraTime, withExtraTime } from '@/core/people/provision';
import { may } from '@/core/people/may';
import { type AttemptState, isOver } from '@/core/sittings/attempt';
import { endOf } from '@/core/sittings/time';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import type { Reader, Transaction } from '../db/database';
import { stages } from '../db/schema/attempts';
import { extensions } from '../db/schema/exams';
import { type AttemptInTime, type AttemptRow, findAttempt } from './attempts';
import { placedIn } from './pinned';

type StageRow = typeof stages.$inferSelect;

/** Where an attempt is that goes through its paper in stages. */
export interface InStages {
  /** All of the paper, in order. */
  all: Stage[];
  /** The present one; the last when all are left. */
  present: Stage;
  /** Whether and until when a question is, or was, to be written in; null for one whose stage was not entered. */
  stateOf: (item: string) => AttemptState | null;
  /** From when to when the present stage lasts, where it or its section has a time of its own; null where only the whole has. */
  own: { from: number; to: number } | null;
}

async function paperStages(read: Reader, attempt: AttemptRow): Promise<Stage[]> {
  const pinned = await placedIn(read, attempt.sitting);
  return hasStages(pinned.plan) ? stagesOf(pinned.plan, assemble(pinned, attempt)) : [];
}

export async function enterFirstStage(tx: Transaction, attempt: AttemptRow, now: number): Promise<void> {
  const [first] = await paperStages(tx, attempt);
  if (first) await tx.insert(stages).values({ attempt: attempt.id, stage: first.id, startedAt: now });
}

/** Where an attempt is in the stages of its paper; null where one may move freely. */
export async function inStages(read: Reader, found: AttemptInTime): Promise<InStages | null> {
  const { attempt } = found;
  const all = await paperStages(read, attempt);
  const [first] = all;
  if (!first) return null;
  const rows = await read.select().from(stages).where(eq(stages.attempt, attempt.id)).orderBy(asc(stages.startedAt));
  const entered = new Map(rows.map((row) => [row.stage, row]));
  const given = all.some(({ minutes, seconds }) => minutes !== null || seconds !== null)
    ? await read
        .select({ at: extensions.at, minutes: extensions.minutes })
        .from(extensions)
        .where(and(eq(extensions.sitting, attempt.sitting), eq(extensions.participant, attempt.participant)))
    : [];
  /** From when to when these stages last together: counted from entering the first, with the provision, and with minutes given meanwhile. */
  const lasting = (these: Stage[], minutesWith: (extra: ExtraTime) => number): InStages['own'] => {
    const mine = these.flatMap(({ id }) => entered.get(id) ?? []);
    if (mine.length === 0) return null;
    const from = Math.min(...mine.map((row) => row.startedAt));
    const left = mine.every((row) => row.leftAt !== null) ? Math.max(...mine.map((row) => row.leftAt ?? 0)) : Infinity;
    const more = given.filter(({ at }) => at >= from && at < left).reduce((n, one) => n + one.minutes, 0);
    const minutes = minutesWith({ percent: attempt.extraTimePercent, minutes: more });
    const allowance = { startedAt: from, minutes, closesAt: found.state.deadline, extraMinutes: 0 };
    const { deadline } = endOf(allowance, found.stood.outages, found.stood.pauses);
    return { from, to: Math.min(deadline, found.state.deadline) };
  };
  const timeOf = (stage: Stage): InStages['own'] => {
    const { section, minutes, seconds } = stage;
    const together = all.filter((one) => one.section === section);
    const ofSection = minutes === null ? null : lasting(together, (extra) => withExtraTime(minutes, extra));
    const ofItself = seconds === null ? null : lasting([stage], (extra) => secondsWithExtraTime(seconds, extra) / 60);
    return ofSection && ofItself && ofSection.to < ofItself.to ? ofSection : (ofItself ?? ofSection);
  };
  const present = all.find(({ id }) => entered.has(id) && entered.get(id)?.leftAt === null) ?? all.at(-1) ?? first;
  return {
    all,
    present,
    own: timeOf(present),
    stateOf: (item) => {
      const stage = all.find(({ items }) => items.includes(item));
      const row: StageRow | undefined = stage && entered.get(stage.id);
      if (!stage || !row) return null;
      const { deadline, handedInAt } = found.state;
      const ends = Math.min(timeOf(stage)?.to ?? deadline, row.leftAt ?? deadline);
      return { startedAt: row.startedAt, deadline: ends, handedInAt };
    },
  };
}

const leaving = z.object({ from: z.string().max(40) });

/** Leaves a stage for good and enters the next. Leaving it twice is leaving it once. */
export async function goToNextStage(ctx: Context, id: string, raw: unknown): Promise<Result<{ stage: string }>> {
  const parsed = parse(leaving, raw);
  if (!parsed.ok) return parsed;
  const found = await findAttempt(ctx.db.read, id, ctx.now);
  if (!found) return NOT_FOUND;
  if (!may(ctx.actor, 'write attempt', found)) return FORBIDDEN;
  if (isOver(found.state, ctx.now)) return refuse('time-is-over');
  if (found.pausedAt !== null) return refuse('stands-still-already');
  return ctx.db.transaction(async (tx) => {
    const now = await inStages(tx, found);
    if (!now) return NOT_FOUND;
    const at = now.all.indexOf(now.present);
    const next = now.all[at + 1];
    if (parsed.value.from !== now.present.id) return ok({ stage: now.present.id });
    if (!next) return refuse('last-stage');
    // What was given too much time by a device that slept does not take it from the next.
    const leftAt = Math.min(ctx.now, now.own?.to ?? ctx.now);
    await tx
      .update(stages)
      .set({ leftAt })
      .where(and(eq(stages.attempt, id), eq(stages.stage, now.present.id), isNull(stages.leftAt)));
    await tx.insert(stages).values({ attempt: id, stage: next.id, startedAt: ctx.now });
    return ok({ stage: next.id });
  });
}
