import { z } from 'zod';
import { readStored } from '@/core/base/stored-form';
import { ok, type Result, refuse } from '@/core/base/result';
import { factsSchema, freshFacts } from '@/core/bank/facts';
import { emptyQuestion, questionForm } from '@/core/bank/question';
import { type Context, FORBIDDEN, parse } from '../context';
import { mayWriteIn } from './access';
import { pageNotAllowed } from './pages';
import { withOwnPassages } from './passages';
import { insertQuestion } from './write';

/** A body of any version that this program reads. */
const storedBody = z.unknown().transform((raw, context) => {
  try {
    return readStored(questionForm, raw);
  } catch (error) {
    context.addIssue({ code: 'custom', message: (error as Error).message });
    return z.NEVER;
  }
});

const input = z.object({
  bank: z.string(),
  facts: factsSchema.partial().default({}),
  /** A body to start from; empty without. */
  body: storedBody.optional(),
});

/** A new question in a bank, as a draft. */
export async function createQuestion(ctx: Context, raw: z.input<typeof input>): Promise<Result<{ id: string }>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { bank } = parsed.value;
  if (!(await mayWriteIn(ctx, bank))) return FORBIDDEN;
  const given = parsed.value.body ?? emptyQuestion;
  const [body = given] = await withOwnPassages(ctx, [given]);
  const address = await pageNotAllowed(ctx.db.read, [body]);
  if (address !== null) return refuse('page-not-allowed', { values: { address } });
  const facts = { ...freshFacts, ...parsed.value.facts };
  const id = await ctx.db.transaction((tx) => insertQuestion(tx, { bank, facts, body }, ctx.actor.id, ctx.now));
  return ok({ id });
}
