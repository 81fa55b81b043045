import { createHash } from 'node:crypto';
import { recordingName } from '@/core/content/recordings';
import type { Context } from '../context';
import { handedFileFacts } from './handed-files';

/**
 * A recording of an answer in a form that every browser plays, for whoever may have it; made when it is first asked for.
 * Null where it cannot be made, or is no recording.
 */
export async function secondForm(
  ctx: Context,
  { attempt, hash }: { attempt: string; hash: string },
  to: 'voice' | 'film',
): Promise<Uint8Array | null> {
  const facts = await handedFileFacts(ctx, attempt, hash);
  if (!facts || !recordingName(to, facts.name)) return null;
  const name = createHash('sha256').update(`${hash} as ${to}`).digest('hex');
  const before = await ctx.files.get(name);
  if (before) return before;
  const bytes = await ctx.files.get(hash);
  const made = bytes && (await ctx.converter.convert(bytes, to));
  if (made) await ctx.files.put(name, made);
  return made;
}
