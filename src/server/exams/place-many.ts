import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { type Placement, placements } from '@/core/exams/plan';
import { type Context, parse } from '../context';
import { newId } from '../ports/ids';
import { createExam, freshPlan, openExam, revisionToPlace, savePlan } from './exams';

const input = z.object({ exam: z.string().nullable(), questions: z.array(z.string()).min(1).max(200) });

/** Puts questions behind those of an exam, each once, or into a new one. All of them, or none where one cannot be placed. */
export async function placeMany(
  ctx: Context,
  raw: unknown,
): Promise<Result<{ exam: string; title: string; placed: number }>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const opened = parsed.value.exam === null ? null : await openExam(ctx, parsed.value.exam);
  if (opened && !opened.ok) return opened;
  const plan = opened?.value.plan ?? (await freshPlan(ctx, 'New exam'));
  const there = new Set(placements(plan).map(({ item }) => item.question));
  const items: Placement[] = [];
  for (const question of parsed.value.questions.filter((id) => !there.has(id))) {
    const placed = await revisionToPlace(ctx, question);
    if (!placed.ok) return placed;
    items.push({ id: newId(), question, revision: placed.value.revision, marks: null, bonus: false });
  }
  const last = plan.sections.length - 1;
  if (last < 0) return refuse('not-found');
  const sections = plan.sections.map((s, i) => (i === last ? { ...s, items: [...s.items, ...items] } : s));
  const next = { ...plan, sections };
  if (!opened) {
    const created = await createExam(ctx, { title: plan.title, course: null, plan: next });
    return created.ok ? ok({ exam: created.value.id, title: plan.title, placed: items.length }) : created;
  }
  const { id, version } = opened.value;
  const saved = await savePlan(ctx, { exam: id, base: version, plan: next });
  return saved.ok ? ok({ exam: id, title: plan.title, placed: items.length }) : saved;
}
