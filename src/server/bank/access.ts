import { asc } from 'drizzle-orm';
import { type BankAccess, may } from '@/core/people/may';
import type { Context } from '../context';
import type { Reader } from '../db/database';
import { bankMembers, banks } from '../db/schema/bank';

export interface BankRow {
  id: string;
  name: string;
  reviewRequired: boolean;
  access: BankAccess;
}

export async function allBanks(read: Reader): Promise<BankRow[]> {
  const rows = await read.select().from(banks).orderBy(asc(banks.name));
  const named = await read.select().from(bankMembers);
  return rows.map(({ id, name, share, owner, reviewRequired }) => ({
    id,
    name,
    reviewRequired,
    access: { share, owner, named: named.filter((n) => n.bank === id).map((n) => n.member) },
  }));
}

/** The banks that this actor may see. */
export async function visibleBanks(ctx: Context): Promise<BankRow[]> {
  return (await allBanks(ctx.db.read)).filter((bank) => may(ctx.actor, 'see bank', bank.access));
}

/** Whether the actor may write in the bank; false when there is none. */
export async function mayWriteIn(ctx: Context, bankId: string): Promise<boolean> {
  const bank = (await allBanks(ctx.db.read)).find((b) => b.id === bankId);
  return bank !== undefined && may(ctx.actor, 'write in bank', bank.access);
}
