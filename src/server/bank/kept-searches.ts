import { and, asc, eq } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result } from '@/core/base/result';
import { type Context, parse } from '../context';
import { keptSearches } from '../db/schema/bank';
import { newId } from '../ports/ids';
import { type BankSearch, searchSchema } from '@/core/bank/searching';

export interface KeptSearch {
  id: string;
  name: string;
  search: BankSearch;
}

/** The searches that this person keeps; one that no longer reads is left out. */
export async function listKeptSearches(ctx: Context): Promise<KeptSearch[]> {
  const rows = await ctx.db.read
    .select()
    .from(keptSearches)
    .where(eq(keptSearches.member, ctx.actor.id))
    .orderBy(asc(keptSearches.name));
  return rows.flatMap(({ id, name, search }) => {
    const parsed = searchSchema.safeParse(search);
    return parsed.success ? [{ id, name, search: parsed.data }] : [];
  });
}

const input = z.object({ name: z.string().trim().min(1, 'name-empty').max(60, 'name-long'), search: searchSchema });

/** Keeps a search under a name; the same name again replaces it. */
export async function keepSearch(ctx: Context, raw: unknown): Promise<Result<KeptSearch[]>> {
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { name, search } = parsed.value;
  await ctx.db.transaction(async (tx) => {
    const own = eq(keptSearches.member, ctx.actor.id);
    await tx.delete(keptSearches).where(and(own, eq(keptSearches.name, name)));
    await tx.insert(keptSearches).values({ id: newId(), member: ctx.actor.id, name, search });
  });
  return ok(await listKeptSearches(ctx));
}

export async function forgetSearch(ctx: Context, id: string): Promise<Result<KeptSearch[]>> {
  await ctx.db.transaction(async (tx) => {
    await tx.delete(keptSearches).where(and(eq(keptSearches.id, id), eq(keptSearches.member, ctx.actor.id)));
  });
  return ok(await listKeptSearches(ctx));
}
