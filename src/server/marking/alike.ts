import { and, eq, inArray, isNull, ne } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result } from '@/core/base/result';
import { alikeTo } from '@/core/results/alike';
import { poolQuestions } from '@/core/exams/pool';
import { type Context, NOT_FOUND, parse } from '../context';
import { answersNow, attempts } from '../db/schema/attempts';
import { marks } from '../db/schema/marks';
import { inSitting } from '../people/courses';
import { COUNTS } from '../sittings/attempts';
import { poolOfSitting } from '../sittings/pinned';
import { countingMarks } from './current-marks';

/** Answers that wait and are like one that was marked. */
export interface AlikeAnswers {
  alike: { attempt: string; script: number; answer: string; likeness: number }[];
  /** Whether all that wait were compared. */
  whole: boolean;
}

const asked = z.object({ sitting: z.string(), item: z.string(), slot: z.string(), attempt: z.string() });

/** The answers to a slot that still wait and are like one of them. None where everybody has numbers of their own. */
export async function alikeAnswers(ctx: Context, raw: unknown): Promise<Result<AlikeAnswers>> {
  const parsed = parse(asked, raw);
  if (!parsed.ok) return parsed;
  const { sitting, item: itemId, slot, attempt } = parsed.value;
  const allowed = await inSitting(ctx, 'mark answers', sitting);
  if (!allowed.ok) return allowed;
  const { read } = ctx.db;
  const item = poolQuestions(await poolOfSitting(read, sitting)).find(({ id }) => id === itemId);
  const found = item?.question.slots[slot];
  if (!item || !found) return NOT_FOUND;
  if (item.question.vary) return ok({ alike: [], whole: true });
  const here = inArray(
    marks.attempt,
    read
      .select({ id: attempts.id })
      .from(attempts)
      .where(and(eq(attempts.sitting, sitting), COUNTS)),
  );
  const inSlot = and(eq(answersNow.item, itemId), eq(answersNow.slot, slot));
  const [mine] = await read
    .select({ value: answersNow.value })
    .from(answersNow)
    .innerJoin(attempts, and(eq(attempts.id, answersNow.attempt), eq(attempts.sitting, sitting)))
    .where(and(eq(answersNow.attempt, attempt), inSlot));
  const others = await read
    .select({ attempt: marks.attempt, script: attempts.script, value: answersNow.value })
    .from(marks)
    .innerJoin(attempts, eq(attempts.id, marks.attempt))
    .innerJoin(answersNow, and(eq(answersNow.attempt, marks.attempt), inSlot))
    .where(
      and(
        inArray(marks.id, countingMarks(read, and(here, eq(marks.item, itemId), eq(marks.slot, slot)))),
        isNull(marks.marks),
        ne(marks.attempt, attempt),
      ),
    )
    .orderBy(attempts.script);
  const scripts = new Map(others.map((one) => [one.attempt, one.script]));
  const { alike, whole } = alikeTo(
    found,
    mine?.value,
    others.map(({ attempt: of, value }) => ({ of, response: value })),
  );
  return ok({
    alike: alike.map(({ of, ...one }) => ({ attempt: of, script: scripts.get(of) ?? 0, ...one })),
    whole,
  });
}
