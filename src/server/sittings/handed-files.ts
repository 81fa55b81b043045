import { createHash } from 'node:crypto';
import { and, count, eq } from 'drizzle-orm';
import { ok, type Result, refuse } from '@/core/base/result';
import { type HandedFile, MOST_FILE_BYTES, MOST_FILES } from '@/core/content/handed-file';
import { may } from '@/core/people/may';
import { accepts } from '@/core/sittings/attempt';
import { type Context, FORBIDDEN, NOT_FOUND } from '../context';
import type { Reader } from '../db/database';
import { attemptFiles } from '../db/schema/exams';
import { findAttempt } from './attempts';

/** Keeps a file that a student puts beside an answer, as long as answers are taken. */
export async function addHandedFile(
  ctx: Context,
  { attempt, name, bytes }: { attempt: string; name: string; bytes: Uint8Array },
): Promise<Result<HandedFile>> {
  const found = await findAttempt(ctx.db.read, attempt);
  if (!found) return NOT_FOUND;
  if (!may(ctx.actor, 'write attempt', { student: found.attempt.member })) return FORBIDDEN;
  if (!accepts(found.state, { age: 0 }, ctx.now)) return refuse('time-is-over');
  if (bytes.length === 0) return refuse('file-empty');
  if (bytes.length > MOST_FILE_BYTES) return tooLarge(bytes.length);
  const [held] = await ctx.db.read
    .select({ count: count() })
    .from(attemptFiles)
    .where(eq(attemptFiles.attempt, attempt));
  if ((held?.count ?? 0) >= MOST_FILES) return refuse('files-too-many', { values: { most: MOST_FILES } });
  const hash = createHash('sha256').update(bytes).digest('hex');
  const file: HandedFile = { hash, name: name.trim().slice(0, 200) || 'file', size: bytes.length, attempt };
  await ctx.files.put(hash, bytes);
  await ctx.db.transaction((tx) =>
    tx
      .insert(attemptFiles)
      .values({ attempt, hash, name: file.name, size: file.size, at: ctx.now })
      .onConflictDoNothing(),
  );
  return ok(file);
}

/** The files that came with an attempt, by their hashes. */
export async function heldFiles(read: Reader, attempt: string): Promise<string[]> {
  const rows = await read
    .select({ hash: attemptFiles.hash })
    .from(attemptFiles)
    .where(eq(attemptFiles.attempt, attempt));
  return rows.map(({ hash }) => hash);
}

export function tooLarge(size: number): Result<never> {
  const megabytes = (bytes: number): number => Math.ceil(bytes / 1048576);
  return refuse('handed-file-too-large', { values: { size: megabytes(size), most: megabytes(MOST_FILE_BYTES) } });
}

/** A handed-in file, for the student whose it is and for those who mark. */
export async function readHandedFile(
  ctx: Context,
  attempt: string,
  hash: string,
): Promise<{ name: string; bytes: Uint8Array } | null> {
  const found = await findAttempt(ctx.db.read, attempt);
  if (!found) return null;
  const own = found.attempt.member === ctx.actor.id;
  if (!own && !may(ctx.actor, 'mark answers', null)) return null;
  const [row] = await ctx.db.read
    .select({ name: attemptFiles.name })
    .from(attemptFiles)
    .where(and(eq(attemptFiles.attempt, attempt), eq(attemptFiles.hash, hash)));
  const bytes = row ? await ctx.files.get(hash) : null;
  return row && bytes ? { name: row.name, bytes } : null;
}
