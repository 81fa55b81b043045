import { and, asc, count, eq, isNull, ne, sql } from 'drizzle-orm';
import { sameValue } from '@/core/base/same-value';
import { ok, type Result } from '@/core/base/result';
import { readStored } from '@/core/base/stored-form';
import { type QuestionBody, questionForm } from '@/core/bank/question';
import { type Content, contentSchema } from '@/core/content/document';
import { firstWords } from '@/core/content/plain';
import { type Context, FORBIDDEN } from '../context';
import type { Reader, Transaction } from '../db/database';
import { passages, questions } from '../db/schema/bank';
import { mayWriteIn } from './access';
import { indexQuestion } from './search-index';

export interface PassageRow {
  id: string;
  title: string;
  content: Content;
  questions: number;
}

/** The passages of a bank with how many questions refer to each. */
export async function listPassages(ctx: Context, bank: string): Promise<Result<PassageRow[]>> {
  if (!(await mayWriteIn(ctx, bank))) return FORBIDDEN;
  const rows = await ctx.db.read
    .select({ id: passages.id, title: passages.title, content: passages.content, questions: count(questions.id) })
    .from(passages)
    .leftJoin(questions, and(eq(questions.passage, passages.id), isNull(questions.deletedAt)))
    .where(eq(passages.bank, bank))
    .groupBy(passages.id)
    .orderBy(asc(passages.title));
  return ok(rows.map((row) => ({ ...row, content: contentSchema.parse(row.content) })));
}

/** A body with the newest content of its passage. */
export async function withNewestPassage(read: Reader, body: QuestionBody): Promise<QuestionBody> {
  if (!body.passage) return body;
  const [row] = await read.select({ content: passages.content }).from(passages).where(eq(passages.id, body.passage.id));
  return row ? { ...body, passage: { ...body.passage, content: contentSchema.parse(row.content) } } : body;
}

/** Whether the actor may write the passage of a body: it is new, or stands in a bank of theirs. */
export async function mayWritePassage(ctx: Context, { passage }: QuestionBody): Promise<boolean> {
  if (!passage) return true;
  const [row] = await ctx.db.read.select({ bank: passages.bank }).from(passages).where(eq(passages.id, passage.id));
  return row === undefined || mayWriteIn(ctx, row.bank);
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
  const { id, content } = body.passage;
  const [old] = await tx.select({ content: passages.content }).from(passages).where(eq(passages.id, id));
  const title = firstWords(content) || 'Passage';
  if (!old) await tx.insert(passages).values({ id, bank, title, content, savedBy: by, savedAt: at });
  // A copy or something that was brought in refers to the passage as it stands.
  else if (question === null || sameValue(old.content, content)) return;
  else {
    await tx.update(passages).set({ title, content, savedBy: by, savedAt: at }).where(eq(passages.id, id));
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
