import { and, inArray, like, or } from 'drizzle-orm';
import { readStored } from '@/core/base/stored-form';
import { type ExamPlan, examForm, placements, revisionKey } from '@/core/exams/plan';
import { visibleBanks } from '../bank/access';
import type { Context } from '../context';
import { questions } from '../db/schema/bank';
import { exams } from '../db/schema/exams';
import { examsFor } from './access';

/** Whether everything that a plan places is in the actor's reach: in a bank that they see, or placed already by an exam that they may open. */
export async function withinReach(ctx: Context, plan: ExamPlan): Promise<boolean> {
  const placed = placements(plan).map(({ item }) => item);
  const banks = new Set((await visibleBanks(ctx)).map(({ id }) => id));
  const ids = [...new Set(placed.map(({ question }) => question))];
  const heads = await ctx.db.read
    .select({ id: questions.id, bank: questions.bank })
    .from(questions)
    .where(inArray(questions.id, ids));
  const seen = new Set(heads.filter(({ bank }) => banks.has(bank)).map(({ id }) => id));
  const hidden = placed.filter(({ question }) => !seen.has(question));
  if (hidden.length === 0) return true;
  const others = await ctx.db.read
    .select({ plan: exams.plan })
    .from(exams)
    .where(
      and(
        examsFor(ctx.actor),
        or(...hidden.map(({ question }) => like(exams.plan, `%"${question.replace(/[%_]/g, '')}"%`))),
      ),
    );
  const there = new Set(
    others.flatMap((row) =>
      placements(readStored(examForm, row.plan)).map(({ item }) => revisionKey(item.question, item.revision)),
    ),
  );
  return hidden.every(({ question, revision }) => there.has(revisionKey(question, revision)));
}
