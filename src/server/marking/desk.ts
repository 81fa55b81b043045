import { and, eq, inArray, isNull, ne } from 'drizzle-orm';
import { z } from 'zod';
import { keyWords, placedSlots, rubricOf, type Slot } from '@/core/bank/question';
import { questionSheet, type QuestionSheet, sheetResponses } from '@/core/bank/sheet';
import { keyedSlots } from '@/core/bank/variant';
import { exact, stored } from '@/core/base/exact';
import { ok, type Result } from '@/core/base/result';
import { firstWords } from '@/core/content/plain';
import type { Lot } from '@/core/exams/lot';
import { type PaperQuestion, paperQuestions } from '@/core/exams/paper';
import { poolQuestions } from '@/core/exams/pool';
import { kindOf } from '@/core/kinds/registry';
import { readResponse, responseWords } from '@/core/kinds/response';
import type { TraceStep } from '@/core/rules/marking';
import type { Judgement, Rubric } from '@/core/rules/rubric/rubric';
import { type Context, NOT_FOUND, parse } from '../context';
import type { Reader } from '../db/database';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { marks } from '../db/schema/marks';
import { inSitting } from '../people/courses';
import { readDepartment } from '../people/policy';
import { COUNTS, currentAnswersOf } from '../sittings/attempts';
import { paperOf, poolOfSitting } from '../sittings/pinned';
import { marksAsSeen } from './as-seen';
import { countingMarks, currentMarks } from './current-marks';
import { type DeskLine, linesOf } from './desk-lines';
import type { DeskMark } from './probes';
import { blindMarks, secondMarksOf } from './second-mark';
import { shareIn } from './share';
import { type KeptRemark, keptRemarksOf, type Remark, remarksOf } from './remarks';

/** One of them with everything that is looked at to mark it. */
export interface DeskAnswer extends DeskLine {
  of: string;
  /** The answer in plain words. */
  answer: string;
  /** The words of it that a remark can be about; empty where there are none. */
  words: string;
  /** What was found by the rubric of the slot. */
  judgement: Judgement | null;
  remarks: Remark[];
  trace: TraceStep[];
  /** What two people gave who marked it, and why the second did; null where one alone has. */
  both: { first: string; second: string; reason: string } | null;
  /** Of a script that was marked beforehand: what it was given then, once it is told; else null. */
  beforehand: string | null;
  /** What a second marker says to whoever settles it. */
  why: string;
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
  /** The slots in which students judged their own work. */
  selfJudged: string[];
  /** The slots whose answers come to a number that is followed over time. */
  figured: string[];
  /** Whether answers of one meaning can be told: not where everybody has numbers of their own. */
  comparable: boolean;
  namesHidden: boolean;
  lines: DeskLine[];
  /** The first of them that wait, and those after them; the others are read when they are near. */
  answers: DeskAnswer[];
  /** What was said of answers to this question before. */
  kept: KeptRemark[];
  /** They are marked a second time: what was found first is not in sight. */
  second: boolean;
  /** Whether there are answers beside these that are others' to mark, and whether one may look at them. */
  part: boolean;
  mayAll: boolean;
  /** Answers are given out as they come. */
  inTurn: boolean;
  /** Another question of the sitting that waits; null when none does. */
  nextItem: string | null;
  /** Whether whoever marks may go on to the results. */
  seesResults: boolean;
  /** Whether they may mend what the rules have decided. */
  mends: boolean;
}

/** How one looks at a desk: at all of it and not one's share alone, or to mark a second time. */
export interface Look {
  all?: boolean;
  second?: boolean;
}

/** So many answers are read at once. */
const AT_ONCE = 40;

/** The question of a sitting that is marked, for whoever may mark there. */
async function questionToMark(ctx: Context, sitting: string, itemId: string): Promise<Result<PaperQuestion>> {
  const allowed = await inSitting(ctx, 'mark answers', sitting);
  if (!allowed.ok) return allowed;
  const item = poolQuestions(await poolOfSitting(ctx.db.read, sitting)).find(({ id }) => id === itemId);
  return item ? ok(item) : NOT_FOUND;
}

/** The answers to one question that a person marks, across all scripts. */
export async function openDesk(
  ctx: Context,
  sittingId: string,
  itemId: string,
  look: Look = {},
): Promise<Result<Desk>> {
  const found = await questionToMark(ctx, sittingId, itemId);
  if (!found.ok) return found;
  const item = found.value;
  const { read } = ctx.db;
  const [sitting] = await read.select({ title: sittings.title }).from(sittings).where(eq(sittings.id, sittingId));
  if (!sitting) return NOT_FOUND;
  const { policy } = await readDepartment(read);
  const share = await shareIn(ctx, sittingId, look.all ?? false);
  const present = await presentMarks(ctx, sittingId, itemId, look, { sitting: sittingId, item: itemId });
  const lines = await linesOf(ctx, sittingId, item, present, look.second ? null : share);
  const first = Math.max(
    0,
    lines.findIndex(({ marks }) => marks === null),
  );
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
      placedSlots(item.question).flatMap(({ id, slot }) => {
        const rubric = rubricOf(slot);
        return rubric ? [[id, rubric]] : [];
      }),
    ),
    selfJudged: placedSlots(item.question).flatMap(({ id, slot }) => (kindOf(slot.kind).selfJudged ? [id] : [])),
    figured: placedSlots(item.question).flatMap(({ id, slot }) => (kindOf(slot.kind).judged?.figure ? [id] : [])),
    comparable: !item.question.vary,
    namesHidden: policy.namesHidden,
    lines,
    answers: await answersOf(ctx, {
      sitting: sittingId,
      item,
      lines: lines.slice(first, first + AT_ONCE),
      present,
      look,
    }),
    second: look.second ?? false,
    part: share.part,
    mayAll: share.mayAll,
    inTurn: share.inTurn && share.part && !look.second,
    kept: await keptRemarksOf(read, item.source),
    nextItem: await otherWaiting(read, sittingId, itemId),
    seesResults: (await inSitting(ctx, 'see results', sittingId)).ok,
    mends: (await inSitting(ctx, 'release results', sittingId)).ok,
  });
}

const wanted = z.object({
  sitting: z.string(),
  item: z.string(),
  second: z.boolean().default(false),
  all: z.boolean().default(false),
  of: z.array(z.object({ attempt: z.string(), slot: z.string() })).max(AT_ONCE),
});

/** Some answers of a desk, with everything that is looked at to mark them, as they stand now. */
export async function readAnswers(
  ctx: Context,
  raw: unknown,
): Promise<Result<{ sheet: QuestionSheet; answers: DeskAnswer[] }>> {
  const parsed = parse(wanted, raw);
  if (!parsed.ok) return parsed;
  const { sitting, item: itemId, of, second, all } = parsed.value;
  const look = { second, all };
  const found = await questionToMark(ctx, sitting, itemId);
  if (!found.ok) return found;
  const { read } = ctx.db;
  const places = new Set(of.map(({ attempt, slot }) => `${attempt} ${slot}`));
  const scripts = await read
    .select({ id: attempts.id })
    .from(attempts)
    .where(
      and(
        eq(attempts.sitting, sitting),
        COUNTS,
        inArray(
          attempts.id,
          of.map(({ attempt }) => attempt),
        ),
      ),
    );
  const present = await presentMarks(ctx, sitting, itemId, look, { attempts: scripts.map(({ id }) => id) });
  const share = await shareIn(ctx, sitting, all);
  const lines = await linesOf(ctx, sitting, found.value, present, second ? null : share);
  const near = lines.filter(({ attempt, slot }) => places.has(`${attempt} ${slot}`));
  return ok({
    sheet: questionSheet(found.value.question, null),
    answers: await answersOf(ctx, { sitting, item: found.value, lines: near, present, look }),
  });
}

/** Lines of a desk with their answers. */
interface Wanted {
  sitting: string;
  item: PaperQuestion;
  lines: readonly DeskLine[];
  present: readonly DeskMark[];
  look: Look;
}

async function answersOf(ctx: Context, { sitting, item, lines, present, look }: Wanted): Promise<DeskAnswer[]> {
  const { read } = ctx.db;
  const ids = [...new Set(lines.map(({ attempt }) => attempt))];
  const given = await currentAnswersOf(read, ids, [item.id]);
  const said = await remarksOf(read, ids, { item: item.id, viewer: ctx.actor.id });
  const seconds = await secondMarksOf(read, item.id, ids);
  const rows = item.question.vary ? await lotsOf(read, ids) : null;
  const answers: DeskAnswer[] = [];
  for (const line of lines) {
    const { attempt, slot: id } = line;
    const slot = item.question.slots[id];
    const mark = present.find((one) => one.attempt === attempt && one.slot === id);
    if (!slot || !mark) continue;
    const responses = given.get(attempt)?.[item.id] ?? {};
    const lot = rows?.get(attempt);
    const blind = look.second === true || mark.probe !== undefined;
    const second = seconds.find((one) => one.attempt === attempt && one.slot === id);
    answers.push({
      ...line,
      of: stored(item.worth.get(id) ?? exact(0)),
      words: wordsOf(slot, responses[id]),
      answer: responseWords(kindOf(slot.kind), slot.setup, responses[id]) ?? asSent(responses[id]),
      judgement: mark.judgement,
      // Whoever marks what somebody else has marked sees what they said themselves and nothing else.
      remarks: said.filter((one) => one.attempt === attempt && one.slot === id && (one.own || !blind)),
      both: blind ? null : bothOf(second),
      beforehand: mark.probe?.beforehand ?? null,
      why: look.second ? (second?.reason ?? '') : '',
      trace: mark.trace,
      responses: sheetResponses(item.question, responses),
      own: lot ? await ownView(read, { sitting, lot, item: item.id, slot: id }) : null,
    });
  }
  return answers;
}

function wordsOf({ kind: name }: Slot, raw: unknown): string {
  const kind = kindOf(name);
  const read = readResponse(kind, raw);
  return read ? (kind.judged?.text?.(read.response) ?? '') : '';
}

function bothOf(second: { first: string; marks: string; reason: string } | undefined): DeskAnswer['both'] {
  return second ? { first: second.first, second: second.marks, reason: second.reason } : null;
}

/** The marks of a question that count; for a second marker, without what they were. */
async function presentMarks(
  ctx: Context,
  sitting: string,
  item: string,
  { second }: Look,
  which: Parameters<typeof currentMarks>[1],
): Promise<DeskMark[]> {
  const present = (await currentMarks(ctx.db.read, which)).filter((mark) => mark.item === item);
  if (second) return blindMarks(ctx, sitting, item, present);
  return marksAsSeen(ctx, sitting, present);
}

/** What decides the numbers of each attempt. */
async function lotsOf(read: Reader, ids: readonly string[]): Promise<Map<string, Lot>> {
  const rows = await read
    .select({ id: attempts.id, seed: attempts.seed, without: attempts.without })
    .from(attempts)
    .where(inArray(attempts.id, [...ids]));
  return new Map(rows.map(({ id, ...lot }) => [id, lot]));
}

/** Another question of the sitting with answers that wait; null when there is none. */
async function otherWaiting(read: Reader, sitting: string, item: string): Promise<string | null> {
  const here = inArray(
    marks.attempt,
    read
      .select({ id: attempts.id })
      .from(attempts)
      .where(and(eq(attempts.sitting, sitting), COUNTS)),
  );
  const [row] = await read
    .select({ item: marks.item })
    .from(marks)
    .where(and(inArray(marks.id, countingMarks(read, here)), isNull(marks.marks), ne(marks.item, item)))
    .limit(1);
  return row?.item ?? null;
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

/** An answer that cannot be read, as it was sent; nothing where there is none. */
function asSent(response: unknown): string {
  return response === undefined ? '' : JSON.stringify(response);
}
