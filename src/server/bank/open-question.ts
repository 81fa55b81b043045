import { asc, desc, eq, like } from 'drizzle-orm';
import { readStored } from '@/core/base/stored-form';
import { ok, type Result } from '@/core/base/result';
import { may } from '@/core/people/may';
import { type QuestionBody, questionForm } from '@/core/bank/question';
import { type Context, FORBIDDEN, NOT_FOUND } from '../context';
import { questions, revisions, topics } from '../db/schema/bank';
import { exams } from '../db/schema/exams';
import { members } from '../db/schema/people';
import { visibleBanks } from './access';

export interface OpenQuestion {
  id: string;
  bank: { id: string; name: string };
  topic: string | null;
  topics: { id: string; name: string; parent: string | null }[];
  difficulty: number;
  demand: 'know' | 'use' | 'judge';
  body: QuestionBody;
  version: number;
  revision: number;
  changed: boolean;
  savedAt: number;
  savedBy: string;
  history: { number: number; by: string; at: number }[];
  usedIn: { id: string; title: string }[];
  mayWrite: boolean;
}

/** A question with everything that the bench and the bank's margin show of it. */
export async function openQuestion(ctx: Context, id: string): Promise<Result<OpenQuestion>> {
  const { read } = ctx.db;
  const [found] = await read
    .select({ question: questions, savedByName: members.name })
    .from(questions)
    .innerJoin(members, eq(members.id, questions.savedBy))
    .where(eq(questions.id, id));
  if (!found) return NOT_FOUND;
  const { question } = found;
  const bank = (await visibleBanks(ctx)).find((b) => b.id === question.bank);
  if (!bank) return FORBIDDEN;
  const history = await read
    .select({ number: revisions.number, by: members.name, at: revisions.at })
    .from(revisions)
    .innerJoin(members, eq(members.id, revisions.by))
    .where(eq(revisions.question, id))
    .orderBy(desc(revisions.number))
    .limit(20);
  return ok({
    id,
    bank: { id: bank.id, name: bank.name },
    topic: question.topic,
    topics: await read
      .select({ id: topics.id, name: topics.name, parent: topics.parent })
      .from(topics)
      .where(eq(topics.bank, bank.id))
      .orderBy(asc(topics.position)),
    difficulty: question.difficulty,
    demand: question.demand,
    body: readStored(questionForm, question.draft),
    version: question.draftVersion,
    revision: question.revision,
    changed: question.changed,
    savedAt: question.savedAt,
    savedBy: found.savedByName,
    history,
    usedIn: await read
      .select({ id: exams.id, title: exams.title })
      .from(exams)
      .where(like(exams.plan, `%"${id}"%`))
      .limit(20),
    mayWrite: may(ctx.actor, 'write in bank', bank.access),
  });
}
