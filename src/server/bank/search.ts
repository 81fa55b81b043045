import { and, asc, count, desc, eq, inArray, like, type SQL, sql } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result } from '@/core/base/result';
import { KIND_NAMES } from '@/core/kinds/registry';
import { type Context, NOT_FOUND, parse } from '../context';
import { questions, topics } from '../db/schema/bank';
import { visibleBanks } from './access';

const input = z.object({
  /** One bank, or every bank that the actor sees. */
  bank: z.string().nullable(),
  topic: z.string().nullable(),
  words: z.string().max(100_000),
  kind: z.enum(KIND_NAMES as [string, ...string[]]).nullable(),
  difficulty: z.number().int().min(1).max(3).nullable(),
  sort: z.enum(['best', 'newest', 'title']),
  from: z.number().int().min(0),
});
export type BankSearch = z.infer<typeof input>;

export interface FoundQuestion {
  id: string;
  title: string;
  kinds: string;
  marks: string;
  difficulty: number;
  topic: string | null;
  ready: boolean;
  revision: number;
  changed: boolean;
}

export const PAGE = 60;

/** The typed words as a full-text query: every word must begin some word of the question. */
export function fullTextQuery(words: string): string | null {
  const terms = words.match(/[\p{L}\p{N}]+/gu) ?? [];
  return terms.length === 0
    ? null
    : terms
        .slice(0, 12)
        .map((term) => `"${term.slice(0, 60)}"*`)
        .join(' ');
}

/** Searches the bank: filters, full text over title and text, one page at a time. */
export async function searchQuestions(
  ctx: Context,
  raw: unknown,
): Promise<Result<{ total: number; found: FoundQuestion[] }>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { bank, topic, words, kind, difficulty, sort, from } = parsed.value;
  const banks = (await visibleBanks(ctx)).map((b) => b.id).filter((id) => bank === null || id === bank);
  if (banks.length === 0) return NOT_FOUND;
  const conditions: (SQL | undefined)[] = [inArray(questions.bank, banks)];
  if (topic !== null) {
    const below = await ctx.db.read.select({ id: topics.id }).from(topics).where(eq(topics.parent, topic));
    conditions.push(inArray(questions.topic, [topic, ...below.map((t) => t.id)]));
  }
  if (kind !== null) conditions.push(like(questions.kinds, `%${kind}%`));
  if (difficulty !== null) conditions.push(eq(questions.difficulty, difficulty));
  const query = fullTextQuery(words);
  const where = and(...conditions);
  const order =
    sort === 'title' ? asc(questions.title) : sort === 'best' && query ? sql`hits.rank` : desc(questions.savedAt);
  // With words to look for, the full-text index leads and its ranking orders.
  // The limit keeps SQLite from looking into the index once for every question.
  const index = sql`(SELECT rowid AS row, rank FROM question_search WHERE question_search MATCH ${query} LIMIT 1000000) AS hits`;
  const sameRow = sql`hits.row = ${questions.row}`;
  const listing = ctx.db.read
    .select({
      id: questions.id,
      title: questions.title,
      kinds: questions.kinds,
      marks: questions.marks,
      difficulty: questions.difficulty,
      topic: topics.name,
      ready: questions.ready,
      revision: questions.revision,
      changed: questions.changed,
      total: sql<number>`count(*) OVER ()`,
    })
    .from(questions)
    .leftJoin(topics, eq(topics.id, questions.topic))
    .$dynamic();
  const rows = await (query ? listing.innerJoin(index, sameRow) : listing)
    .where(where)
    .orderBy(order, desc(questions.row))
    .limit(PAGE)
    .offset(from);
  return ok({ total: rows[0]?.total ?? 0, found: rows.map(({ total: _, ...found }) => found) });
}

export interface BankShelf {
  id: string;
  name: string;
  share: 'department' | 'named' | 'private';
  questions: number;
  topics: { id: string; name: string; parent: string | null; questions: number }[];
}

/** The banks that the actor sees with their topics and how many questions are in each. */
export async function listShelves(ctx: Context): Promise<BankShelf[]> {
  const banks = await visibleBanks(ctx);
  const counts = await ctx.db.read
    .select({ bank: questions.bank, topic: questions.topic, count: count() })
    .from(questions)
    .groupBy(questions.bank, questions.topic);
  const rows = await ctx.db.read.select().from(topics).orderBy(asc(topics.position));
  const inTopic = (id: string): number => counts.filter((c) => c.topic === id).reduce((n, c) => n + c.count, 0);
  return banks.map((bank) => ({
    id: bank.id,
    name: bank.name,
    share: bank.access.share,
    questions: counts.filter((c) => c.bank === bank.id).reduce((n, c) => n + c.count, 0),
    topics: rows
      .filter((t) => t.bank === bank.id)
      .map(({ id, name, parent }) => ({
        id,
        name,
        parent,
        questions: inTopic(id) + rows.filter((t) => t.parent === id).reduce((n, t) => n + inTopic(t.id), 0),
      })),
  }));
}
