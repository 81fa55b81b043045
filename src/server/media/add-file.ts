import { createHash } from 'node:crypto';
import { fileTypeFromBuffer } from 'file-type';
import { ok, type Result, refuse } from '@/core/base/result';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN } from '../context';
import { keepMediaRow } from './keep-rows';

/** The largest file that is taken. */
export const MAX_SHEET_FILE_BYTES = 50 * 1024 * 1024;

const OFFICE = 'application/vnd.openxmlformats-officedocument';
const OPEN = 'application/vnd.oasis.opendocument';
/** What a file that is taken along may be. */
export const FILES: ReadonlySet<string> = new Set([
  'application/pdf',
  'application/zip',
  `${OFFICE}.wordprocessingml.document`,
  `${OFFICE}.spreadsheetml.sheet`,
  `${OFFICE}.presentationml.presentation`,
  `${OPEN}.text`,
  `${OPEN}.spreadsheet`,
  `${OPEN}.presentation`,
  'text/plain',
]);

export interface AddedFile {
  media: string;
  medium: 'file';
  name: string;
  size: number;
}

/** Keeps a file that students take along, checked by its bytes; text (also tables as CSV) is what reads as UTF-8. */
export async function addFile(ctx: Context, bytes: Uint8Array, name: string): Promise<Result<AddedFile>> {
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  const type = await fileTypeFromBuffer(bytes);
  const mime = type?.mime ?? (readsAsText(bytes) ? 'text/plain' : '');
  if (bytes.length === 0 || !FILES.has(mime)) return refuse('sheet-file-not-one');
  const media = createHash('sha256').update(bytes).digest('hex');
  const called = name.trim().slice(0, 200) || `file.${type?.ext ?? 'txt'}`;
  await ctx.files.put(media, bytes);
  await ctx.db.transaction((tx) =>
    keepMediaRow(tx, {
      hash: media,
      mime,
      size: bytes.length,
      width: 0,
      height: 0,
      description: called,
      addedBy: ctx.actor.id,
      addedAt: ctx.now,
    }),
  );
  return ok({ media, medium: 'file', name: called, size: bytes.length });
}

function readsAsText(bytes: Uint8Array): boolean {
  try {
    return !new TextDecoder('utf-8', { fatal: true }).decode(bytes).includes('\0');
  } catch {
    return false;
  }
}
