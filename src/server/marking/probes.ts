import { and, eq, inArray } from 'drizzle-orm';
import type { Context } from '../context';
import type { Transaction } from '../db/database';
import { attempts } from '../db/schema/attempts';
import { probeMarks } from '../db/schema/marks';
import { inSitting } from '../people/courses';
import type { CurrentMark } from './current-marks';
import { markingPlanOf } from './plan';

type Standing = Pick<CurrentMark, 'attempt' | 'by'>;

/** Whether a mark that stands is a probe for the actor: in a script that is to show whether markers are in step, and given by somebody else. Who runs the sitting has none. */
export async function probesIn(ctx: Context, sitting: string): Promise<(mark: Standing) => boolean> {
  const { read } = ctx.db;
  const { probes } = await markingPlanOf(read, sitting);
  if (probes.length === 0 || (await inSitting(ctx, 'run sittings', sitting)).ok) return () => false;
  const rows = await read
    .select({ id: attempts.id })
    .from(attempts)
    .where(and(eq(attempts.sitting, sitting), inArray(attempts.script, probes)));
  const scripts = new Set(rows.map(({ id }) => id));
  return ({ attempt, by }) => scripts.has(attempt) && by !== null && by !== ctx.actor.id;
}

const placeOf = ({ attempt, item, slot }: Pick<CurrentMark, 'attempt' | 'item' | 'slot'>): string =>
  `${attempt} ${item} ${slot}`;

/** What the actor gave to probes, by place. */
export async function ownProbeMarks(
  ctx: Context,
  ids: readonly string[],
): Promise<ReadonlyMap<string, Pick<CurrentMark, 'judgement'> & { marks: string }>> {
  const rows = await ctx.db.read
    .select()
    .from(probeMarks)
    .where(and(eq(probeMarks.by, ctx.actor.id), inArray(probeMarks.attempt, [...ids])));
  return new Map(rows.map((row) => [placeOf(row), row]));
}

/** A mark as its desk has it; of a probe, what was given beforehand, which is told once all of the question are marked. */
export type DeskMark = CurrentMark & { probe?: { beforehand: string | null } };

/** Marks of a question in which probes look like answers that wait, or as the actor has marked them. */
export async function withProbes(
  ctx: Context,
  present: readonly CurrentMark[],
  isProbe: (mark: Standing) => boolean,
): Promise<DeskMark[]> {
  const probes = present.filter(isProbe);
  if (probes.length === 0) return [...present];
  const own = await ownProbeMarks(
    ctx,
    probes.map(({ attempt }) => attempt),
  );
  const told = probes.every((mark) => own.has(placeOf(mark)));
  return present.map((mark): DeskMark => {
    if (!isProbe(mark)) return mark;
    const mine = own.get(placeOf(mark));
    return {
      ...mark,
      marks: mine?.marks ?? null,
      by: mine ? ctx.actor.id : null,
      trace: [{ code: 'by-a-person' }],
      feedback: '',
      judgement: mine?.judgement ?? null,
      probe: { beforehand: told ? mark.marks : null },
    };
  });
}

/** Keeps what the actor gave to a probe. */
export async function keepProbeMark(
  tx: Transaction,
  ctx: Context,
  mark: Pick<CurrentMark, 'attempt' | 'item' | 'slot' | 'judgement'> & { marks: string },
): Promise<void> {
  const row = { ...mark, by: ctx.actor.id, at: ctx.now };
  await tx
    .insert(probeMarks)
    .values(row)
    .onConflictDoUpdate({
      target: [probeMarks.attempt, probeMarks.item, probeMarks.slot, probeMarks.by],
      set: { marks: row.marks, judgement: row.judgement, at: row.at },
    });
}
