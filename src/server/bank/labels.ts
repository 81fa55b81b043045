import { eq, inArray } from 'drizzle-orm';
import { type QuestionFacts, tidyTags } from '@/core/bank/facts';
import type { Reader, Transaction } from '../db/database';
import { questionGoals, questionTags } from '../db/schema/bank';

type Labels = Pick<QuestionFacts, 'tags' | 'goals'>;

/** Sets the tags and goals of a question to just these. */
export async function setLabels(tx: Transaction, question: string, { tags, goals }: Labels): Promise<void> {
  await tx.delete(questionTags).where(eq(questionTags.question, question));
  await tx.delete(questionGoals).where(eq(questionGoals.question, question));
  if (tags.length > 0) await tx.insert(questionTags).values(tags.map((tag) => ({ question, tag })));
  if (goals.length > 0) await tx.insert(questionGoals).values(goals.map((goal) => ({ question, goal })));
}

/** The tags and goals of each of these questions. */
export async function labelsOf(read: Reader, questions: string[]): Promise<(question: string) => Labels> {
  const tags = new Map<string, string[]>();
  const goals = new Map<string, string[]>();
  const add = (map: Map<string, string[]>, question: string, label: string): void => {
    map.set(question, [...(map.get(question) ?? []), label]);
  };
  for (const row of await read.select().from(questionTags).where(inArray(questionTags.question, questions))) {
    add(tags, row.question, row.tag);
  }
  for (const row of await read.select().from(questionGoals).where(inArray(questionGoals.question, questions))) {
    add(goals, row.question, row.goal);
  }
  return (question) => ({ tags: tidyTags(tags.get(question) ?? []), goals: goals.get(question) ?? [] });
}
