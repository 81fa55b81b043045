import { and, asc, eq, isNull } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { takesPart } from '@/core/people/participant';
import { type Context, FORBIDDEN, parse } from '../context';
import type { Reader } from '../db/database';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { courses, members } from '../db/schema/people';
import { markQuestions } from '../db/schema/results';
import { changed } from '../events/versions';
import { inSitting, sittingsFor } from '../people/courses';
import { newId } from '../ports/ids';
import { findAttempt } from '../sittings/attempts';
import { openOwnResult } from './own-result';

/** A question about a mark, and its answer once there is one. */
export interface MarkQuestion {
  id: string;
  item: string;
  words: string;
  askedBy: string;
  askedAt: number;
  answer: { words: string; by: string; at: number } | null;
}

/** So many may wait of one attempt at a time. */
const MOST_WAITING = 20;

/** What was asked about the marks of an attempt, by whoever may read its result. */
export async function markQuestionsOf(read: Reader, attempt: string): Promise<MarkQuestion[]> {
  const rows = await read
    .select({ question: markQuestions, askedBy: members.name })
    .from(markQuestions)
    .innerJoin(members, eq(members.id, markQuestions.askedBy))
    .where(eq(markQuestions.attempt, attempt))
    .orderBy(asc(markQuestions.askedAt));
  const people = await read.select({ id: members.id, name: members.name }).from(members);
  const names = new Map(people.map(({ id, name }) => [id, name]));
  return rows.map(({ question: { id, item, words, askedAt, answer, answeredBy, answeredAt }, askedBy }) => ({
    id,
    item,
    words,
    askedBy,
    askedAt,
    answer:
      answer === null ? null : { words: answer, by: names.get(answeredBy ?? '') ?? '', at: answeredAt ?? askedAt },
  }));
}

const asked = z.object({
  attempt: z.string(),
  item: z.string(),
  words: z.string().trim().min(1, 'notice-empty').max(2000),
});

/** A student asks about the marks of one question of their own, once they can see them. */
export async function askAboutMark(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(asked, raw);
  if (!parsed.ok) return parsed;
  const { attempt, item, words } = parsed.value;
  const found = await findAttempt(ctx.db.read, attempt, ctx.now);
  if (!found || !takesPart(ctx.actor, found.participant) || ctx.actor.role !== 'student') return FORBIDDEN;
  const result = await openOwnResult(ctx, attempt);
  if (!result.ok) return result;
  const seen = result.value.score !== null && result.value.items.find(({ id }) => id === item);
  if (!seen || seen.slots.every(({ marks }) => marks === null)) return refuse('marks-not-seen');
  return ctx.db.transaction(async (tx) => {
    const open = await tx
      .select({ id: markQuestions.id, item: markQuestions.item })
      .from(markQuestions)
      .where(and(eq(markQuestions.attempt, attempt), isNull(markQuestions.answer)));
    if (open.some((one) => one.item === item)) return refuse('asked-already');
    if (open.length >= MOST_WAITING) return refuse('too-much-at-once');
    await tx
      .insert(markQuestions)
      .values({ id: newId(), attempt, item, words, askedBy: ctx.actor.id, askedAt: ctx.now });
    return ok();
  });
}

const answered = z.object({ id: z.string(), words: z.string().trim().min(1, 'notice-empty').max(2000) });

/** Staff of the sitting answer. Marks change where they always do; an answer changes none. */
export async function answerMarkQuestion(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(answered, raw);
  if (!parsed.ok) return parsed;
  const { id, words } = parsed.value;
  const [row] = await ctx.db.read
    .select({ sitting: attempts.sitting, course: sittings.course })
    .from(markQuestions)
    .innerJoin(attempts, eq(attempts.id, markQuestions.attempt))
    .innerJoin(sittings, eq(sittings.id, attempts.sitting))
    .where(eq(markQuestions.id, id));
  const allowed = row ? await inSitting(ctx, 'see results', row.sitting) : FORBIDDEN;
  if (!row || !allowed.ok) return FORBIDDEN;
  return ctx.db.transaction(async (tx) => {
    const given = await tx
      .update(markQuestions)
      .set({ answer: words, answeredBy: ctx.actor.id, answeredAt: ctx.now })
      .where(and(eq(markQuestions.id, id), isNull(markQuestions.answer)))
      .returning({ id: markQuestions.id });
    if (given.length === 0) return refuse('answered-already');
    await changed(tx, `course:${row.course}`);
    return ok();
  });
}

/** An attempt with questions about its marks that wait. */
export interface Asking {
  attempt: string;
  sitting: string;
  title: string;
  course: string;
  by: string;
  count: number;
}

/** Questions about marks that wait for an answer from somebody, by attempt. */
export async function marksAskedAbout(ctx: Context, sitting?: string): Promise<Asking[]> {
  const rows = await ctx.db.read
    .select({
      attempt: attempts.id,
      sitting: sittings.id,
      title: sittings.title,
      course: courses.code,
      by: members.name,
    })
    .from(markQuestions)
    .innerJoin(attempts, eq(attempts.id, markQuestions.attempt))
    .innerJoin(sittings, eq(sittings.id, attempts.sitting))
    .innerJoin(courses, eq(courses.id, sittings.course))
    .innerJoin(members, eq(members.id, markQuestions.askedBy))
    .where(
      and(
        isNull(markQuestions.answer),
        sitting === undefined ? undefined : eq(sittings.id, sitting),
        await sittingsFor(ctx, 'see results'),
      ),
    )
    .orderBy(asc(markQuestions.askedAt));
  const byAttempt = new Map<string, Asking>();
  for (const row of rows) {
    const before = byAttempt.get(row.attempt);
    byAttempt.set(row.attempt, { ...row, count: (before?.count ?? 0) + 1 });
  }
  return [...byAttempt.values()];
}
