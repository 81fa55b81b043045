import { z } from 'zod';
import { readStored } from '@/core/base/stored-form';
import { ok, type Result } from '@/core/base/result';
import { emptyQuestion, questionForm } from '@/core/bank/question';
import { type Context, FORBIDDEN, parse } from '../context';
import { questions } from '../db/schema/bank';
import { newId } from '../ports/ids';
import { mayWriteIn } from './access';
import { headOf, indexQuestion } from './write';

const input = z.object({
  bank: z.string(),
  topic: z.string().nullable(),
  difficulty: z.number().int().min(1).max(3).default(1),
  demand: z.enum(['know', 'use', 'judge']).default('know'),
  /** A body to start from; empty without. */
  body: z.unknown().optional(),
});

/** A new question in a bank, as a draft. */
export async function createQuestion(ctx: Context, raw: z.input<typeof input>): Promise<Result<{ id: string }>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { bank, topic, difficulty, demand } = parsed.value;
  if (!(await mayWriteIn(ctx, bank))) return FORBIDDEN;
  const body = parsed.value.body === undefined ? emptyQuestion : readStored(questionForm, parsed.value.body);
  const id = newId();
  await ctx.db.transaction(async (tx) => {
    const [row] = await tx
      .insert(questions)
      .values({
        id,
        bank,
        topic,
        difficulty,
        demand,
        ...headOf(body),
        draftVersion: 1,
        revision: 0,
        changed: true,
        author: ctx.actor.id,
        savedBy: ctx.actor.id,
        savedAt: ctx.now,
      })
      .returning({ row: questions.row });
    if (row) await indexQuestion(tx, row.row, body);
  });
  return ok({ id });
}
