import { createHash, randomBytes } from 'node:crypto';
import { and, eq, gt, isNull, lt, sql } from 'drizzle-orm';
import { ok, type Result, refuse } from '@/core/base/result';
import type { Actor } from '@/core/people/may';
import type { Outside } from '../context';
import type { Transaction } from '../db/database';
import { preparedOn } from '../db/prepared';
import { guestSessions, participants } from '../db/schema/exams';
import { members, sessions } from '../db/schema/people';
import { decoyHash, passwordFits } from './password';
import { countTry, countUnknown, forgetTries } from './tries';

/** A session ends twelve hours after signing in. */
export const SESSION_LENGTH = 12 * 3_600_000;

/** A guest has no password to come back with: their session lasts until results are likely to be there. */
export const GUEST_SESSION_LENGTH = 14 * 86_400_000;

/** Under what a session is kept. */
export function tokenHash(token: string): string {
  return createHash('sha256').update(token).digest('hex');
}

/** Who acts, with what every page shows of them. */
export interface SignedIn extends Actor {
  name: string;
  /** The one sitting that a guest was let into. */
  sitting?: string;
}

/** Where somebody is at home: the page to which they are sent from pages that are not theirs. */
export function homeOf({ role, sitting }: SignedIn): string {
  if (role === 'guest') return `/open/${sitting ?? ''}`;
  return role === 'student' ? '/my' : '/';
}

/** Who tries to sign in, and from where. */
export interface SignInTry {
  userName: string;
  password: string;
  /** The address of the request. */
  source: string;
}

/**
 * Opens a session for a user name and password. Unknown names and wrong
 * passwords are one refusal, and slowed alike.
 */
export async function signIn(
  out: Outside,
  { userName: typedName, password, source }: SignInTry,
): Promise<Result<{ token: string; member: SignedIn }>> {
  const userName = typedName.normalize('NFC').trim().toLowerCase().slice(0, 100);
  const [member] = await out.db.read.select().from(members).where(eq(members.userName, userName));
  const wait = member ? await countTry(out, member, source) : countUnknown(userName, source, out.now);
  if (wait > 0) return refuse('sign-in-slowed', { values: { seconds: Math.ceil(wait / 1000) } });
  const fits = await passwordFits(member?.passwordHash ?? (await decoyHash()), password.slice(0, 500));
  if (fits === null) return refuse('too-much-at-once');
  if (!member || !fits) return refuse('sign-in-wrong', { at: ['password'] });
  // Told to nobody but whose it is.
  if (member.closedAt !== null) return refuse('account-closed');
  const token = newToken();
  await out.db.transaction(async (tx) => {
    await forgetTries(tx, member.id, source);
    await tx.delete(sessions).where(lt(sessions.expiresAt, out.now));
    await tx
      .insert(sessions)
      .values({ tokenHash: tokenHash(token), member: member.id, expiresAt: out.now + SESSION_LENGTH });
  });
  return ok({ token, member: { id: member.id, role: member.role, name: member.name } });
}

/** Opens a session for a guest who has just been let in. */
export async function openGuestSession(tx: Transaction, participant: string, now: number): Promise<string> {
  const token = newToken();
  await tx.delete(guestSessions).where(lt(guestSessions.expiresAt, now));
  await tx
    .insert(guestSessions)
    .values({ tokenHash: tokenHash(token), participant, expiresAt: now + GUEST_SESSION_LENGTH });
  return token;
}

const newToken = (): string => randomBytes(32).toString('base64url');

export async function signOut(out: Outside, token: string): Promise<void> {
  await out.db.transaction(async (tx) => {
    await tx.delete(sessions).where(eq(sessions.tokenHash, tokenHash(token)));
    await tx.delete(guestSessions).where(eq(guestSessions.tokenHash, tokenHash(token)));
  });
}

/** Made once for each connection: every request asks it. */
const memberOf = preparedOn((read) =>
  read
    .select({ id: members.id, role: members.role, name: members.name })
    .from(sessions)
    .innerJoin(members, eq(members.id, sessions.member))
    .where(
      and(
        eq(sessions.tokenHash, sql.placeholder('hash')),
        gt(sessions.expiresAt, sql.placeholder('now')),
        isNull(members.closedAt),
      ),
    )
    .prepare(),
);

/** Whose session this is; null when there is none or it has ended. */
export async function actorOf(out: Outside, token: string): Promise<SignedIn | null> {
  const [row] = await memberOf(out.db.read).execute({ hash: tokenHash(token), now: out.now });
  return row ?? guestOf(out, token);
}

async function guestOf(out: Outside, token: string): Promise<SignedIn | null> {
  const [row] = await out.db.read
    .select({ id: participants.id, name: participants.name, sitting: participants.sitting })
    .from(guestSessions)
    .innerJoin(participants, eq(participants.id, guestSessions.participant))
    .where(and(eq(guestSessions.tokenHash, tokenHash(token)), gt(guestSessions.expiresAt, out.now)));
  return row && row.sitting !== null ? { id: row.id, name: row.name, role: 'guest', sitting: row.sitting } : null;
}
