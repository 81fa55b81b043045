import { and, asc, eq, inArray, isNull } from 'drizzle-orm';
import { v7 as uuid } from 'uuid';
import { z } from 'zod';
import { mean } from '@/core/analysis/numbers';
import { percentText } from '@/core/base/exact';
import { ok, type Result, refuse } from '@/core/base/result';
import { counted } from '@/core/exams/paper';
import { shareOf } from '@/core/exams/plan';
import { poolQuestions } from '@/core/exams/pool';
import { boundariesSchema, withPassMark } from '@/core/results/policy';
import {
  type Estimate,
  estimateSchema,
  FIGURES_SHOWN,
  type Judged,
  missing,
  type Outcome,
  outcomeOf,
  ownCut,
  PANEL_METHODS,
} from '@/core/results/panel';
import { type Context, NOT_FOUND, parse } from '../context';
import type { Reader } from '../db/database';
import { sittings } from '../db/schema/exams';
import { members } from '../db/schema/people';
import { estimates, panelJudges, panels, passMarkChanges } from '../db/schema/results';
import { inSitting } from '../people/courses';
import { pinnedOf, poolOfSitting } from '../sittings/pinned';
import { personsIn } from './persons';
import { openResults, type Results } from './results';

export type PanelRow = typeof panels.$inferSelect;

/** A judge of a panel, and how far they are in its round. */
export interface JudgeOfPanel {
  id: string;
  name: string;
  missing: number;
  done: boolean;
  /** The cut that they come to alone, in percent; null while something is missing, or where the method has none. */
  cut: number | null;
}

export interface PanelView extends Pick<PanelRow, 'id' | 'method' | 'round' | 'figures'> {
  judges: JudgeOfPanel[];
  outcome: Outcome | null;
}

export interface PassMarkView {
  results: Results;
  panels: PanelView[];
  /** Whoever could judge and does not yet. */
  able: { id: string; name: string }[];
  history: { id: number; before: string; after: string; basis: string; reason: string; by: string; at: number }[];
}

/** What panels of a sitting judge: every question that may be met, by the marks that it has on a paper on average, and the marked scripts. */
export async function judgedIn(ctx: Context, sitting: typeof sittings.$inferSelect) {
  const { read } = ctx.db;
  const { plan } = await pinnedOf(read, sitting.id);
  const items = poolQuestions(await poolOfSitting(read, sitting.id)).filter(({ dropped }) => !dropped);
  const { persons } = await personsIn(ctx, sitting);
  const judged: Judged = {
    questions: items.map((item) => ({ id: item.id, marks: counted(item).mul(shareOf(plan, item.id)).valueOf() })),
    scripts: persons.map(({ attempt, percent }) => ({ attempt, percent })),
  };
  const earned = new Map(
    items.map(({ id }) => {
      const met = persons.flatMap(({ shares }) => shares.get(id) ?? []);
      return [id, met.length === 0 ? null : mean(met)] as const;
    }),
  );
  return { judged, items, earned };
}

/** What the judges of a panel have said in a round. */
export async function estimatesIn(read: Reader, panel: string, round: number) {
  const rows = await read
    .select()
    .from(estimates)
    .where(and(eq(estimates.panel, panel), eq(estimates.round, round)));
  return new Map(rows.map((row) => [row.judge, { ...row, estimate: estimateSchema.parse(row.estimate) as Estimate }]));
}

async function judgesOf(read: Reader, panel: string): Promise<{ id: string; name: string }[]> {
  return read
    .select({ id: members.id, name: members.name })
    .from(panelJudges)
    .innerJoin(members, eq(members.id, panelJudges.judge))
    .where(eq(panelJudges.panel, panel))
    .orderBy(asc(members.name));
}

/** How the pass mark of a sitting came to be: its panels with what they come to, and each change with its reason. */
export async function openPassMark(ctx: Context, id: string): Promise<Result<PassMarkView>> {
  const allowed = await inSitting(ctx, 'release results', id);
  if (!allowed.ok) return allowed;
  const results = await openResults(ctx, id);
  if (!results.ok) return results;
  const { read } = ctx.db;
  const [sitting] = await read.select().from(sittings).where(eq(sittings.id, id));
  if (!sitting) return NOT_FOUND;
  const { judged } = await judgedIn(ctx, sitting);
  const found: PanelView[] = [];
  for (const row of await read.select().from(panels).where(eq(panels.sitting, id)).orderBy(asc(panels.at))) {
    const said = await estimatesIn(read, row.id, row.round);
    const judges = (await judgesOf(read, row.id)).map((judge): JudgeOfPanel => {
      const own = said.get(judge.id);
      const estimate = own?.estimate;
      return {
        ...judge,
        missing: estimate ? missing(row.method, estimate, judged) : -1,
        done: own?.doneAt !== null && own !== undefined,
        cut: estimate ? ownCut(row.method, estimate, judged) : null,
      };
    });
    const done = judges.filter((judge) => judge.done).flatMap((judge) => said.get(judge.id)?.estimate ?? []);
    const { method, round, figures } = row;
    found.push({ id: row.id, method, round, figures, judges, outcome: outcomeOf(method, done, judged) });
  }
  const history = await read
    .select({ change: passMarkChanges, by: members.name })
    .from(passMarkChanges)
    .innerJoin(members, eq(members.id, passMarkChanges.by))
    .where(eq(passMarkChanges.sitting, id))
    .orderBy(asc(passMarkChanges.id));
  return ok({
    results: results.value,
    panels: found,
    able: await read
      .select({ id: members.id, name: members.name })
      .from(members)
      .where(and(inArray(members.role, ['lead', 'teacher', 'marker']), isNull(members.closedAt)))
      .orderBy(asc(members.name)),
    history: history.map(({ change: { id: key, before, after, basis, reason, at }, by }) => ({
      id: key,
      before,
      after,
      basis,
      reason,
      by,
      at,
    })),
  });
}

const panelInput = z.object({
  sitting: z.string(),
  method: z.enum(PANEL_METHODS),
  figures: z.enum(FIGURES_SHOWN),
  judges: z.array(z.string()).min(1).max(50),
});

/** Asks judges for a pass mark by one method; asked again, says anew who judges and what they see. What was said stays. */
export async function callPanel(ctx: Context, raw: unknown): Promise<Result<{ panel: string }>> {
  const parsed = parse(panelInput, raw);
  if (!parsed.ok) return parsed;
  const { sitting, method, figures } = parsed.value;
  const allowed = await inSitting(ctx, 'release results', sitting);
  if (!allowed.ok) return allowed;
  const judges = [...new Set(parsed.value.judges)];
  const staff = await ctx.db.read
    .select({ id: members.id })
    .from(members)
    .where(and(inArray(members.id, judges), inArray(members.role, ['lead', 'teacher', 'marker'])));
  if (staff.length !== judges.length) return NOT_FOUND;
  return ctx.db.transaction(async (tx) => {
    const [standing] = await tx
      .select({ id: panels.id })
      .from(panels)
      .where(and(eq(panels.sitting, sitting), eq(panels.method, method)));
    const panel = standing?.id ?? uuid();
    if (standing) await tx.update(panels).set({ figures }).where(eq(panels.id, panel));
    else await tx.insert(panels).values({ id: panel, sitting, method, figures, by: ctx.actor.id, at: ctx.now });
    await tx.delete(panelJudges).where(eq(panelJudges.panel, panel));
    await tx.insert(panelJudges).values(judges.map((judge) => ({ panel, judge })));
    return ok({ panel });
  });
}

/** Begins the next round: what was said is there for all judges to see, and to be said anew. Refused before somebody is done. */
export async function nextRound(ctx: Context, panel: string): Promise<Result<{ round: number }>> {
  const [row] = await ctx.db.read.select().from(panels).where(eq(panels.id, panel));
  if (!row) return NOT_FOUND;
  const allowed = await inSitting(ctx, 'release results', row.sitting);
  if (!allowed.ok) return allowed;
  return ctx.db.transaction(async (tx) => {
    const said = await estimatesIn(tx, panel, row.round);
    if (![...said.values()].some(({ doneAt }) => doneAt !== null)) return refuse('nobody-judged');
    const round = row.round + 1;
    const begun = await tx
      .update(panels)
      .set({ round })
      .where(and(eq(panels.id, panel), eq(panels.round, row.round)))
      .returning({ id: panels.id });
    if (begun.length === 0) return refuse('changed-elsewhere', { values: { by: '' } });
    const from = [...said.values()].map((own) => ({ ...own, round, version: 1, savedAt: ctx.now, doneAt: null }));
    if (from.length > 0) await tx.insert(estimates).values(from);
    return ok({ round });
  });
}

const passMarkInput = z.object({
  sitting: z.string(),
  base: z.number().int(),
  percent: percentText,
  basis: z.string().trim().max(600),
  reason: z.string().trim().min(1, { message: 'reason-asked' }).max(1000),
});

/** Sets the pass mark of a sitting, with what it comes of and why; edges that stood on it go with it. */
export async function setPassMark(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(passMarkInput, raw);
  if (!parsed.ok) return parsed;
  const { sitting, base, percent, basis, reason } = parsed.value;
  const allowed = await inSitting(ctx, 'release results', sitting);
  if (!allowed.ok) return allowed;
  return ctx.db.transaction(async (tx) => {
    const [row] = await tx.select().from(sittings).where(eq(sittings.id, sitting));
    if (row?.boundariesVersion !== base) return refuse('changed-elsewhere', { values: { by: '' } });
    const before = boundariesSchema.parse(row.boundaries);
    await tx
      .update(sittings)
      .set({ boundaries: withPassMark(before, percent), boundariesVersion: base + 1 })
      .where(eq(sittings.id, sitting));
    await tx
      .insert(passMarkChanges)
      .values({ sitting, before: before.passPercent, after: percent, basis, reason, by: ctx.actor.id, at: ctx.now });
    return ok();
  });
}
