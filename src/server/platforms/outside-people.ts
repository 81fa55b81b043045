import { and, eq, inArray } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { type Context, NOT_FOUND, parse } from '../context';
import type { Reader } from '../db/database';
import { outsideBooks, outsideScores, platformPeople } from '../db/schema/platforms';
import { readGradebook } from '../gradebook/gradebook';
import { connectedCourse } from './connected';

/** What a platform calls the members that it knows. */
export async function outsideIds(read: Reader, platform: string): Promise<Map<string, string>> {
  const rows = await read.select().from(platformPeople).where(eq(platformPeople.platform, platform));
  return new Map(rows.map(({ member, outsideId }) => [member, outsideId]));
}

const naming = z.object({
  course: z.string().max(60),
  ids: z
    .array(z.object({ member: z.string().max(60), outsideId: z.string().trim().max(255, 'outside-id-long') }))
    .max(1000)
    .refine((ids) => new Set(ids.map(({ member }) => member)).size === ids.length),
});

/** Says what the platform of a course calls some of its students; an empty name takes what was said away. All of it, or nothing. */
export async function nameOutside(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(naming, raw);
  if (!parsed.ok) return parsed;
  const { course, ids } = parsed.value;
  const found = await connectedCourse(ctx, course);
  if (!found.ok) return found;
  const platform = found.value.connection.platform.id;
  const inside = new Set((await readGradebook(ctx, found.value.course)).rows.map(({ member }) => member));
  if (!ids.every(({ member }) => inside.has(member))) return NOT_FOUND;
  return ctx.db
    .transaction(async (tx): Promise<Result<null>> => {
      const before = await outsideIds(tx, platform);
      for (const { member } of ids)
        await tx
          .delete(platformPeople)
          .where(and(eq(platformPeople.platform, platform), eq(platformPeople.member, member)));
      const standing = new Set((await outsideIds(tx, platform)).values());
      for (const [at, { member, outsideId }] of ids.entries()) {
        if (outsideId === '') continue;
        if (standing.has(outsideId)) throw new IdTaken(at);
        standing.add(outsideId);
        await tx.insert(platformPeople).values({ platform, member, outsideId });
      }
      // Under another name nothing has been told yet, in no course.
      const renamed = ids.filter(({ member, outsideId }) => (before.get(member) ?? '') !== outsideId);
      const there = tx
        .select({ id: outsideBooks.course })
        .from(outsideBooks)
        .where(eq(outsideBooks.platform, platform));
      for (const { member } of renamed)
        await tx
          .delete(outsideScores)
          .where(and(eq(outsideScores.member, member), inArray(outsideScores.course, there)));
      return ok();
    })
    .catch((error: unknown) => {
      if (error instanceof IdTaken) return refuse('outside-id-taken', { at: ['ids', error.at] });
      throw error;
    });
}

/** Takes the whole transaction back. */
class IdTaken extends Error {
  constructor(readonly at: number) {
    super('This id is somebody else’s');
  }
}
