import { and, eq } from 'drizzle-orm';
import { z } from 'zod';
import { type QuestionSheet, questionSheet } from '@/core/bank/sheet';
import { ok, type Result, refuse } from '@/core/base/result';
import { mean } from '@/core/analysis/numbers';
import { exact, stored } from '@/core/base/exact';
import { type Estimate, estimateSchema, limitsCross, missing, NOTHING_SAID } from '@/core/results/panel';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { courses, members } from '../db/schema/people';
import { estimates, panelJudges, panels } from '../db/schema/results';
import { inSitting } from '../people/courses';
import { estimatesIn, judgedIn, type PanelRow } from './panels';
import { earnedBefore } from './question-life';

/** What the round before said of one question. */
export interface SaidBefore {
  /** What each judge said, lowest first, in percent; of methods that give a percent. */
  percents: number[];
  mean: number | null;
  /** What they want the others to read. */
  notes: { by: string; words: string }[];
}

export interface JudgesQuestion {
  id: string;
  number: string;
  marks: string;
  sheet: QuestionSheet;
  /** The share of its marks that students have earned, here or, before anybody is marked here, in earlier sittings; null where judges do not see it, or nobody has. */
  earned: { share: number; earlier: boolean } | null;
  before: SaidBefore | null;
}

/** The page of one judge. */
export interface JudgesView extends Pick<PanelRow, 'method' | 'round'> {
  panel: string;
  title: string;
  course: string;
  questions: JudgesQuestion[];
  /** Marks of each question on a paper, on average, as a judge's cut weighs them. */
  weights: Record<string, number>;
  scripts: {
    attempt: string;
    number: number;
    sitting: string /** Whether this judge may read it. */;
    reads: boolean;
  }[];
  estimate: Estimate;
  version: number;
  savedAt: number;
  done: boolean;
}

interface Seat {
  panel: PanelRow;
  sitting: typeof sittings.$inferSelect;
}

/** The panel that somebody judges in; refused to everybody else. */
async function seatIn(ctx: Context, panel: string): Promise<Result<Seat>> {
  const [row] = await ctx.db.read
    .select({ panel: panels, sitting: sittings })
    .from(panels)
    .innerJoin(sittings, eq(sittings.id, panels.sitting))
    .innerJoin(panelJudges, and(eq(panelJudges.panel, panels.id), eq(panelJudges.judge, ctx.actor.id)))
    .where(eq(panels.id, panel));
  return row ? ok(row) : FORBIDDEN;
}

/** What a judge is to say, on the sheets themselves: what others said only from the second round on. */
export async function openJudging(ctx: Context, id: string): Promise<Result<JudgesView>> {
  const seat = await seatIn(ctx, id);
  if (!seat.ok) return seat;
  const { panel, sitting } = seat.value;
  const { read } = ctx.db;
  const [course] = await read.select({ code: courses.code }).from(courses).where(eq(courses.id, sitting.course));
  const { judged, items, earned } = await judgedIn(ctx, sitting);
  const own = (await estimatesIn(read, id, panel.round)).get(ctx.actor.id);
  const earlier = panel.round > 1 ? await saidIn(ctx, panel, panel.round - 1) : null;
  const shows = panel.figures === 'always' || (panel.figures === 'later' && panel.round > 1);
  const reads = panel.method === 'borderline' && (await inSitting(ctx, 'mark answers', sitting.id)).ok;
  const numbers = await read
    .select({ attempt: attempts.id, number: attempts.script })
    .from(attempts)
    .where(eq(attempts.sitting, sitting.id));
  const script = new Map(numbers.map(({ attempt, number }) => [attempt, number]));
  const earlierEarned =
    shows && judged.scripts.length === 0
      ? await earnedBefore(
          ctx,
          items.map(({ source }) => source),
          sitting.id,
        )
      : null;
  const earnedOf = (item: (typeof items)[number]): JudgesQuestion['earned'] => {
    const share = earlierEarned ? earlierEarned.get(item.source) : earned.get(item.id);
    return share === undefined || share === null ? null : { share, earlier: earlierEarned !== null };
  };
  return ok({
    panel: id,
    method: panel.method,
    round: panel.round,
    title: sitting.title,
    course: course?.code ?? '',
    questions: items.map((item) => ({
      id: item.id,
      number: item.number,
      marks: stored(item.marks),
      sheet: questionSheet(item.question, item.seed),
      earned: shows ? earnedOf(item) : null,
      before: earlier?.(item.id) ?? null,
    })),
    weights: Object.fromEntries(judged.questions.map(({ id: item, marks }) => [item, marks])),
    scripts:
      panel.method === 'borderline'
        ? judged.scripts
            .map(({ attempt }) => ({ attempt, number: script.get(attempt) ?? 0, sitting: sitting.id, reads }))
            .toSorted((a, b) => a.number - b.number)
        : [],
    estimate: own?.estimate ?? NOTHING_SAID,
    version: own?.version ?? 0,
    savedAt: own?.savedAt ?? 0,
    done: own !== undefined && own.doneAt !== null,
  });
}

/** What all judges said in a round, by question. */
async function saidIn(ctx: Context, panel: PanelRow, round: number): Promise<(item: string) => SaidBefore> {
  const said = [...(await estimatesIn(ctx.db.read, panel.id, round)).values()];
  const people = await ctx.db.read.select({ id: members.id, name: members.name }).from(members);
  const names = new Map(people.map(({ id, name }) => [id, name]));
  return (item) => {
    const percents = said
      .flatMap(({ estimate }) => estimate.percents[item] ?? [])
      .map((percent) => exact(percent).valueOf())
      .toSorted((a, b) => a - b);
    return {
      percents,
      mean: percents.length === 0 ? null : mean(percents),
      notes: said.flatMap(({ judge, estimate }) => {
        const words = estimate.notes[item]?.trim();
        return words ? [{ by: names.get(judge) ?? '', words }] : [];
      }),
    };
  };
}

const input = z.object({
  panel: z.string(),
  round: z.number().int(),
  base: z.number().int(),
  estimate: estimateSchema,
});

/** Keeps what a judge says. Refused where another round has begun, or another window has said something since. */
export async function saveEstimate(ctx: Context, raw: unknown): Promise<Result<{ version: number; savedAt: number }>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { panel: id, round, base, estimate } = parsed.value;
  const seat = await seatIn(ctx, id);
  if (!seat.ok) return seat;
  return ctx.db.transaction(async (tx) => {
    const [panel] = await tx.select({ round: panels.round }).from(panels).where(eq(panels.id, id));
    if (panel?.round !== round) return refuse('round-over');
    const own = (await estimatesIn(tx, id, round)).get(ctx.actor.id);
    if ((own?.version ?? 0) !== base) return refuse('changed-elsewhere', { values: { by: '' } });
    const kept = { estimate, version: base + 1, savedAt: ctx.now };
    await tx
      .insert(estimates)
      .values({ panel: id, judge: ctx.actor.id, round, doneAt: null, ...kept })
      // What is said anew is not done until it is said to be.
      .onConflictDoUpdate({
        target: [estimates.panel, estimates.judge, estimates.round],
        set: { ...kept, doneAt: null },
      });
    return ok({ version: kept.version, savedAt: kept.savedAt });
  });
}

/** A judge has said all there is to say in this round. Refused while something is missing. */
export async function finishJudging(ctx: Context, id: string): Promise<Result<null>> {
  const seat = await seatIn(ctx, id);
  if (!seat.ok) return seat;
  const { panel, sitting } = seat.value;
  const { judged } = await judgedIn(ctx, sitting);
  return ctx.db.transaction(async (tx) => {
    const own = (await estimatesIn(tx, id, panel.round)).get(ctx.actor.id);
    if (!own) return NOT_FOUND;
    const open = missing(panel.method, own.estimate, judged);
    if (open > 0) return refuse('judgements-missing', { values: { count: open } });
    if (limitsCross(own.estimate)) return refuse('limits-cross');
    await tx
      .update(estimates)
      .set({ doneAt: ctx.now })
      .where(and(eq(estimates.panel, id), eq(estimates.judge, ctx.actor.id), eq(estimates.round, panel.round)));
    return ok();
  });
}

/** The panels that wait for somebody's judgement. */
export async function panelsToJudge(ctx: Context): Promise<{ panel: string; title: string; course: string }[]> {
  const rows = await ctx.db.read
    .select({ panel: panels.id, title: sittings.title, course: courses.code, doneAt: estimates.doneAt })
    .from(panelJudges)
    .innerJoin(panels, eq(panels.id, panelJudges.panel))
    .innerJoin(sittings, eq(sittings.id, panels.sitting))
    .innerJoin(courses, eq(courses.id, sittings.course))
    .leftJoin(
      estimates,
      and(eq(estimates.panel, panels.id), eq(estimates.judge, panelJudges.judge), eq(estimates.round, panels.round)),
    )
    .where(eq(panelJudges.judge, ctx.actor.id));
  return rows.filter(({ doneAt }) => doneAt === null).map(({ panel, title, course }) => ({ panel, title, course }));
}
