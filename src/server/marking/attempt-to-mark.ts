import { ok, type Result, refuse } from '@/core/base/result';
import { type Context, NOT_FOUND } from '../context';
import { inSitting } from '../people/courses';
import { type FoundAttempt, findAttempt } from '../sittings/attempts';

/** An attempt whose answers the actor may mark: of a sitting that they mark in, handed in, and not set aside. */
export async function attemptToMark(ctx: Context, id: string): Promise<Result<FoundAttempt>> {
  const found = await findAttempt(ctx.db.read, id, ctx.now);
  if (!found) return NOT_FOUND;
  const allowed = await inSitting(ctx, 'mark answers', found.attempt.sitting);
  if (!allowed.ok) return allowed;
  if (found.state.handedInAt === null) return refuse('not-handed-in');
  if (found.attempt.asideAt !== null) return refuse('is-set-aside');
  return ok(found);
}
