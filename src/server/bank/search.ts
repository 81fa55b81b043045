import { and, asc, desc, eq, exists, inArray, isNotNull, isNull, like, type SQL, sql } from 'drizzle-orm';
import { z } from 'zod';
import { REVIEW_STATES, type ReviewState } from '@/core/bank/facts';
import { HIT, MOST_COUNTED, PAGE } from '@/core/bank/searching';
import { ok, type Result } from '@/core/base/result';
import { KIND_NAMES } from '@/core/kinds/registry';
import { type Context, NOT_FOUND, parse } from '../context';
import type { Reader } from '../db/database';
import { questionGoals, questions, questionTags, topics } from '../db/schema/bank';
import { visibleBanks } from './access';

export const searchSchema = z.object({
  /** One bank, or every bank that the actor sees. */
  bank: z.string().nullable(),
  topic: z.string().nullable(),
  words: z.string().max(100_000),
  kind: z.enum(KIND_NAMES as [string, ...string[]]).nullable(),
  difficulty: z.number().int().min(1).max(3).nullable(),
  demand: z.enum(['know', 'use', 'judge']).nullable().default(null),
  tag: z.string().nullable().default(null),
  goal: z.string().nullable().default(null),
  author: z.string().nullable().default(null),
  review: z.enum(REVIEW_STATES).nullable().default(null),
  /** Whether something stops them. */
  ready: z.boolean().nullable().default(null),
  /** In use, put away, or deleted and not yet gone. */
  kept: z.enum(['live', 'archived', 'deleted']).default('live'),
  sort: z.enum(['best', 'newest', 'title']),
});
const input = searchSchema.extend({ from: z.number().int().min(0) });
export type BankSearch = z.infer<typeof searchSchema>;

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
  review: ReviewState;
  /** The place in the text that fits the words, with each hit between two signs of `HIT`; empty when only the title fits. */
  snippet: string;
}

export interface Found {
  /** How many there are, counted up to `MOST_COUNTED`. */
  total: number;
  found: FoundQuestion[];
}

/** Up to so many hits are ranked by how well they fit; of more, the newest come first. */
const MOST_RANKED = 1500;

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

async function conditionsOf(read: Reader, banks: string[], search: BankSearch): Promise<SQL | undefined> {
  const { topic, kind, difficulty, demand, tag, goal, author, review, ready, kept } = search;
  const all: (SQL | undefined)[] = [inArray(questions.bank, banks)];
  if (topic !== null) all.push(inArray(questions.topic, await withTopicsBelow(read, topic)));
  if (kind !== null) all.push(like(questions.kinds, `%${kind}%`));
  if (difficulty !== null) all.push(eq(questions.difficulty, difficulty));
  if (demand !== null) all.push(eq(questions.demand, demand));
  if (author !== null) all.push(eq(questions.author, author));
  if (review !== null) all.push(eq(questions.review, review));
  if (ready !== null) all.push(eq(questions.ready, ready));
  if (tag !== null) {
    const tagged = read.select({ one: sql`1` }).from(questionTags);
    all.push(exists(tagged.where(and(eq(questionTags.question, questions.id), eq(questionTags.tag, tag)))));
  }
  if (goal !== null) {
    const aimed = read.select({ one: sql`1` }).from(questionGoals);
    all.push(exists(aimed.where(and(eq(questionGoals.question, questions.id), eq(questionGoals.goal, goal)))));
  }
  all.push(kept === 'deleted' ? isNotNull(questions.deletedAt) : isNull(questions.deletedAt));
  if (kept !== 'deleted')
    all.push(kept === 'archived' ? isNotNull(questions.archivedAt) : isNull(questions.archivedAt));
  return and(...all);
}

/** A topic with all that stand below it in the tree. */
async function withTopicsBelow(read: Reader, topic: string): Promise<string[]> {
  const rows = await read.all<{ id: string }>(
    sql`WITH RECURSIVE below(id) AS (SELECT ${topic} UNION SELECT t.id FROM topics t JOIN below b ON t.parent = b.id)
        SELECT id FROM below`,
  );
  return rows.map(({ id }) => id);
}

/** Searches the bank: filters, full text over title and text, one page at a time. */
export async function searchQuestions(ctx: Context, raw: unknown): Promise<Result<Found>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { from, ...search } = parsed.value;
  const { read } = ctx.db;
  const banks = (await visibleBanks(ctx)).map((b) => b.id).filter((id) => search.bank === null || id === search.bank);
  if (banks.length === 0) return NOT_FOUND;
  const where = await conditionsOf(read, banks, search);
  const query = fullTextQuery(search.words);
  const ranked = query !== null && search.sort === 'best' && (await hits(read, query, MOST_RANKED + 1)) <= MOST_RANKED;

  // With words to look for, the full-text index leads. The limit keeps SQLite from asking it once for every question.
  const index = ranked
    ? sql`(SELECT rowid AS row, rank FROM question_search WHERE question_search MATCH ${query} LIMIT ${MOST_RANKED}) AS hits`
    : sql`(SELECT rowid AS row FROM question_search WHERE question_search MATCH ${query} ORDER BY rowid DESC LIMIT 1000000) AS hits`;
  const sameRow = sql`hits.row = ${questions.row}`;
  const counting = read.select({ one: sql`1` }).from(questions).$dynamic();
  const counted = (query ? counting.innerJoin(index, sameRow) : counting).where(where).limit(MOST_COUNTED);
  const listing = read
    .select({
      row: questions.row,
      id: questions.id,
      title: questions.title,
      kinds: questions.kinds,
      marks: questions.marks,
      difficulty: questions.difficulty,
      topic: topics.name,
      ready: questions.ready,
      revision: questions.revision,
      changed: questions.changed,
      review: questions.review,
    })
    .from(questions)
    .leftJoin(topics, eq(topics.id, questions.topic))
    .$dynamic();
  const newest = query && search.sort === 'best' ? sql`hits.row DESC` : desc(questions.savedAt);
  const order = search.sort === 'title' ? asc(questions.title) : ranked ? sql`hits.rank` : newest;
  const rows = await (query ? listing.innerJoin(index, sameRow) : listing)
    .where(where)
    .orderBy(order)
    .limit(PAGE)
    .offset(from);
  const [sum] = await read.all<{ n: number }>(sql`SELECT count(*) AS n FROM (${counted.getSQL()})`);
  const snippets = query ? await snippetsOf(read, query, rows) : new Map<number, string>();
  return ok({ total: sum?.n ?? 0, found: rows.map(({ row, ...q }) => ({ ...q, snippet: snippets.get(row) ?? '' })) });
}

/** How many questions fit a full-text query, counted up to `most`. */
async function hits(read: Reader, query: string, most: number): Promise<number> {
  const [row] = await read.all<{ n: number }>(
    sql`SELECT count(*) AS n FROM (SELECT rowid FROM question_search WHERE question_search MATCH ${query} LIMIT ${most})`,
  );
  return row?.n ?? 0;
}

async function snippetsOf(read: Reader, query: string, rows: { row: number }[]): Promise<Map<number, string>> {
  if (rows.length === 0) return new Map();
  const found = await read.all<{ row: number; text: string }>(
    sql`SELECT rowid AS row, snippet(question_search, 1, ${HIT}, ${HIT}, '…', 14) AS text FROM question_search
        WHERE question_search MATCH ${query} AND rowid IN ${rows.map(({ row }) => row)}`,
  );
  return new Map(found.filter(({ text }) => text.includes(HIT)).map(({ row, text }) => [row, text]));
}
