import { and, asc, desc, eq, like } from 'drizzle-orm';
import { readStored } from '@/core/base/stored-form';
import { ok, type Result } from '@/core/base/result';
import { examsFor } from '../exams/access';
import { may } from '@/core/people/may';
import type { QuestionFacts, ReviewState } from '@/core/bank/facts';
import type { Conventions } from '@/core/rules/maths/rules';
import { type QuestionBody, questionForm } from '@/core/bank/question';
import { synonymsFor } from './synonyms';
import { type Context, FORBIDDEN, NOT_FOUND } from '../context';
import { questions, revisions, topics } from '../db/schema/bank';
import { exams } from '../db/schema/exams';
import { members } from '../db/schema/people';
import { readDepartment } from '../people/policy';
import { visibleBanks } from './access';
import { labelsOf } from './labels';
import { withNewestPassage } from './passages';
import { type ReviewStep, reviewStory } from './review';
import { type Goal, listGoals, listTags } from './shelves';

export interface OpenQuestion {
  id: string;
  bank: { id: string; name: string };
  topics: { id: string; name: string; parent: string | null }[];
  facts: QuestionFacts;
  /** To choose from. */
  goals: Goal[];
  tagsInUse: string[];
  /** Hosts whose pages may stand on sheets. */
  pages: string[];
  /** How fresh slots for mathematics read what can be read in two ways. */
  conventions: Conventions;
  /** Sets of words that mean the same in its topic. */
  synonyms: string[][];
  body: QuestionBody;
  version: number;
  revision: number;
  changed: boolean;
  savedAt: number;
  savedBy: string;
  history: { number: number; by: string; at: number }[];
  usedIn: { id: string; title: string }[];
  mayWrite: boolean;
  review: ReviewState;
  /** Whether exams take it only when it is agreed. */
  reviewRequired: boolean;
  story: ReviewStep[];
  kept: 'live' | 'archived' | 'deleted';
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
  const { policy } = await readDepartment(read);
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
    topics: await read
      .select({ id: topics.id, name: topics.name, parent: topics.parent })
      .from(topics)
      .where(eq(topics.bank, bank.id))
      .orderBy(asc(topics.position)),
    facts: {
      topic: question.topic,
      difficulty: question.difficulty,
      demand: question.demand,
      ...(await labelsOf(read, [id]))(id),
    },
    goals: await listGoals(ctx),
    tagsInUse: await listTags(ctx),
    pages: policy.pages,
    conventions: policy.conventions,
    synonyms: await synonymsFor(read, bank.id, question.topic),
    body: await withNewestPassage(read, readStored(questionForm, question.draft)),
    version: question.draftVersion,
    revision: question.revision,
    changed: question.changed,
    savedAt: question.savedAt,
    savedBy: found.savedByName,
    history,
    usedIn: await read
      .select({ id: exams.id, title: exams.title })
      .from(exams)
      .where(and(like(exams.plan, `%"${id}"%`), examsFor(ctx.actor)))
      .limit(20),
    mayWrite: may(ctx.actor, 'write in bank', bank.access),
    review: question.review,
    reviewRequired: bank.reviewRequired,
    story: (await reviewStory(read, id)).map(({ byId: _, ...step }) => step),
    kept: question.deletedAt !== null ? 'deleted' : question.archivedAt !== null ? 'archived' : 'live',
  });
}

/** One revision of a question that the actor may see. */
export async function openRevision(ctx: Context, id: string, number: number): Promise<Result<QuestionBody>> {
  const [row] = await ctx.db.read
    .select({ bank: questions.bank, body: revisions.body })
    .from(revisions)
    .innerJoin(questions, eq(questions.id, revisions.question))
    .where(and(eq(revisions.question, id), eq(revisions.number, number)));
  if (!row) return NOT_FOUND;
  const seen = (await visibleBanks(ctx)).some((b) => b.id === row.bank);
  return seen ? ok(readStored(questionForm, row.body)) : FORBIDDEN;
}
