import { eq, sql } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { factsSchema } from '@/core/bank/facts';
import { questionForm } from '@/core/bank/question';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import { members } from '../db/schema/people';
import { questions } from '../db/schema/bank';
import { mayWriteIn } from './access';
import { setLabels } from './labels';
import { pageNotAllowed } from './pages';
import { keepPassage, mayWritePassage } from './passages';
import { indexQuestion } from './search-index';
import { cutRevision, headOf } from './write';

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
  if (!(await mayWritePassage(ctx, body))) return FORBIDDEN;
  const address = await pageNotAllowed(ctx.db.read, [body]);
  if (address !== null) return refuse('page-not-allowed', { at: ['page'], values: { address } });
  return ctx.db.transaction(async (tx): Promise<Result<{ version: number; savedAt: number }>> => {
    const [now] = await tx
      .select({ version: questions.draftVersion, by: members.name })
      .from(questions)
      .innerJoin(members, eq(members.id, questions.savedBy))
      .where(eq(questions.id, question));
    if (now?.version !== base) return refuse('changed-elsewhere', { values: { by: now?.by ?? '' } });
    await keepPassage(tx, { body, bank: head.bank, question, by: ctx.actor.id, at: ctx.now });
    await tx
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
      .where(eq(questions.id, question));
    await indexQuestion(tx, head.row, body);
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
