import { eq } from 'drizzle-orm';
import type { CalculatorKind } from '@/core/aids/calculator';
import { ownResponses, ownSheet } from '@/core/bank/own-names';
import type { QuestionSheet } from '@/core/bank/sheet';
import { stored } from '@/core/base/exact';
import { ok, type Result } from '@/core/base/result';
import type { Content } from '@/core/content/document';
import { firstWords } from '@/core/content/plain';
import { type Paper, type PaperQuestion, paperQuestions } from '@/core/exams/paper';
import type { ExamPlan, Gloss, Practice } from '@/core/exams/plan';
import type { StudentWords } from '@/core/exams/student-words';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN, NOT_FOUND } from '../context';
import { sittings } from '../db/schema/exams';
import { entitledOf } from '../people/provisions';
import { type Answers, type AttemptInTime, currentAnswers, findAttempt, type Rest } from './attempts';
import { type Notice, unreadNotice } from './notices';
import { type RoomHints, roomHints } from './hints';
import { ownNames } from './own-names';
import { paperOf } from './pinned';
import { type Checked, toldOf } from './practice';
import { type InStages, inStages } from './stages';

/** A question on the paper as the student gets it. */
export interface RoomQuestion {
  id: string;
  number: string;
  /** First words of the question, never its working title. */
  label: string;
  marks: string;
  bonus: boolean;
  sheet: QuestionSheet;
}

export interface RoomSection {
  letter: string;
  title: string;
  instructions: string;
  marks: string;
  items: RoomQuestion[];
}

/** The server's clock and what it says of the attempt; comes with every reply to the room. */
export interface RoomClock {
  now: number;
  startedAt: number;
  deadline: number;
  handedInAt: number | null;
  /** Since when the time stands still; null while it runs. */
  pausedAt: number | null;
  /** Breaks that the student may take; null for those who may not. */
  rest: Rest | null;
  /** The stage of the paper that it is at; null where one may move freely. */
  stage: RoomStage | null;
  /** Why a teacher set this attempt aside; null when none did. */
  aside: string | null;
  /** What the teacher has said and the student not yet read. */
  notice: Notice | null;
}

/** A stage as the room knows it. */
export interface RoomStage {
  id: string;
  /** The first, the second … of so many. */
  number: number;
  of: number;
  /** From when to when it lasts, where it has a time of its own. */
  own: { from: number; to: number } | null;
}

const stageOf = ({ all, present, own }: InStages): RoomStage => ({
  id: present.id,
  number: all.indexOf(present) + 1,
  of: all.length,
  own,
});

export const clockOf = (
  { attempt, state, pausedAt, rest }: AttemptInTime,
  now: number,
  stages: InStages | null,
): RoomClock => ({
  now,
  ...state,
  pausedAt,
  rest: attempt.breakMinutes > 0 ? rest : null,
  stage: stages && stageOf(stages),
  aside: attempt.asideAt === null ? null : attempt.asideReason,
  notice: unreadNotice(attempt),
});

export interface Room {
  attempt: string;
  sitting: string;
  title: string;
  /** What is written after it in a row; null when nothing is. */
  then: { sitting: string; title: string } | null;
  instructions: string;
  pages: ExamPlan['pages'];
  confirmHandIn: boolean;
  /** The room of the young, with or without a clock; null for that of everybody. */
  young: ExamPlan['young'] | null;
  /** What the student is entitled to. */
  largePrint: boolean;
  readAloud: boolean;
  /** The aids that are allowed; null for each that is not. */
  calculator: CalculatorKind | null;
  formulas: Content | null;
  /** Words that are explained to the student. */
  glosses: Gloss[];
  marks: string;
  sections: RoomSection[];
  answers: Answers;
  /** How answers can be checked while they are written; null when they cannot. */
  practice: Practice | null;
  /** Several write in it: what the others write comes as they write it. */
  shared: boolean;
  /** The hints of questions that have some, where they can be asked for. */
  hints: Record<string, RoomHints>;
  /** Words of this exam's own. */
  words: StudentWords;
  /** What was told of questions that were checked. */
  checked: Record<string, Checked>;
  clock: RoomClock;
}

/** The paper as sheets: what a student may see of it. */
export function roomSections(paper: Paper, sheetOf: (item: PaperQuestion) => QuestionSheet): RoomSection[] {
  return paper.sections.map(({ letter, title, instructions, items, marks }) => ({
    letter,
    title,
    instructions,
    marks: stored(marks),
    items: items.map((item) => {
      const { id, number, marks: worth, bonus, question } = item;
      return {
        id,
        number,
        label: firstWords(question.content, 40),
        marks: stored(worth),
        bonus,
        sheet: sheetOf(item),
      };
    }),
  }));
}

/** Of a paper what is given to the room now: of what comes later, and of what was left for good, nothing. */
function onlyItems(paper: Paper, ids: readonly string[]): Paper {
  const sections = paper.sections.map((section) => ({
    ...section,
    items: section.items.filter(({ id }) => ids.includes(id)),
  }));
  return { ...paper, sections: sections.filter(({ items }) => items.length > 0) };
}

/** Answers in the names of the attempt's own sheet. */
export function readableAnswers(paper: Paper, answers: Answers, secret: string): Answers {
  return Object.fromEntries(
    paperQuestions(paper).map(({ id, question }) => [
      id,
      ownResponses(question, answers[id] ?? {}, ownNames(secret, id)),
    ]),
  );
}

/** Everything that a student's room needs: sheets without keys, the answers so far, the clock. What was handed in cannot be read here any more. */
export async function openRoom(ctx: Context, attemptId: string): Promise<Result<Room>> {
  const found = await findAttempt(ctx.db.read, attemptId, ctx.now);
  if (!found) return NOT_FOUND;
  if (!may(ctx.actor, 'write attempt', found)) return FORBIDDEN;
  const { secret } = found.attempt;
  const over = found.state.handedInAt !== null;
  const { plan, paper } = await paperOf(ctx.db.read, found.attempt);
  const stages = await inStages(ctx.db.read, found);
  const { largePrint, readAloud, glosses } = (await entitledOf(ctx.db.read, ctx.actor.id, ctx.now))(
    found.attempt.sitting,
  );
  const given = stages ? onlyItems(paper, stages.present.items) : paper;
  const [sitting] = await ctx.db.read
    .select({ title: sittings.title })
    .from(sittings)
    .where(eq(sittings.id, found.attempt.sitting));
  const [next] = await ctx.db.read
    .select({ sitting: sittings.id, title: sittings.title })
    .from(sittings)
    .where(eq(sittings.after, found.attempt.sitting));
  return ok({
    attempt: attemptId,
    sitting: found.attempt.sitting,
    title: sitting?.title ?? plan.title,
    then: next ?? null,
    instructions: plan.instructions,
    pages: plan.young ? 'question' : plan.pages,
    young: plan.young ?? null,
    confirmHandIn: plan.confirmHandIn,
    largePrint,
    readAloud: readAloud || plan.young !== undefined,
    calculator: plan.calculator ?? null,
    formulas: plan.formulas ?? null,
    glosses: glosses ? (plan.glosses ?? []) : [],
    marks: stored(paper.marks),
    sections: over ? [] : roomSections(given, ({ id, question }) => ownSheet(question, ownNames(secret, id))),
    answers: over ? {} : readableAnswers(given, await currentAnswers(ctx.db.read, attemptId), secret),
    practice: plan.practice ?? null,
    hints: plan.hints && !over ? await roomHints(ctx.db.read, attemptId, given) : {},
    words: plan.words ?? {},
    shared: found.participant.is === 'group',
    checked: plan.practice && !over ? await toldOf(ctx.db.read, attemptId) : {},
    clock: clockOf(found, ctx.now, stages),
  });
}
