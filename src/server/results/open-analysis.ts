import { and, eq, ne } from 'drizzle-orm';
import { mean } from '@/core/analysis/numbers';
import { ok, type Result } from '@/core/base/result';
import { type Context, NOT_FOUND } from '../context';
import { sittings } from '../db/schema/exams';
import type { Progress } from '../jobs/jobs';
import { inSitting } from '../people/courses';
import { type Analysis, MOST_ANSWERS } from './analysis';
import type { Deepened, Grouped } from './deeper';
import { type Linked, linkedTo } from './linked';
import { progressOf, reckoned } from './reckoned';
import { scoresOf } from './results';

/** What the answers of a sitting say about its questions. Of each participant the attempt that counts, once it is wholly marked. */
export async function openAnalysis(ctx: Context, id: string, most = MOST_ANSWERS): Promise<Result<Analysis>> {
  const sitting = await analysed(ctx, id);
  return sitting.ok ? ok(await reckoned(ctx, sitting.value, { is: 'questions', most })) : sitting;
}

export interface Deeper extends Deepened {
  grouped: Grouped | null;
  /** Earlier sittings of the same exam that whoever asks may see. */
  earlier: { sitting: string; title: string; opensAt: number; persons: number; mean: number }[];
  /** Earlier sittings with some of the same questions, by which both stand on one scale. */
  linked: Linked[];
}

/** What an analysis says beyond the questions one by one; compares the groups of `grouping`, where there is such a grouping. */
export async function openDeeper(ctx: Context, id: string, grouping: string | null): Promise<Result<Deeper>> {
  const sitting = await analysed(ctx, id);
  if (!sitting.ok) return sitting;
  const found = await reckoned(ctx, sitting.value, { is: 'deeper' });
  const chosen = found.groupings.find((one) => one.id === grouping);
  const grouped = chosen ? await reckoned(ctx, sitting.value, { is: 'grouped', grouping: chosen.id }) : null;
  const earlier = await earlierOf(ctx, sitting.value);
  return ok({ ...found, grouped, earlier, linked: await linkedTo(ctx, sitting.value, found.scale) });
}

/** How far the analysis of a sitting is, for whoever sees it; null where nothing is reckoned. */
export async function openProgress(ctx: Context, id: string): Promise<Result<Progress | null>> {
  const sitting = await analysed(ctx, id);
  return sitting.ok ? ok(progressOf(id)) : sitting;
}

/** The sitting, for whoever may see its results. */
async function analysed(ctx: Context, id: string): Promise<Result<typeof sittings.$inferSelect>> {
  const allowed = await inSitting(ctx, 'see results', id);
  if (!allowed.ok) return allowed;
  const [sitting] = await ctx.db.read.select().from(sittings).where(eq(sittings.id, id));
  return sitting ? ok(sitting) : NOT_FOUND;
}

/** So many earlier sittings of the same exam are looked at. */
const MOST_EARLIER = 6;

/** Other sittings of the same exam, the newest first. */
async function earlierOf(ctx: Context, sitting: typeof sittings.$inferSelect): Promise<Deeper['earlier']> {
  if (sitting.exam === null) return [];
  const others = await ctx.db.read
    .select()
    .from(sittings)
    .where(and(eq(sittings.exam, sitting.exam), ne(sittings.id, sitting.id)));
  const found: Deeper['earlier'] = [];
  for (const other of others.toSorted((a, b) => b.opensAt - a.opensAt).slice(0, MOST_EARLIER)) {
    if (!(await inSitting(ctx, 'see results', other.id)).ok) continue;
    const scored = await scoresOf(ctx.db.read, other, ctx.now);
    if (scored.length === 0) continue;
    const { id, title, opensAt } = other;
    const percents = scored.map(({ score }) => score.percent.valueOf());
    found.push({ sitting: id, title, opensAt, persons: scored.length, mean: mean(percents) });
  }
  return found;
}
