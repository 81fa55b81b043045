import { eq } from 'drizzle-orm';
import type { QuestionFacts } from '@/core/bank/facts';
import { checkQuestion } from '@/core/bank/checks';
import { isReady } from '@/core/bank/readiness';
import { readStored } from '@/core/base/stored-form';
import { type QuestionBody, questionForm, tidyQuestion } from '@/core/bank/question';
import { summarise } from '@/core/bank/summary';
import type { Transaction } from '../db/database';
import { questions, revisions } from '../db/schema/bank';
import { newId } from '../ports/ids';
import { setLabels } from './labels';
import { indexQuestion } from './search-index';
import { keepPassage, withNewestPassage } from './passages';

/** The columns of a question's head that follow from its body. */
export function headOf(body: QuestionBody): {
  title: string;
  kinds: string;
  marks: string;
  ready: boolean;
  passage: string | null;
  draft: QuestionBody;
} {
  const { title, kinds, marks } = summarise(body);
  return {
    title,
    kinds: kinds.join(' '),
    marks,
    ready: isReady(checkQuestion(body).findings),
    passage: body.passage?.id ?? null,
    draft: body,
  };
}

export interface NewQuestion {
  bank: string;
  facts: QuestionFacts;
  body: QuestionBody;
}

/** Adds a question as a draft; returns its id. */
export async function insertQuestion(
  tx: Transaction,
  { bank, facts, body }: NewQuestion,
  by: string,
  at: number,
): Promise<string> {
  const { topic, difficulty, demand, tags, goals } = facts;
  const id = newId();
  await keepPassage(tx, { body, bank, question: null, by, at });
  const [row] = await tx
    .insert(questions)
    .values({
      id,
      bank,
      topic,
      difficulty,
      demand,
      ...headOf(body),
      draftVersion: 1,
      revision: 0,
      changed: true,
      author: by,
      savedBy: by,
      savedAt: at,
    })
    .returning({ row: questions.row });
  if (row) await indexQuestion(tx, row.row, body);
  await setLabels(tx, id, { tags, goals });
  return id;
}

/** The newest revision of a question as it now stands; cuts one when the draft has changed since. */
export async function cutRevision(tx: Transaction, question: string, by: string, at: number): Promise<number | null> {
  const [head] = await tx.select().from(questions).where(eq(questions.id, question));
  if (!head) return null;
  if (!head.changed) return head.revision;
  const number = head.revision + 1;
  const body = await withNewestPassage(tx, tidyQuestion(readStored(questionForm, head.draft)));
  await tx.insert(revisions).values({ question, number, body, by, at });
  await tx.update(questions).set({ revision: number, changed: false }).where(eq(questions.id, question));
  return number;
}
