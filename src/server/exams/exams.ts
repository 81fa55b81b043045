import { and, desc, eq, inArray, isNotNull, isNull } from 'drizzle-orm';
import { z } from 'zod';
import { readStored } from '@/core/base/stored-form';
import { ok, type Result, refuse } from '@/core/base/result';
import { type ExamPlan, examForm, paperLength, placements } from '@/core/exams/plan';
import { ON_RELEASE } from '@/core/exams/sees';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import { questions } from '../db/schema/bank';
import { exams, sittings } from '../db/schema/exams';
import { courses, members } from '../db/schema/people';
import { visibleBanks } from '../bank/access';
import { cutRevision } from '../bank/write';
import { coursesFor } from '../people/courses';
import { examsFor } from './access';
import { type DepartmentPolicy, readDepartment } from '../people/policy';
import { newId } from '../ports/ids';
import { withinReach } from './reach';
import { readRevision } from './revisions';

export interface ExamRow {
  id: string;
  title: string;
  course: string | null;
  owner: string;
  savedAt: number;
  /** Nobody changes it. */
  locked: boolean;
  questions: number;
  minutes: number;
}

/** The exams in use, or those of the archive; the one changed last first. */
export async function listExams(ctx: Context, archived = false): Promise<Result<ExamRow[]>> {
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  const rows = await ctx.db.read
    .select({ exam: exams, course: courses.code, owner: members.name })
    .from(exams)
    .innerJoin(members, eq(members.id, exams.owner))
    .leftJoin(courses, eq(courses.id, exams.course))
    .where(and(archived ? isNotNull(exams.archivedAt) : isNull(exams.archivedAt), examsFor(ctx.actor)))
    .orderBy(desc(exams.savedAt));
  return ok(
    rows.map(({ exam, course, owner }) => {
      const plan = readStored(examForm, exam.plan);
      return {
        id: exam.id,
        title: exam.title,
        course,
        owner,
        savedAt: exam.savedAt,
        locked: exam.lockedAt !== null,
        questions: paperLength(plan),
        minutes: plan.minutes,
      };
    }),
  );
}

/** A new plan with the department's defaults: one section, the agreed pass mark and rounding. */
export async function freshPlan(ctx: Context, title: string): Promise<ExamPlan> {
  const { policy } = await readDepartment(ctx.db.read);
  return {
    version: 1,
    title,
    instructions: '',
    minutes: 30,
    sections: [
      {
        id: newId(),
        title: 'Section',
        instructions: '',
        items: [],
        draws: [],
        passPercent: null,
        shuffleQuestions: false,
      },
    ],
    passPercent: policy.passPercent,
    pages: 'question',
    numbering: 'through',
    keepPassages: true,
    hints: false,
    belowZero: false,
    sees: ON_RELEASE,
    confirmHandIn: true,
    moves: 'free',
    rounding: policy.rounding,
  };
}

export async function createExam(
  ctx: Context,
  input: { title: string; course: string | null; plan?: ExamPlan },
): Promise<Result<{ id: string }>> {
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  const plan = input.plan ?? (await freshPlan(ctx, input.title));
  const id = newId();
  await ctx.db.transaction(async (tx) => {
    await tx
      .insert(exams)
      .values({ id, course: input.course, title: plan.title, plan, version: 1, owner: ctx.actor.id, savedAt: ctx.now });
  });
  return ok({ id });
}

export interface OpenExam {
  id: string;
  course: { id: string; code: string; title: string } | null;
  plan: ExamPlan;
  version: number;
  savedAt: number;
  owner: { id: string; name: string };
  locked: boolean;
  archived: boolean;
  /** With whom it is shared alone, by their ids; null for everybody who builds exams. */
  sharedWith: string[] | null;
  /** The reader may lock, archive and hand it over. */
  keeps: boolean;
  /** What the department has agreed on where the exam, or a sitting, says nothing else. */
  agreed: Pick<DepartmentPolicy, 'words' | 'late'>;
  /** Where it was, or will be, sat in the reader's courses; newest first. */
  sittings: { id: string; title: string; opensAt: number }[];
}

export async function openExam(ctx: Context, id: string): Promise<Result<OpenExam>> {
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  const [row] = await ctx.db.read
    .select({ exam: exams, course: courses, owner: members.name })
    .from(exams)
    .innerJoin(members, eq(members.id, exams.owner))
    .leftJoin(courses, eq(courses.id, exams.course))
    .where(and(eq(exams.id, id), examsFor(ctx.actor)));
  if (!row) return NOT_FOUND;
  const { exam, course, owner } = row;
  const { policy } = await readDepartment(ctx.db.read);
  const own = (await coursesFor(ctx, 'run sittings')).map(({ id: one }) => one);
  const held = await ctx.db.read
    .select({ id: sittings.id, title: sittings.title, opensAt: sittings.opensAt })
    .from(sittings)
    .where(and(eq(sittings.exam, id), inArray(sittings.course, own)))
    .orderBy(desc(sittings.opensAt))
    .limit(10);
  return ok({
    id,
    course,
    plan: readStored(examForm, exam.plan),
    version: exam.version,
    savedAt: exam.savedAt,
    owner: { id: exam.owner, name: owner },
    locked: exam.lockedAt !== null,
    archived: exam.archivedAt !== null,
    sharedWith: exam.sharedWith,
    keeps: may(ctx.actor, 'keep exam', exam),
    agreed: { words: policy.words, late: policy.late },
    sittings: held,
  });
}

/** A copy of an exam for the same course, to change without touching the original; it belongs to whoever took it. */
export async function copyExam(ctx: Context, id: string): Promise<Result<{ id: string }>> {
  const opened = await openExam(ctx, id);
  if (!opened.ok) return opened;
  const { course, plan } = opened.value;
  const title = `${plan.title.slice(0, 180)}, copy`;
  return createExam(ctx, { title, course: course?.id ?? null, plan: { ...plan, title } });
}

const planInput = z.object({ exam: z.string(), base: z.number().int(), plan: examForm.schema });

/** Saves the plan as it is typed. Refused when it was changed elsewhere, or places a revision that does not exist. */
export async function savePlan(ctx: Context, raw: unknown): Promise<Result<{ version: number; savedAt: number }>> {
  const parsed = parse(planInput, raw);
  if (!parsed.ok) return parsed;
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  const { exam, base, plan } = parsed.value;
  for (const { item } of placements(plan)) {
    if (!(await readRevision(ctx.db.read, item.question, item.revision)))
      return refuse('revision-unknown', { at: ['item', item.id] });
  }
  const [reachable] = await ctx.db.read
    .select({ id: exams.id })
    .from(exams)
    .where(and(eq(exams.id, exam), examsFor(ctx.actor)));
  if (!reachable) return NOT_FOUND;
  if (!(await withinReach(ctx, plan))) return FORBIDDEN;
  return ctx.db.transaction(async (tx) => {
    const saved = await tx
      .update(exams)
      .set({ plan, title: plan.title, version: base + 1, savedAt: ctx.now })
      .where(and(eq(exams.id, exam), eq(exams.version, base), isNull(exams.lockedAt)))
      .returning({ id: exams.id });
    if (saved.length > 0) return ok({ version: base + 1, savedAt: ctx.now });
    const [row] = await tx.select({ lockedAt: exams.lockedAt }).from(exams).where(eq(exams.id, exam));
    return (row?.lockedAt ?? null) === null
      ? refuse('changed-elsewhere', { values: { by: '' } })
      : refuse('exam-locked');
  });
}

/** The revision of a question that an exam should place now; one is cut when its draft has moved on. */
export async function revisionToPlace(ctx: Context, question: string): Promise<Result<{ revision: number }>> {
  if (!may(ctx.actor, 'build exams', null)) return FORBIDDEN;
  const [head] = await ctx.db.read
    .select({ bank: questions.bank, review: questions.review })
    .from(questions)
    .where(eq(questions.id, question));
  if (!head) return NOT_FOUND;
  const bank = (await visibleBanks(ctx)).find(({ id }) => id === head.bank);
  if (!bank || !may(ctx.actor, 'write in bank', bank.access)) return FORBIDDEN;
  if (bank.reviewRequired && head.review !== 'agreed') return refuse('review-required');
  const revision = await ctx.db.transaction((tx) => cutRevision(tx, question, ctx.actor.id, ctx.now));
  return revision === null ? NOT_FOUND : ok({ revision });
}
