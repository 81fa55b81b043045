import { and, desc, eq, inArray, lte } from 'drizzle-orm';
import { ok, type Result } from '@/core/base/result';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN, type Outside } from '../context';
import { mails } from '../db/schema/mail';
import { members } from '../db/schema/people';
import { afterFailure, LONGEST_HANDING } from '../jobs/trying';

/** So many are one process's at a time: few enough that none waits as long as a dead process is given. */
const AT_ONCE = 4;
/** So many of the newest are shown. */
const SHOWN = 300;

/** Hands on what waits; what cannot be handed on is tried again later. Each message is one process's. */
export async function sendWaiting(out: Outside): Promise<{ sent: number; failed: unknown[] }> {
  const { now } = out;
  // Nothing is written while nothing waits: this is asked every two seconds.
  const [any] = await out.db.read
    .select({ id: mails.id })
    .from(mails)
    .where(and(inArray(mails.state, ['waiting', 'sending']), lte(mails.at, now)))
    .limit(1);
  if (!any) return { sent: 0, failed: [] };
  const mine = await out.db.transaction(async (tx) => {
    await tx
      .update(mails)
      .set({ state: 'waiting' })
      .where(and(eq(mails.state, 'sending'), lte(mails.at, now - LONGEST_HANDING)));
    const due = await tx
      .select({ id: mails.id })
      .from(mails)
      .where(and(eq(mails.state, 'waiting'), lte(mails.at, now)))
      .orderBy(mails.at)
      .limit(AT_ONCE);
    if (due.length === 0) return [];
    return tx
      .update(mails)
      .set({ state: 'sending', at: now })
      .where(
        inArray(
          mails.id,
          due.map(({ id }) => id),
        ),
      )
      .returning();
  });
  const failed: unknown[] = [];
  for (const mail of mine) {
    const tries = mail.tries + 1;
    const done = await out.mailer.send(mail).then(
      () => ({ state: 'sent' as const, tries, at: now }),
      (error: unknown) => {
        failed.push(error);
        return afterFailure(tries, now);
      },
    );
    await out.db.transaction(async (tx) => {
      await tx.update(mails).set(done).where(eq(mails.id, mail.id));
    });
  }
  return { sent: mine.length - failed.length, failed };
}

export interface OutboxRow {
  id: string;
  name: string;
  to: string;
  subject: string;
  text: string;
  state: typeof mails.$inferSelect.state;
  writtenAt: number;
}

export interface Outbox {
  /** Nothing is carried: no mail server is set. */
  kept: boolean;
  rows: OutboxRow[];
}

/** The newest messages: a lead sees all, a teacher those they have written. */
export async function openOutbox(ctx: Context): Promise<Result<Outbox>> {
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  const rows = await ctx.db.read
    .select({
      id: mails.id,
      name: members.name,
      to: mails.to,
      subject: mails.subject,
      text: mails.text,
      state: mails.state,
      writtenAt: mails.writtenAt,
    })
    .from(mails)
    .innerJoin(members, eq(members.id, mails.member))
    .where(may(ctx.actor, 'manage people', null) ? undefined : eq(mails.writtenBy, ctx.actor.id))
    .orderBy(desc(mails.writtenAt), members.name)
    .limit(SHOWN);
  return ok({ kept: ctx.mailer.kept, rows });
}
