import type { Transaction } from '../db/database';
import { marks } from '../db/schema/marks';
import type { PlainAnew } from './plain-anew';

/** Rows that a statement takes without passing the database's limit of variables. */
const ROWS = 500;

/** Adds the marks that a mending gives to the history. They count when it is applied. */
export async function keepMarks(
  tx: Transaction,
  mending: string,
  found: readonly PlainAnew[],
  at: number,
): Promise<void> {
  const rows = found.flatMap(({ attempt, changes }) =>
    changes.map(({ item, slot, marks: value, trace, feedback }) => ({
      attempt,
      item,
      slot,
      marks: value,
      trace,
      feedback,
      at,
      mending,
    })),
  );
  await insertMarks(tx, rows);
}

/** Adds marks to the history. */
export async function insertMarks(tx: Transaction, rows: readonly (typeof marks.$inferInsert)[]): Promise<void> {
  for (let from = 0; from < rows.length; from += ROWS) await tx.insert(marks).values(rows.slice(from, from + ROWS));
}
