import { and, asc, eq, isNull, or } from 'drizzle-orm';
import { ok, type Result } from '@/core/base/result';
import { paperQuestions } from '@/core/exams/paper';
import { arrivalSteps, type StoryStep, writtenWhilePaused } from '@/core/sittings/story';
import { type Context, NOT_FOUND } from '../context';
import { answers, happenings } from '../db/schema/attempts';
import { extensions, pauses } from '../db/schema/exams';
import { outages } from '../db/schema/jobs';
import { members } from '../db/schema/people';
import { inSitting } from '../people/courses';
import { findAttempt } from './attempts';
import { hintSteps } from './hints';
import { paperOf } from './pinned';

/** The story of an attempt: what happened, in order. The answers themselves are told nowhere here. */
export async function storyOf(ctx: Context, id: string): Promise<Result<StoryStep[]>> {
  const { read } = ctx.db;
  const found = await findAttempt(read, id, ctx.now);
  if (!found) return NOT_FOUND;
  const { sitting, participant, startedAt, handedInAt } = found.attempt;
  const allowed = await inSitting(ctx, 'run sittings', sitting);
  if (!allowed.ok) return allowed;
  const end = handedInAt ?? ctx.now;
  const given = await read
    .select({ at: extensions.at, minutes: extensions.minutes, reason: extensions.reason, by: members.name })
    .from(extensions)
    .innerJoin(members, eq(members.id, extensions.by))
    .where(and(eq(extensions.sitting, sitting), eq(extensions.participant, participant)));
  const done = await read
    .select({ at: happenings.at, what: happenings.what, note: happenings.note, by: members.name })
    .from(happenings)
    .leftJoin(members, eq(members.id, happenings.by))
    .where(eq(happenings.attempt, id))
    .orderBy(asc(happenings.id));
  const stood = await read
    .select({ from: pauses.from, to: pauses.to, by: members.name, who: pauses.by })
    .from(pauses)
    .innerJoin(members, eq(members.id, pauses.by))
    .where(and(eq(pauses.sitting, sitting), or(isNull(pauses.participant), eq(pauses.participant, participant))));
  const { paper } = await paperOf(read, found.attempt);
  const numbers = new Map(paperQuestions(paper).map(({ id: item, number }) => [item, number]));
  const hints = await hintSteps(read, id);
  const away = await read.select({ from: outages.from, to: outages.to }).from(outages);
  const arrivals = await read
    .select({ device: answers.device, writtenAt: answers.writtenAt, receivedAt: answers.receivedAt })
    .from(answers)
    .where(eq(answers.attempt, id));
  const within = ({ from, to }: { from: number; to: number | null }): boolean =>
    from < end && (to === null || to > startedAt);
  const paused = stood.filter(within);
  const wrote = writtenWhilePaused(arrivals, paused);
  const steps: StoryStep[] = [
    { at: startedAt, what: 'began' },
    ...arrivalSteps(arrivals),
    ...given.map(
      ({ at, minutes, reason, by }): StoryStep => ({ at, what: 'more minutes', count: minutes, note: reason, by }),
    ),
    ...done.map(({ by, ...step }): StoryStep => ({ ...step, ...(by === null ? {} : { by }) })),
    ...paused.map(
      ({ from, to, by, who }): StoryStep =>
        who === participant
          ? { at: from, until: to !== null && to > ctx.now ? null : to, what: 'break' }
          : { at: from, until: to, what: 'paused', by },
    ),
    ...away.filter(within).map(({ from, to }): StoryStep => ({ at: from, until: to, what: 'server away' })),
    ...hints.map(
      ({ at, item, hint }): StoryStep => ({ at, what: 'hint', count: hint + 1, note: numbers.get(item) ?? '' }),
    ),
    ...(wrote ? [wrote] : []),
  ];
  return ok(steps.sort((a, b) => a.at - b.at));
}
