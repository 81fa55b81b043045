import { ok, type Result } from '@/core/base/result';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN, NOT_FOUND } from '../context';
import { type Answers, currentAnswers, findAttempt } from './attempts';
import { holdsOf } from './holds';
import { paperOf } from './pinned';
import { readableAnswers } from './room';

/** What the others of a group have written, and where they are at it. */
export interface Shared {
  answers: Answers;
  holds: { item: string; slot: string; name: string /** Milliseconds that it lasts yet. */; left: number }[];
}

/** What stands in a group's paper at present, for one of them who writes in it. */
export async function openShared(ctx: Context, attempt: string): Promise<Result<Shared>> {
  const { read } = ctx.db;
  const found = await findAttempt(read, attempt, ctx.now);
  if (!found) return NOT_FOUND;
  if (!may(ctx.actor, 'write attempt', found) || found.participant.is !== 'group') return FORBIDDEN;
  if (found.state.handedInAt !== null) return ok({ answers: {}, holds: [] });
  const { paper } = await paperOf(read, found.attempt);
  const held = await holdsOf(read, attempt, ctx.now);
  return ok({
    answers: readableAnswers(paper, await currentAnswers(read, attempt), found.attempt.secret),
    holds: held
      .filter(({ member }) => member !== ctx.actor.id)
      .map(({ item, slot, name, until }) => ({ item, slot, name, left: until - ctx.now })),
  });
}
