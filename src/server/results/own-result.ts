import { eq } from 'drizzle-orm';
import { ownResponses, ownSheet } from '@/core/bank/own-names';
import type { QuestionSheet } from '@/core/bank/sheet';
import { exact, shown, stored } from '@/core/base/exact';
import { ok, type Result } from '@/core/base/result';
import type { Content } from '@/core/content/document';
import { plainText } from '@/core/content/plain';
import { costOfHints } from '@/core/exams/hints';
import { type PaperQuestion, paperQuestions } from '@/core/exams/paper';
import { both, EVERYTHING, NOTHING, seenAt, seesAnything } from '@/core/exams/sees';
import type { StudentWords } from '@/core/exams/student-words';
import { may } from '@/core/people/may';
import { takesPart } from '@/core/people/participant';
import { doorState } from '@/core/sittings/entry';
import { ONCE, type Tries } from '@/core/sittings/tries';
import { type Boundaries, boundariesSchema } from '@/core/results/policy';
import type { Part } from '@/core/results/parts';
import { type ReadTexts, readTexts } from '@/core/results/texts';
import { isOutFor } from '@/core/results/release';
import { type Score, score, withChange } from '@/core/results/score';
import { type Context, FORBIDDEN, NOT_FOUND } from '../context';
import { inSitting } from '../people/courses';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { resultReads } from '../db/schema/results';
import { byAttempt, currentMarks, judgementsByAttempt } from '../marking/current-marks';
import { remarksOf } from '../marking/remarks';
import { revisedAt } from '../marking/mend';
import { currentAnswers, findAttempt } from '../sittings/attempts';
import { hintsTakenIn } from '../sittings/hints';
import { ownNames } from '../sittings/own-names';
import { participantName } from '../people/participants';
import { dayInWords } from '../people/zone';
import { paperOf } from '../sittings/pinned';
import { type LookAgain, lookAgain } from './look-again';
import { groupOf, memberChanges, type OfGroup } from './member-marks';
import { scoresOf, showsSchema } from './results';
import { type ResultSlot, slotsSeen } from './slots-seen';

export interface ResultQuestion {
  id: string;
  number: string;
  of: string;
  /** The marks that it counts, where that was changed afterwards; null where they are its own. */
  counts: string | null;
  /** It was taken out of the counting afterwards. */
  dropped: boolean;
  sheet: QuestionSheet;
  responses: Record<string, unknown>;
  slots: ResultSlot[];
  explanation: Content | null;
  /** How many of its hints were asked for, and what they cost; null when none was. */
  hints: { taken: number; cost: string } | null;
}

/** What released results tell of the whole. */
export interface OwnScore {
  marks: string;
  of: string;
  percent: string;
  passed: boolean;
  passPercent: string;
  grade: string | null;
  rangeText: Content | null;
  /** What lateness took from the marks, exact as text, and by how many milliseconds it was late; null when it was not. */
  late: { cost: string; by: number } | null;
  /** What hints took, exact as text; null when they took nothing. */
  hints: string | null;
  /** Its sections where there are several, and the topics and criteria of which something is said. */
  parts: {
    is: 'section' | Part['is'];
    title: string;
    marks: string;
    of: string;
    /** From 0 to 1. */
    share: number;
    passed: boolean;
    madeUp: boolean;
    passPercent: string | null;
    /** What its own range reads; null where nothing is said of it. */
    text: Content | null;
  }[];
}

export interface OwnResult {
  sitting: string;
  title: string;
  name: string;
  /** Null until results are released. */
  score: OwnScore | null;
  /** What several attempts come to; null where there is one, and until results are released. */
  together: { attempts: number; counts: Tries['counts']; percent: string; passed: boolean } | null;
  /** Before that, where marks are shown: what is known so far, and how many answers wait for a person. */
  soFar: { marks: string; of: string; waiting: number } | null;
  /** When marks were changed after the release; null when they were not. */
  revisedAt: number | null;
  /** What to look at again, the weakest topic first; nothing where marks are not shown. */
  lookAgain: LookAgain[];
  /** Until when all but the score waits, because others can still get in; null when nothing waits. */
  waitsUntil: number | null;
  /** What one of the group has more or less than the others, for whoever reads it; null for nothing. */
  ownChange: string | null;
  /** Whose it is, where a group wrote it; for whoever may change what is one's alone. */
  group: OfGroup[] | null;
  /** Words of this exam's own. */
  words: StudentWords;
  /** Empty when nothing of the answers is shown. */
  items: ResultQuestion[];
}

function ownScore(score: Score, boundaries: Boundaries, { whole, of: textOf }: ReadTexts): OwnScore {
  return {
    ...score.shown,
    passed: score.passed,
    passPercent: shown(exact(boundaries.passPercent)),
    grade: score.grade,
    rangeText: plainText(whole) === '' ? null : whole,
    late: score.late && { cost: stored(score.late.cost), by: score.late.by },
    hints: score.hints.equals(0) ? null : stored(score.hints),
    parts: [...(score.sections.length > 1 ? score.sections : []), ...score.parts].map((s) => ({
      is: boundaries.parts?.find(({ id }) => id === s.id)?.is ?? 'section',
      title: s.title,
      marks: shown(s.marks),
      of: shown(s.of),
      share: s.percent.valueOf() / 100,
      passed: s.passed,
      madeUp: s.madeUp,
      passPercent: s.passPercent,
      text: textOf(s.id),
    })),
  };
}

/** What a student sees of their own answers: score and what the range reads when released, and the sheet with its margin as far as it is shown by then. */
export async function openOwnResult(ctx: Context, attemptId: string): Promise<Result<OwnResult>> {
  const { read } = ctx.db;
  const found = await findAttempt(read, attemptId, ctx.now);
  if (!found) return NOT_FOUND;
  const [row] = await read.select().from(sittings).where(eq(sittings.id, found.attempt.sitting));
  const released = row !== undefined && isOutFor(row, found.attempt.participant);
  const { participant } = found;
  const seesAll = (await inSitting(ctx, 'see results', found.attempt.sitting)).ok;
  if (!row) return FORBIDDEN;
  const { plan, paper } = await paperOf(read, found.attempt);
  // What is set aside counts nowhere; only those who may see all look at it.
  if (found.attempt.asideAt !== null && !seesAll) return FORBIDDEN;
  const early = found.attempt.handedInAt === null ? NOTHING : seenAt(plan.sees, 'handed in');
  if (!seesAll && !may(ctx.actor, 'read own result', { participant, seen: released || seesAnything(early) }))
    return FORBIDDEN;
  const shows = row.shows === null ? null : showsSchema.parse(row.shows);
  // Marks, traces and feedback give the key away as much as the key itself does.
  const waits = !seesAll && released && !shows?.atOnce && doorState(row, ctx.now) !== 'closed';
  const visible = both(early, seesAll && !released ? EVERYTHING : !waits && shows ? shows : NOTHING);
  const [called] = await read.select({ name: participantName }).from(attempts).where(eq(attempts.id, attemptId));
  const present = await currentMarks(read, { attempt: attemptId });
  const said = await remarksOf(read, [attemptId], { viewer: ctx.actor.id });
  const given = byAttempt(present).get(attemptId) ?? new Map();
  const boundaries = boundariesSchema.parse(row.boundaries);
  const hints = (await hintsTakenIn(read, { attempt: attemptId })).get(attemptId);
  const policy = { boundaries, rounding: plan.rounding };
  const judgements = judgementsByAttempt(present).get(attemptId);
  const earned = score(paper, given, policy, { lateness: found.late, hints, judgements });
  const change = (await memberChanges(read, [attemptId]))(attemptId, ctx.actor.id);
  const result = change ? withChange(earned, change, policy) : earned;
  const answers = await currentAnswers(read, attemptId);
  const name = called?.name ?? '';
  const texts = readTexts(result, {
    boundaries,
    rounding: plan.rounding,
    name,
    day: dayInWords(row.releasedAt ?? ctx.now),
  });
  const tells = released || seesAll;
  const [counting] = tells ? await scoresOf(read, row, ctx.now, { participant: found.attempt.participant }) : [];
  const taken = (item: PaperQuestion): ResultQuestion['hints'] => {
    const count = hints?.get(item.id) ?? 0;
    return count === 0 ? null : { taken: count, cost: stored(costOfHints(item, count)) };
  };
  const items = paperQuestions(paper).map((item): ResultQuestion => {
    const own = ownNames(found.attempt.secret, item.id);
    const { explanation } = item.question;
    return {
      id: item.id,
      number: item.number,
      dropped: item.dropped,
      of: stored(item.marks),
      counts: item.counts.equals(item.marks) ? null : stored(item.counts),
      sheet: ownSheet(item.question, own),
      responses: ownResponses(item.question, answers[item.id] ?? {}, own),
      slots: slotsSeen(item, present, visible, { wholeTrace: seesAll, said }),
      hints: taken(item),
      explanation: visible.explanation && plainText(explanation) !== '' ? explanation : null,
    };
  });
  return ok({
    sitting: row.id,
    title: row.title,
    name,
    score: tells ? ownScore(result, boundaries, texts) : null,
    together:
      counting && counting.attempts > 1
        ? {
            attempts: counting.attempts,
            counts: (row.tries ?? ONCE).counts,
            percent: counting.score.shown.percent,
            passed: counting.score.passed,
          }
        : null,
    soFar:
      !released && !seesAll && visible.marks
        ? { marks: result.shown.marks, of: result.shown.of, waiting: result.waiting }
        : null,
    revisedAt: await revisedAt(ctx, row.id),
    lookAgain: tells && visible.marks ? await lookAgain(read, paperQuestions(paper), given) : [],
    waitsUntil: waits ? row.closesAt : null,
    ownChange: change && tells ? stored(change) : null,
    group: seesAll && participant.is === 'group' ? await groupOf(read, attemptId, participant.members) : null,
    words: plan.words ?? {},
    items: seesAnything(visible) ? items : [],
  });
}

/** Keeps that whoever took part has read a released result. */
export async function noteRead(ctx: Context, attempt: string): Promise<void> {
  const found = await findAttempt(ctx.db.read, attempt, ctx.now);
  if (!found || !takesPart(ctx.actor, found.participant)) return;
  await ctx.db.transaction(async (tx) => {
    await tx.insert(resultReads).values({ attempt, reader: ctx.actor.id, at: ctx.now }).onConflictDoNothing();
  });
}
