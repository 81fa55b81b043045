import { and, asc, desc, eq } from 'drizzle-orm';
import { ONE, round } from '@/core/base/exact';
import { ok, type Result } from '@/core/base/result';
import { finalPercent } from '@/core/gradebook/final';
import { decidedPercent, stepAt, withChange } from '@/core/results/score';
import { type Context, NOT_FOUND } from '../context';
import { type CourseRow, inCourse } from '../people/courses';
import { sittings } from '../db/schema/exams';
import { courses, enrolments, members } from '../db/schema/people';
import { membersBehind } from '../people/participants';
import { memberChanges } from '../results/member-marks';
import { placedIn } from '../sittings/pinned';
import { boundariesSchema } from '@/core/results/policy';
import { readDepartment } from '../people/policy';
import { type ScoredAttempt, scoresOf } from '../results/results';

/** A student's cell in one column. */
export interface Cell {
  attempt: string;
  marks: string;
  percent: string;
  grade: string | null;
  passed: boolean;
  /** Answers that still wait; the cell is not final while there are any. */
  waiting: number;
}

export interface Gradebook {
  course: CourseRow;
  columns: { sitting: string; title: string; of: string | null; date: number; released: boolean }[];
  rows: {
    member: string;
    name: string;
    userName: string;
    cells: (Cell | null)[];
    final: { percent: string; grade: string | null } | null;
  }[];
}

/** Of how many marks all of them are; null when papers differ. */
function oneTotal(scored: readonly ScoredAttempt[]): string | null {
  const totals = new Set(scored.map(({ score }) => score.shown.of));
  return totals.size === 1 ? ([...totals][0] ?? null) : null;
}

/**
 * The gradebook of a course: a column for each sitting, oldest first. The final
 * percent counts released columns by their marks; a sitting not sat counts nothing.
 */
export async function openGradebook(ctx: Context, courseId: string): Promise<Result<Gradebook>> {
  const allowed = await inCourse(ctx, 'see gradebook', courseId);
  if (!allowed.ok) return allowed;
  const { read } = ctx.db;
  const [course] = await read.select().from(courses).where(eq(courses.id, courseId));
  if (!course) return NOT_FOUND;
  const { policy } = await readDepartment(read);
  const students = await read
    .select({ member: members.id, name: members.name, userName: members.userName })
    .from(enrolments)
    .innerJoin(members, and(eq(members.id, enrolments.member), eq(members.role, 'student')))
    .where(eq(enrolments.course, courseId))
    .orderBy(asc(members.name));
  const held = await read.select().from(sittings).where(eq(sittings.course, courseId)).orderBy(desc(sittings.opensAt));
  const columns: { sitting: typeof sittings.$inferSelect; scored: Map<string, ScoredAttempt> }[] = [];
  for (const sitting of held.reverse()) {
    const scored = await scoresOf(read, sitting, ctx.now);
    const behind = await membersBehind(
      read,
      scored.map(({ participant }) => participant),
    );
    // What a group earned is in the row of each of its members; guests have no row.
    const change = await memberChanges(
      read,
      scored.map(({ attempt }) => attempt),
    );
    const { plan } = await placedIn(read, sitting.id);
    const decided = { boundaries: boundariesSchema.parse(sitting.boundaries), rounding: plan.rounding };
    const rows = scored.flatMap((s) =>
      (behind.get(s.participant) ?? []).map((member) => {
        const own = change(s.attempt, member);
        return [member, own ? { ...s, score: withChange(s.score, own, decided) } : s] as const;
      }),
    );
    if (rows.length > 0) columns.push({ sitting, scored: new Map(rows) });
  }
  return ok({
    course,
    columns: columns.map(({ sitting, scored }) => ({
      sitting: sitting.id,
      title: sitting.title,
      of: oneTotal([...scored.values()]),
      date: sitting.opensAt,
      released: sitting.releasedAt !== null,
    })),
    rows: students.map((student) => {
      const scores = columns.map(({ sitting, scored }) => {
        const found = scored.get(student.member);
        return { sitting, attempt: found?.attempt ?? '', score: found?.score ?? null };
      });
      const entries = scores.flatMap(({ sitting, score }) =>
        score && sitting.releasedAt !== null ? [{ marks: score.marks, of: score.of }] : [],
      );
      const final = finalPercent([{ weight: ONE, entries, average: 'points', dropLowest: 0 }]);
      const { places, mode } = policy.rounding;
      return {
        ...student,
        cells: scores.map(({ attempt, score }) =>
          score === null
            ? null
            : {
                attempt,
                marks: score.shown.marks,
                percent: score.shown.percent,
                grade: score.grade,
                passed: score.passed,
                waiting: score.waiting,
              },
        ),
        final:
          final === null
            ? null
            : {
                percent: round(final, places, mode),
                grade: policy.grades[stepAt(policy.grades, decidedPercent(final, policy.rounding))]?.grade ?? null,
              },
      };
    }),
  });
}
