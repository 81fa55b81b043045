import { and, asc, eq, inArray } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result } from '@/core/base/result';
import { type Context, NOT_FOUND, parse } from '../context';
import { sittings, sittingStaff } from '../db/schema/exams';
import { courseStaff, members } from '../db/schema/people';
import { changed } from '../events/versions';
import { inCourse, inSitting } from '../people/courses';

/** Somebody of the staff, as they stand in a list to choose from. */
export interface Helper {
  id: string;
  name: string;
  role: 'teacher' | 'marker';
}

/** Who helps with a sitting, and who could; the staff of its course needs no asking. */
export async function helpersOf(ctx: Context, sitting: string): Promise<Result<{ helpers: Helper[]; able: Helper[] }>> {
  const allowed = await inSitting(ctx, 'run sittings', sitting);
  if (!allowed.ok) return allowed;
  const { read } = ctx.db;
  const people = await read
    .select({ id: members.id, name: members.name, role: members.role, closedAt: members.closedAt })
    .from(members)
    .where(inArray(members.role, ['teacher', 'marker']))
    .orderBy(asc(members.name));
  const inside = await read
    .select({ member: courseStaff.member })
    .from(courseStaff)
    .innerJoin(sittings, eq(sittings.course, courseStaff.course))
    .where(eq(sittings.id, sitting));
  const helping = await read.select().from(sittingStaff).where(eq(sittingStaff.sitting, sitting));
  const staff = new Set(inside.map(({ member }) => member));
  const chosen = new Set(helping.map(({ member }) => member));
  const others = people.filter(({ id, closedAt }) => !staff.has(id) && (chosen.has(id) || closedAt === null));
  const as = ({ id, name, role }: (typeof people)[number]) => ({ id, name, role }) as Helper;
  return ok({
    helpers: others.filter(({ id }) => chosen.has(id)).map(as),
    able: others.filter(({ id }) => !chosen.has(id)).map(as),
  });
}

const input = z.object({ sitting: z.string(), member: z.string(), helps: z.boolean() });

/** Has somebody of the staff help with one sitting, or no longer: a teacher runs and marks it, a marker marks. Said by the staff of its course. */
export async function setHelper(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { sitting, member, helps } = parsed.value;
  const { read } = ctx.db;
  const [row] = await read.select({ course: sittings.course }).from(sittings).where(eq(sittings.id, sitting));
  const allowed = row ? await inCourse(ctx, 'run sittings', row.course) : await inSitting(ctx, 'run sittings', sitting);
  if (!allowed.ok) return allowed;
  const [person] = await read.select({ role: members.role }).from(members).where(eq(members.id, member));
  if (person?.role !== 'teacher' && person?.role !== 'marker') return NOT_FOUND;
  return ctx.db.transaction(async (tx) => {
    if (helps) await tx.insert(sittingStaff).values({ sitting, member }).onConflictDoNothing();
    else await tx.delete(sittingStaff).where(and(eq(sittingStaff.sitting, sitting), eq(sittingStaff.member, member)));
    await changed(tx, `watch:${sitting}`);
    return ok();
  });
}
