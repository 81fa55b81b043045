import { and, eq, sql } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { factsSchema } from '@/core/bank/facts';
import { questionForm } from '@/core/bank/question';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import { members } from '../db/schema/people';
import { questions } from '../db/schema/bank';
import { mayWriteIn } from './access';
import { setLabels } from './labels';
import { cutRevision, headOf, indexQuestion } from './write';

const input = z.object({
  question: z.string(),
  /** The draft version that this save starts from. */
  base: z.number().int(),
  body: questionForm.schema,
  facts: factsSchema,
});

/**
 * Saves what is on the bench. Refused as "changed-elsewhere" when somebody
 * else saved meanwhile; nothing is overwritten then.
 */
export async function saveDraft(ctx: Context, raw: unknown): Promise<Result<{ version: number; savedAt: number }>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { question, base, body, facts } = parsed.value;
  const { tags, goals, ...columns } = facts;
  const [head] = await ctx.db.read.select().from(questions).where(eq(questions.id, question));
  if (!head) return NOT_FOUND;
  if (!(await mayWriteIn(ctx, head.bank))) return FORBIDDEN;
  return ctx.db.transaction(async (tx) => {
    const saved = await tx
      .update(questions)
      .set({
        ...headOf(body),
        ...columns,
        // What was agreed is not what stands here now.
        review: sql`CASE ${questions.review} WHEN 'agreed' THEN 'draft' ELSE ${questions.review} END`,
        draftVersion: base + 1,
        changed: true,
        savedBy: ctx.actor.id,
        savedAt: ctx.now,
      })
      .where(and(eq(questions.id, question), eq(questions.draftVersion, base)))
      .returning({ row: questions.row });
    if (!saved[0]) {
      const [other] = await tx
        .select({ name: members.name })
        .from(questions)
        .innerJoin(members, eq(members.id, questions.savedBy))
        .where(eq(questions.id, question));
      return refuse('changed-elsewhere', { values: { by: other?.name ?? '' } });
    }
    await indexQuestion(tx, saved[0].row, body);
    await setLabels(tx, question, { tags, goals });
    return ok({ version: base + 1, savedAt: ctx.now });
  });
}

/** Cuts a revision when the teacher leaves the bench with changes. */
export async function leaveBench(ctx: Context, question: string): Promise<Result<{ revision: number }>> {
  const [head] = await ctx.db.read.select().from(questions).where(eq(questions.id, question));
  if (!head) return NOT_FOUND;
  if (!(await mayWriteIn(ctx, head.bank))) return FORBIDDEN;
  const revision = await ctx.db.transaction((tx) => cutRevision(tx, question, ctx.actor.id, ctx.now));
  return revision === null ? NOT_FOUND : ok({ revision });
}
