import { and, eq, ne } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { may } from '@/core/people/may';
import { firstPassword } from '../auth/first-password';
import { acceptablePassword, hashPassword, passwordFits } from '../auth/password';
import { tokenHash } from '../auth/sessions';
import { countTry, forgetTries } from '../auth/tries';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import { members, sessions, signInTries } from '../db/schema/people';

const change = z.object({
  current: z.string().max(500),
  wanted: z.string().max(500),
  /** What this browser holds of its session, which goes on. */
  token: z.string(),
  source: z.string(),
});

/** Gives oneself another password; all other sessions of one's own end. Guesses at the current one are counted like those at the door. */
export async function changeOwnPassword(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(change, raw);
  if (!parsed.ok) return parsed;
  const { current, wanted, token, source } = parsed.value;
  const [member] = await ctx.db.read.select().from(members).where(eq(members.id, ctx.actor.id));
  if (!member) return NOT_FOUND;
  // Looked at first: whoever tries several new ones has not guessed at the present one.
  const acceptable = acceptablePassword(wanted, [member.userName, member.name]);
  if (!acceptable.ok) return refuse(acceptable.refusal.code, { ...acceptable.refusal, at: ['wanted'] });
  const wait = await countTry(ctx, member, source);
  if (wait > 0) return refuse('sign-in-slowed', { values: { seconds: Math.ceil(wait / 1000) } });
  const fits = await passwordFits(member.passwordHash, current);
  if (fits === null) return refuse('too-much-at-once');
  if (!fits) return refuse('password-wrong', { at: ['current'] });
  const passwordHash = await hashPassword(wanted);
  await ctx.db.transaction(async (tx) => {
    await forgetTries(tx, member.id, source);
    await tx.update(members).set({ passwordHash }).where(eq(members.id, member.id));
    await tx.delete(sessions).where(and(eq(sessions.member, member.id), ne(sessions.tokenHash, tokenHash(token))));
  });
  return ok();
}

/** Gives a member a password that is told only now, and ends their sessions. */
export async function resetPassword(ctx: Context, id: string): Promise<Result<{ password: string }>> {
  if (!may(ctx.actor, 'manage people', null)) return FORBIDDEN;
  const password = firstPassword();
  const passwordHash = await hashPassword(password);
  return ctx.db.transaction(async (tx) => {
    const found = await tx
      .update(members)
      .set({ passwordHash })
      .where(eq(members.id, id))
      .returning({ id: members.id });
    if (found.length === 0) return NOT_FOUND;
    await tx.delete(sessions).where(eq(sessions.member, id));
    return ok({ password });
  });
}

/** While somebody is let in, for so long, tries of others on the account do not slow theirs. */
const LETTING_IN = 10 * 60_000;

/** Lets a student sign in at once whose account was slowed by wrong tries, their own or those of others. */
export async function letIn(ctx: Context, student: string): Promise<Result<null>> {
  if (!may(ctx.actor, 'provide for students', null)) return FORBIDDEN;
  return ctx.db.transaction(async (tx) => {
    const found = await tx
      .update(members)
      .set({ letInUntil: ctx.now + LETTING_IN })
      .where(and(eq(members.id, student), eq(members.role, 'student')))
      .returning({ id: members.id });
    if (found.length === 0) return NOT_FOUND;
    await tx.delete(signInTries).where(eq(signInTries.member, student));
    return ok();
  });
}
