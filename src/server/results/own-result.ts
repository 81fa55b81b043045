import { eq } from 'drizzle-orm';
import { ownResponses, ownSheet } from '@/core/bank/own-names';
import type { QuestionSheet } from '@/core/bank/sheet';
import { keyWords, placedSlots } from '@/core/bank/question';
import { keyedSlots } from '@/core/bank/variant';
import { exact, max, min, shown, stored } from '@/core/base/exact';
import { ok, type Result } from '@/core/base/result';
import type { Content } from '@/core/content/document';
import { plainText } from '@/core/content/plain';
import { paperQuestions } from '@/core/exams/paper';
import { may } from '@/core/people/may';
import type { TraceStep } from '@/core/rules/marking';
import { doorState } from '@/core/sittings/entry';
import { boundariesSchema, fillIn } from '@/core/results/policy';
import { traceWithoutKey } from '@/core/results/shown-trace';
import { score, type SectionScore } from '@/core/results/score';
import { type Context, FORBIDDEN, NOT_FOUND } from '../context';
import { inSitting } from '../people/courses';
import { attempts, sittings } from '../db/schema/exams';
import { byAttempt, currentMarks } from '../marking/current-marks';
import { revisedAt } from '../marking/mend';
import { currentAnswers, findAttempt } from '../sittings/attempts';
import { ownNames } from '../sittings/own-names';
import { participantName } from '../people/participants';
import { paperOf } from '../sittings/pinned';
import { showsSchema } from './results';

/** One slot of the student's own sheet, with what the margin says about it. */
export interface ResultSlot {
  id: string;
  letter: string;
  marks: string;
  of: string;
  trace: TraceStep[];
  feedback: string;
  remark: string;
  /** Null when keys are not shown. */
  key: string | null;
}

export interface ResultQuestion {
  id: string;
  number: string;
  marks: string;
  of: string;
  /** It was taken out of the counting afterwards. */
  dropped: boolean;
  sheet: QuestionSheet;
  responses: Record<string, unknown>;
  slots: ResultSlot[];
  explanation: Content | null;
}

export interface OwnResult {
  sitting: string;
  title: string;
  name: string;
  marks: string;
  of: string;
  percent: string;
  passed: boolean;
  passPercent: string;
  grade: string | null;
  rangeText: string;
  sections: { title: string; marks: string; of: string; passed: boolean; passPercent: string | null }[];
  /** When marks were changed after the release; null when they were not. */
  revisedAt: number | null;
  /** Until when all but the score waits, because others can still get in; null when nothing waits. */
  waitsUntil: number | null;
  /** Empty when marks per question are not shown. */
  items: ResultQuestion[];
}

function bySuccess(sections: readonly SectionScore[], pick: typeof max): string {
  const wanted = sections.map((s) => s.percent).reduce((a, b) => pick(a, b));
  return sections.find((s) => s.percent.equals(wanted))?.title ?? '';
}

/** A student's own released result: score, what the range reads, and the sheet with its margin as far as it is shown. */
export async function openOwnResult(ctx: Context, attemptId: string): Promise<Result<OwnResult>> {
  const { read } = ctx.db;
  const found = await findAttempt(read, attemptId);
  if (!found) return NOT_FOUND;
  const [row] = await read.select().from(sittings).where(eq(sittings.id, found.attempt.sitting));
  const released = row?.releasedAt !== null && row?.releasedAt !== undefined;
  const { participant } = found;
  const seesAll = (await inSitting(ctx, 'see results', found.attempt.sitting)).ok;
  if (!row || !(seesAll || may(ctx.actor, 'read own result', { participant, released }))) return FORBIDDEN;
  const shows = showsSchema.parse(row.shows ?? { marks: true, key: true, explanation: true });
  // Marks, traces and feedback give the key away as much as the key itself does.
  const waits = !seesAll && !shows.atOnce && doorState(row, ctx.now) !== 'closed';
  const [called] = await read.select({ name: participantName }).from(attempts).where(eq(attempts.id, attemptId));
  const { plan, paper } = await paperOf(read, found.attempt);
  const present = await currentMarks(read, { attempt: attemptId });
  const given = byAttempt(present).get(attemptId) ?? new Map();
  const boundaries = boundariesSchema.parse(row.boundaries);
  const result = score(paper, given, boundaries, plan.rounding);
  const answers = await currentAnswers(read, attemptId);
  const name = called?.name ?? '';
  const rangeText = fillIn(boundaries.ranges[result.range]?.text ?? '', {
    score: result.shown.marks,
    total: result.shown.of,
    percent: `${result.shown.percent} %`,
    name,
    'weakest section': bySuccess(result.sections, min),
    'best section': bySuccess(result.sections, max),
  });
  const items = paperQuestions(paper).map((item): ResultQuestion => {
    const keyed = keyedSlots(item.question);
    const own = ownNames(found.attempt.secret, item.id);
    const slots = placedSlots(item.question).map(({ id, letter, slot }): ResultSlot => {
      const mark = present.find((m) => m.item === item.id && m.slot === id);
      return {
        id,
        letter,
        marks: mark?.marks ?? '0',
        of: stored(item.worth.get(id) ?? item.marks),
        trace: seesAll || shows.key ? (mark?.trace ?? []) : traceWithoutKey(mark?.trace ?? []),
        feedback: mark?.feedback ?? '',
        remark: mark?.remark ?? '',
        key: shows.key ? keyWords(keyed.get(id) ?? slot) : null,
      };
    });
    const earned = [...(given.get(item.id)?.values() ?? [])].reduce((a, b) => (b ? a.add(b) : a), item.marks.mul(0));
    return {
      id: item.id,
      number: item.number,
      marks: stored(earned),
      dropped: item.dropped,
      of: stored(item.marks),
      sheet: ownSheet(item.question, own),
      responses: ownResponses(item.question, answers[item.id] ?? {}, own),
      slots,
      explanation: shows.explanation && plainText(item.question.explanation) !== '' ? item.question.explanation : null,
    };
  });
  return ok({
    sitting: row.id,
    title: row.title,
    name,
    marks: result.shown.marks,
    of: result.shown.of,
    percent: result.shown.percent,
    passed: result.passed,
    passPercent: shown(exact(boundaries.passPercent)),
    grade: result.grade,
    rangeText,
    sections: result.sections.map((s, i) => ({
      title: s.title,
      marks: shown(s.marks),
      of: shown(s.of),
      passed: s.passed,
      passPercent: paper.sections[i]?.passPercent ?? null,
    })),
    revisedAt: await revisedAt(ctx, row.id),
    waitsUntil: waits ? row.closesAt : null,
    items: shows.marks && !waits ? items : [],
  });
}
