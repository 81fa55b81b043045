import { and, eq } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result } from '@/core/base/result';
import { FINAL } from '@/core/gradebook/book';
import { isNews, outsideFinal, type OutsideScore, outsideScore } from '@/core/gradebook/outside';
import { type Context, parse } from '../context';
import type { Transaction } from '../db/database';
import { outsideLines, outsideScores } from '../db/schema/platforms';
import { type Gradebook, readGradebook, toldGrade } from '../gradebook/gradebook';
import { connectedCourse } from './connected';
import { outsideIds } from './outside-people';

/** What is to stand in an outside gradebook for a student in a column. */
export interface ScoreToTell {
  column: string;
  member: string;
  score: OutsideScore;
}

/** Everything that an outside gradebook is told of these columns: released ones, and the final grade. Who left the course is not told of. */
export function scoresToTell(book: Gradebook, columns: ReadonlySet<string>): ScoreToTell[] {
  return book.rows
    .filter(({ left }) => !left)
    .flatMap((row) => [
      ...book.columns.flatMap((facts, i): ScoreToTell[] => {
        const cell = row.cells[i];
        if (!cell || !facts.released || !columns.has(facts.column.id)) return [];
        const score = outsideScore(cell, facts);
        return score ? [{ column: facts.column.id, member: row.member, score }] : [];
      }),
      ...(columns.has(FINAL) ? [{ column: FINAL, member: row.member, score: outsideFinal(toldGrade(book, row)) }] : []),
    ]);
}

export type KeptScore = typeof outsideScores.$inferSelect;

interface Standing {
  /** Ids of the columns that are told. */
  wanted: ReadonlySet<string>;
  /** What the platform calls members. */
  ids: ReadonlyMap<string, string>;
  kept: readonly KeptScore[];
}

/** What would be told now: what the outside gradebook does not know of those whom it knows. What waits to be told is no news, what was given up is. */
export function newsFor(
  book: Gradebook,
  { wanted, ids, kept, again }: Standing & { again?: ReadonlySet<string> },
): ScoreToTell[] {
  const known = new Map(kept.map((one) => [`${one.column} ${one.member}`, one]));
  return scoresToTell(book, wanted).filter(({ column, member, score }) => {
    if (!ids.has(member)) return false;
    if (again?.has(`${column} ${member}`)) return true;
    const there = known.get(`${column} ${member}`);
    const told = there && there.state !== 'failed' && there.state !== 'sent' ? there.score : (there?.told ?? null);
    return isNews(score, told);
  });
}

const input = z.object({
  course: z.string().max(60),
  /** Places that are told whether they are news or not, because something else stands there. */
  again: z.array(z.object({ column: z.string().max(120), member: z.string().max(60) })).max(20_000),
});

/** Puts everything that the outside gradebook does not know among what is told, and some places again, and begins anew with what did not arrive yet; the clock tells it. */
export async function tellOutside(ctx: Context, raw: unknown): Promise<Result<{ scores: number }>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const courseId = parsed.value.course;
  const found = await connectedCourse(ctx, courseId);
  if (!found.ok) return found;
  const { course, connection } = found.value;
  const { read } = ctx.db;
  const book = await readGradebook(ctx, course);
  const kept = await read.select().from(outsideScores).where(eq(outsideScores.course, courseId));
  const ids = await outsideIds(read, connection.platform.id);
  const again = new Set(parsed.value.again.map(({ column, member }) => `${column} ${member}`));
  const news = newsFor(book, { wanted: connection.columns, ids, kept, again });
  const told = new Set(news.map(({ column }) => column));
  await ctx.db.transaction(async (tx) => {
    await tellLines(tx, book, told);
    // What is tried again later is tried now.
    await tx
      .update(outsideScores)
      .set({ tries: 0, at: ctx.now, trouble: null })
      .where(and(eq(outsideScores.course, courseId), eq(outsideScores.state, 'waiting')));
    // What was given up and is news no more is settled.
    await tx
      .update(outsideScores)
      .set({ state: 'sent', trouble: null })
      .where(and(eq(outsideScores.course, courseId), eq(outsideScores.state, 'failed')));
    for (const { column, member, score } of news) {
      const waits = { score, state: 'waiting' as const, tries: 0, at: ctx.now, trouble: null };
      await tx
        .insert(outsideScores)
        .values({ course: courseId, column, member, ...waits })
        .onConflictDoUpdate({ target: [outsideScores.course, outsideScores.column, outsideScores.member], set: waits });
    }
  });
  return ok({ scores: news.length });
}

/** Says what the columns that are told are called, and of how many marks they are. */
async function tellLines(tx: Transaction, { course, columns }: Gradebook, told: ReadonlySet<string>): Promise<void> {
  const lines = [
    ...columns.map(({ column, title, of }) => ({ column: column.id, label: title, of: of ?? '100' })),
    { column: FINAL, label: 'Final grade', of: '100' },
  ].filter(({ column }) => told.has(column));
  const kept = await tx.select().from(outsideLines).where(eq(outsideLines.course, course.id));
  for (const { column, ...line } of lines) {
    const known = kept.find((one) => one.column === column);
    if (known && known.label === line.label && known.of === line.of) continue;
    const row = { ...line, current: false };
    await tx
      .insert(outsideLines)
      .values({ course: course.id, column, address: null, ...row })
      .onConflictDoUpdate({ target: [outsideLines.course, outsideLines.column], set: row });
  }
}
