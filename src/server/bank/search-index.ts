import { sql } from 'drizzle-orm';
import type { QuestionBody } from '@/core/bank/question';
import { summarise } from '@/core/bank/summary';
import type { Transaction } from '../db/database';

/** Keeps the search index in step with a question. */
export async function indexQuestion(tx: Transaction, row: number, body: QuestionBody): Promise<void> {
  const { title, text } = summarise(body);
  await tx.run(sql`DELETE FROM question_search WHERE rowid = ${row}`);
  await tx.run(sql`INSERT INTO question_search (rowid, title, text) VALUES (${row}, ${title}, ${text})`);
}
