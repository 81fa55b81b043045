import { z } from 'zod';
import { ok, type Result } from '@/core/base/result';
import type { Participant } from '@/core/people/participant';
import { type Context, NOT_FOUND } from '../context';
import { inSitting } from '../people/courses';
import { participantIn } from '../people/participants';

/** Of whom a teacher speaks: these students and guests; null: everybody who is writing. */
export const peopleMeant = z.array(z.string()).min(1).max(2000).nullable();

/** As whom they take part, each once; null for everybody who is writing. Refused to who does not run the sitting, and where one of them takes no part in it. */
export async function participantsMeant(
  ctx: Context,
  { sitting, people }: { sitting: string; people: readonly string[] | null },
): Promise<Result<Participant[] | null>> {
  const allowed = await inSitting(ctx, 'run sittings', sitting);
  if (!allowed.ok) return allowed;
  if (people === null) return ok(null);
  const found = new Map<string, Participant>();
  for (const person of people) {
    const participant = await participantIn(ctx.db.read, sitting, person);
    if (!participant) return NOT_FOUND;
    found.set(participant.id, participant);
  }
  return ok([...found.values()]);
}
