import { and, eq, inArray, isNull } from 'drizzle-orm';
import { z } from 'zod';
import { readStored } from '@/core/base/stored-form';
import { ok, type Result, refuse } from '@/core/base/result';
import { factsSchema, type QuestionFacts, tidyTags } from '@/core/bank/facts';
import { questionForm } from '@/core/bank/question';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import type { Reader, Transaction } from '../db/database';
import { bulkActs, questions, topics } from '../db/schema/bank';
import { exams } from '../db/schema/exams';
import { newId } from '../ports/ids';
import { allBanks } from './access';
import { labelsOf, setLabels } from './labels';
import { insertQuestion } from './write';

const act = z.discriminatedUnion('do', [
  z.object({ do: z.literal('move'), bank: z.string(), topic: z.string().nullable() }),
  z.object({ do: z.literal('copy'), bank: z.string(), topic: z.string().nullable() }),
  z.object({ do: z.literal('tag'), tag: z.string().trim().min(1).max(40) }),
  z.object({ do: z.literal('untag'), tag: z.string() }),
  z.object({ do: z.literal('difficulty'), to: factsSchema.shape.difficulty }),
  z.object({ do: z.literal('demand'), to: factsSchema.shape.demand }),
  z.object({ do: z.literal('archive') }),
  z.object({ do: z.literal('delete') }),
  /** Out of the archive, or back from the deleted. */
  z.object({ do: z.literal('bring-back') }),
]);
export type BulkAct = z.infer<typeof act>;
const input = z.object({ questions: z.array(z.string()).min(1).max(5000), act });

/** How a question stood before an act. */
const stood = z.object({
  id: z.string(),
  bank: z.string(),
  facts: factsSchema,
  archivedAt: z.number().nullable(),
  deletedAt: z.number().nullable(),
});
type Stood = z.infer<typeof stood>;
const beforeAct = z.object({ stood: z.array(stood), copies: z.array(z.string()) });

/** An act on many questions that was carried out. */
export interface ActOnMany {
  count: number;
  /** What undoes it. */
  undo: string;
}

/** Does one thing to many questions, to all or to none, and remembers how they stood. */
export async function actOnMany(ctx: Context, raw: unknown): Promise<Result<ActOnMany>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { act: what } = parsed.value;
  const ids = [...new Set(parsed.value.questions)];
  const before = await howTheyStand(ctx.db.read, ids);
  if (before.length !== ids.length) return NOT_FOUND;
  const banks = new Map((await allBanks(ctx.db.read)).map((bank) => [bank.id, bank]));
  const writable = (id: string): boolean => {
    const bank = banks.get(id);
    return bank !== undefined && may(ctx.actor, 'write in bank', bank.access);
  };
  if (!before.every((q) => writable(q.bank))) return FORBIDDEN;
  if (what.do === 'move' || what.do === 'copy') {
    if (!writable(what.bank)) return FORBIDDEN;
    if (!(await topicIsOf(ctx.db.read, what))) return refuse('topics-changed');
  }
  if (what.do === 'delete') {
    const used = await usedInExams(ctx.db.read, ids);
    if (used > 0) return refuse('question-in-use', { values: { count: used } });
  }
  const undo = newId();
  await ctx.db.transaction(async (tx) => {
    const copies: string[] = [];
    for (const q of before) {
      if (what.do === 'copy') copies.push(await copyTo(tx, ctx, q, what));
      else await stand(tx, ctx, acted(q, what, ctx.now));
    }
    const record = what.do === 'copy' ? { stood: [], copies } : { stood: before, copies };
    await tx.insert(bulkActs).values({ id: undo, by: ctx.actor.id, at: ctx.now, before: record });
  });
  return ok({ count: ids.length, undo });
}

/** Puts everything back as it stood before an act; once. */
export async function undoMany(ctx: Context, id: string): Promise<Result<{ count: number }>> {
  const [row] = await ctx.db.read.select().from(bulkActs).where(eq(bulkActs.id, id));
  if (!row) return NOT_FOUND;
  if (row.by !== ctx.actor.id) return FORBIDDEN;
  const before = beforeAct.parse(row.before);
  return ctx.db.transaction(async (tx): Promise<Result<{ count: number }>> => {
    const first = await tx
      .update(bulkActs)
      .set({ undoneAt: ctx.now })
      .where(and(eq(bulkActs.id, id), isNull(bulkActs.undoneAt)))
      .returning({ id: bulkActs.id });
    if (first.length === 0) return refuse('undone-already');
    for (const q of before.stood) await stand(tx, ctx, q);
    if (before.copies.length > 0) {
      await tx.update(questions).set({ deletedAt: ctx.now }).where(inArray(questions.id, before.copies));
    }
    return ok({ count: before.stood.length + before.copies.length });
  });
}

/** How a question stands when the act has been done to it. */
function acted(q: Stood, what: Exclude<BulkAct, { do: 'copy' }>, now: number): Stood {
  const facts = (part: Partial<QuestionFacts>): Stood => ({ ...q, facts: { ...q.facts, ...part } });
  switch (what.do) {
    case 'move':
      return { ...facts({ topic: what.topic }), bank: what.bank };
    case 'tag':
      return facts({ tags: tidyTags([...q.facts.tags, what.tag]) });
    case 'untag':
      return facts({ tags: q.facts.tags.filter((tag) => tag !== what.tag) });
    case 'difficulty':
      return facts({ difficulty: what.to });
    case 'demand':
      return facts({ demand: what.to });
    case 'archive':
      return { ...q, archivedAt: now };
    case 'delete':
      return { ...q, deletedAt: now };
    case 'bring-back':
      return { ...q, archivedAt: null, deletedAt: null };
  }
}

async function howTheyStand(read: Reader, ids: string[]): Promise<Stood[]> {
  const rows = await read.select().from(questions).where(inArray(questions.id, ids));
  const labels = await labelsOf(read, ids);
  return rows.map(({ id, bank, topic, difficulty, demand, archivedAt, deletedAt }) => ({
    id,
    bank,
    facts: {
      topic,
      difficulty,
      demand,
      ...labels(id),
    },
    archivedAt,
    deletedAt,
  }));
}

/** Makes a question stand like this. Its draft version moves on, so that an open bench learns of it. */
async function stand(tx: Transaction, ctx: Context, { id, facts, ...place }: Stood): Promise<void> {
  const { tags, goals, ...columns } = facts;
  const [head] = await tx.select({ version: questions.draftVersion }).from(questions).where(eq(questions.id, id));
  await tx
    .update(questions)
    .set({ ...place, ...columns, draftVersion: (head?.version ?? 0) + 1, savedBy: ctx.actor.id })
    .where(eq(questions.id, id));
  await setLabels(tx, id, { tags, goals });
}

async function copyTo(
  tx: Transaction,
  ctx: Context,
  q: Stood,
  to: { bank: string; topic: string | null },
): Promise<string> {
  const [row] = await tx.select({ draft: questions.draft }).from(questions).where(eq(questions.id, q.id));
  const body = readStored(questionForm, row?.draft);
  return insertQuestion(tx, { bank: to.bank, facts: { ...q.facts, topic: to.topic }, body }, ctx.actor.id, ctx.now);
}

async function topicIsOf(read: Reader, { bank, topic }: { bank: string; topic: string | null }): Promise<boolean> {
  if (topic === null) return true;
  const [row] = await read.select({ bank: topics.bank }).from(topics).where(eq(topics.id, topic));
  return row?.bank === bank;
}

/** How many of these questions some exam places. */
async function usedInExams(read: Reader, ids: readonly string[]): Promise<number> {
  const plans = await read.select({ plan: exams.plan }).from(exams);
  const text = plans.map(({ plan }) => JSON.stringify(plan)).join('\n');
  return ids.filter((id) => text.includes(`"${id}"`)).length;
}
