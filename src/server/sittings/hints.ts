import { asc, count, eq, inArray } from 'drizzle-orm';
import { z } from 'zod';
import { stored } from '@/core/base/exact';
import { ok, type Result, refuse } from '@/core/base/result';
import { hintCosts } from '@/core/exams/hints';
import { type Paper, type PaperQuestion, paperQuestions } from '@/core/exams/paper';
import { may } from '@/core/people/may';
import { isOver } from '@/core/sittings/attempt';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import type { Reader } from '../db/database';
import { attempts, hintsTaken } from '../db/schema/attempts';
import { findAttempt } from './attempts';
import { paperOf } from './pinned';
import { inStages } from './stages';

/** The hints of a question as a student has them: those that were asked for, and what the next would cost. */
export interface RoomHints {
  seen: string[];
  /** Exact marks as text; null when there is no other. */
  next: string | null;
}

function hintsOf(item: PaperQuestion, taken: number): RoomHints {
  const next = hintCosts(item)[taken];
  return { seen: item.question.hints.slice(0, taken).map(({ text }) => text), next: next ? stored(next) : null };
}

/** How many hints of each question were asked for, by attempt. */
export type HintsTaken = ReadonlyMap<string, ReadonlyMap<string, number>>;

export async function hintsTakenIn(
  read: Reader,
  which: { attempt: string } | { sitting: string },
): Promise<HintsTaken> {
  const among =
    'attempt' in which
      ? eq(hintsTaken.attempt, which.attempt)
      : inArray(
          hintsTaken.attempt,
          read.select({ id: attempts.id }).from(attempts).where(eq(attempts.sitting, which.sitting)),
        );
  const rows = await read
    .select({ attempt: hintsTaken.attempt, item: hintsTaken.item, taken: count() })
    .from(hintsTaken)
    .where(among)
    .groupBy(hintsTaken.attempt, hintsTaken.item);
  const all = new Map<string, Map<string, number>>();
  for (const { attempt, item, taken } of rows)
    all.set(attempt, (all.get(attempt) ?? new Map<string, number>()).set(item, taken));
  return all;
}

/** When which hint of an attempt was asked for, in order. */
export function hintSteps(read: Reader, attempt: string): Promise<{ item: string; hint: number; at: number }[]> {
  return read
    .select({ item: hintsTaken.item, hint: hintsTaken.hint, at: hintsTaken.at })
    .from(hintsTaken)
    .where(eq(hintsTaken.attempt, attempt))
    .orderBy(asc(hintsTaken.at));
}

/** The hints of a paper's questions as its student has them; nothing of those that have none. */
export async function roomHints(read: Reader, attempt: string, paper: Paper): Promise<Record<string, RoomHints>> {
  const taken = (await hintsTakenIn(read, { attempt })).get(attempt);
  return Object.fromEntries(
    paperQuestions(paper)
      .filter(({ question }) => question.hints.length > 0)
      .map((item) => [item.id, hintsOf(item, taken?.get(item.id) ?? 0)]),
  );
}

const asked = z.object({ item: z.string().max(40), seen: z.number().int().min(0).max(10) });

/** Takes the hint after those that were seen. Asking twice, by a hasty hand or from two devices, takes it once. */
export async function takeHint(ctx: Context, id: string, raw: unknown): Promise<Result<RoomHints>> {
  const parsed = parse(asked, raw);
  if (!parsed.ok) return parsed;
  const { item: itemId, seen } = parsed.value;
  const found = await findAttempt(ctx.db.read, id, ctx.now);
  if (!found) return NOT_FOUND;
  if (!may(ctx.actor, 'write attempt', found)) return FORBIDDEN;
  const { plan, paper } = await paperOf(ctx.db.read, found.attempt);
  const item = paperQuestions(paper).find((one) => one.id === itemId);
  if (!plan.hints || !item) return FORBIDDEN;
  const stages = await inStages(ctx.db.read, found);
  const state = stages ? stages.stateOf(itemId) : found.state;
  if (!state || isOver(state, ctx.now)) return refuse('door-over');
  return ctx.db.transaction(async (tx) => {
    const taken = (await hintsTakenIn(tx, { attempt: id })).get(id)?.get(itemId) ?? 0;
    const more = taken === seen && taken < item.question.hints.length;
    if (more) await tx.insert(hintsTaken).values({ attempt: id, item: itemId, hint: taken, at: ctx.now });
    return ok(hintsOf(item, more ? taken + 1 : taken));
  });
}
