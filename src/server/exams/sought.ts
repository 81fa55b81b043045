import { and, desc, eq, inArray, notInArray, sql } from 'drizzle-orm';
import { z } from 'zod';
import { readStored } from '@/core/base/stored-form';
import { type QuestionBody, questionForm } from '@/core/bank/question';
import { ok, type Result } from '@/core/base/result';
import type { Revisions } from '@/core/exams/paper';
import {
  type Draw,
  examForm,
  type ExamPlan,
  MOST_SOUGHT,
  placements,
  revisionKey,
  type Sought,
  withSought,
} from '@/core/exams/plan';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN, parse } from '../context';
import { visibleBanks } from '../bank/access';
import { heldIn } from '../bank/held';
import { searchIds } from '../bank/search';
import { questions } from '../db/schema/bank';
import { coursesFor } from '../people/courses';
import { revisionToPlace } from './exams';
import { withinReach } from './reach';
import { revisionsOf } from './revisions';

/** A question that a draw finds. */
interface Found {
  id: string;
  difficulty: number;
  body: QuestionBody;
}

/** A plan whose draws have found their questions, with the bodies of all that it places. */
export interface FilledPlan {
  plan: ExamPlan;
  revisions: Revisions;
  /** How many each draw finds. */
  found: Record<string, number>;
  /** Draws whose questions are not all of one difficulty. */
  unequal: ReadonlySet<string>;
  /** Questions that only draws have placed. */
  sought: ReadonlySet<string>;
}

/** So many draws of an exam seek; any more find nothing, and say so. */
const MOST_SEEKING = 40;

/** The revision that stands for a question as it is now, while nothing is scheduled. */
const AS_IT_IS = 0;

const input = z.object({
  plan: examForm.schema,
  course: z.string().nullable(),
  /** Whose plan it is; its own sittings that are still to come are not met yet. */
  exam: z.string().nullable().default(null),
});

/** A plan whose draws seek. */
interface SeekOrder {
  plan: ExamPlan;
  exam: string | null;
  /** Whose students have met some questions before; null when that is not to be told. */
  course: string | null;
}

/** A plan, and as it would be scheduled now. */
interface LookedAt {
  plan: ExamPlan;
  /** Its course, when it is the actor's. */
  course: string | null;
  /** The exam whose plan it is; null for none. */
  exam: string | null;
  filled: FilledPlan;
}

/** A plan that somebody who builds exams looks at, as it is being written, and as it would be scheduled now for the course. */
export async function lookAtPlan(ctx: Context, raw: unknown): Promise<Result<LookedAt>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { plan, course, exam } = parsed.value;
  if (!may(ctx.actor, 'build exams', null) || !(await withinReach(ctx, plan))) return FORBIDDEN;
  // What a course has met is told to those who teach it.
  const own = (await coursesFor(ctx, 'run sittings')).some(({ id }) => id === course);
  const known = own ? course : null;
  return ok({ plan, course: known, exam, filled: await filledPlan(ctx, { plan, exam, course: known }) });
}

/** The plan as it would be scheduled now. Nothing is written. */
async function filledPlan(ctx: Context, order: SeekOrder): Promise<FilledPlan> {
  const { plan } = order;
  const all = await soughtBy(ctx, order);
  const revisions = new Map(await revisionsOf(ctx.db.read, plan));
  const sought = new Map<string, Sought[]>();
  for (const [draw, questionsFound] of all) {
    for (const { id, body } of questionsFound) revisions.set(revisionKey(id, AS_IT_IS), body);
    sought.set(
      draw,
      questionsFound.map(({ id }) => ({ question: id, revision: AS_IT_IS })),
    );
  }
  const filled = withSought(plan, sought);
  const draws = filled.sections.flatMap((section) => section.draws).filter(({ id }) => sought.has(id));
  const difficulty = new Map([...all.values()].flat().map((one) => [one.id, one.difficulty]));
  const differs = (items: readonly string[]): boolean => new Set(items.map((id) => difficulty.get(id))).size > 1;
  return {
    plan: filled,
    revisions,
    found: Object.fromEntries(draws.map(({ id, items }) => [id, items.length])),
    unequal: new Set(draws.filter(({ items }) => differs(items)).map(({ id }) => id)),
    sought: new Set(draws.flatMap(({ items }) => items)),
  };
}

/** The plan with revisions of all that its draws find, cut where the draft has moved on. */
export async function scheduledPlan(ctx: Context, order: SeekOrder): Promise<Result<ExamPlan>> {
  const sought = new Map<string, Sought[]>();
  for (const [draw, questionsFound] of await soughtBy(ctx, order)) {
    const cut: Sought[] = [];
    for (const { id: question } of questionsFound) {
      const placed = await revisionToPlace(ctx, question);
      if (!placed.ok) return placed;
      cut.push({ question, revision: placed.value.revision });
    }
    sought.set(draw, cut);
  }
  return ok(withSought(order.plan, sought));
}

/** What each draw that seeks finds, in the order of the plan; a question is found once, and not where it is placed anyway. */
async function soughtBy(ctx: Context, order: SeekOrder): Promise<Map<string, Found[]>> {
  const { plan } = order;
  const taken = new Set(placements(plan).map(({ item }) => item.question));
  const all = new Map<string, Found[]>();
  const seeking = plan.sections.flatMap(({ draws }) => draws.filter(({ seeks }) => seeks));
  for (const draw of seeking.slice(0, MOST_SEEKING)) {
    const met = draw.unseen ? await metBefore(ctx, order) : [];
    const found = await findFor(ctx, draw, [...taken, ...met]);
    for (const { id } of found) taken.add(id);
    all.set(draw.id, found);
  }
  return all;
}

/** What the course has met, or will meet in a sitting that is scheduled already. */
export async function metBefore(ctx: Context, { exam, course }: Omit<SeekOrder, 'plan'>): Promise<string[]> {
  if (course === null) return [];
  return heldIn(
    ctx.db.read,
    sql`sittings.course = ${course} AND NOT (sittings.exam IS ${exam} AND sittings.opens_at > ${ctx.now})`,
  );
}

/** What the actor could place now: ready, in use, agreed where the bank asks for it; the newest first. */
async function findFor(ctx: Context, { seeks }: Draw, without: readonly string[]): Promise<Found[]> {
  const ids = await searchIds(ctx, { ...seeks, kept: 'live', ready: true });
  if (!ids.ok || ids.value.length === 0) return [];
  const banks = (await visibleBanks(ctx)).filter(({ access }) => may(ctx.actor, 'write in bank', access));
  const free = banks.filter(({ reviewRequired }) => !reviewRequired).map(({ id }) => id);
  const rows = await ctx.db.read
    .select({ id: questions.id, difficulty: questions.difficulty, draft: questions.draft })
    .from(questions)
    .where(
      and(
        inArray(questions.id, ids.value),
        notInArray(questions.id, [...without]),
        inArray(
          questions.bank,
          banks.map(({ id }) => id),
        ),
        sql`(${inArray(questions.bank, free)} OR ${eq(questions.review, 'agreed')})`,
      ),
    )
    .orderBy(desc(questions.savedAt), desc(questions.id))
    .limit(MOST_SOUGHT);
  return rows.map(({ draft, ...row }) => ({ ...row, body: readStored(questionForm, draft) }));
}
