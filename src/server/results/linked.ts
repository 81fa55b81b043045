import { and, desc, lt, sql } from 'drizzle-orm';
import { link } from '@/core/analysis/linking';
import { sum } from '@/core/analysis/numbers';
import type { Context } from '../context';
import { sittings } from '../db/schema/exams';
import { inSitting } from '../people/courses';
import type { Named, OnScale } from './deeper';
import { reckoned } from './reckoned';

/** An earlier sitting on the scale of this one, by the questions that both had. */
export interface Linked {
  sitting: string;
  title: string;
  opensAt: number;
  /** How many questions both had. */
  common: number;
  /** By how many logits students are abler now on average, and the standard error of the link. */
  abler: number;
  error: number;
  /** Questions that moved against the others, and by how many logits they are harder now. */
  drifting: (Named & { harder: number })[];
}

type Found = Extract<OnScale, { is: 'found' }>;

/** So many earlier sittings are linked, the newest first, of so many that are looked at. */
const [MOST_LINKED, MOST_LOOKED_AT] = [3, 12];

/** The earlier sittings that whoever asks may see and that have enough questions in common with a scale. */
export async function linkedTo(ctx: Context, sitting: typeof sittings.$inferSelect, scale: OnScale): Promise<Linked[]> {
  if (scale.is !== 'found') return [];
  const asked = JSON.stringify(scale.items.map(({ question }) => question));
  const before = await ctx.db.read
    .select()
    .from(sittings)
    .where(
      and(
        lt(sittings.opensAt, sitting.opensAt),
        sql`EXISTS (SELECT 1 FROM json_each(${asked}) WHERE instr(${sittings.plan}, value) > 0)`,
      ),
    )
    .orderBy(desc(sittings.opensAt))
    .limit(MOST_LOOKED_AT);
  const found: Linked[] = [];
  for (const other of before) {
    if (found.length >= MOST_LINKED) break;
    if (!(await inSitting(ctx, 'see results', other.id)).ok) continue;
    const { scale: earlier } = await reckoned(ctx, other, { is: 'deeper' });
    const linked = earlier.is === 'found' ? linkedBy(scale, earlier) : null;
    const { id, title, opensAt } = other;
    if (linked) found.push({ sitting: id, title, opensAt, ...linked });
  }
  return found;
}

/** Two scales brought together; null where too few of their questions are the same. */
export function linkedBy(now: Found, before: Found): Omit<Linked, 'sitting' | 'title' | 'opensAt'> | null {
  const earlier = new Map(before.items.map((item) => [item.question, item]));
  const common = now.items.flatMap((item) => {
    const then = earlier.get(item.question);
    return then ? [{ item, both: { now: item, before: then } }] : [];
  });
  const found = link(common.map(({ both }) => both));
  if (!found) return null;
  return {
    common: common.length,
    abler: meanAbility(now) - (meanAbility(before) + found.shift),
    error: found.error,
    drifting: common.flatMap(({ item: { item, question, number, label } }, i) => {
      const own = found.questions[i];
      return own?.drifts ? [{ item, question, number, label, harder: own.harder }] : [];
    }),
  };
}

function meanAbility({ abilities }: Found): number {
  const persons = sum(abilities.map((one) => one.persons));
  return sum(abilities.map((one) => one.ability * one.persons)) / persons;
}
