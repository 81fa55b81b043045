import { and, eq, isNull, ne } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { may } from '@/core/people/may';
import { readAddress } from '@/core/people/message';
import { readUserName } from '@/core/people/user-name';
import { firstPassword } from '../auth/first-password';
import { hashPassword } from '../auth/password';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import type { Transaction } from '../db/database';
import { members, sessions } from '../db/schema/people';
import { newId } from '../ports/ids';

const input = z.object({
  /** Null for somebody new. */
  id: z.string().nullable(),
  name: z.string().trim().min(1, 'name-empty').max(200, 'too-long'),
  userName: z.string().max(200, 'too-long'),
  role: z.enum(['lead', 'teacher', 'marker', 'student']),
  /** Empty for none. */
  email: z.string().trim().max(300, 'too-long'),
});

export interface KeptMember {
  userName: string;
  /** Of somebody new; it is told only now. */
  password: string | null;
}

type Said = Pick<typeof members.$inferSelect, 'name' | 'userName' | 'role' | 'email'>;
type Write = (tx: Transaction, said: Said) => Promise<Result<KeptMember>>;

/**
 * Takes somebody into the department, or says otherwise what they are called and what they do. Students stay students and
 * staff stays staff, since what they did hangs on it, and somebody always leads.
 */
export async function keepMember(ctx: Context, raw: unknown): Promise<Result<KeptMember>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  if (!may(ctx.actor, 'manage people', null)) return FORBIDDEN;
  const { id, name, role } = parsed.value;
  const userName = readUserName(parsed.value.userName);
  if (userName === null) return refuse('user-name-odd', { at: ['userName'] });
  const email = readAddress(parsed.value.email);
  if (email === null && parsed.value.email !== '') return refuse('email-odd', { at: ['email'] });
  const write = id === null ? await takeIn(ctx.now) : change(id);
  return ctx.db.transaction(async (tx) => {
    const others = id === null ? undefined : ne(members.id, id);
    const [same] = await tx
      .select({ id: members.id })
      .from(members)
      .where(and(eq(members.userName, userName), others));
    return same ? refuse('user-name-taken', { at: ['userName'] }) : write(tx, { name, userName, role, email });
  });
}

/** The work of a password's hash is done before the database is written to. */
async function takeIn(createdAt: number): Promise<Write> {
  const password = firstPassword();
  const passwordHash = await hashPassword(password);
  return async (tx, said) => {
    await tx.insert(members).values({ id: newId(), ...said, passwordHash, createdAt });
    return ok({ userName: said.userName, password });
  };
}

function change(id: string): Write {
  return async (tx, said) => {
    const [old] = await tx.select({ role: members.role }).from(members).where(eq(members.id, id));
    if (!old) return NOT_FOUND;
    if ((old.role === 'student') !== (said.role === 'student')) return refuse('role-stays', { at: ['role'] });
    const stepsDown = old.role === 'lead' && said.role !== 'lead';
    if (stepsDown && !(await somebodyElseLeads(tx, id))) return refuse('last-lead', { at: ['role'] });
    await tx.update(members).set(said).where(eq(members.id, id));
    return ok({ userName: said.userName, password: null });
  };
}

/** Whether the department has a lead beside this one. */
async function somebodyElseLeads(tx: Transaction, id: string): Promise<boolean> {
  const [lead] = await tx
    .select({ id: members.id })
    .from(members)
    .where(and(eq(members.role, 'lead'), isNull(members.closedAt), ne(members.id, id)));
  return lead !== undefined;
}

const closing = z.object({ id: z.string(), closed: z.boolean() });

/** Closes an account, so that nobody signs in to it, or opens it again. What was done with it stays; a lead is left. */
export async function closeAccount(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(closing, raw);
  if (!parsed.ok) return parsed;
  if (!may(ctx.actor, 'manage people', null)) return FORBIDDEN;
  const { id, closed } = parsed.value;
  return ctx.db.transaction(async (tx) => {
    const [member] = await tx.select({ role: members.role }).from(members).where(eq(members.id, id));
    if (!member) return NOT_FOUND;
    if (closed && member.role === 'lead' && !(await somebodyElseLeads(tx, id))) return refuse('last-lead');
    await tx
      .update(members)
      .set({ closedAt: closed ? ctx.now : null })
      .where(eq(members.id, id));
    if (closed) await tx.delete(sessions).where(eq(sessions.member, id));
    return ok();
  });
}
