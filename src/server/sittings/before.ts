import { and, asc, eq, inArray } from 'drizzle-orm';
import type { CalculatorKind } from '@/core/aids/calculator';
import { stored } from '@/core/base/exact';
import { ok, type Result } from '@/core/base/result';
import { NO_TRAITS, sectionsWithout, type Traits } from '@/core/exams/only';
import { type ExamPlan, paperLength } from '@/core/exams/plan';
import { isTimed } from '@/core/exams/stages';
import { poolOf } from '@/core/exams/pool';
import type { StudentWords } from '@/core/exams/student-words';
import { takesPart } from '@/core/people/participant';
import type { LateRule } from '@/core/sittings/late';
import type { NextTry, Tries } from '@/core/sittings/tries';
import { type Context, FORBIDDEN, NOT_FOUND } from '../context';
import type { Reader } from '../db/database';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { members } from '../db/schema/people';
import { participantIn } from '../people/participants';
import { traitsOf } from '../people/traits';
import { minutesOf, nextTryIn, toHandInBefore } from './enter';
import { placedIn } from './pinned';

/** What whoever is about to begin is told of how it runs; nothing of what is asked. */
export interface HowItRuns {
  instructions: string;
  /** Working minutes, extra time included. */
  minutes: number;
  /** Of these minutes so many are extra time. */
  extra: number;
  /** Questions and marks of their paper; null where papers differ. */
  questions: number;
  marks: string | null;
  /** When it ends for them at the latest: extra time reaches past the common end. */
  closesAt: number;
  moves: ExamPlan['moves'];
  pages: ExamPlan['pages'];
  /** Sections that have, or whose questions have, a time of their own. */
  timed: { title: string; minutes: number | null; secondsEach: number | null }[];
  /** With whom it is written together, by name. */
  together: string[];
  calculator: CalculatorKind | null;
  formulas: boolean;
  practice: boolean;
  hints: boolean;
  /** Wrong answers can cost marks of others. */
  belowZero: boolean;
  words: StudentWords;
  dueAt: number | null;
  late: LateRule | null;
  tries: Tries | null;
}

/** What of it is somebody's own. */
interface Own {
  traits?: Traits;
  minutes?: number;
  together?: string[];
}

/** How a sitting runs for somebody with these traits and so much extra time. */
export async function howItRuns(
  read: Reader,
  sitting: typeof sittings.$inferSelect,
  { traits = NO_TRAITS, minutes = sitting.minutes, together = [] }: Own = {},
): Promise<HowItRuns> {
  const pinned = await placedIn(read, sitting.id);
  const without = sectionsWithout(pinned.plan, traits);
  const sections = pinned.plan.sections
    .filter(({ id }) => !without.includes(id))
    // Whoever is told has these sections.
    .map(({ only: _, ...section }) => section);
  const plan = { ...pinned.plan, sections };
  const grown = (time: number): number => Math.ceil((time * minutes) / sitting.minutes);
  const { least, most } = poolOf({ ...pinned, plan });
  return {
    instructions: plan.instructions,
    minutes,
    extra: minutes - sitting.minutes,
    questions: paperLength(plan),
    marks: least.equals(most) ? stored(most) : null,
    closesAt: sitting.closesAt + (minutes - sitting.minutes) * 60_000,
    moves: plan.moves,
    pages: plan.pages,
    timed: sections.filter(isTimed).map(({ title, minutes: own, secondsEach }) => ({
      title,
      minutes: own === undefined ? null : grown(own),
      secondsEach: secondsEach === undefined ? null : grown(secondsEach),
    })),
    together,
    calculator: plan.calculator ?? null,
    formulas: plan.formulas !== undefined,
    practice: plan.practice !== undefined,
    hints: plan.hints && [...pinned.revisions.values()].some(({ hints }) => hints.length > 0),
    belowZero: plan.belowZero,
    words: plan.words ?? {},
    dueAt: sitting.dueAt,
    late: sitting.late,
    tries: sitting.tries,
  };
}

export interface BeforeSitting extends HowItRuns {
  sitting: string;
  title: string;
  opensAt: number;
  /** Until when one can begin. */
  beginBefore: number;
  endedAt: number | null;
  byHand: boolean;
  /** A code has to be typed to get in. */
  coded: boolean;
  /** The title of what has to be handed in before; null when nothing is in the way. */
  after: string | null;
  next: NextTry;
}

/** What a student reads before they begin. */
export async function beforeSitting(ctx: Context, id: string): Promise<Result<BeforeSitting>> {
  const { read } = ctx.db;
  const [sitting] = await read.select().from(sittings).where(eq(sittings.id, id));
  if (!sitting) return NOT_FOUND;
  const participant = await participantIn(read, id, ctx.actor.id);
  if (!participant || !takesPart(ctx.actor, participant)) return FORBIDDEN;
  const begun = await read
    .select()
    .from(attempts)
    .where(and(eq(attempts.sitting, id), eq(attempts.participant, participant.id)))
    .orderBy(asc(attempts.startedAt));
  const traits = await traitsOf(read, sitting.course, participant);
  const others = participant.is === 'group' ? participant.members.filter((one) => one !== ctx.actor.id) : [];
  const names = await read
    .select({ name: members.name })
    .from(members)
    .where(inArray(members.id, [...others]))
    .orderBy(asc(members.name));
  const { title, opensAt, endedAt, byHand, code } = sitting;
  return ok({
    ...(await howItRuns(read, sitting, {
      traits,
      together: names.map(({ name }) => name),
      minutes: await minutesOf(read, sitting, participant, ctx.now),
    })),
    sitting: id,
    title,
    opensAt,
    beginBefore: sitting.closesAt,
    endedAt,
    byHand,
    coded: code !== null,
    after: (await toHandInBefore(read, sitting, participant.id))?.title ?? null,
    next: nextTryIn(begun, sitting, ctx.now),
  });
}
