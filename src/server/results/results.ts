import { and, eq, isNull, min } from 'drizzle-orm';
import { z } from 'zod';
import { stored } from '@/core/base/exact';
import { ok, type Result, refuse } from '@/core/base/result';
import type { Rounding } from '@/core/exams/plan';
import type { Sees } from '@/core/exams/sees';
import { assemble } from '@/core/exams/paper';
import { poolOf } from '@/core/exams/pool';
import { boundariesReadiness, type Boundaries, boundariesSchema } from '@/core/results/policy';
import { doorState } from '@/core/sittings/entry';
import { type AttemptScore, countingScore } from '@/core/results/counting';
import type { Part } from '@/core/results/parts';
import { isOutFor } from '@/core/results/release';
import { score, type Score } from '@/core/results/score';
import { ONCE } from '@/core/sittings/tries';
import { type Context, NOT_FOUND, parse } from '../context';
import { inSitting } from '../people/courses';
import type { Reader } from '../db/database';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { courses } from '../db/schema/people';
import { resultReads } from '../db/schema/results';
import { participantName, participantsExpected } from '../people/participants';
import { byAttempt, judgementsByAttempt, marksToScore } from '../marking/current-marks';
import { attemptsOf, COUNTS } from '../sittings/attempts';
import { hintsTakenIn } from '../sittings/hints';
import { pinnedOf } from '../sittings/pinned';
import { partsIn } from './parts';

/** What released results show to students, besides the score and what their range reads. Those of before had everything hang on the marks. */
export const showsSchema = z
  .object({
    marks: z.boolean(),
    right: z.boolean().optional(),
    key: z.boolean(),
    explanation: z.boolean(),
    remarks: z.boolean().optional(),
    /** Shows all of this also while others can still get in; else it waits until nobody can. */
    atOnce: z.boolean().default(false),
  })
  .transform(({ right, remarks, ...shows }) => {
    if (right !== undefined && remarks !== undefined) return { ...shows, right, remarks };
    const { marks, key, explanation } = shows;
    return { ...shows, right: marks, key: marks && key, explanation: marks && explanation, remarks: marks };
  });
export type Shows = z.infer<typeof showsSchema>;

/** What students are told when results go out: subject and text with names to fill in, and where their page is. */
export const releaseMessage = z.object({
  subject: z.string().trim().min(1, 'subject-empty').max(200),
  text: z.string().trim().min(1, 'notice-empty').max(5000),
  address: z.url().max(300),
});

/** A release that waits for its moment, and who planned it. */
export const plannedRelease = z.object({
  when: z.discriminatedUnion('is', [
    z.object({ is: z.literal('at'), at: z.number().int() }),
    z.object({ is: z.literal('marked') }),
  ]),
  shows: showsSchema,
  to: z.array(z.string()).nullable(),
  tell: releaseMessage.nullable(),
  by: z.string(),
});
export type PlannedRelease = z.infer<typeof plannedRelease>;

/** One participant's score in one sitting, by the attempt that counts. */
export interface ScoredAttempt {
  attempt: string;
  participant: string;
  name: string;
  score: Score;
  /** How many attempts it comes of. */
  attempts: number;
}

interface ScoresOfWhom {
  /** Of one alone. */
  participant?: string;
  /** By these boundaries instead of those of the sitting. */
  boundaries?: Boundaries;
}

/** What counts for each participant who has handed in, by name. */
export async function scoresOf(
  read: Reader,
  sitting: Pick<typeof sittings.$inferSelect, 'id' | 'boundaries' | 'tries'>,
  now: number,
  { participant, boundaries = boundariesSchema.parse(sitting.boundaries) }: ScoresOfWhom = {},
): Promise<ScoredAttempt[]> {
  const pinned = await pinnedOf(read, sitting.id);
  const policy = { boundaries, rounding: pinned.plan.rounding };
  const standing = await marksToScore(read, { sitting: sitting.id });
  const given = byAttempt(standing);
  const judgements = judgementsByAttempt(standing);
  const names = await read
    .select({ id: attempts.participant, name: participantName })
    .from(attempts)
    .where(
      and(
        eq(attempts.sitting, sitting.id),
        COUNTS,
        participant === undefined ? undefined : eq(attempts.participant, participant),
      ),
    )
    .orderBy(participantName);
  const all = new Map<string, AttemptScore[]>(names.map(({ id }) => [id, []]));
  const hints = await hintsTakenIn(read, { sitting: sitting.id });
  for (const { attempt, late } of await attemptsOf(read, sitting.id, now)) {
    const { id, handedInAt, asideAt } = attempt;
    if (handedInAt === null || asideAt !== null || !all.has(attempt.participant)) continue;
    const paper = assemble(pinned, attempt);
    const circumstances = { lateness: late, hints: hints.get(id), judgements: judgements.get(id) };
    const earned = score(paper, given.get(id) ?? new Map(), policy, circumstances);
    all.get(attempt.participant)?.push({ attempt: id, handedInAt, score: earned });
  }
  const { counts } = sitting.tries ?? ONCE;
  const called = new Map(names.map(({ id, name }) => [id, name]));
  return [...all].flatMap(([whose, scores]): ScoredAttempt[] => {
    const counting = countingScore(scores, counts, policy);
    if (!counting) return [];
    const { attempt, score: earned } = counting;
    return [{ attempt, participant: whose, name: called.get(whose) ?? '', score: earned, attempts: scores.length }];
  });
}

/** A student's line on the results screen: plain values that travel to the browser. */
export interface ResultRow {
  attempt: string;
  participant: string;
  /** Whether it is released to them, and when they first read it. */
  out: boolean;
  readAt: number | null;
  name: string;
  marks: string;
  /** Exact percent as text; boundaries are compared with it. */
  percent: string;
  waiting: number;
  /** How many attempts it comes of. */
  attempts: number;
  /** What lateness took, exact marks as text; null when nothing was late. */
  late: string | null;
  /** Of how many marks, exact as text. */
  of: string;
  /** Each section, topic and criterion that is on the paper, by its id; all exact text. */
  parts: Record<string, { marks: string; of: string; percent: string }>;
}

export interface Results {
  sitting: string;
  title: string;
  course: string;
  /** Exact marks of every paper; null when papers differ. */
  total: string | null;
  rounding: Rounding;
  boundaries: Boundaries;
  version: number;
  sections: { id: string; title: string; passPercent: string | null }[];
  /** The topics and criteria that something may be said of. */
  parts: Part[];
  rows: ResultRow[];
  notHandedIn: number;
  /** How many have not begun and can still get in, and until when; null when nobody can. */
  stillOpen: { students: number; until: number } | null;
  /** When these were read. */
  now: number;
  releasedAt: number | null;
  /** To which participants alone; null for all. */
  releasedTo: string[] | null;
  /** What a certificate of passing says; null where none is given out. */
  certificate: string | null;
  /** A release that waits for its moment. */
  planned: PlannedRelease | null;
  shows: Shows | null;
  /** What the exam says of what is seen when. */
  sees: Sees;
}

export async function openResults(ctx: Context, id: string): Promise<Result<Results>> {
  const allowed = await inSitting(ctx, 'see results', id);
  return allowed.ok ? readResults(ctx, id) : allowed;
}

/** The results of a sitting, whoever asks. */
export async function readResults(ctx: Pick<Context, 'db' | 'now'>, id: string): Promise<Result<Results>> {
  const { read } = ctx.db;
  const [row] = await read
    .select({ sitting: sittings, course: courses.code })
    .from(sittings)
    .innerJoin(courses, eq(courses.id, sittings.course))
    .where(eq(sittings.id, id));
  if (!row) return NOT_FOUND;
  const { sitting, course } = row;
  const boundaries = boundariesSchema.parse(sitting.boundaries);
  const { plan, ...pinned } = await pinnedOf(read, id);
  const pool = poolOf({ plan, ...pinned });
  const parts = (await partsIn(read, pool)).map(
    // What the boundaries name stays as they name it.
    (part) => boundaries.parts?.find(({ id: own }) => own === part.id) ?? { ...part, passPercent: null, ranges: [] },
  );
  const gone = (boundaries.parts ?? []).filter((part) => !parts.includes(part));
  const everyPart = { ...boundaries, parts: [...parts, ...gone] };
  const scored = await scoresOf(read, sitting, ctx.now, { boundaries: everyPart });
  const begun = await read
    .select({ participant: attempts.participant, handedInAt: attempts.handedInAt })
    .from(attempts)
    .where(and(eq(attempts.sitting, id), isNull(attempts.asideAt)));
  const came = new Set(begun.map(({ participant }) => participant));
  const expected = await participantsExpected(read, sitting);
  const reads = await read
    .select({ attempt: resultReads.attempt, at: min(resultReads.at) })
    .from(resultReads)
    .innerJoin(attempts, and(eq(attempts.id, resultReads.attempt), eq(attempts.sitting, id)))
    .groupBy(resultReads.attempt);
  const readAt = new Map(reads.map(({ attempt, at }) => [attempt, at]));
  return ok({
    sitting: id,
    title: sitting.title,
    course,
    total: pool.least.equals(pool.most) ? stored(pool.most) : null,
    rounding: plan.rounding,
    boundaries,
    version: sitting.boundariesVersion,
    sections: pool.sections.map(({ id: section, title, passPercent }) => ({ id: section, title, passPercent })),
    parts: everyPart.parts.map(({ passPercent: _, ranges: __, ...part }) => part),
    rows: scored.map(({ attempt, participant, name, attempts: count, score: s }) => ({
      attempt,
      participant,
      name,
      out: isOutFor(sitting, participant),
      readAt: readAt.get(attempt) ?? null,
      attempts: count,
      late: s.late === null ? null : stored(s.late.cost),
      marks: stored(s.marks),
      percent: stored(s.percent),
      waiting: s.waiting,
      of: stored(s.of),
      parts: Object.fromEntries(
        [...s.sections, ...s.parts].map(({ id: part, marks, of, percent }) => [
          part,
          { marks: stored(marks), of: stored(of), percent: stored(percent) },
        ]),
      ),
    })),
    notHandedIn: begun.filter(({ handedInAt }) => handedInAt === null).length,
    stillOpen:
      doorState(sitting, ctx.now) === 'closed'
        ? null
        : { students: Math.max(0, expected - came.size), until: sitting.closesAt },
    now: ctx.now,
    releasedAt: sitting.releasedAt,
    certificate: sitting.certificate,
    releasedTo: sitting.releasedTo,
    planned: sitting.releasePlan === null ? null : plannedRelease.parse(sitting.releasePlan),
    shows: sitting.shows === null ? null : showsSchema.parse(sitting.shows),
    sees: plan.sees,
  });
}

/** The scripts before and after one, by name. */
export async function scriptsBeside(
  ctx: Context,
  sitting: string,
  attempt: string,
): Promise<Record<'before' | 'after', { attempt: string; name: string } | null>> {
  const rows = await ctx.db.read
    .select({ attempt: attempts.id, name: participantName })
    .from(attempts)
    .where(and(eq(attempts.sitting, sitting), COUNTS))
    .orderBy(participantName);
  const at = rows.findIndex((row) => row.attempt === attempt);
  return { before: rows[at - 1] ?? null, after: (at >= 0 && rows[at + 1]) || null };
}

const boundariesInput = z.object({ sitting: z.string(), base: z.number().int(), boundaries: boundariesSchema });

/** Saves pass mark, feedback ranges and grades of a sitting. Gaps, overlaps and a change made elsewhere are refused. */
export async function saveBoundaries(
  ctx: Context,
  raw: unknown,
): Promise<Result<{ version: number; savedAt: number }>> {
  const parsed = parse(boundariesInput, raw);
  if (!parsed.ok) return parsed;
  const allowed = await inSitting(ctx, 'release results', parsed.value.sitting);
  if (!allowed.ok) return allowed;
  const { sitting, base, boundaries } = parsed.value;
  const wrong = boundariesReadiness(boundaries).find((f) => f.weight === 'stops');
  if (wrong) return refuse(wrong.code, { at: wrong.at, ...(wrong.values ? { values: wrong.values } : {}) });
  return ctx.db.transaction(async (tx) => {
    const saved = await tx
      .update(sittings)
      .set({ boundaries, boundariesVersion: base + 1 })
      .where(and(eq(sittings.id, sitting), eq(sittings.boundariesVersion, base)))
      .returning({ id: sittings.id });
    return saved.length > 0
      ? ok({ version: base + 1, savedAt: ctx.now })
      : refuse('changed-elsewhere', { values: { by: '' } });
  });
}
