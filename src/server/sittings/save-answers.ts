import { z } from 'zod';
import { ok, type Result } from '@/core/base/result';
import { slotId } from '@/core/content/document';
import { may } from '@/core/people/may';
import { accepts, type AttemptState, writtenAt } from '@/core/sittings/attempt';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import { acceptedValues } from './accepted';
import { addToLog, arrivedBefore, type LogEntry } from './answer-log';
import { findAttempt } from './attempts';
import { claimPlaces } from './holds';
import { heardFor } from './handed-files';
import { clockOf, type RoomClock } from './room';
import { inStages } from './stages';

const entry = z.object({
  seq: z.number().int().min(1),
  item: z.string().max(40),
  slot: slotId.nullable(),
  value: z.unknown(),
  age: z
    .number()
    .min(0)
    .max(366 * 86_400_000),
});
type Entry = z.infer<typeof entry>;
const input = z.object({
  attempt: z.string().max(40),
  device: z.string().min(8).max(40),
  entries: z.array(entry).max(300),
});

/** An entry that is not taken: it came too late, is no answer to anything on this paper, or another of the group writes in its place. */
export interface Refused {
  seq: number;
  why: 'late' | 'unfit' | 'held';
}

export interface Saved {
  /** Entries that are in the database now, by their numbers; also those that were there before. */
  saved: number[];
  /** Entries that can never be taken. */
  refused: Refused[];
  clock: RoomClock;
}

/**
 * Adds answers to the log of an attempt. Sending the same again does no harm.
 * An empty batch only asks for the clock and says that the student is there.
 */
export async function saveAnswers(ctx: Context, raw: unknown): Promise<Result<Saved>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { attempt: id, device, entries } = parsed.value;
  const found = await findAttempt(ctx.db.read, id, ctx.now);
  if (!found) return NOT_FOUND;
  if (!may(ctx.actor, 'write attempt', found)) return FORBIDDEN;
  // Whether a device was offline as the time ended is judged by what was heard before that.
  const seenAt = ctx.now <= found.state.deadline ? ctx.now : null;
  const stages = await inStages(ctx.db.read, found);
  const stateOf = (item: string): AttemptState | null => (stages ? stages.stateOf(item) : found.state);
  // What belongs to a stage that was not entered is no answer to anything that was asked.
  const asked = entries.filter(({ item }) => stateOf(item) !== null);
  const fitting = await acceptedValues(ctx.db.read, found.attempt, asked);
  const taken = asked.filter((e) => {
    const given = fitting.get(e.seq);
    const state = stateOf(e.item);
    return given && state && accepts(state, e, { now: ctx.now, heardAt: heardFor(found, given.filesBegun) });
  });
  const logged = ({ age, ...rest }: Entry): LogEntry => ({
    ...rest,
    value: fitting.get(rest.seq)?.value,
    device,
    writtenAt: writtenAt({ age }, found.state, ctx.now),
    receivedAt: ctx.now,
  });
  const held =
    found.participant.is === 'group' && taken.length > 0
      ? await claimPlaces(ctx.db, { attempt: id, member: ctx.actor.id, now: ctx.now, entries: taken.map(logged) })
      : new Set<number>();
  const free = taken.filter(({ seq }) => !held.has(seq));
  const written = await addToLog(ctx.db, { attempt: id, seenAt, entries: free.map(logged) });
  const now = new Set(written ? free.map((e) => e.seq) : []);
  const left = entries.filter((e) => !now.has(e.seq));
  const unheld = left.filter(({ seq }) => !held.has(seq));
  const before = unheld.length > 0 ? await arrivedBefore(ctx.db.read, id, unheld.map(logged)) : [];
  return ok({
    saved: [...now, ...before],
    refused: left
      .map(({ seq }) => seq)
      .filter((seq) => !before.includes(seq))
      .map((seq) => ({ seq, why: held.has(seq) ? 'held' : fitting.has(seq) ? 'late' : 'unfit' })),
    clock: clockOf(found, ctx.now, stages),
  });
}
