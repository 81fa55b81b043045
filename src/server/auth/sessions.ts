import { createHash, randomBytes } from 'node:crypto';
import { and, eq, gt, lt } from 'drizzle-orm';
import { ok, type Result, refuse } from '@/core/base/result';
import type { Actor } from '@/core/people/may';
import { afterWrongTry, waitBeforeTry } from '@/core/people/slow-down';
import type { Outside } from '../context';
import { members, sessions, signInTries } from '../db/schema/people';
import { decoyHash, passwordFits } from './password';

/** A session ends twelve hours after signing in. */
export const SESSION_LENGTH = 12 * 3_600_000;

function hashOf(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}

/** Who acts, with what every page shows of them. */
export interface SignedIn extends Actor {
  name: string;
}

/**
 * Opens a session for a user name and password. Unknown names and wrong
 * passwords are one refusal; wrong tries slow down this account alone.
 */
export async function signIn(
  out: Outside,
  typedName: string,
  password: string,
): Promise<Result<{ token: string; member: SignedIn }>> {
  const userName = typedName.trim().toLowerCase().slice(0, 100);
  const [tries] = await out.db.read.select().from(signInTries).where(eq(signInTries.userName, userName));
  const wait = waitBeforeTry(tries ?? null, out.now);
  if (wait > 0) return refuse('sign-in-slowed', { values: { seconds: Math.ceil(wait / 1000) } });
  const [member] = await out.db.read.select().from(members).where(eq(members.userName, userName));
  const fits = await passwordFits(member?.passwordHash ?? (await decoyHash()), password.slice(0, 500));
  if (!member || !fits) {
    const next = afterWrongTry(tries ?? null, out.now);
    await out.db.transaction(async (tx) => {
      await tx
        .insert(signInTries)
        .values({ userName, ...next })
        .onConflictDoUpdate({ target: signInTries.userName, set: next });
    });
    return refuse('sign-in-wrong', { at: ['password'] });
  }
  const token = randomBytes(32).toString('base64url');
  await out.db.transaction(async (tx) => {
    await tx.delete(signInTries).where(eq(signInTries.userName, userName));
    await tx.delete(sessions).where(lt(sessions.expiresAt, out.now));
    await tx
      .insert(sessions)
      .values({ tokenHash: hashOf(token), member: member.id, expiresAt: out.now + SESSION_LENGTH });
  });
  return ok({ token, member: { id: member.id, role: member.role, name: member.name } });
}

export async function signOut(out: Outside, token: string): Promise<void> {
  await out.db.transaction(async (tx) => {
    await tx.delete(sessions).where(eq(sessions.tokenHash, hashOf(token)));
  });
}

/** Whose session this is; null when there is none or it has ended. */
export async function actorOf(out: Outside, token: string): Promise<SignedIn | null> {
  const [row] = await out.db.read
    .select({ id: members.id, role: members.role, name: members.name })
    .from(sessions)
    .innerJoin(members, eq(members.id, sessions.member))
    .where(and(eq(sessions.tokenHash, hashOf(token)), gt(sessions.expiresAt, out.now)));
  return row ?? null;
}
