import { asc, eq } from 'drizzle-orm';
import { ok, type Result } from '@/core/base/result';
import { FINAL } from '@/core/gradebook/book';
import { type Context, NOT_FOUND } from '../context';
import { courses } from '../db/schema/people';
import { outsideScores, platforms } from '../db/schema/platforms';
import { type Gradebook, readGradebook } from '../gradebook/gradebook';
import { type CourseRow, inCourse } from '../people/courses';
import { connectionOf } from './connected';
import { outsideIds } from './outside-people';
import { type KeptScore, newsFor } from './tell';

/** How a column stands with the outside gradebook, in students. */
export interface OutsideColumn {
  id: string;
  title: string;
  /** Marks as text; null where papers differ and nobody has any. */
  of: string | null;
  /** Wanted there. */
  told: boolean;
  released: boolean;
  arrived: number;
  /** Would be told now. */
  news: number;
  waiting: number;
  failed: number;
}

export interface OutsideStudent {
  member: string;
  name: string;
  userName: string;
  /** What the platform calls them; empty where nobody has said. */
  outsideId: string;
}

/** Why scores did not arrive, and how many. */
export interface OutsideTrouble {
  code: string;
  status: number | null;
  count: number;
  /** They were given up; else they are tried again. */
  failed: boolean;
}

export interface OutsideBook {
  course: CourseRow;
  platforms: { id: string; name: string; under: string }[];
  /** Null as long as the course stands in no outside gradebook. */
  connected: { platform: string; lineItems: string } | null;
  columns: OutsideColumn[];
  /** By name; those whom the platform does not know yet come first. */
  students: OutsideStudent[];
  troubles: OutsideTrouble[];
}

/** The gradebook of a course beside the outside gradebook that is told of it, for whoever keeps it. */
export async function openOutsideBook(ctx: Context, courseId: string): Promise<Result<OutsideBook>> {
  const allowed = await inCourse(ctx, 'keep gradebook', courseId);
  if (!allowed.ok) return allowed;
  const { read } = ctx.db;
  const [course] = await read.select().from(courses).where(eq(courses.id, courseId));
  if (!course) return NOT_FOUND;
  const book = await readGradebook(ctx, course);
  const connection = await connectionOf(read, courseId);
  const ids = connection ? await outsideIds(read, connection.platform.id) : new Map<string, string>();
  const kept = await read.select().from(outsideScores).where(eq(outsideScores.course, courseId));
  const wanted = connection?.columns ?? new Set(usualColumns(book));
  const news = newsFor(book, { wanted, ids, kept });
  const facts = [
    ...book.columns.map(({ column, title, of, released }) => ({ id: column.id, title, of, released })),
    { id: FINAL, title: 'Final grade', of: '100', released: true },
  ];
  return ok({
    course,
    platforms: await read
      .select({ id: platforms.id, name: platforms.name, under: platforms.under })
      .from(platforms)
      .orderBy(asc(platforms.name)),
    connected: connection ? { platform: connection.platform.id, lineItems: connection.lineItems } : null,
    columns: facts.map((one): OutsideColumn => {
      const mine = kept.filter(({ column }) => column === one.id);
      return {
        ...one,
        told: wanted.has(one.id),
        arrived: mine.filter(({ state, told }) => state === 'sent' && told !== null).length,
        news: connection ? news.filter(({ column }) => column === one.id).length : 0,
        waiting: mine.filter(({ state }) => state === 'waiting' || state === 'sending').length,
        failed: mine.filter(({ state }) => state === 'failed').length,
      };
    }),
    students: book.rows
      .filter(({ left }) => !left)
      .map(({ member, name, userName }) => ({ member, name, userName, outsideId: ids.get(member) ?? '' }))
      .toSorted((a, b) => Number(a.outsideId !== '') - Number(b.outsideId !== '')),
    troubles: troublesOf(kept),
  });
}

function troublesOf(kept: readonly KeptScore[]): OutsideTrouble[] {
  const counts = new Map<string, OutsideTrouble>();
  for (const { trouble, state } of kept) {
    if (trouble === null) continue;
    const key = JSON.stringify([trouble, state === 'failed']);
    const one = counts.get(key) ?? {
      code: trouble.code,
      status: trouble.status ?? null,
      count: 0,
      failed: state === 'failed',
    };
    counts.set(key, { ...one, count: one.count + 1 });
  }
  return [...counts.values()];
}

/** What is told unless somebody says otherwise: what counts, and the final grade. */
const usualColumns = (book: Gradebook): string[] => [
  ...book.columns.filter(({ column }) => column.counts).map(({ column }) => column.id),
  FINAL,
];
