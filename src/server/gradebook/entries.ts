import { and, desc, eq, inArray } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { asksWhy, entrySchema } from '@/core/gradebook/cell';
import { type Context, parse } from '../context';
import type { Reader } from '../db/database';
import { sittings } from '../db/schema/exams';
import { bookEntries } from '../db/schema/gradebook';
import { members } from '../db/schema/people';
import { inCourse } from '../people/courses';
import { bookOf, type CellEntry, entriesIn } from './gradebook';
import { FINAL, sittingColumn } from '@/core/gradebook/book';

const change = z.object({
  column: z.string().min(1).max(80),
  member: z.string().min(1).max(80),
  entry: entrySchema.nullable(),
  /** The entry that stood there when it was typed; 0 for none. */
  base: z.number().int().min(0),
});

const cellsInput = z.object({
  course: z.string(),
  changes: z.array(change).min(1).max(40_000),
  reason: z.string().trim().max(500),
});

const CHUNK = 500;

/**
 * Puts something into cells, all of them or none. Refused where the book is
 * signed off, where somebody has changed one of them meanwhile, where a column
 * or a student is not there, and where a change has to say why and does not.
 * Gives the places in the history of what was put in.
 */
export async function putCells(ctx: Context, raw: unknown): Promise<Result<{ entries: number[] }>> {
  const parsed = parse(cellsInput, raw);
  if (!parsed.ok) return parsed;
  const { course, changes, reason } = parsed.value;
  const allowed = await inCourse(ctx, 'keep gradebook', course);
  if (!allowed.ok) return allowed;
  return ctx.db.transaction(async (tx) => {
    const { book, signedAt } = await bookOf(tx, course);
    if (signedAt !== null) return refuse('book-signed');
    const held = await tx.select({ id: sittings.id }).from(sittings).where(eq(sittings.course, course));
    const hand = new Set(book.columns.flatMap(({ id, from }) => (from.is === 'hand' ? [id] : [])));
    const sat = new Set(held.map(({ id }) => sittingColumn(id)));
    const people = await knownStudents(
      tx,
      changes.map(({ member }) => member),
    );
    const standing = await entriesIn(
      tx,
      course,
      changes.map(({ member }) => member),
    );
    const seen = new Set<string>();
    for (const [i, one] of changes.entries()) {
      const at = ['changes', i];
      const final = one.column === FINAL;
      if (!final && !hand.has(one.column) && !sat.has(one.column)) return refuse('column-gone', { at });
      if (!people.has(one.member)) return refuse('not-found', { at });
      if (one.entry && (one.entry.is === 'final') !== final) return refuse('bad-input', { at });
      const asked = asksWhy(final ? FINAL : { from: { is: hand.has(one.column) ? 'hand' : 'sitting' } });
      if (asked && reason === '') return refuse('reason-asked', { at });
      const key = `${one.column} ${one.member}`;
      const last = standing.get(key);
      if (seen.has(key)) return refuse('bad-input', { at });
      seen.add(key);
      if ((last?.id ?? 0) !== one.base)
        return refuse('cell-changed', {
          at,
          values: { by: await writerOf(tx, last?.id), who: people.get(one.member) ?? '' },
        });
    }
    const made: number[] = [];
    for (let from = 0; from < changes.length; from += CHUNK) {
      const rows = changes
        .slice(from, from + CHUNK)
        .map(({ column, member, entry }) => ({ course, column, member, entry, reason, by: ctx.actor.id, at: ctx.now }));
      const ids = await tx.insert(bookEntries).values(rows).returning({ id: bookEntries.id });
      made.push(...ids.map(({ id }) => id));
    }
    return ok({ entries: made });
  });
}

async function writerOf(read: Reader, entry: number | undefined): Promise<string> {
  if (entry === undefined) return '';
  const [row] = await read
    .select({ name: members.name })
    .from(bookEntries)
    .innerJoin(members, eq(members.id, bookEntries.by))
    .where(eq(bookEntries.id, entry));
  return row?.name ?? '';
}

async function knownStudents(read: Reader, ids: readonly string[]): Promise<Map<string, string>> {
  const rows = await read
    .select({ id: members.id, name: members.name })
    .from(members)
    .where(and(inArray(members.id, [...new Set(ids)]), eq(members.role, 'student')));
  return new Map(rows.map(({ id, name }) => [id, name]));
}

const cellInput = z.object({ course: z.string(), column: z.string(), member: z.string() });

/** Everything that was put into one cell by hand, newest first. */
export async function cellHistory(ctx: Context, raw: unknown): Promise<Result<CellEntry[]>> {
  const parsed = parse(cellInput, raw);
  if (!parsed.ok) return parsed;
  const { course, column, member } = parsed.value;
  const allowed = await inCourse(ctx, 'see gradebook', course);
  if (!allowed.ok) return allowed;
  const rows = await ctx.db.read
    .select({ entry: bookEntries, by: members.name })
    .from(bookEntries)
    .innerJoin(members, eq(members.id, bookEntries.by))
    .where(and(eq(bookEntries.course, course), eq(bookEntries.column, column), eq(bookEntries.member, member)))
    .orderBy(desc(bookEntries.id));
  return ok(rows.map(({ entry: { id, entry, reason, at }, by }) => ({ id, entry, reason, by, at })));
}
