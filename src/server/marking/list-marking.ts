import { and, desc, eq } from 'drizzle-orm';
import { ok, type Result } from '@/core/base/result';
import { firstWords } from '@/core/content/plain';
import { poolQuestions } from '@/core/exams/pool';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN } from '../context';
import { attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { courses } from '../db/schema/people';
import { sittingsFor } from '../people/courses';
import { COUNTS } from '../sittings/attempts';
import { poolOfSitting } from '../sittings/pinned';
import { currentMarks } from './current-marks';
import { probesIn, withProbes } from './probes';
import { notDueYet } from './not-due';

/** One question of a sitting with what a person has to mark of it. */
export interface MarkingTask {
  sitting: string;
  title: string;
  course: string;
  item: string;
  number: string;
  label: string;
  /** Answers that a person marks or has marked, and how many of them still wait. */
  answers: number;
  waiting: number;
}

/** Everything that waits for a person or was marked by one in the actor's courses, by question. Only handed-in attempts count. */
export async function listMarking(ctx: Context): Promise<Result<MarkingTask[]>> {
  if (!may(ctx.actor, 'use staff rooms', null)) return FORBIDDEN;
  const { read } = ctx.db;
  const rows = await read
    .selectDistinct({ id: sittings.id, title: sittings.title, course: courses.code, opensAt: sittings.opensAt })
    .from(sittings)
    .innerJoin(courses, eq(courses.id, sittings.course))
    .innerJoin(attempts, and(eq(attempts.sitting, sittings.id), COUNTS))
    .where(await sittingsFor(ctx, 'mark answers'))
    .orderBy(desc(sittings.opensAt));
  const tasks: MarkingTask[] = [];
  for (const sitting of rows) {
    const early = await notDueYet(read, sitting.id, ctx.now);
    const marks = await currentMarks(read, { sitting: sitting.id });
    const present = (await withProbes(ctx, marks, await probesIn(ctx, sitting.id))).filter(
      (mark) => mark.marks !== null || !early.has(mark.attempt),
    );
    for (const item of poolQuestions(await poolOfSitting(read, sitting.id))) {
      const mine = present.filter((m) => m.item === item.id && (m.marks === null || m.by !== null));
      if (mine.length === 0) continue;
      tasks.push({
        sitting: sitting.id,
        title: sitting.title,
        course: sitting.course,
        item: item.id,
        number: item.number,
        label: firstWords(item.question.content, 60),
        answers: mine.length,
        waiting: mine.filter((m) => m.marks === null).length,
      });
    }
  }
  return ok(tasks);
}
