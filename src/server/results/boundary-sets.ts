import { and, asc, desc, eq, ne } from 'drizzle-orm';
import { v7 as uuid } from 'uuid';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { may } from '@/core/people/may';
import { type Boundaries, boundariesReadiness, boundariesSchema } from '@/core/results/policy';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import { courses, members } from '../db/schema/people';
import { boundarySets } from '../db/schema/results';
import { sittings } from '../db/schema/exams';
import { sittingsFor } from '../people/courses';

/** Ranges with their texts, and grades: what one sitting can take over from another. */
const takenOver = boundariesSchema.pick({ ranges: true, grades: true });
type TakenOver = Pick<Boundaries, 'ranges' | 'grades'>;

/** A set that the department keeps under a name. */
export interface BoundarySet extends TakenOver {
  id: string;
  name: string;
  by: string;
  /** Whether the actor may take it out. */
  own: boolean;
}

/** Ranges and grades of another sitting. */
export interface BoundariesElsewhere extends TakenOver {
  id: string;
  title: string;
  course: string;
  opensAt: number;
}

const MOST_ELSEWHERE = 50;
const MOST_SETS = 200;

export interface TakenFrom {
  sets: BoundarySet[];
  sittings: BoundariesElsewhere[];
}

/** What ranges and grades can be taken over from: the department's sets by name, and the other sittings whose results the actor releases, newest first. */
export async function boundariesElsewhere(ctx: Context, sitting: string): Promise<TakenFrom> {
  if (!may(ctx.actor, 'build exams', null)) return { sets: [], sittings: [] };
  const kept = await ctx.db.read
    .select({ set: boundarySets, by: members.name })
    .from(boundarySets)
    .innerJoin(members, eq(members.id, boundarySets.by))
    .orderBy(asc(boundarySets.name));
  const rows = await ctx.db.read
    .select({ sitting: sittings, course: courses.code })
    .from(sittings)
    .innerJoin(courses, eq(courses.id, sittings.course))
    .where(and(ne(sittings.id, sitting), await sittingsFor(ctx, 'release results')))
    .orderBy(desc(sittings.opensAt))
    .limit(MOST_ELSEWHERE);
  return {
    sets: kept.map(({ set, by }) => ({
      id: set.id,
      name: set.name,
      by,
      own: mayChange(ctx, set),
      ...takenOver.parse(set.boundaries),
    })),
    sittings: rows.map(({ sitting: { id, title, opensAt, boundaries }, course }) => ({
      id,
      title,
      course,
      opensAt,
      ...takenOver.parse(boundaries),
    })),
  };
}

/** A set is its maker's; the lead tidies up. */
const mayChange = ({ actor }: Context, { by }: { by: string }): boolean => actor.id === by || actor.role === 'lead';

const setInput = takenOver.extend({ name: z.string().trim().min(1, 'set-name-empty').max(60) });

/** Keeps ranges and grades for the department under a name; one's own set of that name is replaced. */
export async function keepBoundarySet(ctx: Context, raw: unknown): Promise<Result<{ id: string }>> {
  const parsed = parse(setInput, raw);
  if (!parsed.ok) return parsed;
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  const { name, ...boundaries } = parsed.value;
  const wrong = boundariesReadiness({ version: 1, passPercent: '0', ...boundaries }).find((f) => f.weight === 'stops');
  if (wrong) return refuse(wrong.code, { at: wrong.at, ...(wrong.values ? { values: wrong.values } : {}) });
  return ctx.db.transaction(async (tx): Promise<Result<{ id: string }>> => {
    const all = await tx
      .select({ id: boundarySets.id, name: boundarySets.name, by: boundarySets.by })
      .from(boundarySets);
    const same = all.find((set) => set.name.toLowerCase() === name.toLowerCase());
    if (same && !mayChange(ctx, same)) return refuse('set-name-taken', { at: ['name'] });
    if (same) {
      await tx.update(boundarySets).set({ name, boundaries, at: ctx.now }).where(eq(boundarySets.id, same.id));
      return ok({ id: same.id });
    }
    if (all.length >= MOST_SETS) return refuse('sets-too-many', { values: { most: MOST_SETS } });
    const id = uuid();
    await tx.insert(boundarySets).values({ id, name, boundaries, by: ctx.actor.id, at: ctx.now });
    return ok({ id });
  });
}

/** Takes a set out; what was taken over from it stays where it is. */
export async function dropBoundarySet(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(z.string().max(60), raw);
  if (!parsed.ok) return parsed;
  const [set] = await ctx.db.read.select().from(boundarySets).where(eq(boundarySets.id, parsed.value));
  if (!set) return NOT_FOUND;
  if (!mayChange(ctx, set)) return FORBIDDEN;
  await ctx.db.transaction((tx) => tx.delete(boundarySets).where(eq(boundarySets.id, set.id)));
  return ok(null);
}
