import { and, asc, count, desc, eq, inArray, isNull } from 'drizzle-orm';
import { may } from '@/core/people/may';
import type { Context } from '../context';
import { goals, questions, questionTags, topics } from '../db/schema/bank';
import { visibleBanks } from './access';

export interface TopicOnShelf {
  id: string;
  name: string;
  parent: string | null;
  /** What whoever did badly in it is to look at again. */
  lookAgain: string;
  /** In it and below it. */
  questions: number;
}

export interface BankShelf {
  id: string;
  name: string;
  share: 'department' | 'named' | 'private';
  reviewRequired: boolean;
  /** Whether this person may change the bank itself: its name, whom it is shared with, its topics. */
  mine: boolean;
  named: string[];
  questions: number;
  /** In the order of the tree, each after its parent. */
  topics: TopicOnShelf[];
}

/** Where a new question goes when no bank is asked for, or not one that the actor may write in: the department's own, else the first. Null where there is none. */
export async function shelfForNew(ctx: Context, asked?: string): Promise<BankShelf | null> {
  const writable = new Set(
    (await visibleBanks(ctx)).filter(({ access }) => may(ctx.actor, 'write in bank', access)).map(({ id }) => id),
  );
  const shelves = (await listShelves(ctx)).filter(({ id }) => writable.has(id));
  return shelves.find(({ id }) => id === asked) ?? shelves.find((s) => s.share === 'department') ?? shelves[0] ?? null;
}

/** The banks that the actor sees with their topics and how many questions are in each. */
export async function listShelves(ctx: Context): Promise<BankShelf[]> {
  const banks = await visibleBanks(ctx);
  const counts = await ctx.db.read
    .select({ bank: questions.bank, topic: questions.topic, count: count() })
    .from(questions)
    .where(and(isNull(questions.deletedAt), isNull(questions.archivedAt)))
    .groupBy(questions.bank, questions.topic);
  const rows = await ctx.db.read.select().from(topics).orderBy(asc(topics.position));
  return banks.map((bank) => {
    const own = counts.filter((c) => c.bank === bank.id);
    const below = (parent: string | null): TopicOnShelf[] =>
      rows
        .filter((t) => t.bank === bank.id && t.parent === parent)
        .flatMap(({ id, name, lookAgain }) => {
          const inner = below(id);
          const direct = inner.filter((t) => t.parent === id).reduce((n, t) => n + t.questions, 0);
          const here = own.find((c) => c.topic === id)?.count ?? 0;
          return [{ id, name, parent, lookAgain, questions: here + direct }, ...inner];
        });
    return {
      id: bank.id,
      name: bank.name,
      share: bank.access.share,
      reviewRequired: bank.reviewRequired,
      mine: may(ctx.actor, 'change bank', bank.access),
      named: [...bank.access.named],
      questions: own.reduce((n, c) => n + c.count, 0),
      topics: below(null),
    };
  });
}

export interface Goal {
  id: string;
  code: string;
  words: string;
}

export async function listGoals(ctx: Context): Promise<Goal[]> {
  return ctx.db.read
    .select({ id: goals.id, code: goals.code, words: goals.words })
    .from(goals)
    .orderBy(asc(goals.position));
}

/** Every tag in use in the banks that the actor sees, the most used first. */
export async function listTags(ctx: Context): Promise<string[]> {
  const banks = (await visibleBanks(ctx)).map(({ id }) => id);
  const rows = await ctx.db.read
    .select({ tag: questionTags.tag })
    .from(questionTags)
    .innerJoin(questions, eq(questions.id, questionTags.question))
    .where(and(inArray(questions.bank, banks), isNull(questions.deletedAt)))
    .groupBy(questionTags.tag)
    .orderBy(desc(count()), asc(questionTags.tag))
    .limit(500);
  return rows.map(({ tag }) => tag);
}
