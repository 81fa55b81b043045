import { and, eq, inArray, isNull } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import { attempts } from '../db/schema/attempts';
import { participantsMeant, peopleMeant } from './meant';
import { happened } from './happenings';
import { type AttemptRow, findAttempt } from './attempts';

/** Something that the teacher says to those who write. */
export interface Notice {
  text: string;
  /** When it was said; stands for it when it is confirmed. */
  at: number;
}

const MOST = 500;
/** What stands in a room unread is told together, up to so much. */
const MOST_UNREAD = 2000;

const input = z.object({
  sitting: z.string(),
  people: peopleMeant,
  text: z.string().trim().min(1, 'notice-empty').max(MOST, 'notice-long'),
});

/** Says something to one, to some or to all who are writing. What was not read yet stays above it. */
export async function sendNotice(ctx: Context, raw: unknown): Promise<Result<{ told: number }>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const meant = await participantsMeant(ctx, parsed.value);
  if (!meant.ok) return meant;
  const { sitting, text } = parsed.value;
  return ctx.db.transaction(async (tx) => {
    const writing = await tx
      .select()
      .from(attempts)
      .where(
        and(
          eq(attempts.sitting, sitting),
          isNull(attempts.handedInAt),
          meant.value
            ? inArray(
                attempts.participant,
                meant.value.map(({ id }) => id),
              )
            : undefined,
        ),
      );
    for (const attempt of writing) {
      const unread = unreadNotice(attempt);
      const notice = unread ? `${unread.text}\n${text}`.slice(-MOST_UNREAD) : text;
      // Two that are said in one millisecond are two.
      const noticeAt = Math.max(ctx.now, (attempt.noticeAt ?? 0) + 1);
      await tx.update(attempts).set({ notice, noticeAt, noticeReadAt: null }).where(eq(attempts.id, attempt.id));
      await happened(tx, attempt, 'told', { at: noticeAt, by: ctx.actor.id, note: text });
    }
    return writing.length > 0 ? ok({ told: writing.length }) : refuse('nobody-writes');
  });
}

/** What stands in a room until it is confirmed; null when there is nothing. */
export function unreadNotice({
  notice,
  noticeAt,
  noticeReadAt,
}: Pick<AttemptRow, 'notice' | 'noticeAt' | 'noticeReadAt'>): Notice | null {
  return notice !== null && noticeAt !== null && noticeReadAt === null ? { text: notice, at: noticeAt } : null;
}

/** A student has read what was said at a time; something said since stays unread. */
export async function confirmNotice(ctx: Context, id: string, raw: unknown): Promise<Result<null>> {
  const parsed = parse(z.object({ at: z.number().int() }), raw);
  if (!parsed.ok) return parsed;
  const found = await findAttempt(ctx.db.read, id, ctx.now);
  if (!found) return NOT_FOUND;
  if (!may(ctx.actor, 'write attempt', found)) return FORBIDDEN;
  await ctx.db.transaction(async (tx) => {
    const read = await tx
      .update(attempts)
      .set({ noticeReadAt: ctx.now })
      .where(and(eq(attempts.id, id), eq(attempts.noticeAt, parsed.value.at), isNull(attempts.noticeReadAt)))
      .returning({ id: attempts.id });
    if (read.length > 0) await happened(tx, found.attempt, 'read what was said', { at: ctx.now });
  });
  return ok();
}
