import { and, asc, eq } from 'drizzle-orm';
import { ownResponses, ownSheet } from '@/core/bank/own-names';
import { rubricOf, type Slot } from '@/core/bank/question';
import type { QuestionSheet } from '@/core/bank/sheet';
import { shown, stored } from '@/core/base/exact';
import { ok, type Result } from '@/core/base/result';
import { paperQuestions } from '@/core/exams/paper';
import { EVERYTHING } from '@/core/exams/sees';
import type { Context } from '../context';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { participantName } from '../people/participants';
import { readDepartment } from '../people/policy';
import { type ResultSlot, slotsSeen } from '../results/slots-seen';
import { COUNTS, currentAnswers } from '../sittings/attempts';
import { ownNames } from '../sittings/own-names';
import { paperOf } from '../sittings/pinned';
import { attemptToMark } from './attempt-to-mark';
import { marksAsSeen } from './as-seen';
import { currentMarks } from './current-marks';
import type { DeskMark } from './probes';
import { remarksOf } from './remarks';
import { shareIn } from './share';

/** A slot of a script with its mark. */
export interface ScriptSlot extends ResultSlot {
  /** The mark that stands, by its place in the history; null where there is none. */
  mark: number | null;
  /** Whether it is marked by typing marks: it came to a person, and has no rubric. */
  typed: boolean;
}

export interface ScriptQuestion {
  id: string;
  number: string;
  of: string;
  sheet: QuestionSheet;
  responses: Record<string, unknown>;
  slots: ScriptSlot[];
}

/** A student's exam as a whole, with the marks at its edge. */
export interface Script {
  attempt: string;
  sitting: string;
  title: string;
  script: number;
  /** Null while names are hidden. */
  name: string | null;
  of: string;
  questions: ScriptQuestion[];
  before: string | null;
  after: string | null;
}

const byRubric = (slot: Slot | undefined): boolean => slot !== undefined && rubricOf(slot) !== undefined;

/** One script, read through from its first question to its last, for whoever marks it. */
export async function openScript(ctx: Context, attemptId: string): Promise<Result<Script>> {
  const found = await attemptToMark(ctx, attemptId);
  if (!found.ok) return found;
  const { attempt } = found.value;
  const { read } = ctx.db;
  const [row] = await read.select({ title: sittings.title }).from(sittings).where(eq(sittings.id, attempt.sitting));
  const [called] = await read.select({ name: participantName }).from(attempts).where(eq(attempts.id, attemptId));
  const { policy } = await readDepartment(read);
  const { paper } = await paperOf(read, attempt);
  const share = await shareIn(ctx, attempt.sitting, false);
  const standing = await currentMarks(read, { attempt: attemptId });
  const present = await marksAsSeen(ctx, attempt.sitting, standing);
  const markOf = (marks: readonly DeskMark[], item: string, slot: string): DeskMark | undefined =>
    marks.find((one) => one.item === item && one.slot === slot);
  const said = (await remarksOf(read, [attemptId], { viewer: ctx.actor.id })).filter(({ item, slot, own }) => {
    const mark = markOf(present, item, slot);
    // What is said of an answer whose mark is not in sight, or not to be known, is not either.
    return mark ? own || !mark.probe : !markOf(standing, item, slot);
  });
  const answers = await currentAnswers(read, attemptId);
  const beside = await scriptsIn(ctx, attempt.sitting);
  const at = beside.indexOf(attemptId);
  return ok({
    attempt: attemptId,
    sitting: attempt.sitting,
    title: row?.title ?? '',
    script: attempt.script,
    name: policy.namesHidden ? null : (called?.name ?? ''),
    of: shown(paper.marks),
    questions: paperQuestions(paper).map((item) => {
      const own = ownNames(attempt.secret, item.id);
      return {
        id: item.id,
        number: item.number,
        of: stored(item.marks),
        sheet: ownSheet(item.question, own),
        responses: ownResponses(item.question, answers[item.id] ?? {}, own),
        slots: slotsSeen(item, present, EVERYTHING, { wholeTrace: true, said }).map((slot): ScriptSlot => {
          const mark = markOf(present, item.id, slot.id);
          const persons = mark !== undefined && (mark.marks === null || mark.by !== null);
          const mine =
            mark !== undefined && (mark.probe !== undefined || share.mine({ ...mark, script: attempt.script }));
          return {
            ...slot,
            mark: mark?.id ?? null,
            typed: persons && mine && !byRubric(item.question.slots[slot.id]),
          };
        }),
      };
    }),
    before: beside[at - 1] ?? null,
    after: beside[at + 1] ?? null,
  });
}

/** The scripts of a sitting in their order. */
async function scriptsIn({ db }: Context, sitting: string): Promise<string[]> {
  const rows = await db.read
    .select({ id: attempts.id })
    .from(attempts)
    .where(and(eq(attempts.sitting, sitting), COUNTS))
    .orderBy(asc(attempts.script));
  return rows.map(({ id }) => id);
}
