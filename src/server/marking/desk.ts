import type { Lot } from '@/core/exams/lot';
import { and, desc, eq } from 'drizzle-orm';
import { z } from 'zod';
import { type Exact, exact, stored } from '@/core/base/exact';
import { ok, type Result, refuse } from '@/core/base/result';
import { questionSheet, type QuestionSheet, sheetResponses } from '@/core/bank/sheet';
import { keyWords, placedSlots } from '@/core/bank/question';
import { keyedSlots } from '@/core/bank/variant';
import { firstWords } from '@/core/content/plain';
import { paperQuestions } from '@/core/exams/paper';
import { poolQuestions } from '@/core/exams/pool';
import { kindOf } from '@/core/kinds/registry';
import { responseWords } from '@/core/kinds/response';
import { may } from '@/core/people/may';
import { type Judgement, judge, judgementSchema, type Rubric } from '@/core/rules/rubric/rubric';
import { readNumber } from '@/core/rules/number/read';
import type { TraceStep } from '@/core/rules/marking';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import { inSitting, sittingsFor } from '../people/courses';
import type { Reader } from '../db/database';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { marks } from '../db/schema/marks';
import { courses } from '../db/schema/people';
import { COUNTS, currentAnswers, findAttempt } from '../sittings/attempts';
import { entitledIn } from '../people/provisions';
import { participantName } from '../people/participants';
import { paperOf, poolOfSitting } from '../sittings/pinned';
import { readDepartment } from '../people/policy';
import { currentMarks } from './current-marks';

/** One question of a sitting with what a person has to mark of it. */
export interface MarkingTask {
  sitting: string;
  title: string;
  course: string;
  item: string;
  number: string;
  label: string;
  /** Answers that a person marks or has marked, and how many of them still wait. */
  answers: number;
  waiting: number;
}

/** Everything that waits for a person or was marked by one in the actor's courses, by question. Only handed-in attempts count. */
export async function listMarking(ctx: Context): Promise<Result<MarkingTask[]>> {
  if (!may(ctx.actor, 'use staff rooms', null)) return FORBIDDEN;
  const { read } = ctx.db;
  const rows = await read
    .selectDistinct({ id: sittings.id, title: sittings.title, course: courses.code, opensAt: sittings.opensAt })
    .from(sittings)
    .innerJoin(courses, eq(courses.id, sittings.course))
    .innerJoin(attempts, and(eq(attempts.sitting, sittings.id), COUNTS))
    .where(await sittingsFor(ctx, 'mark answers'))
    .orderBy(desc(sittings.opensAt));
  const tasks: MarkingTask[] = [];
  for (const sitting of rows) {
    const present = await currentMarks(read, { sitting: sitting.id });
    for (const item of poolQuestions(await poolOfSitting(read, sitting.id))) {
      const mine = present.filter((m) => m.item === item.id && (m.marks === null || m.by !== null));
      if (mine.length === 0) continue;
      tasks.push({
        sitting: sitting.id,
        title: sitting.title,
        course: sitting.course,
        item: item.id,
        number: item.number,
        label: firstWords(item.question.content, 60),
        answers: mine.length,
        waiting: mine.filter((m) => m.marks === null).length,
      });
    }
  }
  return ok(tasks);
}

/** One slot of one script that a person marks. */
export interface DeskAnswer {
  attempt: string;
  script: number;
  /** Null while names are hidden. */
  name: string | null;
  /** They write in a second language. */
  secondLanguage: boolean;
  slot: string;
  letter: string;
  /** The answer in plain words. */
  answer: string;
  of: string;
  marks: string | null;
  byPerson: boolean;
  remark: string;
  /** What was found by the rubric of the slot. */
  judgement: Judgement | null;
  trace: TraceStep[];
  /** All of the student's answers to this question, to show on the sheet. */
  responses: Record<string, unknown>;
  /** The student's own sheet and key, where the numbers vary. */
  own: { sheet: QuestionSheet; key: string } | null;
}

export interface Desk {
  sitting: string;
  title: string;
  item: string;
  number: string;
  label: string;
  marks: string;
  sheet: QuestionSheet;
  /** The key of each slot in plain words. */
  keys: Record<string, string>;
  /** The rubrics of the slots that have one. */
  rubrics: Record<string, Rubric>;
  namesHidden: boolean;
  answers: DeskAnswer[];
  /** Another question of the sitting that waits; null when none does. */
  nextItem: string | null;
  /** Whether whoever marks may go on to the results. */
  seesResults: boolean;
  /** Whether they may mend what the rules have decided. */
  mends: boolean;
}

/** The answers to one question that a person marks, across all scripts. */
export async function openDesk(ctx: Context, sittingId: string, itemId: string): Promise<Result<Desk>> {
  const allowed = await inSitting(ctx, 'mark answers', sittingId);
  if (!allowed.ok) return allowed;
  const { read } = ctx.db;
  const [sitting] = await read.select({ title: sittings.title }).from(sittings).where(eq(sittings.id, sittingId));
  if (!sitting) return NOT_FOUND;
  const item = poolQuestions(await poolOfSitting(read, sittingId)).find((i) => i.id === itemId);
  if (!item) return NOT_FOUND;
  const { policy } = await readDepartment(read);
  const people = await read
    .select({
      id: attempts.id,
      script: attempts.script,
      seed: attempts.seed,
      without: attempts.without,
      name: participantName,
      participant: attempts.participant,
    })
    .from(attempts)
    .where(eq(attempts.sitting, sittingId));
  const entitled = await entitledIn(
    read,
    sittingId,
    people.map(({ participant }) => participant),
    ctx.now,
  );
  const byId = new Map(people.map((p) => [p.id, p]));
  const all = await currentMarks(read, { sitting: sittingId });
  const nextItem = all.find((m) => m.marks === null && m.item !== itemId)?.item ?? null;
  const present = all.filter((m) => m.item === itemId && (m.marks === null || m.by !== null));
  const answers: DeskAnswer[] = [];
  for (const { id, letter, slot } of placedSlots(item.question)) {
    const kind = kindOf(slot.kind);
    for (const mark of present.filter((m) => m.slot === id)) {
      const person = byId.get(mark.attempt);
      if (!person) continue;
      const responses = (await currentAnswers(read, mark.attempt))[itemId] ?? {};
      answers.push({
        attempt: mark.attempt,
        script: person.script,
        name: policy.namesHidden ? null : person.name,
        secondLanguage: entitled.get(person.participant)?.secondLanguage ?? false,
        slot: id,
        letter,
        answer: responseWords(kind, slot.setup, responses[id]) ?? asSent(responses[id]),
        of: stored(item.worth.get(id) ?? exact(0)),
        marks: mark.marks,
        byPerson: mark.by !== null,
        remark: mark.remark,
        judgement: mark.judgement,
        trace: mark.trace,
        responses: sheetResponses(item.question, responses),
        own: item.question.vary
          ? await ownView(read, { sitting: sittingId, lot: person, item: itemId, slot: id })
          : null,
      });
    }
  }
  answers.sort((a, b) => a.letter.localeCompare(b.letter) || a.script - b.script);
  return ok({
    sitting: sittingId,
    title: sitting.title,
    item: itemId,
    number: item.number,
    label: firstWords(item.question.content, 60),
    marks: stored(item.marks),
    sheet: questionSheet(item.question, null),
    keys: Object.fromEntries(
      [...keyedSlots(item.question)].map(([id, slot]) => [
        id,
        keyWords(slot) || (kindOf(slot.kind).looksFor?.(slot.setup) ?? ''),
      ]),
    ),
    rubrics: Object.fromEntries(
      placedSlots(item.question).flatMap(({ id, slot }) => (slot.rubric ? [[id, slot.rubric]] : [])),
    ),
    namesHidden: policy.namesHidden,
    nextItem,
    seesResults: (await inSitting(ctx, 'see results', sittingId)).ok,
    mends: (await inSitting(ctx, 'release results', sittingId)).ok,
    answers,
  });
}

interface OwnPlace {
  sitting: string;
  lot: Lot;
  item: string;
  slot: string;
}

/** The sheet of one attempt and the key of one slot of it. */
async function ownView(read: Reader, { sitting, lot, item, slot }: OwnPlace): Promise<DeskAnswer['own']> {
  const { paper } = await paperOf(read, { ...lot, sitting });
  const question = paperQuestions(paper).find(({ id }) => id === item)?.question;
  const found = question && keyedSlots(question).get(slot);
  return found ? { sheet: questionSheet(question, null), key: keyWords(found) } : null;
}

const given = z.object({
  attempt: z.string(),
  item: z.string(),
  slot: z.string(),
  /** As typed: 2, 1.5, 1,5, 1½, 3/4. With a judgement it is the judgement that decides. */
  marks: z.string().max(20),
  /** What was found by the rubric, whole. */
  judgement: judgementSchema.nullable().default(null),
  remark: z.string().max(3000),
});

/** Adds a person's mark for one slot to its history. */
export async function giveMark(ctx: Context, raw: unknown): Promise<Result<{ marks: string }>> {
  const parsed = parse(given, raw);
  if (!parsed.ok) return parsed;
  const { attempt, item: itemId, slot, remark, judgement } = parsed.value;
  const found = await findAttempt(ctx.db.read, attempt, ctx.now);
  if (!found) return NOT_FOUND;
  const allowed = await inSitting(ctx, 'mark answers', found.attempt.sitting);
  if (!allowed.ok) return allowed;
  if (found.state.handedInAt === null) return refuse('not-handed-in');
  if (found.attempt.asideAt !== null) return refuse('is-set-aside');
  const { paper } = await paperOf(ctx.db.read, found.attempt);
  const item = paperQuestions(paper).find((i) => i.id === itemId);
  const worth = item?.worth.get(slot);
  if (!item || !worth) return NOT_FOUND;
  const rubric = item.question.slots[slot]?.rubric;
  const earned = judgement && rubric ? judgedMarks(rubric, judgement, worth) : typedMarks(parsed.value.marks, worth);
  if (!earned.ok) return earned;
  const { value, trace } = earned.value;
  await ctx.db.transaction(async (tx) => {
    await tx.insert(marks).values({
      attempt,
      item: itemId,
      slot,
      marks: value,
      by: ctx.actor.id,
      remark,
      judgement: judgement && rubric ? judgement : null,
      feedback: '',
      at: ctx.now,
      trace,
    });
  });
  return ok({ marks: value });
}

interface Earned {
  /** Exact marks as text. */
  value: string;
  trace: TraceStep[];
}

function typedMarks(typed: string, worth: Exact): Result<Earned> {
  const reading = readNumber(typed);
  if (!reading || reading.rest !== '') return refuse('mark-not-a-number', { at: ['marks'] });
  if (reading.value.compare(0) < 0 || reading.value.compare(worth) > 0) {
    return refuse('mark-out-of-range', { at: ['marks'], values: { most: worth.toFraction(true) } });
  }
  return ok({ value: stored(reading.value), trace: [{ code: 'by-a-person' }] });
}

function judgedMarks(rubric: Rubric, judgement: Judgement, worth: Exact): Result<Earned> {
  const { share, open, trace } = judge(rubric, judgement);
  if (share === null) return refuse('criteria-open', { at: ['judgement'], values: { count: open.length } });
  return ok({ value: stored(share.mul(worth)), trace: [{ code: 'by-a-person' }, ...trace] });
}

/** An answer that cannot be read, as it was sent; nothing where there is none. */
function asSent(response: unknown): string {
  return response === undefined ? '' : JSON.stringify(response);
}
