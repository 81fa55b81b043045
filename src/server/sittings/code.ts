import { createHash, timingSafeEqual } from 'node:crypto';
import { ok, type Result, refuse } from '@/core/base/result';
import { FREE_FROM_EVERYWHERE } from '@/core/people/slow-down';
import { noteTry, waitOn } from '../auth/tries';
import type { sittings } from '../db/schema/exams';

/** Codes are the same in capitals, and whatever stands between their signs. */
const plain = (code: string): string => code.normalize('NFKC').replace(/[\s-]/g, '').toLocaleUpperCase('en');
const digest = (code: string): Buffer => createHash('sha256').update(plain(code)).digest();

/** Who tries a code: an address, behind which a whole class may sit, or a member. Only wrong tries count. */
interface Try {
  by: string;
  now: number;
}

/** Refuses whoever does not know the code of a sitting, when it has one. */
export function codeFits(
  { id, code: asked }: Pick<typeof sittings.$inferSelect, 'id' | 'code'>,
  typed: string,
  { by, now }: Try,
): Result<null> {
  if (asked === null) return ok();
  if (typed.trim() === '') return refuse('code-asked', { at: ['code'] });
  const wait = waitOn(`code of ${id}`, by, now, FREE_FROM_EVERYWHERE);
  if (wait > 0) return refuse('code-slowed', { at: ['code'], values: { seconds: Math.ceil(wait / 1000) } });
  if (timingSafeEqual(digest(asked), digest(typed.slice(0, 100)))) return ok();
  noteTry(`code of ${id}`, by, now);
  return refuse('code-wrong', { at: ['code'] });
}
