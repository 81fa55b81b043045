import { eq, inArray } from 'drizzle-orm';
import { stored } from '@/core/base/exact';
import type { Finding } from '@/core/base/finding';
import { blueprintFindings, marksThere } from '@/core/exams/blueprint';
import { type BlueprintRow, type ExamPlan, placements } from '@/core/exams/plan';
import type { Pool } from '@/core/exams/pool';
import type { Reader } from '../db/database';
import { questions, topics } from '../db/schema/bank';

/** The marks that there are of one topic; that of questions without one is "". */
export interface BlueprintThere extends BlueprintRow {
  name: string;
}

/** The marks that a plan has, topics × demand, and what is not as its blueprint wants it. */
export async function blueprintView(
  read: Reader,
  plan: ExamPlan,
  pool: Pool,
): Promise<{ there: BlueprintThere[]; findings: Finding[] }> {
  const ids = placements(plan).map(({ item }) => item.question);
  const rows = await read
    .select({ id: questions.id, demand: questions.demand, topic: questions.topic, name: topics.name })
    .from(questions)
    .leftJoin(topics, eq(topics.id, questions.topic))
    .where(inArray(questions.id, ids));
  const there = marksThere(plan, pool, new Map(rows.map(({ id, ...asks }) => [id, asks])));
  const names = new Map(rows.map(({ topic, name }) => [topic ?? '', name ?? '']));
  return {
    there: [...there].map(([topic, { know, use, judge }]) => ({
      topic,
      name: names.get(topic) ?? '',
      know: stored(know),
      use: stored(use),
      judge: stored(judge),
    })),
    findings: plan.blueprint ? blueprintFindings(plan.blueprint, there) : [],
  };
}
