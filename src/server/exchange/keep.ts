import { eq, inArray } from 'drizzle-orm';
import { z } from 'zod';
import { factsSchema } from '@/core/bank/facts';
import { questionForm } from '@/core/bank/question';
import { ok, type Result, refuse } from '@/core/base/result';
import { mayWriteIn } from '../bank/access';
import type { ActOnMany } from '../bank/bulk';
import { withOwnPassages } from '../bank/passages';
import { pageNotAllowed } from '../bank/pages';
import { insertQuestion } from '../bank/write';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import type { Transaction } from '../db/database';
import { bulkActs, goals, questions, topics } from '../db/schema/bank';
import { newId } from '../ports/ids';

const input = z.object({
  /** The keeping that this batch goes on with; null for the first. */
  goesOn: z.string().nullable().default(null),
  /** Whether it is the last: only then all of them are in the bank. Until then they count as deleted. */
  last: z.boolean().default(true),
  bank: z.string(),
  /** Questions go here, or into topics below it when they name some. */
  topic: z.string().nullable(),
  items: z
    .array(
      z.object({
        body: questionForm.schema,
        facts: factsSchema.omit({ topic: true, goals: true }),
        topic: z.array(z.string().trim().min(1).max(80)).max(20),
        goals: z.array(z.string()).max(30),
      }),
    )
    .min(1)
    .max(500),
});

/**
 * Adds questions that were brought in, all of them or none, as drafts; topics that they name are made when they are
 * missing. Many come in batches: what a tab that was closed half way had sent is in no bank.
 */
export async function keepBroughtIn(ctx: Context, raw: unknown): Promise<Result<ActOnMany>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { bank, topic, items, goesOn, last } = parsed.value;
  if (!(await mayWriteIn(ctx, bank))) return FORBIDDEN;
  const address = await pageNotAllowed(
    ctx.db.read,
    items.map(({ body }) => body),
  );
  if (address !== null) return refuse('page-not-allowed', { values: { address } });
  const bodies = await withOwnPassages(
    ctx,
    items.map(({ body }) => body),
  );
  const known = await ctx.db.read.select({ id: goals.id, code: goals.code }).from(goals);
  const undo = goesOn ?? newId();
  return ctx.db.transaction(async (tx): Promise<Result<ActOnMany>> => {
    const [begun] = goesOn === null ? [] : await tx.select().from(bulkActs).where(eq(bulkActs.id, goesOn));
    if (goesOn !== null && begun?.by !== ctx.actor.id) return NOT_FOUND;
    const tree = await topicTree(tx, bank);
    const copies: string[] = begun ? kept.parse(begun.before).copies : [];
    const before = copies.length;
    for (const [i, { body: given, facts, topic: names, goals: codes }] of items.entries()) {
      const body = bodies[i] ?? given;
      const into = await tree(topic, names);
      const aims = known.filter(({ code }) => codes.includes(code)).map(({ id }) => id);
      const all = { ...facts, topic: into, goals: aims };
      copies.push(await insertQuestion(tx, { bank, facts: all, body }, ctx.actor.id, ctx.now));
    }
    const state = { stood: [], copies };
    if (begun) await tx.update(bulkActs).set({ before: state }).where(eq(bulkActs.id, undo));
    else await tx.insert(bulkActs).values({ id: undo, by: ctx.actor.id, at: ctx.now, before: state });
    const shown = last ? copies : copies.slice(before);
    const deletedAt = last ? null : ctx.now;
    if (!last || begun)
      for (let i = 0; i < shown.length; i += 500)
        await tx
          .update(questions)
          .set({ deletedAt })
          .where(inArray(questions.id, shown.slice(i, i + 500)));
    return ok({ count: items.length, undo });
  });
}

const kept = z.object({ copies: z.array(z.string()) });

/** Finds the topic at the end of a path of names below a topic, making what is missing. A single name is looked for in the whole bank. */
async function topicTree(
  tx: Transaction,
  bank: string,
): Promise<(from: string | null, names: readonly string[]) => Promise<string | null>> {
  const all = await tx.select().from(topics).where(eq(topics.bank, bank));
  const is = (a: string, b: string): boolean => a.toLowerCase() === b.toLowerCase();
  return async (from, names) => {
    const [only] = names;
    if (names.length === 1 && only) {
      const anywhere = all.find((t) => is(t.name, only));
      if (anywhere) return anywhere.id;
    }
    let parent = from;
    for (const name of names) {
      let topic = all.find((t) => t.parent === parent && is(t.name, name));
      if (!topic) {
        topic = { id: newId(), bank, parent, name, position: all.length, lookAgain: '' };
        all.push(topic);
        await tx.insert(topics).values(topic);
      }
      parent = topic.id;
    }
    return parent;
  };
}
