import { randomBytes } from 'node:crypto';
import { and, count, eq } from 'drizzle-orm';
import { ok, type Result, refuse } from '@/core/base/result';
import { sectionsWithout } from '@/core/exams/only';
import { placements } from '@/core/exams/plan';
import { type Participant, takesPart } from '@/core/people/participant';
import { withExtraTime } from '@/core/people/provision';
import { whoCanGetIn } from '@/core/sittings/entry';
import { type NextTry, nextTry, ONCE } from '@/core/sittings/tries';
import { type Context, FORBIDDEN, NOT_FOUND } from '../context';
import type { Reader } from '../db/database';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { changed } from '../events/versions';
import { inSitting } from '../people/courses';
import { keepParticipant, participantIn } from '../people/participants';
import { entitledIn, entitledOf, NOT_ENTITLED } from '../people/provisions';
import { traitsOf } from '../people/traits';
import { newId, newSeed } from '../ports/ids';
import { type AttemptRow, attemptRow, COUNTS } from './attempts';
import { codeFits } from './code';
import { placedIn } from './pinned';
import { enterFirstStage } from './stages';

/** How somebody comes in. */
interface Entry {
  code?: string;
  /** Which attempt they mean to begin; another one is not begun by a page that was opened before. */
  number?: number;
}

/** What of an attempt says which one is next. */
type Begun = Pick<AttemptRow, 'id' | 'startedAt' | 'handedInAt' | 'asideAt'>;

/** What a participant finds who comes to a sitting; `begun` are all of their attempts in it. */
export function nextTryIn(
  begun: readonly Begun[],
  { tries }: Pick<typeof sittings.$inferSelect, 'tries'>,
  now: number,
): NextTry {
  const tried = begun.map(({ asideAt, ...attempt }) => ({ ...attempt, aside: asideAt !== null }));
  return nextTry(tried, tries ?? ONCE, now);
}

/** Starts an attempt of whoever comes, or finds the one begun before; refused with the reason when they cannot get in. */
export async function enterSitting(
  ctx: Context,
  sittingId: string,
  { code = '', number = 1 }: Entry = {},
): Promise<Result<{ attempt: string }>> {
  const { read } = ctx.db;
  const [sitting] = await read.select().from(sittings).where(eq(sittings.id, sittingId));
  if (!sitting) return NOT_FOUND;
  const participant = await participantIn(read, sittingId, ctx.actor.id);
  if (!participant) return sitting.who === 'groups' ? refuse('no-group') : FORBIDDEN;
  if (!takesPart(ctx.actor, participant)) return FORBIDDEN;
  const mine = and(eq(attempts.sitting, sittingId), eq(attempts.participant, participant.id));
  const begun = async (reader: Reader): Promise<{ rows: AttemptRow[]; found: ReturnType<typeof foundOf> }> => {
    const rows = await reader.select().from(attempts).where(mine);
    return { rows, found: foundOf(nextTryIn(rows, sitting, ctx.now), rows, number) };
  };
  const { found: known } = await begun(read);
  if (known) return known;

  const admitted = await getsIn(read, sitting, participant, ctx.now);
  if (!admitted.ok) return admitted;
  const { without } = admitted.value;
  // A guest was asked for the code when they were let in.
  const coded = participant.is === 'member' ? codeFits(sitting, code, { by: ctx.actor.id, now: ctx.now }) : ok();
  if (!coded.ok) return coded;
  const minutes = await minutesOf(read, sitting, participant, ctx.now);
  const { breakMinutes } =
    participant.is === 'member' ? (await entitledOf(read, participant.id, ctx.now))(sittingId) : NOT_ENTITLED;
  const id = newId();
  return ctx.db.transaction(async (tx) => {
    const { rows, found } = await begun(tx);
    if (found) return found;
    await keepParticipant(tx, participant);
    const [scripts] = await tx.select({ count: count() }).from(attempts).where(eq(attempts.sitting, sittingId));
    const first = sitting.tries?.same ? rows[0] : undefined;
    await tx.insert(attempts).values({
      id,
      sitting: sittingId,
      participant: participant.id,
      script: (scripts?.count ?? 0) + 1,
      seed: first?.seed ?? newSeed(),
      without: first?.without ?? without,
      secret: randomBytes(16).toString('hex'),
      startedAt: ctx.now,
      minutes,
      breakMinutes,
      extraTimePercent: Math.ceil((minutes / sitting.minutes - 1) * 100),
      seenAt: ctx.now,
    });
    await enterFirstStage(tx, await attemptRow(tx, id), ctx.now);
    await changed(tx, `watch:${sittingId}`);
    return ok({ attempt: id });
  });
}

/** Whether a participant who has not begun can get in now, and which sections are not theirs. */
async function getsIn(
  read: Reader,
  sitting: typeof sittings.$inferSelect,
  participant: Participant,
  now: number,
): Promise<Result<{ without: string[] }>> {
  const { plan } = await placedIn(read, sitting.id);
  const door = whoCanGetIn({ ...sitting, questions: placements(plan).length, students: 1, link: false }, now);
  if (!door.open) return refuse(`door-${door.reason}`);
  const before = await toHandInBefore(read, sitting, participant.id);
  if (before) return refuse('door-after', { values: { title: before.title } });
  const without = sectionsWithout(plan, await traitsOf(read, sitting.course, participant));
  return without.length === plan.sections.length ? refuse('no-section') : ok({ without });
}

/** The sitting of a row that a participant has to hand in before they can begin this one; null when nothing is in the way. */
export async function toHandInBefore(
  read: Reader,
  { after }: Pick<typeof sittings.$inferSelect, 'after'>,
  participant: string,
): Promise<{ id: string; title: string } | null> {
  if (after === null) return null;
  const [done] = await read
    .select({ id: attempts.id })
    .from(attempts)
    .where(and(eq(attempts.sitting, after), eq(attempts.participant, participant), COUNTS))
    .limit(1);
  if (done) return null;
  const [before] = await read
    .select({ id: sittings.id, title: sittings.title })
    .from(sittings)
    .where(eq(sittings.id, after));
  return before ?? null;
}

/** What one student would find who came now. */
export type WouldFind =
  | { is: 'begin'; number: number; minutes: number; coded: boolean }
  | { is: 'go on' | 'used up' }
  | { is: 'later'; from: number };

/** Whether a student can get in now, found out by the same rules as when they come; refused with the reason why not. */
export async function wouldFind(ctx: Context, sittingId: string, student: string): Promise<Result<WouldFind>> {
  const { read } = ctx.db;
  const allowed = await inSitting(ctx, 'run sittings', sittingId);
  if (!allowed.ok) return allowed;
  const [sitting] = await read.select().from(sittings).where(eq(sittings.id, sittingId));
  const participant = sitting && (await participantIn(read, sittingId, student));
  if (!sitting || !participant) return refuse(sitting?.who === 'groups' ? 'no-group' : 'takes-no-part');
  const begun = await read
    .select()
    .from(attempts)
    .where(and(eq(attempts.sitting, sittingId), eq(attempts.participant, participant.id)));
  const next = nextTryIn(begun, sitting, ctx.now);
  if (next.is === 'open') return ok({ is: 'go on' });
  if (next.is === 'used up') return ok({ is: 'used up' });
  const admitted = await getsIn(read, sitting, participant, ctx.now);
  if (!admitted.ok) return admitted;
  if (next.is === 'later') return ok({ is: 'later', from: next.from });
  const minutes = await minutesOf(read, sitting, participant, ctx.now);
  return ok({ is: 'begin', number: next.number, minutes, coded: sitting.code !== null });
}

/** What somebody who comes is given without beginning anything; null when the attempt that they mean is to be begun. */
function foundOf(next: NextTry, begun: readonly Begun[], number: number): Result<{ attempt: string }> | null {
  if (next.is === 'open' || next.is === 'used up') return ok({ attempt: next.attempt });
  const counting = begun.filter(({ asideAt }) => asideAt === null).sort((a, b) => a.startedAt - b.startedAt);
  const last = counting.at(-1);
  if (last && next.number !== number) return ok({ attempt: last.id });
  return next.is === 'later' ? refuse('try-later') : null;
}

/** Working minutes of a participant in a sitting, with the most that anybody of them is entitled to. */
export async function minutesOf(
  read: Reader,
  { id, minutes }: Pick<typeof sittings.$inferSelect, 'id' | 'minutes'>,
  participant: Participant,
  now: number,
): Promise<number> {
  const people = participant.is === 'group' ? participant.members : [participant.id];
  const entitled = [...(await entitledIn(read, id, people, now)).values()];
  return Math.max(minutes, ...entitled.map(({ extra }) => withExtraTime(minutes, extra)));
}
