import { and, eq, inArray, isNull, max } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { may } from '@/core/people/may';
import { MOST_LOOK_AGAIN } from '@/core/results/look-again';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import { bankMembers, banks, questions, topics } from '../db/schema/bank';
import { members } from '../db/schema/people';
import { newId } from '../ports/ids';
import { allBanks, type BankRow } from './access';

const bankInput = z.object({
  /** Null makes a new one. */
  id: z.string().nullable(),
  name: z.string().trim().min(1, 'name-empty').max(80, 'name-long'),
  share: z.enum(['department', 'named', 'private']),
  /** Members it is shared with; only kept when it is shared with named people. */
  named: z.array(z.string()).max(200),
  reviewRequired: z.boolean(),
});

/** Makes a bank, or changes its name and whom it is shared with. */
export async function saveBank(ctx: Context, raw: unknown): Promise<Result<{ id: string }>> {
  const parsed = parse(bankInput, raw);
  if (!parsed.ok) return parsed;
  const { id, name, share, named, reviewRequired } = parsed.value;
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  const all = await allBanks(ctx.db.read);
  const old = all.find((bank) => bank.id === id);
  if (id !== null && !old) return NOT_FOUND;
  if (old && !may(ctx.actor, 'change bank', old.access)) return FORBIDDEN;
  if (all.some((bank) => bank.id !== id && bank.name.toLowerCase() === name.toLowerCase())) {
    return refuse('name-taken', { at: ['name'], values: { name } });
  }
  const known = await ctx.db.read.select({ id: members.id }).from(members).where(inArray(members.id, named));
  const bank = id ?? newId();
  await ctx.db.transaction(async (tx) => {
    if (old) await tx.update(banks).set({ name, share, reviewRequired }).where(eq(banks.id, bank));
    else await tx.insert(banks).values({ id: bank, name, share, reviewRequired, owner: ctx.actor.id });
    await tx.delete(bankMembers).where(eq(bankMembers.bank, bank));
    if (share === 'named' && known.length > 0) {
      await tx.insert(bankMembers).values(known.map((member) => ({ bank, member: member.id })));
    }
  });
  return ok({ id: bank });
}

async function bankToChange(ctx: Context, id: string): Promise<Result<BankRow>> {
  const bank = (await allBanks(ctx.db.read)).find((b) => b.id === id);
  if (!bank) return NOT_FOUND;
  return may(ctx.actor, 'write in bank', bank.access) ? ok(bank) : FORBIDDEN;
}

const topicInput = z.object({
  bank: z.string(),
  /** Null makes a new one. */
  id: z.string().nullable(),
  name: z.string().trim().min(1, 'name-empty').max(80, 'name-long'),
  parent: z.string().nullable(),
  /** What to look at again for whoever did badly in it; left as it is where nothing is said. */
  lookAgain: z.string().trim().max(MOST_LOOK_AGAIN, 'look-again-long').optional(),
});

/** Adds a topic at the end of its siblings, or changes its words. */
export async function saveTopic(ctx: Context, raw: unknown): Promise<Result<{ id: string }>> {
  const parsed = parse(topicInput, raw);
  if (!parsed.ok) return parsed;
  const { bank, id, name, parent, lookAgain } = parsed.value;
  const found = await bankToChange(ctx, bank);
  if (!found.ok) return found;
  const known = await ctx.db.read.select({ id: topics.id }).from(topics).where(eq(topics.bank, bank));
  if ([id, parent].some((wanted) => wanted !== null && !known.some((t) => t.id === wanted))) {
    return refuse('topics-changed');
  }
  const topic = id ?? newId();
  await ctx.db.transaction(async (tx) => {
    if (id) {
      await tx
        .update(topics)
        .set({ name, lookAgain })
        .where(and(eq(topics.id, id), eq(topics.bank, bank)));
    } else {
      const [last] = await tx
        .select({ position: max(topics.position) })
        .from(topics)
        .where(eq(topics.bank, bank));
      await tx
        .insert(topics)
        .values({ id: topic, bank, parent, name, lookAgain, position: (last?.position ?? -1) + 1 });
    }
  });
  return ok({ id: topic });
}

const moveInput = z.object({
  bank: z.string(),
  /** All topics of the bank in their new order, each with its new parent. */
  order: z.array(z.object({ id: z.string(), parent: z.string().nullable() })).max(2000),
});

/** Puts the topics of a bank into a new order and tree. Refused when a topic would stand below itself or one is missing. */
export async function arrangeTopics(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(moveInput, raw);
  if (!parsed.ok) return parsed;
  const { bank, order } = parsed.value;
  const found = await bankToChange(ctx, bank);
  if (!found.ok) return found;
  const known = await ctx.db.read.select({ id: topics.id }).from(topics).where(eq(topics.bank, bank));
  const parents = new Map(order.map(({ id, parent }) => [id, parent]));
  const same = known.length === order.length && known.every(({ id }) => parents.has(id));
  const parentsKnown = order.every(({ parent }) => parent === null || parents.has(parent));
  if (!same || !parentsKnown || order.some(({ id }) => standsBelowItself(id, parents))) return refuse('topics-changed');
  await ctx.db.transaction(async (tx) => {
    for (const [position, { id, parent }] of order.entries()) {
      await tx.update(topics).set({ parent, position }).where(eq(topics.id, id));
    }
  });
  return ok(null);
}

function standsBelowItself(id: string, parents: ReadonlyMap<string, string | null>): boolean {
  const seen = new Set([id]);
  for (let up = parents.get(id); up; up = parents.get(up)) {
    if (seen.has(up)) return true;
    seen.add(up);
  }
  return false;
}

/** A topic that was taken out, with what stood in it: enough to put it back. */
const removedTopic = z.object({
  bank: z.string(),
  topic: z.object({
    id: z.string(),
    name: z.string().min(1).max(80),
    parent: z.string().nullable(),
    position: z.number(),
    lookAgain: z.string().max(MOST_LOOK_AGAIN),
  }),
  questions: z.array(z.string()).max(100_000),
  below: z.array(z.string()).max(1000),
});
export type RemovedTopic = z.infer<typeof removedTopic>;

/** Takes a topic out; its questions and topics go one step up. */
export async function removeTopic(ctx: Context, raw: unknown): Promise<Result<RemovedTopic>> {
  const parsed = parse(z.object({ bank: z.string(), id: z.string() }), raw);
  if (!parsed.ok) return parsed;
  const { bank, id } = parsed.value;
  const found = await bankToChange(ctx, bank);
  if (!found.ok) return found;
  return ctx.db.transaction(async (tx): Promise<Result<RemovedTopic>> => {
    const [topic] = await tx
      .select()
      .from(topics)
      .where(and(eq(topics.id, id), eq(topics.bank, bank)));
    if (!topic) return NOT_FOUND;
    const moved = { questions: { id: questions.id }, below: { id: topics.id } };
    const inside = await tx.select(moved.questions).from(questions).where(eq(questions.topic, id));
    const below = await tx.select(moved.below).from(topics).where(eq(topics.parent, id));
    await tx.update(questions).set({ topic: topic.parent }).where(eq(questions.topic, id));
    await tx.update(topics).set({ parent: topic.parent }).where(eq(topics.parent, id));
    await tx.delete(topics).where(eq(topics.id, id));
    const { name, parent, position, lookAgain } = topic;
    return ok({
      bank,
      topic: { id, name, parent, position, lookAgain },
      questions: inside.map((q) => q.id),
      below: below.map((t) => t.id),
    });
  });
}

/** Puts a topic back that was taken out: with the questions and topics that still stand where they went then. */
export async function restoreTopic(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(removedTopic, raw);
  if (!parsed.ok) return parsed;
  const { bank, topic, questions: inside, below } = parsed.value;
  const found = await bankToChange(ctx, bank);
  if (!found.ok) return found;
  return ctx.db.transaction(async (tx): Promise<Result<null>> => {
    const there = await tx.select({ id: topics.id }).from(topics).where(eq(topics.bank, bank));
    if (there.some(({ id }) => id === topic.id)) return ok(null);
    const parent = there.some(({ id }) => id === topic.parent) ? topic.parent : null;
    await tx.insert(topics).values({ ...topic, parent, bank });
    const stillThere = parent === null ? isNull(questions.topic) : eq(questions.topic, parent);
    for (let i = 0; i < inside.length; i += 500)
      await tx
        .update(questions)
        .set({ topic: topic.id })
        .where(and(eq(questions.bank, bank), inArray(questions.id, inside.slice(i, i + 500)), stillThere));
    if (below.length > 0)
      await tx
        .update(topics)
        .set({ parent: topic.id })
        .where(and(eq(topics.bank, bank), inArray(topics.id, below)));
    return ok(null);
  });
}
