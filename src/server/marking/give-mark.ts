import { and, eq, inArray } from 'drizzle-orm';
import { z } from 'zod';
import { rubricOf } from '@/core/bank/question';
import { ok, type Result, refuse } from '@/core/base/result';
import { type PaperQuestion, paperQuestions } from '@/core/exams/paper';
import { judgementSchema } from '@/core/rules/rubric/rubric';
import { type Context, NOT_FOUND, parse } from '../context';
import type { Reader, Transaction } from '../db/database';
import { attempts } from '../db/schema/attempts';
import { marks, remarks } from '../db/schema/marks';
import { newId } from '../ports/ids';
import type { FoundAttempt } from '../sittings/attempts';
import { paperOf } from '../sittings/pinned';
import { figuresAged } from '../results/figures';
import { attemptToMark } from './attempt-to-mark';
import { countingMarks } from './current-marks';
import { judgedMarks, typedMarks } from './earned';
import { keepProbeMark, ownProbeMarks, probesIn } from './probes';
import { shareIn } from './share';

const given = z.object({
  attempt: z.string(),
  item: z.string(),
  slot: z.string(),
  /** As typed: 2, 1.5, 1,5, 1½, 3/4. With a judgement it is the judgement that decides. */
  marks: z.string().max(20),
  /** What was found by the rubric, whole. */
  judgement: judgementSchema.nullable().default(null),
  /** The mark that whoever marks has seen there, by its place in the history; left out, whatever stands is replaced. */
  over: z.number().int().optional(),
});

/** A mark as it stands after it was given. */
export interface GivenMark {
  /** Its place in the history. */
  id: number;
  marks: string;
}

/** Adds a person's mark for one slot to its history. Refused where somebody else has marked it since it was looked at, and where it is another's to mark. */
export async function giveMark(ctx: Context, raw: unknown): Promise<Result<GivenMark>> {
  const parsed = parse(given, raw);
  if (!parsed.ok) return parsed;
  const { attempt, item: itemId, slot, judgement, over } = parsed.value;
  const found = await attemptToMark(ctx, attempt);
  if (!found.ok) return found;
  const item = await itemOf(ctx.db.read, found.value, itemId);
  const worth = item?.worth.get(slot);
  if (!item || !worth) return NOT_FOUND;
  const asked = item.question.slots[slot];
  const rubric = asked && rubricOf(asked);
  const earned = judgement && rubric ? judgedMarks(rubric, judgement, worth) : typedMarks(parsed.value.marks, worth);
  if (!earned.ok) return earned;
  const { value, trace } = earned.value;
  const { sitting, script } = found.value.attempt;
  const share = await shareIn(ctx, sitting, true);
  const isProbe = await probesIn(ctx, sitting);
  return ctx.db.transaction(async (tx) => {
    const stands = await standingMark(tx, { attempt, item: itemId, slot });
    if (stands && isProbe(stands)) {
      await keepProbeMark(tx, ctx, { attempt, item: itemId, slot, marks: value, judgement: rubric ? judgement : null });
      return ok({ id: stands.id, marks: value });
    }
    if (!share.mine({ attempt, item: itemId, slot, script, by: stands?.by ?? null })) return refuse('not-your-share');
    if (over !== undefined && stands && stands.id !== over && stands.by !== null && stands.by !== ctx.actor.id)
      return refuse('marked-meanwhile', { values: { marks: stands.marks ?? '' } });
    const [row] = await tx
      .insert(marks)
      .values({
        attempt,
        item: itemId,
        slot,
        marks: value,
        by: ctx.actor.id,
        judgement: judgement && rubric ? judgement : null,
        feedback: '',
        at: ctx.now,
        trace,
      })
      .returning({ id: marks.id });
    await figuresAged(tx, sitting);
    return ok({ id: row?.id ?? 0, marks: value });
  });
}

interface Place {
  attempt: string;
  item: string;
  slot: string;
}

async function standingMark(tx: Transaction, { attempt, item, slot }: Place) {
  const here = and(eq(marks.attempt, attempt), eq(marks.item, item), eq(marks.slot, slot));
  const [row] = await tx
    .select()
    .from(marks)
    .where(inArray(marks.id, countingMarks(tx, here)));
  return row;
}

async function itemOf(read: Reader, { attempt }: FoundAttempt, item: string): Promise<PaperQuestion | undefined> {
  const { paper } = await paperOf(read, attempt);
  return paperQuestions(paper).find(({ id }) => id === item);
}

const alike = z.object({
  item: z.string(),
  slot: z.string(),
  /** The attempt whose mark, and what was said of the answer as a whole, is given to the others. */
  from: z.string(),
  to: z.array(z.string()).min(1).max(2000),
});

/**
 * Gives the mark of one answer, and what was said of it as a whole, to others
 * like it: those that still wait and are one's own to mark. What a person has
 * marked meanwhile stays.
 */
export async function giveAlike(ctx: Context, raw: unknown): Promise<Result<{ given: string[]; marks: string }>> {
  const parsed = parse(alike, raw);
  if (!parsed.ok) return parsed;
  const { item, slot, from, to } = parsed.value;
  const found = await attemptToMark(ctx, from);
  if (!found.ok) return found;
  const { sitting } = found.value.attempt;
  const worth = (await itemOf(ctx.db.read, found.value, item))?.worth.get(slot);
  if (!worth) return NOT_FOUND;
  const share = await shareIn(ctx, sitting, true);
  const isProbe = await probesIn(ctx, sitting);
  const probed = await ownProbeMarks(ctx, [from]);
  const ownOf = (stands: typeof marks.$inferSelect, own: { marks: string } | undefined) =>
    own && { ...stands, ...own, by: ctx.actor.id };
  return ctx.db.transaction(async (tx) => {
    const stands = await standingMark(tx, { attempt: from, item, slot });
    // Of what was marked beforehand, what the actor gave to it.
    const mark = stands && isProbe(stands) ? ownOf(stands, probed.get(`${from} ${item} ${slot}`)) : stands;
    if (!mark || mark.marks === null || mark.by === null) return refuse('not-marked-yet');
    const here = and(inArray(marks.attempt, to), eq(marks.item, item), eq(marks.slot, slot));
    const standing = await tx
      .select({ attempt: marks.attempt, marks: marks.marks, script: attempts.script })
      .from(marks)
      .innerJoin(attempts, eq(attempts.id, marks.attempt))
      .where(and(eq(attempts.sitting, sitting), inArray(marks.id, countingMarks(tx, here))));
    const waiting = standing
      .filter((one) => one.marks === null && share.mine({ ...one, item, slot, by: null }))
      .map(({ attempt }) => attempt);
    const said = await tx
      .select()
      .from(remarks)
      .where(and(eq(remarks.attempt, from), eq(remarks.item, item), eq(remarks.slot, slot)));
    for (const attempt of waiting) {
      const { id: _, ...copy } = mark;
      await tx.insert(marks).values({ ...copy, attempt, by: ctx.actor.id, at: ctx.now });
      for (const remark of said.filter(({ anchor }) => anchor.at === 'whole'))
        await tx.insert(remarks).values({ ...remark, id: newId(), attempt, by: ctx.actor.id, at: ctx.now });
    }
    await figuresAged(tx, sitting);
    return ok({ given: waiting, marks: mark.marks });
  });
}
