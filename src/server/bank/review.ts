import { asc, eq } from 'drizzle-orm';
import { z } from 'zod';
import { readStored } from '@/core/base/stored-form';
import { ok, type Result, refuse } from '@/core/base/result';
import type { ReviewState } from '@/core/bank/facts';
import { questionForm } from '@/core/bank/question';
import { checkQuestion } from '@/core/bank/checks';
import { isReady } from '@/core/bank/readiness';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import type { Reader } from '../db/database';
import { questions, reviews } from '../db/schema/bank';
import { members } from '../db/schema/people';
import { mayWriteIn } from './access';
import { cutRevision } from './write';

const input = z.object({
  question: z.string(),
  act: z.enum(['asked', 'agreed', 'returned']),
  slot: z.string().max(24).nullable().default(null),
  remark: z.string().trim().max(2000).default(''),
});

export interface ReviewStep {
  act: Exclude<ReviewState, 'draft'>;
  revision: number;
  slot: string | null;
  remark: string;
  by: string;
  at: number;
}

/**
 * Asks for review, agrees, or returns with a remark. What something stops
 * cannot be asked about; whoever asked cannot agree; a return needs a remark.
 */
export async function reviewQuestion(ctx: Context, raw: unknown): Promise<Result<{ review: ReviewState }>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { question, act, slot, remark } = parsed.value;
  const [head] = await ctx.db.read.select().from(questions).where(eq(questions.id, question));
  if (!head) return NOT_FOUND;
  if (!(await mayWriteIn(ctx, head.bank))) return FORBIDDEN;
  if (act === 'asked') {
    const findings = checkQuestion(readStored(questionForm, head.draft)).findings;
    if (!isReady(findings)) {
      const failing = findings.filter((f) => f.code === 'trial-not-as-expected').length;
      return failing > 0
        ? refuse('trials-not-as-expected', { values: { count: failing } })
        : refuse('question-not-ready', { values: { count: findings.filter((f) => f.weight === 'stops').length } });
    }
  } else {
    if (head.review !== 'asked') return refuse('review-not-asked');
    const story = await reviewStory(ctx.db.read, question);
    if (act === 'agreed' && story.findLast((step) => step.act === 'asked')?.byId === ctx.actor.id) {
      return refuse('review-own');
    }
    if (act === 'returned' && remark === '') return refuse('remark-missing', { at: ['remark'] });
  }
  await ctx.db.transaction(async (tx) => {
    const revision = (await cutRevision(tx, question, ctx.actor.id, ctx.now)) ?? head.revision;
    await tx.insert(reviews).values({ question, revision, act, slot, remark, by: ctx.actor.id, at: ctx.now });
    await tx.update(questions).set({ review: act }).where(eq(questions.id, question));
  });
  return ok({ review: act });
}

/** What was said in review, oldest first. */
export async function reviewStory(read: Reader, question: string): Promise<(ReviewStep & { byId: string })[]> {
  return read
    .select({
      act: reviews.act,
      revision: reviews.revision,
      slot: reviews.slot,
      remark: reviews.remark,
      by: members.name,
      byId: reviews.by,
      at: reviews.at,
    })
    .from(reviews)
    .innerJoin(members, eq(members.id, reviews.by))
    .where(eq(reviews.question, question))
    .orderBy(asc(reviews.id));
}
