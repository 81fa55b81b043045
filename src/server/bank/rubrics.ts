import { and, asc, eq } from 'drizzle-orm';
import { z } from 'zod';
import { ok, type Result, refuse } from '@/core/base/result';
import { readStored } from '@/core/base/stored-form';
import { type Rubric, rubricForm, rubricSchema } from '@/core/rules/rubric/rubric';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import { banks, rubrics } from '../db/schema/bank';
import { members } from '../db/schema/people';
import { newId } from '../ports/ids';
import { mayWriteIn, visibleBanks } from './access';

export interface KeptRubric {
  id: string;
  bank: string;
  bankName: string;
  rubric: Rubric;
  version: number;
  savedBy: string;
  savedAt: number;
}

const read = (ctx: Context) =>
  ctx.db.read
    .select({ rubric: rubrics, bankName: banks.name, savedBy: members.name })
    .from(rubrics)
    .innerJoin(banks, eq(banks.id, rubrics.bank))
    .innerJoin(members, eq(members.id, rubrics.savedBy));

const kept = ({ rubric, bankName, savedBy }: Awaited<ReturnType<typeof read>>[number]): KeptRubric => ({
  id: rubric.id,
  bank: rubric.bank,
  bankName,
  rubric: readStored(rubricForm, rubric.body),
  version: rubric.version,
  savedBy,
  savedAt: rubric.savedAt,
});

/** The rubrics of every bank that the actor sees, by title. */
export async function listRubrics(ctx: Context): Promise<KeptRubric[]> {
  const visible = new Set((await visibleBanks(ctx)).map(({ id }) => id));
  const rows = await read(ctx).orderBy(asc(rubrics.title));
  return rows.map(kept).filter(({ bank }) => visible.has(bank));
}

export async function openRubric(ctx: Context, id: string): Promise<Result<KeptRubric>> {
  const found = (await listRubrics(ctx)).find((one) => one.id === id);
  return found ? ok(found) : NOT_FOUND;
}

const making = z.object({ bank: z.string(), rubric: rubricSchema });

/** Keeps a rubric in a bank, to be used again. */
export async function keepRubric(ctx: Context, raw: unknown): Promise<Result<{ id: string }>> {
  const parsed = parse(making, raw);
  if (!parsed.ok) return parsed;
  const { bank, rubric } = parsed.value;
  if (!(await mayWriteIn(ctx, bank))) return FORBIDDEN;
  const id = newId();
  await ctx.db.transaction((tx) =>
    tx.insert(rubrics).values({
      id,
      bank,
      title: rubric.title,
      body: rubric,
      version: 1,
      savedBy: ctx.actor.id,
      savedAt: ctx.now,
    }),
  );
  return ok({ id });
}

const saving = z.object({ id: z.string(), base: z.number().int(), rubric: rubricSchema });

/** Saves a rubric of the bank; refused when somebody else saved it meanwhile. Slots that hold a copy keep theirs. */
export async function saveRubric(ctx: Context, raw: unknown): Promise<Result<{ version: number; savedAt: number }>> {
  const parsed = parse(saving, raw);
  if (!parsed.ok) return parsed;
  const { id, base, rubric } = parsed.value;
  const found = await openRubric(ctx, id);
  if (!found.ok) return found;
  if (!(await mayWriteIn(ctx, found.value.bank))) return FORBIDDEN;
  return ctx.db.transaction(async (tx) => {
    const saved = await tx
      .update(rubrics)
      .set({ title: rubric.title, body: rubric, version: base + 1, savedBy: ctx.actor.id, savedAt: ctx.now })
      .where(and(eq(rubrics.id, id), eq(rubrics.version, base)))
      .returning({ id: rubrics.id });
    return saved.length > 0
      ? ok({ version: base + 1, savedAt: ctx.now })
      : refuse('changed-elsewhere', { values: { by: found.value.savedBy } });
  });
}

/** Takes a rubric out of its bank. Slots that hold a copy keep theirs. */
export async function removeRubric(ctx: Context, id: string): Promise<Result<null>> {
  const found = await openRubric(ctx, id);
  if (!found.ok) return found;
  if (!(await mayWriteIn(ctx, found.value.bank))) return FORBIDDEN;
  await ctx.db.transaction((tx) => tx.delete(rubrics).where(eq(rubrics.id, id)));
  return ok();
}
