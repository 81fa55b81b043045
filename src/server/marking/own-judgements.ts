import { and, eq } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result } from '@/core/base/result';
import { poolQuestions } from '@/core/exams/pool';
import { kindOf } from '@/core/kinds/registry';
import { readResponse } from '@/core/kinds/response';
import { type Difference, differences } from '@/core/rules/rubric/differences';
import { type Context, NOT_FOUND, parse } from '../context';
import { answersNow } from '../db/schema/attempts';
import { inSitting } from '../people/courses';
import { poolOfSitting } from '../sittings/pinned';
import { marksAsSeen } from './as-seen';
import { currentMarks } from './current-marks';

const asked = z.object({ sitting: z.string(), item: z.string(), slot: z.string() });

/** How far students judged their own work from whoever marked it, over the scripts that were marked. */
export async function ownJudgements(ctx: Context, raw: unknown): Promise<Result<Difference[]>> {
  const parsed = parse(asked, raw);
  if (!parsed.ok) return parsed;
  const { sitting, item: itemId, slot: id } = parsed.value;
  const allowed = await inSitting(ctx, 'mark answers', sitting);
  if (!allowed.ok) return allowed;
  const { read } = ctx.db;
  const item = poolQuestions(await poolOfSitting(read, sitting)).find((one) => one.id === itemId);
  const slot = item?.question.slots[id];
  const kind = slot && kindOf(slot.kind);
  if (!slot || !kind?.selfJudged) return NOT_FOUND;
  const { selfJudged } = kind;
  const standing = await currentMarks(read, { sitting, item: itemId });
  const marked = (await marksAsSeen(ctx, sitting, standing)).filter((mark) => mark.slot === id);
  const given = await read
    .select({ attempt: answersNow.attempt, value: answersNow.value })
    .from(answersNow)
    .where(and(eq(answersNow.item, itemId), eq(answersNow.slot, id)));
  const byAttempt = new Map(given.map(({ attempt, value }) => [attempt, value]));
  const pairs = marked.flatMap(({ attempt, judgement }) => {
    const own = readResponse(kind, byAttempt.get(attempt));
    return judgement && own ? [{ own: selfJudged.judgement(own.response), marker: judgement }] : [];
  });
  return ok(differences(selfJudged.rubric(slot.setup), pairs));
}
