import { createHash } from 'node:crypto';
import { fileTypeFromBuffer } from 'file-type';
import { ok, type Result, refuse } from '@/core/base/result';
import { readWebVtt } from '@/core/content/webvtt';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN } from '../context';
import { keepMediaRow } from './keep-rows';

/** The largest sound or film that is taken. */
export const MAX_RECORDING_BYTES = 200 * 1024 * 1024;
const SOUNDS = new Set([
  'audio/mpeg',
  'audio/ogg',
  'audio/wav',
  'audio/x-m4a',
  'audio/mp4',
  'audio/aac',
  'audio/flac',
  'audio/webm',
  'audio/opus',
]);
const FILMS = new Set(['video/mp4', 'video/webm', 'video/ogg']);

export interface AddedRecording {
  media: string;
  medium: 'sound' | 'film';
}

/** Keeps a sound or a film, checked by its bytes. A WebM may hold either; the browser that recorded it says which. `about` is what it is, where that is known. */
export async function addRecording(
  ctx: Context,
  bytes: Uint8Array,
  said: 'sound' | 'film' | null,
  about = '',
): Promise<Result<AddedRecording>> {
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  const type = await fileTypeFromBuffer(bytes);
  const mime = type?.mime.split(';')[0] ?? '';
  const medium = SOUNDS.has(mime) ? 'sound' : FILMS.has(mime) ? (said ?? 'film') : null;
  if (medium === null) return refuse('recording-not-one');
  const kept = medium === 'sound' ? mime.replace('video/', 'audio/') : mime;
  return ok({ media: await keep(ctx, bytes, kept, about), medium });
}

/** Keeps captions, checked line by line. */
export async function addCaptions(ctx: Context, bytes: Uint8Array): Promise<Result<{ media: string }>> {
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  const read = readWebVtt(new TextDecoder().decode(bytes));
  if (!read.ok) return refuse('captions-not-some', { values: { line: read.line } });
  return ok({ media: await keep(ctx, bytes, 'text/vtt') });
}

async function keep(ctx: Context, bytes: Uint8Array, mime: string, about = ''): Promise<string> {
  const hash = createHash('sha256').update(bytes).digest('hex');
  await ctx.files.put(hash, bytes);
  await ctx.db.transaction(async (tx) => {
    const description = about.trim().slice(0, 1000);
    const facts = { hash, mime, size: bytes.length, width: 0, height: 0, description };
    const row = { ...facts, addedBy: ctx.actor.id, addedAt: ctx.now };
    await keepMediaRow(tx, row);
  });
  return hash;
}
