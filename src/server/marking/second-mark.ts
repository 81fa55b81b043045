import { and, eq, inArray } from 'drizzle-orm';
import { z } from 'zod';
import { type Exact, exact, stored, ZERO } from '@/core/base/exact';
import { ok, type Result, refuse } from '@/core/base/result';
import { paperQuestions } from '@/core/exams/paper';
import { marksTogether, wantsSecond } from '@/core/marking/plan';
import { boundariesSchema } from '@/core/results/policy';
import { type Context, NOT_FOUND, parse } from '../context';
import type { Reader } from '../db/database';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { marks, secondMarks } from '../db/schema/marks';
import { inSitting } from '../people/courses';
import { scoresOf } from '../results/results';
import { paperOf } from '../sittings/pinned';
import { attemptToMark } from './attempt-to-mark';
import { figuresAged } from '../results/figures';
import { countingMarks, type CurrentMark } from './current-marks';
import { typedMarks } from './earned';
import { markingPlanOf } from './plan';

/** Which of the marks of a sitting shall have a second one beside them: those that a person gave, as its plan says. */
export async function secondsWanted(
  read: Reader,
  sitting: string,
  now: number,
): Promise<(mark: CurrentMark) => boolean> {
  const { second } = await markingPlanOf(read, sitting);
  const [row] = await read.select().from(sittings).where(eq(sittings.id, sitting));
  if (!row || second.which === 'none') return () => false;
  const pass = exact(boundariesSchema.parse(row.boundaries).passPercent);
  const scores = new Map<string, Exact>();
  if (second.which === 'near pass')
    for (const { attempt, score } of await scoresOf(read, row, now)) scores.set(attempt, score.percent);
  return (mark) =>
    mark.by !== null && wantsSecond(second, { sitting, ...mark }, scores.get(mark.attempt) ?? ZERO, pass);
}

/**
 * Which marks are kept from whoever may still be asked for a second one: those
 * of others that want one and have none yet. Who runs the sitting sees all.
 */
export async function keptBlind(ctx: Context, sitting: string): Promise<(mark: CurrentMark) => boolean> {
  const { read } = ctx.db;
  if ((await inSitting(ctx, 'run sittings', sitting)).ok) return () => false;
  const wanted = await secondsWanted(read, sitting, ctx.now);
  const given = await read
    .select({ attempt: secondMarks.attempt, item: secondMarks.item, slot: secondMarks.slot })
    .from(secondMarks)
    .innerJoin(attempts, and(eq(attempts.id, secondMarks.attempt), eq(attempts.sitting, sitting)));
  const done = new Set(given.map(({ attempt, item, slot }) => `${attempt} ${item} ${slot}`));
  return (mark) => mark.by !== ctx.actor.id && wanted(mark) && !done.has(`${mark.attempt} ${mark.item} ${mark.slot}`);
}

/** Second marks of one question of some attempts. */
export async function secondMarksOf(read: Reader, item: string, ids: readonly string[]) {
  return read
    .select()
    .from(secondMarks)
    .where(and(eq(secondMarks.item, item), inArray(secondMarks.attempt, [...ids])));
}

/**
 * The marks of a question as a second marker sees them: those that want one,
 * were first marked by somebody else, and have no second mark of another. What
 * the first mark was is not in them.
 */
export async function blindMarks(
  ctx: Context,
  sitting: string,
  item: string,
  present: readonly CurrentMark[],
): Promise<CurrentMark[]> {
  const { read } = ctx.db;
  const wanted = await secondsWanted(read, sitting, ctx.now);
  const given = new Map(
    (
      await secondMarksOf(
        read,
        item,
        present.map(({ attempt }) => attempt),
      )
    ).map((one) => [`${one.attempt} ${one.slot}`, one]),
  );
  return present.flatMap((mark): CurrentMark[] => {
    const second = given.get(`${mark.attempt} ${mark.slot}`);
    const mine = second?.by === ctx.actor.id;
    if (second ? !mine : mark.by === ctx.actor.id || !wanted(mark)) return [];
    return [
      {
        ...mark,
        marks: second?.marks ?? null,
        by: second?.by ?? null,
        trace: [{ code: 'second-mark-wanted' }],
        feedback: '',
        judgement: null,
      },
    ];
  });
}

const given = z.object({
  attempt: z.string(),
  item: z.string(),
  slot: z.string(),
  marks: z.string().max(20),
  reason: z.string().trim().max(3000).default(''),
});

/**
 * Marks an answer a second time. Where the two marks are too far apart, the
 * answer waits again, to be settled by whoever has both in sight.
 */
export async function giveSecondMark(ctx: Context, raw: unknown): Promise<Result<{ marks: string; settled: boolean }>> {
  const parsed = parse(given, raw);
  if (!parsed.ok) return parsed;
  const { attempt, item: itemId, slot, reason } = parsed.value;
  const found = await attemptToMark(ctx, attempt);
  if (!found.ok) return found;
  const { sitting } = found.value.attempt;
  const { read } = ctx.db;
  const { paper } = await paperOf(read, found.value.attempt);
  const worth = paperQuestions(paper)
    .find(({ id }) => id === itemId)
    ?.worth.get(slot);
  if (!worth) return NOT_FOUND;
  const earned = typedMarks(parsed.value.marks, worth);
  if (!earned.ok) return earned;
  const { second } = await markingPlanOf(read, sitting);
  const wanted = await secondsWanted(read, sitting, ctx.now);
  return ctx.db.transaction(async (tx) => {
    const here = and(eq(marks.attempt, attempt), eq(marks.item, itemId), eq(marks.slot, slot));
    const [row] = await tx
      .select()
      .from(marks)
      .where(inArray(marks.id, countingMarks(tx, here)));
    const [before] = await tx
      .select()
      .from(secondMarks)
      .where(and(eq(secondMarks.attempt, attempt), eq(secondMarks.item, itemId), eq(secondMarks.slot, slot)));
    if (before && before.by !== ctx.actor.id) return refuse('second-mark-stands');
    const first = before ? { marks: before.first, by: before.firstBy } : row;
    if (!row || !first || first.marks === null || first.by === null) return refuse('not-marked-yet');
    if (first.by === ctx.actor.id) return refuse('own-first-mark');
    if (!before && !wanted(row as CurrentMark)) return refuse('no-second-mark');
    const value = earned.value.value;
    const both = { by: ctx.actor.id, marks: value, reason, first: first.marks, firstBy: first.by, at: ctx.now };
    await tx
      .insert(secondMarks)
      .values({ attempt, item: itemId, slot, ...both })
      .onConflictDoUpdate({ target: [secondMarks.attempt, secondMarks.item, secondMarks.slot], set: both });
    const counts = marksTogether(second, exact(first.marks), exact(value), worth);
    const same = counts !== null && row.marks !== null && exact(row.marks).equals(counts);
    if (!same) {
      const trace =
        counts === null
          ? [{ code: 'markers-differ', values: { first: first.marks, second: value } }]
          : [{ code: 'by-a-person' }];
      await tx.insert(marks).values({
        attempt,
        item: itemId,
        slot,
        marks: counts === null ? null : stored(counts),
        by: counts === null ? null : first.by,
        trace,
        feedback: '',
        judgement: null,
        at: ctx.now,
      });
      await figuresAged(tx, sitting);
    }
    return ok({ marks: value, settled: counts !== null });
  });
}
