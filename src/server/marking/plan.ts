import { and, eq, inArray, isNull } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { type MarkingPlan, markingPlanSchema, USUAL_MARKING } from '@/core/marking/plan';
import { type Context, parse } from '../context';
import type { Reader } from '../db/database';
import { sittings, sittingStaff } from '../db/schema/exams';
import { courseStaff, members } from '../db/schema/people';
import { inSitting } from '../people/courses';

/** How the marking of a sitting is shared out. */
export async function markingPlanOf(read: Reader, sitting: string): Promise<MarkingPlan> {
  const [row] = await read.select({ marking: sittings.marking }).from(sittings).where(eq(sittings.id, sitting));
  return row?.marking ? markingPlanSchema.parse(row.marking) : USUAL_MARKING;
}

/** Somebody who marks in a sitting. */
export interface MarkerOf {
  id: string;
  name: string;
}

/** Who marks in a sitting: the staff of its course, who helps with it, and the lead. */
export async function markersOf(read: Reader, sitting: string): Promise<MarkerOf[]> {
  const course = read
    .select({ member: courseStaff.member })
    .from(courseStaff)
    .innerJoin(sittings, eq(sittings.course, courseStaff.course))
    .where(eq(sittings.id, sitting));
  const helping = read
    .select({ member: sittingStaff.member })
    .from(sittingStaff)
    .where(eq(sittingStaff.sitting, sitting));
  const columns = { id: members.id, name: members.name };
  const staff = await read
    .select(columns)
    .from(members)
    .where(and(inArray(members.id, course), isNull(members.closedAt)));
  const helpers = await read
    .select(columns)
    .from(members)
    .where(and(inArray(members.id, helping), isNull(members.closedAt)));
  const leads = await read
    .select(columns)
    .from(members)
    .where(and(eq(members.role, 'lead'), isNull(members.closedAt)));
  const all = new Map([...staff, ...helpers, ...leads].map((one) => [one.id, one]));
  return [...all.values()].sort((a, b) => a.name.localeCompare(b.name));
}

const input = z.object({ sitting: z.string(), plan: markingPlanSchema });

/** Says how the marking of a sitting is shared out, and what is marked a second time. Marks that were given stay. */
export async function saveMarkingPlan(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { sitting, plan } = parsed.value;
  const allowed = await inSitting(ctx, 'run sittings', sitting);
  if (!allowed.ok) return allowed;
  const able = new Set((await markersOf(ctx.db.read, sitting)).map(({ id }) => id));
  const { sharing } = plan;
  const named =
    sharing.by === 'question' ? Object.values(sharing.markers).flat() : sharing.by === 'script' ? sharing.markers : [];
  if (!named.every((id) => able.has(id))) return refuse('not-a-marker', { at: ['plan', 'sharing'] });
  await ctx.db.transaction(async (tx) => {
    await tx.update(sittings).set({ marking: plan }).where(eq(sittings.id, sitting));
  });
  return ok();
}
