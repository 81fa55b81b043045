import { eq, notInArray } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN, parse } from '../context';
import { goals, questionGoals } from '../db/schema/bank';
import { newId } from '../ports/ids';
import type { Goal } from './shelves';
import { listGoals } from './shelves';

const input = z.object({
  goals: z
    .array(
      z.object({
        code: z.string().trim().min(1, 'goal-code-empty').max(30),
        words: z.string().trim().max(300),
      }),
    )
    .max(1000),
});

/** Sets the department's list of learning goals. A goal is known by its code; one that is left out leaves its questions. */
export async function saveGoals(ctx: Context, raw: unknown): Promise<Result<Goal[]>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  const wanted = parsed.value.goals;
  const codes = wanted.map(({ code }) => code);
  const twice = codes.find((code, i) => codes.indexOf(code) !== i);
  if (twice !== undefined)
    return refuse('goal-code-twice', { at: ['goals', codes.lastIndexOf(twice)], values: { code: twice } });
  await ctx.db.transaction(async (tx) => {
    const gone = await tx.select({ id: goals.id }).from(goals).where(notInArray(goals.code, codes));
    for (const { id } of gone) {
      await tx.delete(questionGoals).where(eq(questionGoals.goal, id));
      await tx.delete(goals).where(eq(goals.id, id));
    }
    for (const [position, goal] of wanted.entries()) {
      await tx
        .insert(goals)
        .values({ id: newId(), ...goal, position })
        .onConflictDoUpdate({ target: goals.code, set: { words: goal.words, position } });
    }
  });
  return ok(await listGoals(ctx));
}
