import { inArray } from 'drizzle-orm';
import { questionSheet } from '@/core/bank/sheet';
import { titleOf } from '@/core/bank/summary';
import { checkQuestion } from '@/core/bank/checks';
import { isReady } from '@/core/bank/readiness';
import { stored } from '@/core/base/exact';
import { ok, type Result } from '@/core/base/result';
import type { Finding } from '@/core/base/finding';
import { assemble, unmended } from '@/core/exams/paper';
import { examForm, revisionKey } from '@/core/exams/plan';
import { poolQuestions, poolOf, type PoolSection } from '@/core/exams/pool';
import { examReadiness, expectedMinutes } from '@/core/exams/readiness';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN, parse } from '../context';
import { visibleBanks } from '../bank/access';
import { questions } from '../db/schema/bank';
import { type RoomSection, roomSections } from '../sittings/room';
import { withinReach } from './reach';
import { revisionsOf } from './revisions';

/** What the exam desk shows of a placed question. */
export interface PlacedQuestion {
  title: string;
  kinds: string;
  marks: string;
  minutes: number;
  ready: boolean;
  /** A newer revision than the one placed; null when it is the newest. */
  newer: number | null;
  /** Whether the reader may open it in its bank. */
  open: boolean;
}

export interface ExamView {
  items: Record<string, PlacedQuestion>;
  sections: Record<string, { marks: string; minutes: number }>;
  marks: string;
  minutes: number;
  ready: number;
  questions: number;
  findings: Finding[];
}

/** A plan with everything that follows from it. */
export async function examView(ctx: Context, rawPlan: unknown): Promise<Result<ExamView>> {
  const plan = parse(examForm.schema, rawPlan);
  if (!plan.ok) return plan;
  if (!may(ctx.actor, 'build exams', null) || !(await withinReach(ctx, plan.value))) return FORBIDDEN;
  const revisions = await revisionsOf(ctx.db.read, plan.value);
  const pinned = unmended(plan.value, revisions);
  const pool = poolOf(pinned);
  const placed = plan.value.sections.flatMap((s) => s.items);
  const heads = await ctx.db.read
    .select({ id: questions.id, revision: questions.revision, bank: questions.bank, kinds: questions.kinds })
    .from(questions)
    .where(
      inArray(
        questions.id,
        placed.map((p) => p.question),
      ),
    );
  const banks = new Set((await visibleBanks(ctx)).map(({ id }) => id));
  const items: ExamView['items'] = {};
  for (const item of poolQuestions(pool)) {
    const place = placed.find((p) => p.id === item.id);
    const head = heads.find((h) => h.id === place?.question);
    const body = place && revisions.get(revisionKey(place.question, place.revision));
    if (!place || !body) continue;
    items[item.id] = {
      title: titleOf(body),
      kinds: head?.kinds ?? '',
      marks: stored(item.marks),
      minutes: expectedMinutes(item.marks, item.worth.size),
      ready: isReady(checkQuestion(body).findings),
      open: head !== undefined && banks.has(head.bank),
      newer: head && head.revision > place.revision ? head.revision : null,
    };
  }
  const { findings, ready, minutes } = examReadiness(pinned);
  const minutesOf = (section: PoolSection): number =>
    section.items.reduce((sum, { id }) => sum + (items[id]?.minutes ?? 0), 0);
  return ok({
    items,
    sections: Object.fromEntries(pool.sections.map((s) => [s.id, { marks: stored(s.most), minutes: minutesOf(s) }])),
    marks: stored(pool.most),
    minutes,
    ready,
    questions: placed.length,
    findings,
  });
}

export interface TrialPaper {
  title: string;
  instructions: string;
  sections: RoomSection[];
}

/** The paper as a student would get it; nothing is written. */
export async function trialPaper(ctx: Context, rawPlan: unknown, seed: number): Promise<Result<TrialPaper>> {
  const plan = parse(examForm.schema, rawPlan);
  if (!plan.ok) return plan;
  if (!may(ctx.actor, 'build exams', null) || !(await withinReach(ctx, plan.value))) return FORBIDDEN;
  const revisions = await revisionsOf(ctx.db.read, plan.value);
  const paper = assemble(unmended(plan.value, revisions), seed);
  return ok({
    title: plan.value.title,
    instructions: plan.value.instructions,
    sections: roomSections(paper, ({ question, seed: own }) => questionSheet(question, own)),
  });
}
