import { eq } from 'drizzle-orm';
import { z } from 'zod';
import { authoredResponse, ownResponses, ownSheet } from '@/core/bank/own-names';
import type { QuestionSheet } from '@/core/bank/sheet';
import { stored } from '@/core/base/exact';
import { ok, type Result, refuse } from '@/core/base/result';
import { slotId } from '@/core/content/document';
import { type PaperQuestion, paperQuestions } from '@/core/exams/paper';
import { kindOf } from '@/core/kinds/registry';
import { storedResponse } from '@/core/kinds/response';
import { takesPart } from '@/core/people/participant';
import { isOutFor } from '@/core/results/release';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import { answersNow } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { currentMarks } from '../marking/current-marks';
import { type AttemptInTime, currentAnswers, findAttempt } from './attempts';
import { ownNames } from './own-names';
import { paperOf } from './pinned';

/** A question of one's own work, with what of it can still be judged. */
export interface WorkToJudge {
  id: string;
  number: string;
  of: string;
  sheet: QuestionSheet;
  responses: Record<string, unknown>;
  /** Slots that are judged now. */
  open: string[];
}

export interface OwnWork {
  title: string;
  items: WorkToJudge[];
}

/** The slots of a question that are judged after handing in. */
function judgedLater({ question }: PaperQuestion): string[] {
  return Object.entries(question.slots).flatMap(([id, { kind, setup }]) =>
    kindOf(kind).selfJudged?.afterwards(setup) ? [id] : [],
  );
}

/** What an attempt has that its student judges now: handed in, not released, and not yet marked by a person. By question. */
async function toJudge(ctx: Context, { attempt }: AttemptInTime): Promise<Map<PaperQuestion, string[]>> {
  const { read } = ctx.db;
  if (attempt.handedInAt === null || attempt.asideAt !== null) return new Map();
  const { paper } = await paperOf(read, attempt);
  const later = paperQuestions(paper).map((item) => [item, judgedLater(item)] as const);
  if (later.every(([, slots]) => slots.length === 0)) return new Map();
  const [row] = await read
    .select({ releasedAt: sittings.releasedAt, releasedTo: sittings.releasedTo })
    .from(sittings)
    .where(eq(sittings.id, attempt.sitting));
  if (!row || isOutFor(row, attempt.participant)) return new Map();
  const marked = (await currentMarks(read, { attempt: attempt.id })).filter(({ by }) => by !== null);
  const done = new Set(marked.map(({ item, slot }) => `${item} ${slot}`));
  return new Map(
    later.flatMap(([item, slots]) => {
      const open = slots.filter((slot) => !done.has(`${item.id} ${slot}`));
      return open.length === 0 ? [] : [[item, open] as const];
    }),
  );
}

/** Whether a student has something to judge in an attempt. */
export async function hasOwnWork(ctx: Context, id: string): Promise<boolean> {
  const found = await findAttempt(ctx.db.read, id, ctx.now);
  return found !== null && takesPart(ctx.actor, found.participant) && (await toJudge(ctx, found)).size > 0;
}

/** A student's own work as it was handed in, to be judged. */
export async function openOwnWork(ctx: Context, id: string): Promise<Result<OwnWork>> {
  const { read } = ctx.db;
  const found = await findAttempt(read, id, ctx.now);
  if (!found) return NOT_FOUND;
  if (!takesPart(ctx.actor, found.participant)) return FORBIDDEN;
  const [row] = await read
    .select({ title: sittings.title })
    .from(sittings)
    .where(eq(sittings.id, found.attempt.sitting));
  const answers = await currentAnswers(read, id);
  const items = [...(await toJudge(ctx, found))].map(([item, open]): WorkToJudge => {
    const own = ownNames(found.attempt.secret, item.id);
    const sheet = ownSheet(item.question, own);
    const responses = ownResponses(item.question, answers[item.id] ?? {}, own);
    return { id: item.id, number: item.number, of: stored(item.marks), sheet, responses, open };
  });
  return ok({ title: row?.title ?? '', items });
}

const given = z.object({ attempt: z.string(), item: z.string(), slot: slotId, value: z.unknown() });

/** Keeps what a student found of their own work, until a person has marked it. */
export async function judgeOwnWork(ctx: Context, raw: unknown): Promise<Result<{ savedAt: number }>> {
  const parsed = parse(given, raw);
  if (!parsed.ok) return parsed;
  const { attempt: id, item: itemId, slot, value } = parsed.value;
  const found = await findAttempt(ctx.db.read, id, ctx.now);
  if (!found) return NOT_FOUND;
  if (!takesPart(ctx.actor, found.participant)) return FORBIDDEN;
  const open = [...(await toJudge(ctx, found))].find(([item]) => item.id === itemId);
  if (!open?.[1].includes(slot)) return refuse('judged-too-late');
  const [{ question }] = open;
  const placed = question.slots[slot];
  const read = placed && authoredResponse(question, slot, value, ownNames(found.attempt.secret, itemId));
  const kind = placed && kindOf(placed.kind);
  if (!read || !kind?.accepts(placed.setup, read.response)) return refuse('bad-input');
  const kept = storedResponse(kind, read.response);
  const when = { writtenAt: ctx.now, receivedAt: ctx.now, keptAt: ctx.now };
  await ctx.db.transaction((tx) =>
    tx
      .insert(answersNow)
      .values({ attempt: id, item: itemId, slot, value: kept, device: 'afterwards', seq: 1, ...when })
      .onConflictDoUpdate({
        target: [answersNow.attempt, answersNow.item, answersNow.slot],
        set: { value: kept, ...when },
      }),
  );
  return ok({ savedAt: ctx.now });
}
