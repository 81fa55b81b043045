import { createHash } from 'node:crypto';
import { and, count, eq } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { fileSize, MOST_FILES, PIECE_BYTES } from '@/core/content/file-limits';
import { handedFile } from '@/core/content/handed-file';
import { may } from '@/core/people/may';
import { takesPart } from '@/core/people/participant';
import { accepts } from '@/core/sittings/attempt';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import { inSitting } from '../people/courses';
import type { Reader } from '../db/database';
import { attemptFiles } from '../db/schema/attempts';
import { type AttemptInTime, findAttempt } from './attempts';

const input = handedFile.extend({
  size: z.number().int().min(0),
  /** Where in the file the piece begins. */
  from: z.number().int().min(0),
  /** Milliseconds since the file was chosen, on the device's own clock. */
  age: z.number().min(0),
});
type Piece = z.infer<typeof input>;

/** How far a file has come; when that is its size, it may be named in answers. */
export interface FileReceived {
  received: number;
}

/**
 * Takes the next piece of a file that a student puts beside an answer, as long as answers are taken. A piece that is not
 * the next one changes nothing; the reply says which one is.
 */
export async function addFilePiece(ctx: Context, raw: unknown, bytes: Uint8Array): Promise<Result<FileReceived>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const piece = parsed.value;
  const found = await findAttempt(ctx.db.read, piece.attempt, ctx.now);
  if (!found) return NOT_FOUND;
  if (!may(ctx.actor, 'write attempt', found)) return FORBIDDEN;
  const [there] = await ctx.db.read.select({ at: attemptFiles.at }).from(attemptFiles).where(ofFile(piece));
  const heardAt = heardFor(found, there ? [there.at] : []);
  if (!accepts(found.state, piece, { now: ctx.now, heardAt })) return refuse('time-is-over');
  const size = fileSize(piece.size);
  if (!size.ok) return size;
  const begun = await begin(ctx, piece);
  if (!begun.ok || begun.value.received !== piece.from || piece.from === piece.size) return begun;
  if (bytes.length !== Math.min(PIECE_BYTES, piece.size - piece.from)) return refuse('bad-input');
  await ctx.files.put(pieceName(piece, piece.from), bytes);
  const received = piece.from + bytes.length;
  if (received === piece.size) return finish(ctx, piece);
  await setReceived(ctx, piece, received);
  return ok({ received });
}

/**
 * When something was heard last of the devices of an attempt, for what comes with files: a file that began to travel
 * before the end is on its way as long as the grace lasts.
 */
export function heardFor({ attempt, state }: AttemptInTime, filesBegun: readonly number[]): number {
  const onTheirWay = filesBegun.length > 0 && filesBegun.every((at) => at <= state.deadline);
  return onTheirWay ? 0 : attempt.seenAt;
}

const ofFile = ({ attempt, hash }: Pick<Piece, 'attempt' | 'hash'>) =>
  and(eq(attemptFiles.attempt, attempt), eq(attemptFiles.hash, hash));

/** Under which name a piece lies until its file is whole. */
function pieceName({ attempt, hash }: Piece, from: number): string {
  return createHash('sha256').update(`${attempt} ${hash} ${from}`).digest('hex');
}

/** How far the file has come, beginning it when it is new to the attempt. */
function begin(ctx: Context, { attempt, hash, name, size }: Piece): Promise<Result<FileReceived>> {
  return ctx.db.transaction(async (tx) => {
    const [there] = await tx
      .select({ size: attemptFiles.size, received: attemptFiles.received })
      .from(attemptFiles)
      .where(ofFile({ attempt, hash }));
    if (there) return there.size === size ? ok({ received: there.received }) : refuse('bad-input');
    const [held] = await tx.select({ count: count() }).from(attemptFiles).where(eq(attemptFiles.attempt, attempt));
    if ((held?.count ?? 0) >= MOST_FILES) return refuse('files-too-many', { values: { most: MOST_FILES } });
    await tx.insert(attemptFiles).values({ attempt, hash, name: name.trim() || 'file', size, at: ctx.now });
    return ok({ received: 0 });
  });
}

/** Makes one file of the pieces. Bytes that are not those that were announced are forgotten, so that they can come anew. */
async function finish(ctx: Context, piece: Piece): Promise<Result<FileReceived>> {
  const names = [];
  for (let from = 0; from < piece.size; from += PIECE_BYTES) names.push(pieceName(piece, from));
  const pieces = [];
  for (const name of names) pieces.push((await ctx.files.get(name)) ?? new Uint8Array());
  const whole = Buffer.concat(pieces);
  const right = createHash('sha256').update(whole).digest('hex') === piece.hash;
  if (right) {
    await ctx.files.put(piece.hash, whole);
    await setReceived(ctx, piece, piece.size);
  } else {
    // Another tab may have been quicker with the same file, and taken its pieces away.
    const again = await begin(ctx, piece);
    if (again.ok && again.value.received === piece.size) return again;
    await ctx.db.transaction((tx) => tx.delete(attemptFiles).where(ofFile(piece)));
  }
  for (const name of names) await ctx.files.remove(name);
  return right ? ok({ received: piece.size }) : refuse('file-changed');
}

async function setReceived(ctx: Context, file: Piece, received: number): Promise<void> {
  await ctx.db.transaction((tx) => tx.update(attemptFiles).set({ received }).where(ofFile(file)));
}

/** The files that came with an attempt as a whole, by their hashes, and when they began to come. */
export async function heldFiles(read: Reader, attempt: string): Promise<ReadonlyMap<string, number>> {
  const rows = await read
    .select({ hash: attemptFiles.hash, at: attemptFiles.at })
    .from(attemptFiles)
    .where(and(eq(attemptFiles.attempt, attempt), eq(attemptFiles.received, attemptFiles.size)));
  return new Map(rows.map(({ hash, at }) => [hash, at]));
}

/** A handed-in file by name and size, for the student whose it is and for those who mark; null for everybody else. */
export async function handedFileFacts(
  ctx: Context,
  attempt: string,
  hash: string,
): Promise<{ name: string; size: number } | null> {
  const found = await findAttempt(ctx.db.read, attempt, ctx.now);
  if (!found) return null;
  const own = takesPart(ctx.actor, found.participant);
  if (!own && !(await inSitting(ctx, 'mark answers', found.attempt.sitting)).ok) return null;
  const [row] = await ctx.db.read
    .select({ name: attemptFiles.name, size: attemptFiles.size })
    .from(attemptFiles)
    .where(and(ofFile({ attempt, hash }), eq(attemptFiles.received, attemptFiles.size)));
  return row ?? null;
}

/** The same with its bytes, or those from one place up to, but without, another. */
export async function readHandedFile(
  ctx: Context,
  attempt: string,
  hash: string,
  part?: { from: number; to: number },
): Promise<{ name: string; bytes: Uint8Array } | null> {
  const facts = await handedFileFacts(ctx, attempt, hash);
  if (!facts) return null;
  const bytes = part ? await ctx.files.getPart(hash, part.from, part.to) : await ctx.files.get(hash);
  return bytes ? { name: facts.name, bytes } : null;
}
