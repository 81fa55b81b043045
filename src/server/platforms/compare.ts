import { eq } from 'drizzle-orm';
import { ok, type Result } from '@/core/base/result';
import type { OutsideScore } from '@/core/gradebook/outside';
import type { Context } from '../context';
import { outsideLines } from '../db/schema/platforms';
import { readGradebook } from '../gradebook/gradebook';
import { connectedCourse } from './connected';
import { outsideIds } from './outside-people';
import { type OutsideResult, readResults } from './services';
import { scoresToTell } from './tell';

/** Marks of a maximum; null where there are none. */
type Marks = { given: number; of: number } | null;

/** A student who has something else there than here. */
export interface OutsideDifference {
  column: string;
  member: string;
  name: string;
  here: Marks;
  there: Marks;
}

export interface Comparison {
  /** Students and columns that are the same here and there. */
  same: number;
  differences: OutsideDifference[];
}

/** Shares that are so near are the same: platforms keep them with different precision. */
const NEAR = 1e-5;

const alike = (here: Marks, there: Marks): boolean =>
  here === null || there === null ? here === there : Math.abs(here.given / here.of - there.given / there.of) < NEAR;

/** Reads what stands in the outside gradebook of a course now, and holds it against what is to stand there. */
export async function compareOutside(ctx: Context, courseId: string): Promise<Result<Comparison>> {
  const found = await connectedCourse(ctx, courseId);
  if (!found.ok) return found;
  const { course, connection } = found.value;
  const { platform, columns } = connection;
  const { read } = ctx.db;
  const lines = await read.select().from(outsideLines).where(eq(outsideLines.course, courseId));
  const book = await readGradebook(ctx, course);
  const ids = await outsideIds(read, platform.id);
  const names = new Map(book.rows.map(({ member, name }) => [member, name]));
  const wanted = scoresToTell(book, columns).filter(({ member }) => ids.has(member));
  const comparison: Comparison = { same: 0, differences: [] };
  for (const column of new Set(wanted.map((one) => one.column))) {
    const address = lines.find((line) => line.column === column)?.address ?? null;
    const results = address === null ? ok<OutsideResult[]>([]) : await readResults(ctx, platform, address);
    if (!results.ok) return results;
    const there = new Map(results.value.map((one) => [one.userId, marksThere(one)]));
    for (const { member, score } of wanted.filter((one) => one.column === column)) {
      const both = { here: marksHere(score), there: there.get(ids.get(member) ?? '') ?? null };
      if (alike(both.here, both.there)) comparison.same += 1;
      else comparison.differences.push({ column, member, name: names.get(member) ?? '', ...both });
    }
  }
  return ok(comparison);
}

const marksHere = ({ scoreGiven, scoreMaximum }: OutsideScore): Marks =>
  scoreGiven === undefined ? null : { given: scoreGiven, of: scoreMaximum };

/** A platform that tells no maximum counts in shares of one (Assignment and Grade Services 2.0, "resultMaximum"). */
const marksThere = ({ resultScore, resultMaximum }: OutsideResult): Marks =>
  typeof resultScore === 'number' ? { given: resultScore, of: resultMaximum || 1 } : null;
