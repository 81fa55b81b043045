import { eq } from 'drizzle-orm';
import type { Transaction } from '../db/database';
import { media, mediaKeepers, mediaUses } from '../db/schema/bank';

/** Writes down a picture or recording, and that this member has it; the same bytes may be brought by several. */
export async function keepMediaRow(tx: Transaction, row: typeof media.$inferInsert): Promise<void> {
  await tx.insert(media).values(row).onConflictDoNothing();
  await tx.insert(mediaKeepers).values({ media: row.hash, member: row.addedBy }).onConflictDoNothing();
}

/** Writes down which pictures and recordings stand in a question now. */
export async function keepUses(tx: Transaction, row: number, hashes: readonly string[]): Promise<void> {
  await tx.delete(mediaUses).where(eq(mediaUses.row, row));
  const uses = [...new Set(hashes)].map((hash) => ({ media: hash, row }));
  if (uses.length > 0) await tx.insert(mediaUses).values(uses);
}
