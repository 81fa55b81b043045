import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result } from '@/core/base/result';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import { exams } from '../db/schema/exams';
import { members } from '../db/schema/people';

const input = z.object({
  exam: z.string(),
  locked: z.boolean().optional(),
  archived: z.boolean().optional(),
  /** Whose it is from now on. */
  owner: z.string().optional(),
  /** With whom alone it is shared; null for everybody who builds exams. */
  sharedWith: z.array(z.string().max(40)).max(200).nullable().optional(),
});

/** Locks an exam or opens it, archives it or brings it back, shares it with some only, hands it over to a colleague: by its owner, or the lead. */
export async function keepExam(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { exam, locked, archived, owner, sharedWith } = parsed.value;
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  return ctx.db.transaction(async (tx) => {
    const [row] = await tx.select({ owner: exams.owner }).from(exams).where(eq(exams.id, exam));
    if (!row) return NOT_FOUND;
    if (!may(ctx.actor, 'keep exam', row)) return FORBIDDEN;
    if (owner !== undefined) {
      const [colleague] = await tx
        .select({ id: members.id, role: members.role })
        .from(members)
        .where(eq(members.id, owner));
      // Whoever has it must be able to build exams.
      if (!colleague || !may(colleague, 'build exams', null)) return NOT_FOUND;
    }
    const at = (on: boolean): number | null => (on ? ctx.now : null);
    await tx
      .update(exams)
      .set({
        ...(locked === undefined ? {} : { lockedAt: at(locked) }),
        ...(archived === undefined ? {} : { archivedAt: at(archived) }),
        ...(sharedWith === undefined ? {} : { sharedWith }),
        owner: owner ?? row.owner,
      })
      .where(eq(exams.id, exam));
    return ok();
  });
}
