import { eq, inArray } from 'drizzle-orm';
import { questionSheet } from '@/core/bank/sheet';
import { stored } from '@/core/base/exact';
import { ok, type Result } from '@/core/base/result';
import { comparePapers } from '@/core/exams/compare';
import type { Lot } from '@/core/exams/lot';
import { assemble, unmended } from '@/core/exams/paper';
import { placements } from '@/core/exams/plan';
import type { Context } from '../context';
import { questions, topics } from '../db/schema/bank';
import { type RoomSection, roomSections } from '../sittings/room';
import { minutesTaken } from './time-taken';
import { lookAtPlan } from './sought';

/** A paper in figures, in plain values. */
export interface SamplePaper {
  seed: number;
  questions: number;
  marks: string;
  minutes: number;
  difficulty: number;
  topics: [name: string, count: number][];
}

const MOST_SAMPLES = 50;

/** So many papers as students could get them, in figures; nothing is written. */
export async function samplePapers(
  ctx: Context,
  raw: unknown,
  count: number,
  without: readonly string[],
): Promise<Result<SamplePaper[]>> {
  const looked = await lookAtPlan(ctx, raw);
  if (!looked.ok) return looked;
  const { filled } = looked.value;
  const ids = placements(filled.plan).map(({ item }) => item.question);
  const rows = await ctx.db.read
    .select({ id: questions.id, difficulty: questions.difficulty, topic: topics.name })
    .from(questions)
    .leftJoin(topics, eq(topics.id, questions.topic))
    .where(inArray(questions.id, ids));
  const wanted = Math.max(1, Math.min(MOST_SAMPLES, Math.trunc(count)));
  const lots = Array.from({ length: wanted }, (_, i) => ({ seed: i + 1, without }));
  const known = new Map(rows.map(({ id, ...rest }) => [id, rest]));
  return ok(
    comparePapers(unmended(filled.plan, filled.revisions), known, lots, await minutesTaken(ctx.db.read, ids)).map(
      (figures) => ({
        ...figures,
        marks: stored(figures.marks),
        topics: [...figures.topics],
      }),
    ),
  );
}

export interface TrialPaper {
  title: string;
  instructions: string;
  sections: RoomSection[];
}

/** The paper as a student would get it; nothing is written. */
export async function trialPaper(ctx: Context, raw: unknown, lot: Lot): Promise<Result<TrialPaper>> {
  const looked = await lookAtPlan(ctx, raw);
  if (!looked.ok) return looked;
  const { plan, filled } = looked.value;
  const paper = assemble(unmended(filled.plan, filled.revisions), lot);
  return ok({
    title: plan.title,
    instructions: plan.instructions,
    sections: roomSections(paper, ({ question, seed: own }) => questionSheet(question, own)),
  });
}
