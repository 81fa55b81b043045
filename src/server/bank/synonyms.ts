import { and, eq, inArray, isNull, or, sql } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result } from '@/core/base/result';
import { withSynonyms } from '@/core/rules/text/synonyms';
import { type Context, FORBIDDEN, parse } from '../context';
import type { Reader } from '../db/database';
import { synonyms } from '../db/schema/bank';
import { newId } from '../ports/ids';
import { mayWriteIn } from './access';

/** The sets of synonyms that hold in a topic: its own, those of the topics above it, and the bank's. */
export async function synonymsFor(read: Reader, bank: string, topic: string | null): Promise<string[][]> {
  const above = await read.all<{ id: string }>(
    sql`WITH RECURSIVE above(id, parent) AS (SELECT id, parent FROM topics WHERE id = ${topic}
          UNION SELECT t.id, t.parent FROM topics t JOIN above a ON t.id = a.parent)
        SELECT id FROM above`,
  );
  const holds = or(
    isNull(synonyms.topic),
    inArray(
      synonyms.topic,
      above.map(({ id }) => id),
    ),
  );
  const rows = await read
    .select({ words: synonyms.words })
    .from(synonyms)
    .where(and(eq(synonyms.bank, bank), holds));
  return rows.map(({ words }) => words);
}

const input = z.object({
  bank: z.string(),
  topic: z.string().nullable(),
  words: z.array(z.string().trim().min(1).max(200)).min(2).max(40),
});

/** Keeps words as synonyms in a topic (or in the whole bank); sets that share a word become one. */
export async function keepSynonyms(ctx: Context, raw: unknown): Promise<Result<string[][]>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { bank, topic, words } = parsed.value;
  if (!(await mayWriteIn(ctx, bank))) return FORBIDDEN;
  const here = and(eq(synonyms.bank, bank), topic === null ? isNull(synonyms.topic) : eq(synonyms.topic, topic));
  await ctx.db.transaction(async (tx) => {
    const rows = await tx.select({ words: synonyms.words }).from(synonyms).where(here);
    const sets = withSynonyms(
      rows.map((row) => row.words),
      words,
    );
    await tx.delete(synonyms).where(here);
    await tx.insert(synonyms).values(sets.map((set) => ({ id: newId(), bank, topic, words: set })));
  });
  return ok(await synonymsFor(ctx.db.read, bank, topic));
}
