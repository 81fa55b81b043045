import { and, eq } from 'drizzle-orm';
import { z } from 'zod';
import { readStored } from '@/core/base/stored-form';
import { ok, type Result, refuse } from '@/core/base/result';
import { placedSlots } from '@/core/bank/question';
import { titleOf, totalMarks } from '@/core/bank/summary';
import { unmended } from '@/core/exams/paper';
import { examForm, type ExamPlan, onlySchema } from '@/core/exams/plan';
import { examReadiness } from '@/core/exams/readiness';
import { expectedMinutes } from '@/core/exams/time-taken';
import { guestFields } from '@/core/people/guest-fields';
import { withPassMark } from '@/core/results/policy';
import { lateRuleSchema } from '@/core/sittings/late';
import { triesSchema } from '@/core/sittings/tries';
import { type Context, NOT_FOUND, parse } from '../context';
import { inCourse } from '../people/courses';
import { exams, sittings } from '../db/schema/exams';
import { courses } from '../db/schema/people';
import { changed } from '../events/versions';
import { examsFor } from '../exams/access';
import { freshPlan, revisionToPlace } from '../exams/exams';
import { readRevision, revisionsOf } from '../exams/revisions';
import { scheduledPlan } from '../exams/sought';
import { groupsOfCourse, studentsFor } from '../people/participants';
import { readDepartment } from '../people/policy';
import { newId } from '../ports/ids';

const input = z.object({
  exam: z.string(),
  course: z.string(),
  opensAt: z.number().int(),
  closesAt: z.number().int(),
  minutes: z.number().int().min(1, 'minutes-range').max(1440, 'minutes-range'),
  /** The students of the course, each of its groups together, or whoever has the link. */
  who: z.enum(['students', 'groups', 'link']).default('students'),
  /** Of the students only these. */
  only: onlySchema.nullable().default(null),
  /** It opens when a teacher says so, not by the clock. */
  byHand: z.boolean().default(false),
  /** From when on a hand-in is late, and what that costs. */
  dueAt: z.number().int().nullable().default(null),
  late: lateRuleSchema.nullable().default(null),
  tries: triesSchema.nullable().default(null),
  /** What guests by the link are asked for besides their name. */
  guestFields: guestFields.default([]),
  /** Exams that are written after it in a row, each for its own time once the one before is handed in. */
  then: z.array(z.string()).max(8).default([]),
  /** What has to be typed to get in. */
  code: z.string().trim().min(4, 'code-length').max(40, 'code-length').nullable().default(null),
});

/** Schedules a sitting of an exam for a course; pins the plan as it is now. */
export async function scheduleSitting(ctx: Context, raw: unknown): Promise<Result<{ id: string }>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const allowed = await inCourse(ctx, 'run sittings', parsed.value.course);
  if (!allowed.ok) return allowed;
  const { exam, course, opensAt, closesAt, minutes, who, code, byHand, dueAt, tries, then } = parsed.value;
  const late = dueAt === null ? null : parsed.value.late;
  const guestFields = who === 'link' ? parsed.value.guestFields : [];
  const only = who === 'students' ? parsed.value.only : null;
  if (only && (await studentsFor(ctx.db.read, { course, who, only })).size === 0)
    return refuse('nobody-chosen', { at: ['only'] });
  if (who === 'groups' && (await groupsOfCourse(ctx.db.read, course)).size === 0)
    return refuse('no-groups', { at: ['course'] });
  if (closesAt <= opensAt) return refuse('ends-before-it-starts', { at: ['closesAt'] });
  if (closesAt <= ctx.now) return refuse('ends-in-the-past', { at: ['closesAt'] });
  if (dueAt !== null && (dueAt <= opensAt || dueAt > closesAt)) return refuse('due-outside', { at: ['dueAt'] });
  // A guest is let into one sitting alone.
  if (who === 'link' && then.length > 0) return refuse('row-not-by-link', { at: ['then'] });
  const plan = await planToPin(ctx, { exam, course });
  if (!plan.ok) return plan;
  const how = { course, opensAt, closesAt, byHand, dueAt, late, tries, who, only, code, guestFields };
  const pins: Pin[] = [{ ...how, exam, plan: { ...plan.value, minutes } }];
  for (const next of then) {
    const further = await planToPin(ctx, { exam: next, course });
    if (!further.ok) return { ...further, refusal: { ...further.refusal, at: ['then'] } };
    pins.push({ ...how, exam: next, plan: further.value });
  }
  return pin(ctx, pins);
}

/** The plan of an exam with what its draws find, when nothing stops it. */
async function planToPin(ctx: Context, { exam, course }: { exam: string; course: string }): Promise<Result<ExamPlan>> {
  const [row] = await ctx.db.read
    .select()
    .from(exams)
    .where(and(eq(exams.id, exam), examsFor(ctx.actor)));
  if (!row) return NOT_FOUND;
  if (row.archivedAt !== null) return refuse('exam-archived', { at: ['exam'] });
  const filled = await scheduledPlan(ctx, { plan: readStored(examForm, row.plan), exam, course });
  if (!filled.ok) return filled;
  const readiness = examReadiness(unmended(filled.value, await revisionsOf(ctx.db.read, filled.value)));
  const stopping = readiness.findings.filter((f) => f.weight === 'stops').length;
  return stopping > 0 ? refuse('exam-not-ready', { at: ['exam'], values: { count: stopping } }) : filled;
}

type How = 'opensAt' | 'closesAt' | 'byHand' | 'dueAt' | 'late' | 'tries' | 'who' | 'only' | 'code' | 'guestFields';
type Pin = Pick<typeof sittings.$inferInsert, 'exam' | 'course' | How> & { plan: ExamPlan };

/** Schedules one after the other, each to be written when the one before is handed in; ends with the first. */
async function pin(ctx: Context, pins: readonly Pin[]): Promise<Result<{ id: string }>> {
  const course = pins[0]?.course ?? '';
  const [known] = await ctx.db.read.select({ id: courses.id }).from(courses).where(eq(courses.id, course));
  if (!known) return refuse('course-unknown', { at: ['course'] });
  const { policy } = await readDepartment(ctx.db.read);
  const agreed = { passPercent: policy.passPercent, ranges: policy.ranges, grades: policy.grades };
  const ids = pins.map(() => newId());
  await ctx.db.transaction(async (tx) => {
    for (const [i, { plan, ...how }] of pins.entries())
      await tx.insert(sittings).values({
        ...how,
        id: ids[i] ?? '',
        after: ids[i - 1] ?? null,
        title: plan.title,
        plan: { ...plan, words: { ...policy.words, ...plan.words } },
        minutes: plan.minutes,
        boundaries: withPassMark({ version: 1, ...agreed }, plan.passPercent),
        boundariesVersion: 1,
        createdBy: ctx.actor.id,
        createdAt: ctx.now,
      });
    await changed(tx, `course:${course}`);
  });
  return ok({ id: ids[0] ?? '' });
}

/** Gives one question to a course now, with everything at its default: open at once, for the time it should take, twice over. */
export async function giveNow(ctx: Context, question: string, course: string): Promise<Result<{ id: string }>> {
  const allowed = await inCourse(ctx, 'run sittings', course);
  if (!allowed.ok) return allowed;
  const placed = await revisionToPlace(ctx, question);
  if (!placed.ok) return placed;
  const body = await readRevision(ctx.db.read, question, placed.value.revision);
  if (!body) return NOT_FOUND;
  const fresh = await freshPlan(ctx, titleOf(body));
  const minutes = Math.max(5, 2 * expectedMinutes(totalMarks(body), placedSlots(body).length));
  const plan: ExamPlan = {
    ...fresh,
    minutes,
    sections: fresh.sections.map((section) => ({
      ...section,
      items: [{ id: newId(), question, revision: placed.value.revision, marks: null, bonus: false }],
    })),
  };
  const readiness = examReadiness(unmended(plan, await revisionsOf(ctx.db.read, plan)));
  const stopping = readiness.findings.filter((f) => f.weight === 'stops').length;
  if (stopping > 0) return refuse('question-not-ready', { values: { count: stopping } });
  return pin(ctx, [{ plan, exam: null, course, opensAt: ctx.now, closesAt: ctx.now + (minutes + 5) * 60_000 }]);
}
