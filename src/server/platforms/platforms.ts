import { asc, count, eq } from 'drizzle-orm';
import { z } from 'zod';
import { liesUnder } from '@/core/base/under';
import { ok, type Result, refuse } from '@/core/base/result';
import { may } from '@/core/people/may';
import { type Context, FORBIDDEN, NOT_FOUND, parse } from '../context';
import type { Reader } from '../db/database';
import { outsideBooks, platformPeople, platforms } from '../db/schema/platforms';
import { newId } from '../ports/ids';
import { askForAccess, type Platform } from './services';

const address = z
  .string()
  .trim()
  .max(2000)
  .url({ protocol: /^https?$/, error: 'address-odd' });
const input = z.object({
  /** Null for a new one. */
  id: z.string().max(60).nullable(),
  name: z.string().trim().min(1, 'name-empty').max(120),
  tokenAddress: address,
  clientId: z.string().trim().min(1, 'client-id-empty').max(300),
  audience: z
    .string()
    .trim()
    .max(2000)
    .transform((text) => text || null)
    .nullable(),
  under: address,
});

/** Registers a platform, or changes how it is reached. */
export async function keepPlatform(ctx: Context, raw: unknown): Promise<Result<{ id: string }>> {
  if (!may(ctx.actor, 'set policy', null)) return FORBIDDEN;
  const parsed = parse(input, raw);
  if (!parsed.ok) return parsed;
  const { id, ...said } = parsed.value;
  return ctx.db.transaction(async (tx): Promise<Result<{ id: string }>> => {
    const all = await tx.select().from(platforms);
    if (all.some((one) => one.id !== id && one.name.toLowerCase() === said.name.toLowerCase()))
      return refuse('platform-name-taken', { at: ['name'] });
    if (id === null) {
      const made = newId();
      await tx.insert(platforms).values({ id: made, ...said });
      return ok({ id: made });
    }
    if (!all.some((one) => one.id === id)) return NOT_FOUND;
    const books = await tx.select().from(outsideBooks).where(eq(outsideBooks.platform, id));
    if (!books.every(({ lineItems }) => liesUnder(lineItems, said.under)))
      return refuse('platform-used-elsewhere', { at: ['under'] });
    await tx.update(platforms).set(said).where(eq(platforms.id, id));
    return ok({ id });
  });
}

/** Takes a platform out that no course uses. */
export async function dropPlatform(ctx: Context, raw: unknown): Promise<Result<null>> {
  if (!may(ctx.actor, 'set policy', null)) return FORBIDDEN;
  const parsed = parse(z.string().max(60), raw);
  if (!parsed.ok) return parsed;
  return ctx.db.transaction(async (tx): Promise<Result<null>> => {
    const [used] = await tx
      .select({ courses: count() })
      .from(outsideBooks)
      .where(eq(outsideBooks.platform, parsed.value));
    if ((used?.courses ?? 0) > 0) return refuse('platform-in-use', { values: { count: used?.courses ?? 0 } });
    await tx.delete(platformPeople).where(eq(platformPeople.platform, parsed.value));
    const gone = await tx.delete(platforms).where(eq(platforms.id, parsed.value)).returning({ id: platforms.id });
    return gone.length > 0 ? ok() : NOT_FOUND;
  });
}

export async function platformOf(read: Reader, id: string): Promise<Platform | null> {
  const [platform] = await read.select().from(platforms).where(eq(platforms.id, id));
  return platform ?? null;
}

/** Asks a platform for access, to see whether it knows this installation. */
export async function tryPlatform(ctx: Context, raw: unknown): Promise<Result<null>> {
  if (!may(ctx.actor, 'set policy', null)) return FORBIDDEN;
  const parsed = parse(z.string().max(60), raw);
  if (!parsed.ok) return parsed;
  const platform = await platformOf(ctx.db.read, parsed.value);
  if (!platform) return NOT_FOUND;
  const access = await askForAccess(ctx, platform);
  return access.ok ? ok() : access;
}

/** The platforms of the department by name, with everything for whoever keeps them; null for others. */
export async function listPlatforms(ctx: Context): Promise<Platform[] | null> {
  if (!may(ctx.actor, 'set policy', null)) return null;
  return ctx.db.read.select().from(platforms).orderBy(asc(platforms.name));
}
