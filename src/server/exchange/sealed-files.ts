import { createHash } from 'node:crypto';
import { desc, eq } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import { exams, sealedFiles, sittings } from '../db/schema/exams';
import { members } from '../db/schema/people';
import { newId } from '../ports/ids';
import { answersAsFile, answersFromFile } from './answers-file';
import { examAsFile, examFromFile } from './exam-file';
import { seal, sealedHead, type SealedHead, unseal } from './seal';

export const MOST_SEALED = 200 * 1024 * 1024;

/** The word that opens a file: long enough that trying all does not help. */
const word = z.string().trim().min(10, 'word-short').max(200);
const takingOut = z.object({
  what: z.enum(['exam', 'answers']),
  id: z.string(),
  word,
  opensAt: z.number().int().nullable().default(null),
});

/** An exam, or what was handed in to one that came as a file, sealed with a word. */
export async function takeOutSealed(ctx: Context, raw: unknown): Promise<Result<{ name: string; bytes: Uint8Array }>> {
  const parsed = parse(takingOut, raw);
  if (!parsed.ok) return parsed;
  const { what, id, word: typed, opensAt } = parsed.value;
  const taken = await (what === 'exam' ? examAsFile(ctx, id) : answersAsFile(ctx, id));
  if (!taken.ok) return taken;
  const { title, bytes } = taken.value;
  const sealed = await seal(bytes, typed, { holds: what, title, opensAt: what === 'exam' ? opensAt : null });
  return sealed ? ok({ name: `${what}.zonda`, bytes: sealed }) : refuse('too-much-at-once');
}

/** A sealed file that was loaded, as far as it says what it is. */
export interface SealedFile extends SealedHead {
  id: string;
  by: string;
  at: number;
}

/** Keeps a sealed file until it is opened. What is in it stays unread. */
export async function loadSealed(ctx: Context, bytes: Uint8Array): Promise<Result<{ id: string }>> {
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  const told = sealedHead(bytes);
  if (!told) return refuse('file-not-sealed');
  const hash = createHash('sha256').update(bytes).digest('hex');
  await ctx.files.put(hash, bytes);
  const id = newId();
  await ctx.db.transaction(async (tx) => {
    await tx.insert(sealedFiles).values({ id, ...told, hash, by: ctx.actor.id, at: ctx.now });
  });
  return ok({ id });
}

/** The sealed files that wait to be opened; the newest first. */
export async function listSealed(ctx: Context): Promise<SealedFile[]> {
  if (!may(ctx.actor, 'build exams', null)) return [];
  return ctx.db.read
    .select({
      id: sealedFiles.id,
      holds: sealedFiles.holds,
      title: sealedFiles.title,
      opensAt: sealedFiles.opensAt,
      by: members.name,
      at: sealedFiles.at,
    })
    .from(sealedFiles)
    .innerJoin(members, eq(members.id, sealedFiles.by))
    .orderBy(desc(sealedFiles.at));
}

const opening = z.object({
  id: z.string(),
  word: z.string().trim().max(200),
  /** The bank that the questions of an exam go to, or the course that answers are of. */
  into: z.string(),
});

/** Opens a sealed file with its word, not before its time; ends with the address of what came of it. */
export async function openSealed(ctx: Context, raw: unknown): Promise<Result<{ address: string }>> {
  const parsed = parse(opening, raw);
  if (!parsed.ok) return parsed;
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  const { id, word: typed, into } = parsed.value;
  const [row] = await ctx.db.read.select().from(sealedFiles).where(eq(sealedFiles.id, id));
  const bytes = row ? await ctx.files.get(row.hash) : null;
  if (!row || !bytes) return NOT_FOUND;
  if (row.opensAt !== null && ctx.now < row.opensAt) return refuse('sealed-until', { at: ['id'] });
  const opened = await unseal(bytes, typed);
  if (opened === 'busy') return refuse('too-much-at-once');
  if (opened === 'wrong') return refuse('seal-holds', { at: ['word'] });
  const address = await openedInto(ctx, row.holds, opened, into);
  if (address.ok) await forget(ctx, id);
  return address;
}

async function openedInto(
  ctx: Context,
  holds: SealedHead['holds'],
  bytes: Uint8Array,
  into: string,
): Promise<Result<{ address: string }>> {
  if (holds === 'exam') {
    const made = await examFromFile(ctx, bytes, into);
    return made.ok ? ok({ address: `/exams/${made.value.id}` }) : made;
  }
  const made = await answersFromFile(ctx, bytes, into);
  return made.ok ? ok({ address: `/sittings/${made.value.sitting}/results` }) : made;
}

/** Throws a sealed file away, by whoever loaded it or the lead. */
export async function removeSealed(ctx: Context, id: string): Promise<Result<null>> {
  const [row] = await ctx.db.read.select({ by: sealedFiles.by }).from(sealedFiles).where(eq(sealedFiles.id, id));
  if (!row) return NOT_FOUND;
  if (!may(ctx.actor, 'keep exam', { owner: row.by })) return FORBIDDEN;
  await forget(ctx, id);
  return ok();
}

/** The bytes go when no other entry is of the same file. */
async function forget(ctx: Context, id: string): Promise<void> {
  const unused = await ctx.db.transaction(async (tx) => {
    const [gone] = await tx.delete(sealedFiles).where(eq(sealedFiles.id, id)).returning({ hash: sealedFiles.hash });
    if (!gone) return null;
    const [other] = await tx.select().from(sealedFiles).where(eq(sealedFiles.hash, gone.hash)).limit(1);
    return other ? null : gone.hash;
  });
  if (unused) await ctx.files.remove(unused);
}

/** Whether what was handed in to a sitting can go back as a file: its exam came as one. */
export async function cameAsFile(ctx: Context, sitting: string): Promise<boolean> {
  const [row] = await ctx.db.read
    .select({ origin: exams.origin })
    .from(sittings)
    .innerJoin(exams, eq(exams.id, sittings.exam))
    .where(eq(sittings.id, sitting));
  return row !== undefined && row.origin !== null;
}
