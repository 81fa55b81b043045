import { type SQL, sql } from 'drizzle-orm';
import type { Reader } from '../db/database';

/** The questions of all sittings for which a condition on `sittings` holds. */
export async function heldIn(read: Reader, which: SQL): Promise<string[]> {
  const rows = await read.all<{ question: string }>(
    sql`SELECT DISTINCT json_extract(item.value, '$.question') AS question
        FROM sittings, json_each(sittings.plan, '$.sections') AS section, json_each(section.value, '$.items') AS item
        WHERE ${which}`,
  );
  return rows.map(({ question }) => question);
}
