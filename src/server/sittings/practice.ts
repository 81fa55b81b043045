import { and, eq } from 'drizzle-orm';
import { z } from 'zod';
import { ownResponses } from '@/core/bank/own-names';
import { keyedSlots } from '@/core/bank/variant';
import { ok, type Result, refuse } from '@/core/base/result';
import type { Content } from '@/core/content/document';
import { plainText } from '@/core/content/plain';
import { type PaperQuestion, paperQuestions } from '@/core/exams/paper';
import type { ExamPlan, Practice } from '@/core/exams/plan';
import { both, NOTHING, seenAt, type Visible } from '@/core/exams/sees';
import { kindOf } from '@/core/kinds/registry';
import { readResponse, storedResponse } from '@/core/kinds/response';
import { may } from '@/core/people/may';
import { isOver } from '@/core/sittings/attempt';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import type { Reader } from '../db/database';
import { checks } from '../db/schema/attempts';
import type { FirstMark } from '../marking/first-marks';
import { type ResultSlot, slotsSeen } from '../results/slots-seen';
import { currentAnswers, findAttempt } from './attempts';
import { hearBeforeMarking } from './heard';
import { ownNames } from './own-names';
import { paperOf } from './pinned';
import { inStages } from './stages';

/** What a student is told of a question that was checked while writing. */
export interface Checked {
  slots: ResultSlot[];
  explanation: Content | null;
  /** How often it can be checked again; null for as often as is wanted. */
  left: number | null;
  /** Its answer stays as it is: there are no tries left, or the key was looked at. */
  closed: boolean;
  /** For another try: the answers without what is wrong in them, by slot, where a part can be right. */
  again: Record<string, unknown>;
}

type CheckRow = typeof checks.$inferSelect;

const isClosed = ({ tries, keyAt }: Pick<CheckRow, 'tries' | 'keyAt'>, { tries: most }: Practice): boolean =>
  keyAt !== null || (most !== null && tries >= most);

const input = z.object({ item: z.string().max(40), key: z.boolean() });

/** Checks a question of an attempt that is being written, or shows its key; as far as the exam lets it. The same answers are not counted twice. */
export async function checkQuestion(ctx: Context, id: string, raw: unknown): Promise<Result<Checked>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { item: itemId, key } = parsed.value;
  const { read } = ctx.db;
  const found = await findAttempt(read, id, ctx.now);
  if (!found) return NOT_FOUND;
  if (!may(ctx.actor, 'write attempt', found)) return FORBIDDEN;
  const { plan, paper } = await paperOf(read, found.attempt);
  const item = paperQuestions(paper).find((one) => one.id === itemId);
  const { practice } = plan;
  if (!practice || !item || (key && !practice.key)) return FORBIDDEN;
  const stages = await inStages(read, found);
  const state = stages ? stages.stateOf(itemId) : found.state;
  if (!state || isOver(state, ctx.now)) return refuse('door-over');
  await hearBeforeMarking(ctx, found.attempt, itemId);
  const [before] = await read
    .select()
    .from(checks)
    .where(and(eq(checks.attempt, id), eq(checks.item, itemId)));
  // What is said of the whole question, such as to come back to it, is no answer.
  const { '': _, ...given } = (await currentAnswers(read, id))[itemId] ?? {};
  const answers = JSON.stringify(given);
  if (before) {
    // Whoever has no tries left may still look at the key, once.
    const settled = key ? before.keyAt !== null : before.answers === answers || isClosed(before, practice);
    if (settled) return ok(before.told as Checked);
  }
  const { seed, sitting, without } = found.attempt;
  const { marks } = await ctx.marker.mark({ database: ctx.db.url, id, seed, sitting, without, only: itemId });
  const tries = (before?.tries ?? 0) + (key ? 0 : 1);
  const keyAt = key ? ctx.now : (before?.keyAt ?? null);
  const told = whatIsTold({ plan, item, given, marks, secret: found.attempt.secret, practice, tries, keyAt });
  const row = { tries, keyAt, answers, told, at: ctx.now };
  return ctx.db.transaction(async (tx) => {
    const [now] = await tx
      .select()
      .from(checks)
      .where(and(eq(checks.attempt, id), eq(checks.item, itemId)));
    // Somebody was faster, perhaps the same student on another device: theirs counts.
    if ((now?.tries ?? 0) !== (before?.tries ?? 0) || (now?.keyAt ?? null) !== (before?.keyAt ?? null))
      return ok(now?.told as Checked);
    await tx
      .insert(checks)
      .values({ attempt: id, item: itemId, ...row })
      .onConflictDoUpdate({ target: [checks.attempt, checks.item], set: row });
    return ok(told);
  });
}

interface Telling extends Pick<CheckRow, 'tries' | 'keyAt'> {
  plan: ExamPlan;
  item: PaperQuestion;
  given: Readonly<Record<string, unknown>>;
  marks: readonly FirstMark[];
  secret: string;
  practice: Practice;
}

function whatIsTold({ plan, item, given, marks, secret, practice, tries, keyAt }: Telling): Checked {
  const keyShown: Visible = keyAt === null ? NOTHING : { ...NOTHING, key: true, explanation: true };
  const visible = both(seenAt(plan.sees, 'at once'), keyShown);
  const { explanation } = item.question;
  const closed = isClosed({ tries, keyAt }, practice);
  return {
    slots: slotsSeen(item, marks, visible),
    explanation: visible.explanation && plainText(explanation) !== '' ? explanation : null,
    left: practice.tries === null ? null : Math.max(0, practice.tries - tries),
    closed,
    again: closed || !(visible.right || visible.marks) ? {} : whatStays(item, given, secret),
  };
}

/** Answers without what is wrong in them, in the names of the attempt. */
function whatStays(
  item: PaperQuestion,
  given: Readonly<Record<string, unknown>>,
  secret: string,
): Record<string, unknown> {
  const keyed = keyedSlots(item.question);
  const stay = [...keyed].flatMap(([id, { kind: name, setup }]) => {
    const kind = kindOf(name);
    const read = kind.partly ? readResponse(kind, given[id]) : null;
    return read && kind.partly ? [[id, storedResponse(kind, kind.partly.right(setup, read.response))]] : [];
  });
  return ownResponses(item.question, Object.fromEntries(stay), ownNames(secret, item.id));
}

/** What was told of the questions of an attempt, by question. */
export async function toldOf(read: Reader, attempt: string): Promise<Record<string, Checked>> {
  const rows = await read.select().from(checks).where(eq(checks.attempt, attempt));
  return Object.fromEntries(rows.map(({ item, told }) => [item, told as Checked]));
}

/** The questions of an attempt whose answers stay as they are. */
export async function closedIn(
  read: Reader,
  attempt: string,
  practice: Practice | undefined,
): Promise<ReadonlySet<string>> {
  if (!practice) return new Set();
  const rows = await read.select().from(checks).where(eq(checks.attempt, attempt));
  return new Set(rows.filter((row) => isClosed(row, practice)).map(({ item }) => item));
}
