import { and, eq, inArray, isNotNull, isNull, like, notInArray, type SQL, sql } from 'drizzle-orm';
import { z } from 'zod';
import type { ReviewState } from '@/core/bank/facts';
import { FEWEST, FEWEST_FOR_OTHERS, LITTLE } from '@/core/analysis/advice';
import {
  type BankSearch,
  EASY_FROM,
  HARD_BELOW,
  HIT,
  MOST_COUNTED,
  PAGE,
  type Performance,
  searchSchema,
  terms,
} from '@/core/bank/searching';
import { ok, type Result } from '@/core/base/result';
import { snippetOf } from '@/core/text/snippet';
import { type Context, NOT_FOUND, parse } from '../context';
import type { Reader } from '../db/database';
import { questionGoals, questions, questionTags, topics } from '../db/schema/bank';
import { questionFigures } from '../db/schema/results';
import { visibleBanks } from './access';
import { heldIn } from './held';
import { likelierWords } from './likelier-words';

const input = searchSchema.extend({ from: z.number().int().min(0) });

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

export interface SearchResult {
  /** Nothing was found for the words that were typed, but this for these. */
  instead?: string;
  /** How many there are, counted up to `MOST_COUNTED`. */
  total: number;
  found: FoundQuestion[];
}

/** Up to so many hits are ranked by how well they fit; of more, the newest come first. */
const MOST_RANKED = 1500;

/** The typed words as a full-text query: every word must begin some word of the question. */
export function fullTextQuery(words: string): string | null {
  const all = terms(words);
  return all.length === 0 ? null : all.map((term) => `"${term}"*`).join(' ');
}

/** Marks as a number; they are kept as exact text such as 7/2. */
const worth = sql`(CAST(${questions.marks} AS REAL) / CASE instr(${questions.marks}, '/') WHEN 0 THEN 1 ELSE CAST(substr(${questions.marks}, instr(${questions.marks}, '/') + 1) AS REAL) END)`;

const YEAR = 365 * 86_400_000;

/** By whether a sitting held it: within a year, before, or never. */
async function usedCondition(read: Reader, used: NonNullable<BankSearch['used']>, now: number): Promise<SQL> {
  const ids = await heldIn(read, sql`sittings.opens_at >= ${used === 'never' ? 0 : now - YEAR}`);
  return used === 'this-year' ? inArray(questions.id, ids) : notInArray(questions.id, ids);
}

/** By what is kept of the sittings whose results are out. Of a sitting of few nothing is told. */
function performedCondition(performed: Performance): SQL {
  const { question, persons, earned, withRest } = questionFigures;
  const known = sql`${questionFigures} WHERE ${persons} >= ${FEWEST_FOR_OTHERS}`;
  if (performed === 'untried') return sql`${questions.id} NOT IN (SELECT ${question} FROM ${known})`;
  const share = sql`sum(${persons} * ${earned}) / sum(${persons})`;
  const having = {
    easy: sql`${share} >= ${EASY_FROM}`,
    middling: sql`${share} < ${EASY_FROM} AND ${share} >= ${HARD_BELOW}`,
    hard: sql`${share} < ${HARD_BELOW}`,
    'tells-little': sql`sum(${persons} * ${withRest}) / sum(CASE WHEN ${withRest} IS NULL THEN 0 ELSE ${persons} END) < ${LITTLE}`,
  }[performed];
  const enough = performed === 'tells-little' ? sql`AND ${persons} >= ${FEWEST}` : sql``;
  return sql`${questions.id} IN (SELECT ${question} FROM ${known} ${enough} GROUP BY ${question} HAVING ${having})`;
}

async function conditionsOf(read: Reader, banks: string[], search: BankSearch, now: number): Promise<SQL | undefined> {
  const { topic, kind, difficulty, demand, tag, goal, author, review, ready, marks, kept } = search;
  const all: (SQL | undefined)[] = [inArray(questions.bank, banks)];
  if (topic !== null) all.push(inArray(questions.topic, await withTopicsBelow(read, topic)));
  if (kind !== null) all.push(like(questions.kinds, `%${kind}%`));
  if (difficulty !== null) all.push(eq(questions.difficulty, difficulty));
  if (demand !== null) all.push(eq(questions.demand, demand));
  if (author !== null) all.push(eq(questions.author, author));
  if (review !== null) all.push(eq(questions.review, review));
  if (ready !== null) all.push(eq(questions.ready, ready));
  if (marks !== null) all.push(marks === '5' ? sql`${worth} >= 5` : eq(questions.marks, marks));
  if (search.performed !== null) all.push(performedCondition(search.performed));
  if (search.used !== null) all.push(await usedCondition(read, search.used, now));
  if (tag !== null) {
    const tagged = read.select({ id: questionTags.question }).from(questionTags).where(eq(questionTags.tag, tag));
    all.push(inArray(questions.id, tagged));
  }
  if (goal !== null) {
    const aimed = read.select({ id: questionGoals.question }).from(questionGoals).where(eq(questionGoals.goal, goal));
    all.push(inArray(questions.id, aimed));
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
export async function searchQuestions(ctx: Context, raw: unknown): Promise<Result<SearchResult>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const found = await searched(ctx, parsed.value);
  if (!found.ok || found.value.total > 0 || parsed.value.from > 0) return found;
  // Nothing: perhaps it was a plural, or a slip of the pen.
  const instead = await likelierWords(ctx.db.read, parsed.value.words);
  if (instead === null) return found;
  const other = await searched(ctx, { ...parsed.value, words: instead });
  return other.ok && other.value.total > 0 ? ok({ ...other.value, instead }) : found;
}

/** The ids of everything that a search finds, up to `MOST_COUNTED`. */
export async function searchIds(ctx: Context, raw: unknown): Promise<Result<string[]>> {
  const parsed = parse(searchSchema, raw);
  if (!parsed.ok) return parsed;
  const banks = await banksOf(ctx, parsed.value);
  const where = (await conditionsOf(ctx.db.read, banks, parsed.value, ctx.now)) ?? sql`true`;
  const query = fullTextQuery(parsed.value.words);
  const { source } = plan(query, 'newest', false);
  const rows = await ctx.db.read.all<{ id: string }>(
    sql`SELECT ${questions.id} AS id FROM ${source} WHERE ${where} LIMIT ${MOST_COUNTED}`,
  );
  return ok(rows.map(({ id }) => id));
}

async function banksOf(ctx: Context, { bank }: BankSearch): Promise<string[]> {
  return (await visibleBanks(ctx)).map(({ id }) => id).filter((id) => bank === null || id === bank);
}

async function searched(ctx: Context, { from, ...search }: z.infer<typeof input>): Promise<Result<SearchResult>> {
  const { read } = ctx.db;
  const banks = await banksOf(ctx, search);
  if (banks.length === 0) return NOT_FOUND;
  const where = (await conditionsOf(read, banks, search, ctx.now)) ?? sql`true`;
  const query = fullTextQuery(search.words);
  const ranked = query !== null && search.sort === 'best' && (await hits(read, query, MOST_RANKED + 1)) <= MOST_RANKED;
  const { source, order, counting = source } = plan(query, search.sort, ranked);
  const [sum] = await read.all<{ n: number }>(
    sql`SELECT count(*) AS n FROM (SELECT 1 FROM ${counting} WHERE ${where} LIMIT ${MOST_COUNTED})`,
  );
  const rows = await read.all<{ row: number }>(
    sql`SELECT ${questions.row} AS row FROM ${source} WHERE ${where} ORDER BY ${order} LIMIT ${PAGE} OFFSET ${from}`,
  );
  const found = await readFound(
    read,
    rows.map(({ row }) => row),
    terms(search.words),
  );
  return ok({ total: sum?.n ?? 0, found });
}

interface Plan {
  source: SQL;
  order: SQL;
  /** Where they are counted, when that is quicker elsewhere. */
  counting?: SQL;
}

/**
 * Where the rows come from and in which order. With words to look for, the
 * full-text index leads, except when the titles do: then their index is
 * walked, and the words are looked up.
 */
function plan(query: string | null, sort: BankSearch['sort'], ranked: boolean): Plan {
  const titles = sql`${questions.title}`;
  const found = sql`CROSS JOIN ${questions} INDEXED BY questions_by_row ON ${questions.row} = hits.row`;
  if (query === null) {
    return sort === 'title'
      ? { source: sql`${questions} INDEXED BY questions_by_title`, order: titles }
      : { source: sql`${questions} INDEXED BY questions_newest`, order: sql`${questions.savedAt} DESC` };
  }
  if (ranked) {
    const best = sql`(SELECT rowid AS row, rank FROM question_search WHERE question_search MATCH ${query} LIMIT ${MOST_RANKED}) AS hits`;
    return { source: sql`${best} ${found}`, order: sql`hits.rank` };
  }
  const index = sql`(SELECT rowid AS row FROM question_search WHERE question_search MATCH ${query}) AS hits`;
  const led = sql`${index} ${found}`;
  if (sort !== 'title') return { source: led, order: sql`hits.row DESC` };
  const fitting = sql`(SELECT rowid FROM question_search WHERE question_search MATCH ${query})`;
  return {
    source: sql`(SELECT * FROM ${questions} INDEXED BY questions_by_title WHERE +row IN ${fitting}) AS questions`,
    order: titles,
    counting: led,
  };
}

/** What lists show of these rows, in their order. */
async function readFound(read: Reader, rows: number[], words: readonly string[]): Promise<FoundQuestion[]> {
  if (rows.length === 0) return [];
  const found = await read
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
    .where(inArray(questions.row, rows));
  const texts =
    words.length === 0
      ? []
      : await read.all<{ row: number; text: string }>(
          sql`SELECT rowid AS row, text FROM question_search WHERE rowid IN ${rows}`,
        );
  const textOf = new Map(texts.map(({ row, text }) => [row, text]));
  const place = new Map(rows.map((row, i) => [row, i]));
  return found
    .sort((a, b) => (place.get(a.row) ?? 0) - (place.get(b.row) ?? 0))
    .map(({ row, ...q }) => ({ ...q, snippet: snippetOf(textOf.get(row) ?? '', words, HIT) }));
}

/** How many questions fit a full-text query, counted up to `most`. */
async function hits(read: Reader, query: string, most: number): Promise<number> {
  const [row] = await read.all<{ n: number }>(
    sql`SELECT count(*) AS n FROM (SELECT rowid FROM question_search WHERE question_search MATCH ${query} LIMIT ${most})`,
  );
  return row?.n ?? 0;
}
