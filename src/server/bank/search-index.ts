import { sql } from 'drizzle-orm';
import type { QuestionBody } from '@/core/bank/question';
import { summarise } from '@/core/bank/summary';
import { mediaIn } from '@/core/exchange/archive';
import type { Transaction } from '../db/database';
import { keepUses } from '../media/keep-rows';

/** Keeps in step with a question what it is found by: the words of the search index, and what stands in it. */
export async function indexQuestion(tx: Transaction, row: number, body: QuestionBody): Promise<void> {
  const { title, text } = summarise(body);
  await tx.run(sql`DELETE FROM question_search WHERE rowid = ${row}`);
  await tx.run(sql`INSERT INTO question_search (rowid, title, text) VALUES (${row}, ${title}, ${text})`);
  await keepUses(tx, row, mediaIn(body));
}
