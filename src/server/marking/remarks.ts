import { and, desc, eq, inArray, notExists, or, type SQL, sql } from 'drizzle-orm';
import { z } from 'zod';
import { paperQuestions, type PaperQuestion } from '@/core/exams/paper';
import { exact, stored } from '@/core/base/exact';
import { ok, type Result, refuse } from '@/core/base/result';
import type { Anchor } from '@/core/content/anchors';
import { anchorSchema } from '@/core/content/stored-anchor';
import { kindOf } from '@/core/kinds/registry';
import { readResponse } from '@/core/kinds/response';
import { readNumber } from '@/core/rules/number/read';
import { type Context, NOT_FOUND, parse } from '../context';
import type { Reader, Transaction } from '../db/database';
import { answersNow, attempts } from '../db/schema/attempts';
import { sittings } from '../db/schema/exams';
import { keptRemarks, probeMarks, remarks } from '../db/schema/marks';
import { sittingsFor } from '../people/courses';
import { newId } from '../ports/ids';
import { paperOf } from '../sittings/pinned';
import { attemptToMark } from './attempt-to-mark';

/** What was said of an answer. */
export interface Remark {
  id: string;
  attempt: string;
  item: string;
  slot: string;
  words: string;
  anchor: Anchor;
  /** The kept remark that it is. */
  kept: string | null;
  /** Whoever looks at it said it. */
  own: boolean;
}

/** A remark that is kept for a question. */
export interface KeptRemark {
  id: string;
  words: string;
  /** Exact marks that go with it; null for none. */
  marks: string | null;
}

const columns = {
  id: remarks.id,
  attempt: remarks.attempt,
  item: remarks.item,
  slot: remarks.slot,
  words: sql<string>`coalesce(${keptRemarks.words}, ${remarks.words})`,
  anchor: remarks.anchor,
  kept: remarks.kept,
};

/** What was said of the answers of attempts, in the order in which it was said, as one of the staff or a student looks at it. */
export async function remarksOf(
  read: Reader,
  ids: readonly string[],
  { item, viewer }: { item?: string; viewer: string },
): Promise<Remark[]> {
  const probed = read
    .select({ at: probeMarks.at })
    .from(probeMarks)
    .where(
      and(
        eq(probeMarks.attempt, remarks.attempt),
        eq(probeMarks.item, remarks.item),
        eq(probeMarks.slot, remarks.slot),
        eq(probeMarks.by, remarks.by),
      ),
    );
  return read
    .select({ ...columns, own: sql<boolean>`${remarks.by} = ${viewer}`.mapWith(Boolean) })
    .from(remarks)
    .leftJoin(keptRemarks, eq(keptRemarks.id, remarks.kept))
    .where(
      and(
        inArray(remarks.attempt, [...ids]),
        item === undefined ? undefined : eq(remarks.item, item),
        // What is said of a script that was marked beforehand, to see who is in step, is for nobody else.
        or(eq(remarks.by, viewer), notExists(probed)),
      ),
    )
    .orderBy(remarks.at, remarks.id);
}

/** What is kept for a question of the bank, what was used last first. */
export async function keptRemarksOf(read: Reader, question: string): Promise<KeptRemark[]> {
  return read
    .select({ id: keptRemarks.id, words: keptRemarks.words, marks: keptRemarks.marks })
    .from(keptRemarks)
    .where(eq(keptRemarks.question, question))
    .orderBy(desc(keptRemarks.at));
}

const saying = z.object({
  attempt: z.string(),
  item: z.string(),
  slot: z.string(),
  words: z.string().trim().max(3000),
  anchor: anchorSchema,
  /** As typed, "+1" or "−½"; empty for none. It is kept with the words. */
  marks: z.string().max(20).default(''),
  /** Whether it is kept for the other answers to the question. */
  keep: z.boolean().default(true),
});

/** Says something of an answer, or of a place in it. What is said in words is kept for the question, once. No remark comes of a drawing that was rubbed out. */
export async function addRemark(
  ctx: Context,
  raw: unknown,
): Promise<Result<{ remark: Remark | null; kept: KeptRemark[] }>> {
  const parsed = parse(saying, raw);
  if (!parsed.ok) return parsed;
  const { attempt, item: itemId, slot, words, anchor, keep } = parsed.value;
  const found = await attemptToMark(ctx, attempt);
  if (!found.ok) return found;
  const { paper } = await paperOf(ctx.db.read, found.value.attempt);
  const item = paperQuestions(paper).find(({ id }) => id === itemId);
  const slotFound = item?.question.slots[slot];
  if (!item || !slotFound) return NOT_FOUND;
  if (words === '' && anchor.at !== 'drawn' && anchor.at !== 'read')
    return refuse('remark-without-words', { at: ['words'] });
  const marks = typedChange(parsed.value.marks);
  if (!marks.ok) return marks;
  if (anchor.at !== 'whole' && !(await holds(ctx.db.read, attempt, item, slot, anchor)))
    return refuse('place-is-gone', { at: ['anchor'] });
  const said = { attempt, item: itemId, slot, words, anchor };
  return ctx.db.transaction(async (tx) => {
    await rubOut(tx, ctx, said);
    const keeps = async () => keptRemarksOf(tx, item.source);
    // A page from which everything was rubbed out has no drawing, and a word that was read rightly no sign.
    if (anchor.at === 'drawn' ? anchor.shapes.length === 0 : anchor.at === 'read' && anchor.as === 'right')
      return ok({ remark: null, kept: await keeps() });
    const kept = words === '' || !keep ? null : await keepWords(tx, ctx, item.source, words, marks.value);
    const remark = { id: newId(), ...said, kept };
    await tx.insert(remarks).values({ ...remark, by: ctx.actor.id, at: ctx.now });
    return ok({ remark: { ...remark, own: true }, kept: await keeps() });
  });
}

/** What of one's own an anchor takes the place of: the drawing on the same page, the sign at the same word, the last word. */
function replacedBy(anchor: Anchor) {
  const part = (name: string) => sql`json_extract(${remarks.anchor}, ${`$.${name}`})`;
  if (anchor.at === 'drawn') return and(sql`${part('at')} = 'drawn'`, sql`${part('page')} = ${anchor.page}`);
  if (anchor.at !== 'read') return null;
  const same = anchor.as === 'last' ? sql`${part('as')} = 'last'` : sql`${part('word')} = ${anchor.word}`;
  return and(sql`${part('at')} = 'read'`, same);
}

async function rubOut(
  tx: Transaction,
  ctx: Context,
  { attempt, item, slot, anchor }: { attempt: string; item: string; slot: string; anchor: Anchor },
): Promise<void> {
  const replaced = replacedBy(anchor);
  if (!replaced) return;
  await tx
    .delete(remarks)
    .where(
      and(
        eq(remarks.attempt, attempt),
        eq(remarks.item, item),
        eq(remarks.slot, slot),
        eq(remarks.by, ctx.actor.id),
        replaced,
      ),
    );
}

/** The kept remark of these words, made when there is none. Marks that were given with it are those from now on. */
async function keepWords(
  tx: Transaction,
  ctx: Context,
  question: string,
  words: string,
  marks: string | null,
): Promise<string> {
  const [known] = await tx
    .select({ id: keptRemarks.id })
    .from(keptRemarks)
    .where(and(eq(keptRemarks.question, question), eq(keptRemarks.words, words)));
  if (known) {
    await tx
      .update(keptRemarks)
      .set({ at: ctx.now, ...(marks === null ? {} : { marks }) })
      .where(eq(keptRemarks.id, known.id));
    return known.id;
  }
  const id = newId();
  await tx.insert(keptRemarks).values({ id, question, words, marks, by: ctx.actor.id, at: ctx.now });
  return id;
}

/** "+1", "−½" or nothing, as exact marks. */
function typedChange(typed: string): Result<string | null> {
  const text = typed.trim().replace(/^\+/, '').replace('−', '-');
  if (text === '') return ok(null);
  const reading = readNumber(text);
  if (!reading || reading.rest !== '') return refuse('mark-not-a-number', { at: ['marks'] });
  return ok(stored(exact(stored(reading.value))));
}

async function holds(
  read: Reader,
  attempt: string,
  { id: item, question }: PaperQuestion,
  slot: string,
  anchor: Anchor,
): Promise<boolean> {
  const asked = question.slots[slot];
  const [row] = await read
    .select({ value: answersNow.value })
    .from(answersNow)
    .where(and(eq(answersNow.attempt, attempt), eq(answersNow.item, item), eq(answersNow.slot, slot)));
  if (!asked || !row) return false;
  const kind = kindOf(asked.kind);
  const given = readResponse(kind, row.value);
  return given !== null && (kind.judged?.holds(asked.setup, given.response, anchor) ?? false);
}

const change = z.object({
  id: z.string(),
  words: z.string().trim().min(1, 'remark-without-words').max(3000),
  /** Wherever it was said, or here alone. */
  everywhere: z.boolean(),
});

/** Says a remark otherwise: here alone, or wherever it was said. */
export async function changeRemark(ctx: Context, raw: unknown): Promise<Result<{ changed: number }>> {
  const parsed = parse(change, raw);
  if (!parsed.ok) return parsed;
  const { id, words, everywhere } = parsed.value;
  const found = await remarkToChange(ctx, id);
  if (!found.ok) return found;
  const { kept } = found.value;
  const mine = await sittingsFor(ctx, 'mark answers');
  return ctx.db.transaction(async (tx) => {
    if (everywhere && kept !== null) return ok({ changed: await sayOtherwise(tx, kept, words, mine) });
    await tx.update(remarks).set({ words, kept: null }).where(eq(remarks.id, id));
    return ok({ changed: 1 });
  });
}

/**
 * Says a kept remark otherwise wherever it was said in the sittings that one
 * marks in. Where others have said it elsewhere, it stays theirs as it was.
 */
async function sayOtherwise(tx: Transaction, kept: string, words: string, mine: SQL | undefined): Promise<number> {
  const all = await tx.select({ id: remarks.id }).from(remarks).where(eq(remarks.kept, kept));
  const own = await tx
    .select({ id: remarks.id })
    .from(remarks)
    .innerJoin(attempts, eq(attempts.id, remarks.attempt))
    .innerJoin(sittings, and(eq(sittings.id, attempts.sitting), mine))
    .where(eq(remarks.kept, kept));
  if (own.length === all.length) {
    await tx.update(keptRemarks).set({ words }).where(eq(keptRemarks.id, kept));
    return own.length;
  }
  const [before] = await tx.select().from(keptRemarks).where(eq(keptRemarks.id, kept));
  if (!before) return 0;
  const id = newId();
  await tx.insert(keptRemarks).values({ ...before, id, words });
  await tx
    .update(remarks)
    .set({ kept: id })
    .where(
      inArray(
        remarks.id,
        own.map((one) => one.id),
      ),
    );
  return own.length;
}

/** Takes a remark back. Kept words stay for other answers. */
export async function takeBackRemark(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(z.object({ id: z.string() }), raw);
  if (!parsed.ok) return parsed;
  const { id } = parsed.value;
  const found = await remarkToChange(ctx, id);
  if (!found.ok) return found;
  await ctx.db.transaction(async (tx) => {
    await tx.delete(remarks).where(eq(remarks.id, id));
  });
  return ok();
}

async function remarkToChange(ctx: Context, id: string): Promise<Result<typeof remarks.$inferSelect>> {
  const [row] = await ctx.db.read.select().from(remarks).where(eq(remarks.id, id));
  if (!row) return NOT_FOUND;
  const allowed = await attemptToMark(ctx, row.attempt);
  return allowed.ok ? ok(row) : allowed;
}

/** No longer offers a kept remark. Where it was said it stays, in its words. */
export async function dropKeptRemark(ctx: Context, raw: unknown): Promise<Result<null>> {
  const parsed = parse(z.object({ attempt: z.string(), kept: z.string() }), raw);
  if (!parsed.ok) return parsed;
  const { attempt, kept } = parsed.value;
  const found = await attemptToMark(ctx, attempt);
  if (!found.ok) return found;
  const { paper } = await paperOf(ctx.db.read, found.value.attempt);
  const sources = new Set(paperQuestions(paper).map(({ source }) => source));
  return ctx.db.transaction(async (tx) => {
    const [row] = await tx.select().from(keptRemarks).where(eq(keptRemarks.id, kept));
    if (!row || !sources.has(row.question)) return NOT_FOUND;
    await tx.update(remarks).set({ words: row.words, kept: null }).where(eq(remarks.kept, kept));
    await tx.delete(keptRemarks).where(eq(keptRemarks.id, kept));
    return ok();
  });
}
