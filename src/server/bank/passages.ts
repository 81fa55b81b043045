import { and, asc, count, eq, isNull, ne, sql } from 'drizzle-orm';
import { sameValue } from '@/core/base/same-value';
import { ok, type Result } from '@/core/base/result';
import { readStored } from '@/core/base/stored-form';
import { type Numbering, type QuestionBody, questionForm } from '@/core/bank/question';
import { type Content, contentSchema } from '@/core/content/document';
import { firstWords } from '@/core/content/plain';
import { type Context, FORBIDDEN } from '../context';
import type { Reader, Transaction } from '../db/database';
import { passages, questions } from '../db/schema/bank';
import { newId } from '../ports/ids';
import { mayWriteIn } from './access';
import { indexQuestion } from './search-index';

export interface PassageRow {
  id: string;
  title: string;
  content: Content;
  numbered: Numbering;
  questions: number;
}

/** The passages of a bank with how many questions refer to each. */
export async function listPassages(ctx: Context, bank: string): Promise<Result<PassageRow[]>> {
  if (!(await mayWriteIn(ctx, bank))) return FORBIDDEN;
  const rows = await ctx.db.read
    .select({
      id: passages.id,
      title: passages.title,
      content: passages.content,
      numbered: passages.numbered,
      questions: count(questions.id),
    })
    .from(passages)
    .leftJoin(questions, and(eq(questions.passage, passages.id), isNull(questions.deletedAt)))
    .where(eq(passages.bank, bank))
    .groupBy(passages.id)
    .orderBy(asc(passages.title));
  return ok(rows.map((row) => ({ ...row, content: contentSchema.parse(row.content) })));
}

const SHOWN = { content: passages.content, numbered: passages.numbered };

/** A body with the newest content of its passage. */
export async function withNewestPassage(read: Reader, body: QuestionBody): Promise<QuestionBody> {
  if (!body.passage) return body;
  const { id } = body.passage;
  const [row] = await read.select(SHOWN).from(passages).where(eq(passages.id, id));
  return row ? { ...body, passage: { id, content: contentSchema.parse(row.content), numbered: row.numbered } } : body;
}

/** Whether the actor may write the passage of a body: it is new, or stands in a bank of theirs. */
export async function mayWritePassage(ctx: Context, { passage }: QuestionBody): Promise<boolean> {
  if (!passage) return true;
  const [row] = await ctx.db.read.select({ bank: passages.bank }).from(passages).where(eq(passages.id, passage.id));
  return row === undefined || mayWriteIn(ctx, row.bank);
}

/**
 * Bodies as they may come into a bank from anywhere: a passage that the actor does not see keeps its words and gets an
 * id of its own, so that nobody reads one by naming it. Bodies that shared it go on sharing.
 */
export async function withOwnPassages<B extends QuestionBody>(ctx: Context, bodies: readonly B[]): Promise<B[]> {
  const others = new Map<string, string>();
  const own: B[] = [];
  for (const body of bodies) {
    if (!body.passage || (await mayWritePassage(ctx, body))) own.push(body);
    else {
      const id = others.get(body.passage.id) ?? newId();
      others.set(body.passage.id, id);
      own.push({ ...body, passage: { ...body.passage, id } });
    }
  }
  return own;
}

interface Saving {
  body: QuestionBody;
  bank: string;
  /** The question it is saved with; null while that is being made. */
  question: string | null;
  by: string;
  at: number;
}

/**
 * Keeps the passage of a question that is saved. When it changed, every other
 * question that refers to it has changed too: its draft moves on, so that an
 * open bench learns of it, and exams place it anew.
 */
export async function keepPassage(tx: Transaction, { body, bank, question, by, at }: Saving): Promise<void> {
  if (!body.passage) return;
  const { id, content, numbered } = body.passage;
  const [old] = await tx.select(SHOWN).from(passages).where(eq(passages.id, id));
  const now = { title: firstWords(content) || 'Passage', content, numbered, savedBy: by, savedAt: at };
  if (!old) await tx.insert(passages).values({ id, bank, ...now });
  // A copy or something that was brought in refers to the passage as it stands.
  else if (question === null || sameValue(old, { content, numbered })) return;
  else {
    await tx.update(passages).set(now).where(eq(passages.id, id));
    const others = await tx
      .update(questions)
      .set({ draftVersion: sql`${questions.draftVersion} + 1`, changed: true, savedBy: by })
      .where(and(eq(questions.passage, id), ne(questions.id, question)))
      .returning({ row: questions.row, draft: questions.draft });
    for (const { row, draft } of others) {
      await indexQuestion(tx, row, { ...readStored(questionForm, draft), passage: body.passage });
    }
  }
}
