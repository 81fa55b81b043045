import { inArray } from 'drizzle-orm';
import { z } from 'zod';
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
import { examReadiness, expectedMinutes, shareOf } from '@/core/exams/readiness';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN, parse } from '../context';
import { visibleBanks } from '../bank/access';
import { questions } from '../db/schema/bank';
import { type RoomSection, roomSections } from '../sittings/room';
import { withinReach } from './reach';
import { filledPlan } from './sought';

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
  /** How many questions each draw that seeks finds now. */
  found: Record<string, number>;
}

const input = z.object({ plan: examForm.schema, course: z.string().nullable() });

/** A plan with everything that follows from it. */
export async function examView(ctx: Context, raw: unknown): Promise<Result<ExamView>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { plan, course } = parsed.value;
  if (!may(ctx.actor, 'build exams', null) || !(await withinReach(ctx, plan))) return FORBIDDEN;
  const filled = await filledPlan(ctx, plan, course);
  const { revisions, sought } = filled;
  const pinned = unmended(filled.plan, revisions);
  const pool = poolOf(pinned);
  const placed = plan.sections.flatMap((s) => s.items);
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
    section.items.reduce(
      (all, { id, marks, worth }) => all + expectedMinutes(marks, worth.size) * shareOf(filled.plan, id),
      0,
    );
  const seeking = plan.sections.flatMap(({ draws }) => draws.filter(({ seeks }) => seeks));
  const taken = seeking.reduce((n, { take }) => n + take, 0);
  return ok({
    items,
    sections: Object.fromEntries(
      pool.sections.map((s) => [s.id, { marks: stored(s.most), minutes: Math.ceil(minutesOf(s)) }]),
    ),
    marks: stored(pool.most),
    minutes,
    ready: ready - sought.size + taken,
    questions: placed.length + taken,
    // Whatever a draw finds is ready; what else would help is said at the question.
    findings: findings.filter(({ at }) => !sought.has(String(at[1]))),
    found: filled.found,
  });
}

export interface TrialPaper {
  title: string;
  instructions: string;
  sections: RoomSection[];
}

/** The paper as a student would get it; nothing is written. */
export async function trialPaper(ctx: Context, raw: unknown, seed: number): Promise<Result<TrialPaper>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { plan, course } = parsed.value;
  if (!may(ctx.actor, 'build exams', null) || !(await withinReach(ctx, plan))) return FORBIDDEN;
  const filled = await filledPlan(ctx, plan, course);
  const paper = assemble(unmended(filled.plan, filled.revisions), seed);
  return ok({
    title: plan.title,
    instructions: plan.instructions,
    sections: roomSections(paper, ({ question, seed: own }) => questionSheet(question, own)),
  });
}
